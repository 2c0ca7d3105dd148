import { YEASTS } from '../tables/yeasts';
import { type Plan, type Yeast, entryOf, amountOf } from './plan';

/** Whether pectic enzyme goes in: as the plan says, else where the fruit holds pectin. */
export const usesEnzyme = (plan: Plan): boolean =>
  plan.enzyme ??
  plan.ingredients.some((i) => {
    const pectin = amountOf(i) > 0 ? entryOf(i)?.pectin : undefined;
    return pectin === 'high' || pectin === 'medium';
  });

/** Tolerance low–usual–high of a yeast; a bare figure is taken ±1 %. */
export function toleranceOf(yeast: Yeast | undefined): readonly [number, number, number] {
  if (yeast?.toleranceAbv !== undefined) {
    const t = yeast.toleranceAbv;
    return [Math.max(0.5, t - 1), t, t + 1];
  }
  return YEASTS[yeast?.yeastId ?? 'wine'].toleranceAbv;
}
