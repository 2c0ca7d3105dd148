import { COLD_C, YEASTS } from '../tables/yeasts';
import { type Plan, type Yeast, entryOf, amountOf } from './plan';

/** Whether pectic enzyme goes in: as the plan says, else where the fruit holds pectin. */
export const usesEnzyme = (plan: Plan): boolean =>
  plan.enzyme ??
  plan.ingredients.some((i) => {
    const pectin = amountOf(i) > 0 ? entryOf(i)?.pectin : undefined;
    return pectin === 'high' || pectin === 'medium';
  });

/** What a yeast is called: as on its packet, else by its type. */
export const yeastName = (yeast: Yeast | undefined): string => {
  const type = YEASTS[yeast?.yeastId ?? 'wine'].name.toLowerCase();
  return yeast?.name === undefined ? type : `${yeast.name} (${type})`;
};

/** Temperature under which a yeast hardly works, °C. */
export const coldC = (yeast: Yeast | undefined): number => yeast?.coldC ?? COLD_C[yeast?.yeastId ?? 'wine'];

/** Tolerance low–usual–high of a yeast; a bare figure is taken ±1 %. */
export function toleranceOf(yeast: Yeast | undefined): readonly [number, number, number] {
  if (yeast?.toleranceAbv !== undefined) {
    const t = yeast.toleranceAbv;
    return [Math.max(0.5, t - 1), t, t + 1];
  }
  return YEASTS[yeast?.yeastId ?? 'wine'].toleranceAbv;
}
