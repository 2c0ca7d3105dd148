import { InputError } from '../units/input-error';
import { abvOf, ferment } from './convert';
import { stockAt } from '../liquid/stock';
import { SUCROSE_TO_HEXOSE, brixFromSg, gramsPerLitre, sgFromBrix } from '../liquid/sugar';
import { findRoot } from '../maths/root';

/** The scales one meets on a hydrometer's stem. */
export type Scale = 'sg' | 'brix' | 'potential';

/**
 * Alcohol a sugar-and-water must of this gravity would hold once dry, % by volume; 0 below 1.
 * @example potentialAbv(1.08) // 12.993
 */
export function potentialAbv(sg: number): number {
  if (sg <= 1) return 0;
  const must = stockAt(1, sg);
  return abvOf(ferment(must, must.hexoseKg).stock);
}

/**
 * What stands beside 1.100 on the potential scale of a stem. Two families are printed: the fall of gravity times 131,
 * where 1.090 stands by about 12 %, and all the sugar at 16.83 g of hexose a per cent, where 1.070 stands by about 11.5.
 * @source Regulation (EU) 2019/934 for 16.83 g/L (from memory); the first is common practice
 */
export const PRINTED_AT_1100 = { fall: 13.1, sugar: 16.3 } as const;
/** Between the two families. */
const BETWEEN = 14.7;

const sugarScale = (sg: number): number => (gramsPerLitre(sg) * SUCROSE_TO_HEXOSE) / 16.83;

/**
 * What a stem's potential scale prints at a gravity, % by volume; under 1 it is less than nothing.
 * @param at1100 what stands beside 1.100 on that stem
 * @example printedPotential(1.08) // 10.48
 */
export const printedPotential = (sg: number, at1100: number = PRINTED_AT_1100.fall): number =>
  at1100 < BETWEEN ? (sg - 1) * 10 * at1100 : (sugarScale(sg) * at1100) / sugarScale(1.1);

/**
 * The gravity where a stem prints so much potential.
 * @throws InputError outside −3 to 25 %
 * @example sgOfPotential(10) // 1.0763
 */
export function sgOfPotential(printed: number, at1100: number = PRINTED_AT_1100.fall): number {
  if (!(printed >= -3 && printed <= 25))
    throw new InputError(`${printed} % is outside the potential scale.`, 'Give −3 to 25 %.');
  return findRoot((sg) => printedPotential(sg, at1100) - printed, 0.96, 1.3, 1e-8);
}

/** Lowest °Bx that a dry, strong wine can show on a hydrometer. */
const LOWEST_BRIX = -6;

/** Gravity from °Bx, which a hydrometer shows below nothing in a dry wine. @throws InputError outside −6 to 80 */
function sgOfBrix(brix: number): number {
  if (brix >= 0) return sgFromBrix(brix);
  if (!(brix >= LOWEST_BRIX)) throw new InputError(`${brix} °Bx is lighter than any wine.`, 'Read it again.');
  return findRoot((sg) => brixFromSg(sg) - brix, 0.96, 1, 1e-8);
}

/**
 * Gravity from a reading on any scale of the stem.
 * @param at1100 what the potential scale prints beside 1.100
 * @throws InputError when it is off the scale
 * @example sgFrom('brix', 20) // 1.083
 */
export function sgFrom(scale: Scale, reading: number, at1100?: number): number {
  if (scale === 'sg') return reading;
  return scale === 'brix' ? sgOfBrix(reading) : sgOfPotential(reading, at1100);
}

/**
 * One reading on every scale, with the sugar it stands for, g/L of sucrose.
 * @example onAllScales(1.08).brix // 19.334
 */
export const onAllScales = (sg: number) => ({
  sg,
  brix: brixFromSg(sg),
  potential: potentialAbv(sg),
  sugarGL: Math.max(0, gramsPerLitre(sg))
});
