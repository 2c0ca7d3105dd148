import { listText } from '$core/units/format';
import type { Stands } from '$core/report/stands';
import type { StepId } from '$core/tables/step-id';
import { amountOf, withAmount, type Ingredient } from '$core/plan/plan';
import { nameOf } from '$core/plan/name';
import { stepPuts } from '$core/steps/do-step';
import { spoonText, TEASPOON_G } from '$core/tables/doses';
import type { Settings } from '$core/units/settings';
import { ingredientText } from '../words/ingredient-text';

/** The same with the spoon that measures it, where grams are too few for a kitchen scale. */
function spooned(item: Ingredient, settings: Settings): string {
  const id = item.kind === 'additive' ? item.additiveId : item.kind === 'acid' ? item.acidId : null;
  const teaspoonG = id === null ? null : (TEASPOON_G as Record<string, number>)[id];
  const text = ingredientText(item, settings);
  return teaspoonG && id !== 'campden' ? `${text} (${spoonText(1000 * amountOf(item), teaspoonG)})` : text;
}

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
  return listText([...rows.values()].map((i) => spooned(i, settings)));
}
