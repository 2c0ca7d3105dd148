import { sugarParts } from '../must/sugar-parts';
import { amountOf, type Plan } from '../plan/plan';
import { InputError } from '../units/input-error';
import { draft, type Deed } from './deed';
import { setReadingAside } from './tick';

type Begun = {
  batchId: string;
  plan: Plan;
  name: string;
  vesselId: string;
  recipeId: string | null;
  /** nobody here reads gravity */
  hasNoStem?: boolean;
};

/**
 * Begins a brew day: the plan is written down, and what goes in as it is weighed.
 * @throws InputError without a name
 */
export function beginBrewDay({ batchId, plan, name, vesselId, recipeId, hasNoStem }: Begun): Deed {
  if (!name.trim()) throw new InputError('The batch has no name.', 'Give it one, such as Rhubarb.', 'name');
  return [
    draft(batchId, 'planned', { name: name.trim(), plan, vesselId, ...(recipeId ? { recipeId } : {}) }),
    ...(plan.acknowledged ?? []).map((cautionId) => draft(batchId, 'caution', { cautionId })),
    ...(hasNoStem ? setReadingAside(batchId) : [])
  ];
}

/**
 * Starts a batch from a plan: names it, and puts in everything the plan holds on the first day. Sugar that is fed
 * later waits.
 * @throws InputError without a name, or when nothing is in the plan
 */
export function beginBatch(begun: Begun): Deed {
  const [planned, ...read] = beginBrewDay(begun);
  const ingredients = sugarParts(begun.plan).now.ingredients.filter((i) => amountOf(i) > 0);
  if (ingredients.length === 0)
    throw new InputError('There is nothing in the plan.', 'Add fruit, sugar or water first.', 'ingredients');
  return [planned!, draft(begun.batchId, 'addition', { ingredients, vesselId: begun.vesselId }), ...read];
}
