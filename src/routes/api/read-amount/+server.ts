import type { RequestHandler } from '@sveltejs/kit';
import { readAmountOf } from '$core/plan/amount';
import { countryOf, DEFAULT_SETTINGS, SYSTEMS } from '$core/units/settings';
import { answer, readAs } from '../body';
import { amountRequestSchema } from '../amount-request';

/** An amount as somebody typed or said it: kg, litres and how many, or what to ask back. */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, amountRequestSchema);
  if (!read.ok) return read.response;
  const { text, for: of, units = 'metric' } = read.data;
  const { mass, volume, temp } = SYSTEMS[units];
  const country = countryOf({ ...DEFAULT_SETTINGS, system: units, mass, volume, temp });
  return answer(() => readAmountOf(text, of?.trim() ? of : null, { mass, volume }, country));
};
