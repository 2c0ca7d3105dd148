import { once } from '../maths/once';
import type { Plan } from '../plan/plan';
import { STEP_IDS, type StepId } from '../tables/step-id';
import type { Step } from './step';
import { STEPS } from './table/all';
import { factsOf } from './table/facts';

/**
 * The steps of a plan, in order: crush, treat, wait, pitch, stir, fruit out, rack, rack, bottle.
 * @param plan its produce sets the days on the fruit, its school the waits
 */
export const stepsOf = once((plan: Plan): Step[] => {
  const facts = factsOf(plan);
  const rest = STEP_IDS.flatMap((id): Step[] => {
    const step = STEPS[id].inPlan?.(facts);
    return step ? [{ id, ...step }] : [];
  });
  const out: Step[] = [];
  // In the table's order, but none before what it waits for.
  while (rest.length > 0) {
    const n = rest.findIndex((s) => s.waits.every((w) => !rest.some((x) => x.id === w.step)));
    out.push(...rest.splice(Math.max(0, n), 1));
  }
  return out;
});

/**
 * Hours from the first day until each step can be, when every one before it is done in time.
 * @example
 * soonestH(stepsOf({ ingredients: [{ kind: 'produce', produceId: 'plum', massKg: 4 }] })).get('pitch') // 24
 */
export function soonestH(steps: readonly Step[]): Map<StepId, number> {
  const at = new Map<StepId, number>();
  for (const s of steps) at.set(s.id, Math.max(0, ...s.waits.map((w) => (at.get(w.step) ?? 0) + w.minH)));
  return at;
}
