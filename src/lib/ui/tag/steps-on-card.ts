import { listText } from '$core/units/format';
import type { Stands } from '$core/report/stands';
import type { StepId } from '$core/tables/step-id';
import { amountOf, withAmount, type Ingredient } from '$core/plan/plan';
import { nameOf } from '$core/plan/name';
import { stepPuts } from '$core/steps/do-step';
import type { Settings } from '$core/units/settings';
import { ingredientText } from '../words/ingredient-text';

/** What one tap of a step writes down, in words, all vessels together; empty when it puts nothing in. */
export function putsText(
  { state: s, standing }: Pick<Stands, 'state' | 'standing'>,
  step: StepId,
  settings: Settings
): string {
  const rows = new Map<string, Ingredient>();
  for (const { ingredients } of stepPuts(s, step, standing.belief) ?? [])
    for (const i of ingredients) {
      const known = rows.get(nameOf(i));
      rows.set(nameOf(i), known ? withAmount(known, amountOf(known) + amountOf(i)) : i);
    }
  return listText([...rows.values()].map((i) => ingredientText(i, settings)));
}
