import type { RequestHandler } from '@sveltejs/kit';
import { planSchema } from '$core/plan/plan-schema';
import { scaleApart, TooBusy } from '$lib/compute/apart';
import { freeRows, MOST_FREE } from '$lib/compute/scale-answer';
import { InputError } from '$core/units/input-error';
import { readAs, refuse, spoken } from '../body';

/**
 * Amounts for what a plan asks for: the same solver as the Plan page. Rows with `held: false` are worked out; what
 * cannot be met is said with its reason, and with ways out that are plans themselves. What was found when the time was
 * up is answered, and said to be `incomplete`.
 */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, planSchema);
  if (!read.ok) return read.response;
  const free = freeRows(read.data);
  if (free > MOST_FREE)
    return refuse(
      400,
      'ingredients',
      `${free} rows are free; at most ${MOST_FREE} can be worked out at once.`
    );
  try {
    return spoken(await scaleApart(read.data));
  } catch (e) {
    if (e instanceof TooBusy) return refuse(503, '', e.message);
    if (e instanceof InputError) return refuse(400, e.path, `${e.message} ${e.todo}`);
    return refuse(400, '', `This plan cannot be worked out: ${e instanceof Error ? e.message : e}`);
  }
};
