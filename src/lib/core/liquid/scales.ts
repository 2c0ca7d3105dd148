import { InputError } from '../units/input-error';
import { abvOf, ferment } from '../ferment/convert';
import { stockAt } from '../must/balance';
import { findRoot } from './root';
import { brixFromSg, gramsPerLitre, sgFromBrix } from './sugar';

/** The scales one meets on a hydrometer's stem. */
export type Scale = 'sg' | 'brix' | 'potential';

/** Alcohol a sugar-and-water must of this gravity would hold once dry, % by volume; 0 below 1. */
export function potentialAbv(sg: number): number {
  if (sg <= 1) return 0;
  const must = stockAt(1, sg);
  return abvOf(ferment(must, must.hexoseKg).stock);
}

/** The gravity whose potential is `abv` %. @throws InputError outside 0 to 25 % */
export function sgOfPotential(abv: number): number {
  if (!(abv >= 0 && abv <= 25))
    throw new InputError(`${abv} % is outside the potential scale.`, 'Give 0 to 25 %.');
  return findRoot((sg) => potentialAbv(sg) - abv, 1, 1.25, 1e-7);
}

/** Gravity from a reading on any scale of the stem. @throws InputError when it is off the scale */
export function sgFrom(scale: Scale, reading: number): number {
  if (scale === 'sg') return reading;
  return scale === 'brix' ? sgFromBrix(reading) : sgOfPotential(reading);
}

/** One reading on every scale, with the sugar it stands for, g/L of sucrose. */
export const onAllScales = (sg: number) => ({
  sg,
  brix: brixFromSg(sg),
  potential: potentialAbv(sg),
  sugarGL: Math.max(0, gramsPerLitre(sg))
});
