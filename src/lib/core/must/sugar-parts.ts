import { likelyFigures } from './balance';
import { amountOf, withAmount, type Ingredient, type Plan } from '../plan/plan';
import { findRoot } from '../maths/root';

/** A part of the sugar that goes in later. */
export type SugarPart = { step: 'feed-1' | 'feed-2'; ingredients: Ingredient[]; when: string };
export type SugarParts = {
  /** the must as it is made on the first day */
  now: Plan;
  later: SugarPart[];
};

/** Start gravity of a must that is fed in steps, when nothing else is asked. Common practice. */
const FED_START_SG = 1.085;

const isSweet = (i: Ingredient): boolean => (i.kind === 'sugar' || i.kind === 'honey') && amountOf(i) > 0;
/** Sugar that may wait: what was worked out. What somebody holds goes in as it stands, unless there is no other. */
const waits = (plan: Plan): ((i: Ingredient) => boolean) => {
  const hasFree = plan.ingredients.some((i) => isSweet(i) && i.held === false);
  return (i) => isSweet(i) && (i.held === false || !hasFree);
};
const share = (plan: Plan, part: number): Plan => {
  const isFed = waits(plan);
  return {
    ...plan,
    ingredients: plan.ingredients.map((i) => (isFed(i) ? withAmount(i, amountOf(i) * part) : i))
  };
};
const fed = (plan: Plan, part: number): Ingredient[] =>
  plan.ingredients.filter(waits(plan)).map((i) => withAmount(i, amountOf(i) * part));

/**
 * A plan's sugar by when it goes in: all at the start, half or all of it with the fruit out, or a gentle start and
 * two feeds. Only sugar and honey wait; what fruit brings is in from the start, and so is what somebody holds while other
 * sugar can wait.
 * @param plan with its amounts worked out
 * @example
 * sugarParts({ sugar: 'halves', ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 2 }] }).later[0]!.step // 'feed-1'
 */
export function sugarParts(plan: Plan): SugarParts {
  const how = plan.sugar ?? 'start';
  if (how === 'start' || !plan.ingredients.some(isSweet)) return { now: plan, later: [] };
  if (how === 'strained' || how === 'halves') {
    const kept = how === 'halves' ? 0.5 : 0;
    return {
      now: share(plan, kept),
      later: [{ step: 'feed-1', ingredients: fed(plan, 1 - kept), when: 'when the fruit is out' }]
    };
  }
  const wanted = plan.target?.sgMax ?? FED_START_SG;
  const miss = (part: number) => likelyFigures(share(plan, part)).sgAllGiven - wanted;
  const now = miss(1) <= 0 || !Number.isFinite(miss(1)) ? 1 : miss(0) >= 0 ? 0 : findRoot(miss, 0, 1, 1e-6);
  if (now > 0.999) return { now: plan, later: [] };
  const half = (1 - now) / 2;
  return {
    now: share(plan, now),
    later: [
      { step: 'feed-1', ingredients: fed(plan, half), when: 'when two thirds of the first sugar is gone' },
      { step: 'feed-2', ingredients: fed(plan, half), when: 'when that is nearly gone' }
    ]
  };
}
