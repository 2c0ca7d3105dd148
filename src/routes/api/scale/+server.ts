import { json, type RequestHandler } from '@sveltejs/kit';
import { sugarParts } from '$core/method/sugar-parts';
import { likelyFigures } from '$core/must/balance';
import { planSchema } from '$core/must/plan';
import { solvePlan, sweetenKg } from '$core/scale/solve';
import { swapsFor } from '$core/scale/swaps';
import { readAs } from '../body';

/**
 * Amounts for what a plan asks for: the same solver as the Plan page. Rows with `held: false` are worked out; what
 * cannot be met is said with its reason, and with ways out that are plans themselves.
 */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, planSchema);
  if (!read.ok) return read.response;
  const { plan, gaveWay } = solvePlan(read.data);
  const { later } = sugarParts(plan);
  return json({
    plan,
    // JSON has no NaN: what is not defined is null.
    figures: Object.fromEntries(
      Object.entries(likelyFigures(plan)).map(([name, x]) => [name, Number.isFinite(x) ? x : null])
    ),
    gaveWay,
    swaps: swapsFor(read.data, gaveWay),
    later,
    sweetenKg: sweetenKg(plan)
  });
};
