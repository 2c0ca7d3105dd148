import type { BatchState } from '$core/ledger/state';
import type { StepId } from '$core/tables/step-id';
import { amountOf, withAmount, type Ingredient } from '$core/plan/plan';
import { nameOf } from '$core/plan/name';
import { stepPuts } from '$core/steps/puts';
import type { Settings } from '$core/units/settings';
import { ingredientText } from '../words/ingredient-text';

/** The word on a card's button, for steps that one tap does. */
export const TAP: Partial<Record<StepId, string>> = {
  stir: 'Stirred',
  campden: 'Sulphite in',
  enzyme: 'Enzyme in',
  pitch: 'Yeast in',
  'nutrient-1': 'Nutrient in',
  'nutrient-2': 'Nutrient in',
  'nutrient-3': 'Nutrient in',
  'nutrient-4': 'Nutrient in',
  starter: 'Starter begun',
  'feed-1': 'Sugar in',
  'feed-2': 'Sugar in',
  finings: 'Finings in',
  stabilise: 'Both are in',
  'fruit-out': 'Fruit is out',
  crush: 'Done'
};

/** What one tap of a step writes down, in words, all vessels together; empty when it puts nothing in. */
export function putsText(s: BatchState, step: StepId, settings: Settings): string {
  const rows = new Map<string, Ingredient>();
  for (const { ingredients } of stepPuts(s, step) ?? [])
    for (const i of ingredients) {
      const known = rows.get(nameOf(i));
      rows.set(nameOf(i), known ? withAmount(known, amountOf(known) + amountOf(i)) : i);
    }
  return [...rows.values()].map((i) => ingredientText(i, settings)).join(' and ');
}
