import { evaluate } from '$core/must/evaluate';
import type { Plan } from '$core/plan/plan';
import { isFree } from '$core/solve/programme';
import { solvePlan, sweetenKg } from '$core/solve/solve';
import { swapsFor } from '$core/solve/swaps';

/** Rows that may be worked out at once: more than any slip has. */
export const MOST_FREE = 40;
/** How long one plan may be worked on, ms. */
export const MOST_MS = 500;

export const freeRows = (plan: Plan): number => plan.ingredients.filter(isFree).length;

/** What `POST /api/scale` answers: amounts, what gave way, and ways out that are plans themselves. */
export function scaleAnswer(asked: Plan, nowMs: () => number = () => performance.now()) {
  const end = nowMs() + MOST_MS;
  let cut = false;
  const isOver = () => {
    const over = nowMs() > end;
    cut ||= over;
    return over;
  };
  const { plan, gaveWay } = solvePlan(asked, isOver);
  const swaps = swapsFor(asked, gaveWay, isOver);
  return {
    plan,
    // JSON has no NaN: what is not defined is null.
    figures: Object.fromEntries(
      Object.entries(evaluate(plan).likely).map(([name, x]) => [name, Number.isFinite(x) ? x : null])
    ),
    gaveWay,
    swaps,
    later: evaluate(plan).parts.later,
    sweetenKg: sweetenKg(plan),
    /** the time was up: better amounts, or other ways out, may be had */
    incomplete: cut
  };
}
