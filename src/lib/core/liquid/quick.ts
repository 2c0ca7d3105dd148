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

/**
 * Volume, L, of water, ethanol and dissolved solids at 20 °C: `liquidOf` by table, for reckoning with thousands of wines.
 * @param waterKg @param ethanolKg @param solidsKg all ≥ 0
 * @returns 0 when there is nothing liquid
 * @example quickVolumeL(0.9, 0.08, 0.02) // 1.0078
 */
export function quickVolumeL(waterKg: number, ethanolKg: number, solidsKg: number): number {
  const massKg = waterKg + ethanolKg + solidsKg;
  if (!(waterKg > 1e-9)) return 0;
  // Density is straight within a step of the tables, and so litres × density = mass is solved at once where the step is
  // known: the first look finds the step, the second the volume.
  let litres = waterKg / WATER_20 + 0.62 * solidsKg + ethanolKg / 0.85;
  for (let k = 0; k < 2; k++) {
    const solids = solidsKg / litres;
    const alcohol = ethanolKg / litres;
    if (solids > MOST_SOLIDS || alcohol > MOST_ALCOHOL)
      return liquidOf(waterKg, ethanolKg, solidsKg)?.volumeL ?? litres;
    const x = solids / SOLIDS_STEP;
    const y = alcohol / ALCOHOL_STEP;
    const i = x | 0;
    const j = y | 0;
    const bySolids = BY_SOLIDS[i + 1]! - BY_SOLIDS[i]!;
    const byAlcohol = BY_ALCOHOL[j + 1]! - BY_ALCOHOL[j]!;
    // What the straight line gives where there is neither.
    const atNone = BY_SOLIDS[i]! - i * bySolids - (BY_ALCOHOL[j]! - j * byAlcohol);
    litres = (massKg - bySolids * (solidsKg / SOLIDS_STEP) + byAlcohol * (ethanolKg / ALCOHOL_STEP)) / atNone;
  }
  return litres;
}
