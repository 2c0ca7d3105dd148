import { alcoholDrop } from './ethanol';
import { liquidOf } from './mix';
import { sgFromGramsPerLitre } from './sugar';
import { WATER_20 } from './water';

/** Steps of the tables: 2 g/L of solids, 1 g/L of alcohol. Straight between them they are right to a millionth. */
const SOLIDS_STEP = 0.002;
const ALCOHOL_STEP = 0.001;
const MOST_SOLIDS = 0.5;
const MOST_ALCOHOL = 0.22;

const tabled = (f: (x: number) => number, most: number, step: number): Float64Array =>
  Float64Array.from({ length: Math.round(most / step) + 2 }, (_, i) => f(i * step));
const BY_SOLIDS = tabled((kgL) => sgFromGramsPerLitre(1000 * kgL) * WATER_20, MOST_SOLIDS, SOLIDS_STEP);
const BY_ALCOHOL = tabled(alcoholDrop, MOST_ALCOHOL, ALCOHOL_STEP);

const at = (table: Float64Array, x: number): number => {
  const i = Math.floor(x);
  const a = table[i]!;
  return a + (x - i) * (table[i + 1]! - a);
};

/**
 * Volume, L, of water, ethanol and dissolved solids at 20 °C: `liquidOf` by table, for reckoning with thousands of wines.
 * @param waterKg @param ethanolKg @param solidsKg all ≥ 0
 * @returns 0 when there is nothing liquid
 * @example quickVolumeL(0.9, 0.08, 0.02) // 1.0078
 */
export function quickVolumeL(waterKg: number, ethanolKg: number, solidsKg: number): number {
  const massKg = waterKg + ethanolKg + solidsKg;
  if (!(waterKg > 1e-9)) return 0;
  let litres = waterKg / WATER_20 + 0.62 * solidsKg + ethanolKg / 0.85;
  for (let i = 0; i < 4; i++) {
    const solids = solidsKg / litres;
    const alcohol = ethanolKg / litres;
    if (solids > MOST_SOLIDS || alcohol > MOST_ALCOHOL)
      return liquidOf(waterKg, ethanolKg, solidsKg)?.volumeL ?? litres;
    litres = massKg / (at(BY_SOLIDS, solids / SOLIDS_STEP) - at(BY_ALCOHOL, alcohol / ALCOHOL_STEP));
  }
  return litres;
}
