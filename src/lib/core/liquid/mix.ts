import { alcoholDrop, ETHANOL_20 } from './ethanol';
import { fixedPoint } from '../maths/root';
import { brixFromSg, sgFromBrix, sgFromGramsPerLitre } from './sugar';
import { WATER_20 } from './water';

/** Percent sucrose at which water takes no more at 20 °C. @source NBS Circular 440 (from memory) */
export const SATURATION_BRIX = 66.7;

/** Less water than this is none. */
const A_DROP_KG = 1e-9;

/** Grams a litre to which the sugar table goes. */
const MAX_GL = 1100;

/** Density limit of the sugar table: denser than this is a syrup that is not yet liquid. */
const MAX_BRIX = 80;

/**
 * Volume and gravity at 20 °C of a liquid of water, ethanol and dissolved solids.
 * Solids weigh as sucrose does. With alcohol, the lift of the solids and the drop of the alcohol
 * add at equal volume (Tabarié), the rule that spirit indication rests on.
 * @param waterKg @param ethanolKg @param solidsKg all ≥ 0
 * @returns volumeL and sg 20/20, or null when there is nothing liquid
 * @example liquidOf(0.9, 0.08, 0.02)!.sg // 0.9941
 * @source Tabarié's relation, as in OIV and AOAC methods (from memory); densities as in sugar.ts and ethanol.ts
 */
export function liquidOf(
  waterKg: number,
  ethanolKg: number,
  solidsKg: number
): { volumeL: number; sg: number } | null {
  const massKg = waterKg + ethanolKg + solidsKg;
  if (!(waterKg > A_DROP_KG)) return null;
  const brix = (100 * solidsKg) / (waterKg + solidsKg);
  if (brix > MAX_BRIX) return null;
  if (ethanolKg <= 0) {
    const sg = sgFromBrix(brix);
    return { volumeL: massKg / (sg * WATER_20), sg };
  }
  const volumeL = fixedPoint(
    (litres) =>
      massKg /
      (sgFromGramsPerLitre(Math.min(MAX_GL, (1000 * solidsKg) / litres)) * WATER_20 -
        alcoholDrop(Math.min(ETHANOL_20, ethanolKg / litres))),
    waterKg / WATER_20 + 0.62 * solidsKg + ethanolKg / 0.85
  );
  // On the way there it may go beyond what the tables know; where it stays there, it is no liquid.
  if (!(volumeL > 0) || (1000 * solidsKg) / volumeL > MAX_GL || ethanolKg / volumeL > ETHANOL_20) return null;
  return { volumeL, sg: massKg / volumeL / WATER_20 };
}

/**
 * Whether this much sugar can dissolve in this much water at 20 °C.
 * @example dissolves(1, 1.5) // true
 */
export const dissolves = (waterKg: number, solidsKg: number): boolean =>
  waterKg > 1000 * A_DROP_KG && (100 * solidsKg) / (waterKg + solidsKg) <= SATURATION_BRIX;

/**
 * Grams of dissolved solids a litre that explain gravity `sg` at strength `ethanolKgL`.
 * The inverse of `liquidOf` at a given strength; below zero when the wine is lighter than its alcohol allows.
 * @example solidsAt(1.0, 0.0947) // 41.061
 */
export function solidsAt(sg: number, ethanolKgL: number): number {
  const residue = sg + alcoholDrop(ethanolKgL) / WATER_20;
  return 10 * brixFromSg(residue) * residue * WATER_20;
}
