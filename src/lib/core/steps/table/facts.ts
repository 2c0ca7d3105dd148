import { isStrained } from '../../must/strain';
import { usesEnzyme } from '../../plan/chosen';
import { amountOf, entryOf, type Plan } from '../../plan/plan';
import { choiceOf, isNatural } from '../../tables/schools';
import type { Family } from '../../tables/produce';
import type { StepId } from '../../tables/step-id';

/** What of a plan its steps turn on. */
export type PlanFacts = {
  plan: Plan;
  /** days the fruit stays in, as it is chosen or usual for it; 0 without fruit */
  steepDays: number;
  hasFruit: boolean;
  /** what that fruit is */
  fruitName: 'fruit' | 'flowers' | 'leaves';
  /** strained off before the ferment, and no fruit left in */
  isInfusion: boolean;
  hasEnzyme: boolean;
  isWild: boolean;
  isStarter: boolean;
  /** the step that sets the ferment going */
  begins: StepId;
};

/** Days on the fruit, where they were chosen. */
const CHOSEN_DAYS: Record<string, number> = { three: 3, five: 5, seven: 7, ten: 10 };

/** What lies in the bag; zest and juice of citrus beside it give it no other name. */
function fruitNameOf(all: readonly Family[]): PlanFacts['fruitName'] {
  const [first, ...others] = new Set(all.filter((f) => f !== 'citrus'));
  if (others.length > 0) return 'fruit';
  return first === 'flower' ? 'flowers' : first === 'leaf' ? 'leaves' : 'fruit';
}

export function factsOf(plan: Plan): PlanFacts {
  const fruit = plan.ingredients
    .filter((i) => i.kind === 'produce' && i.massKg > 0 && !i.pressed && !isStrained(i))
    .flatMap((i) => entryOf(i) ?? []);
  const usual = Math.max(0, ...fruit.map((p) => p.steepDays[1]));
  const steepDays = usual > 0 ? (CHOSEN_DAYS[choiceOf(plan, 'fruitFor')] ?? usual) : 0;
  const isWild = isNatural(plan);
  return {
    plan,
    steepDays,
    hasFruit: steepDays > 0,
    fruitName: fruitNameOf(fruit.map((p) => p.family)),
    isInfusion: steepDays === 0 && plan.ingredients.some((i) => amountOf(i) > 0 && isStrained(i)),
    hasEnzyme: usesEnzyme(plan),
    isWild,
    isStarter: !isWild && choiceOf(plan, 'pitch') === 'starter',
    begins: isWild ? 'crush' : 'pitch'
  };
}
