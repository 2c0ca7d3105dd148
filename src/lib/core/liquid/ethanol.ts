import { inC } from '../units/say';
import { findRoot, fixedPoint } from '../maths/root';
import { InputError } from '../units/input-error';

/** Density of pure ethanol at 20 °C, kg/L. @source OIML R 22 (1975) */
export const ETHANOL_20 = 0.78924;

/** A_k of the general formula at 20 °C. @source OIML R 22 (1975), International alcoholometric tables (from memory) */
const OIML = [
  9.9820123e2, -1.929769495e2, 3.891238958e2, -1.668103923e3, 1.352215441e4, -8.829278388e4, 3.062874042e5,
  -6.138381234e5, 7.470172998e5, -5.478461354e5, 2.234460334e5, -3.903285426e4
];

/**
 * Density of ethanol and water at 20 °C.
 * @param massFraction ethanol by mass, 0 to 1
 * @returns kg/L
 * @example ethanolWaterDensity(0.1) // 0.98185
 * @source OIML R 22 (1975)
 */
export function ethanolWaterDensity(massFraction: number): number {
  let sum = 0;
  for (let k = OIML.length - 1; k >= 0; k--) sum = sum * massFraction + OIML[k]!;
  return sum / 1000;
}

/** Water by the alcohol formula itself, so that no alcohol is exactly no drop. */
const PURE_WATER = ethanolWaterDensity(0);

/**
 * Density of an ethanol–water mixture that holds `ethanolKgL` kg of ethanol in each litre.
 * @param ethanolKgL 0 to 0.789
 * @example densityOfStrength(0.0947) // 0.98236
 */
export function densityOfStrength(ethanolKgL: number): number {
  if (ethanolKgL <= 0) return ethanolWaterDensity(0);
  // The mass fraction settles in a few rounds: density moves far less than strength.
  return ethanolWaterDensity(
    fixedPoint((p) => Math.min(1, ethanolKgL / ethanolWaterDensity(p)), ethanolKgL / 0.98)
  );
}

/**
 * How much lighter than water alcohol of `ethanolKgL` makes a liquid, kg/L.
 * @example alcoholDrop(0.0947) // 0.015845
 */
export const alcoholDrop = (ethanolKgL: number): number => PURE_WATER - densityOfStrength(ethanolKgL);

/**
 * Density, kg/L at 20 °C, of a spirit of `abv` % by volume.
 * @example densityOfAbv(12) // 0.98235
 */
export const densityOfAbv = (abv: number): number => densityOfStrength((abv / 100) * ETHANOL_20);

/**
 * % alcohol by volume of an ethanol–water mixture of `density` kg/L at 20 °C.
 * @throws InputError when no such mixture exists
 * @example abvOfDensity(0.98239) // 11.97
 */
export function abvOfDensity(density: number): number {
  if (!(density <= ethanolWaterDensity(0) + 1e-9 && density >= ETHANOL_20 - 1e-9))
    throw new InputError(`No spirit has a density of ${density} kg/L.`, `Measure again at ${inC(20)}.`);
  // Either end is met to within the rounding that was let in.
  if (density >= densityOfAbv(0)) return 0;
  if (density <= densityOfAbv(100)) return 100;
  return findRoot((abv) => densityOfAbv(abv) - density, 0, 100, 1e-9);
}
