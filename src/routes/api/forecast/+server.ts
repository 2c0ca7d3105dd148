import type { RequestHandler } from '@sveltejs/kit';
import { forecastOf, forecastPlan } from '$core/belief/forecast';
import { batchesOf, liveEvents, type LedgerEvent } from '$core/ledger/log';
import { batchAt } from '$core/ledger/run';
import { InputError } from '$core/units/input-error';
import { answer, readAs } from '../body';
import { forecastRequestSchema } from './request';

const DAY = 86_400_000;

/** The state of the batch that a log begins. @throws InputError where it holds none */
function stateOf(events: readonly LedgerEvent[], at: number) {
  const id = liveEvents(events).find((e) => e.type === 'planned')?.batchId;
  const mine = events.filter((e) => e.type === 'void' || (id !== undefined && batchesOf(e).includes(id)));
  const state = batchAt(mine, at);
  if (!state) throw new InputError('No batch is begun.', 'Send its planned event too.', 'events');
  return state;
}

/** What a batch or a plan will do: the same possible wines that its page draws. */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, forecastRequestSchema);
  if (!read.ok) return read.response;
  const { events, plan, at: when, days, tempC } = read.data;
  return answer(() => {
    const at = Date.parse(when);
    const what = { tempC };
    const state = events ? stateOf(events, at) : null;
    const ahead = state ? forecastOf(state, days, what) : forecastPlan(plan!, at, days, what);
    if (!ahead)
      throw new InputError('Nothing stands in a vessel.', 'Add something first.', events ? 'events' : 'plan');
    const from = state?.at ?? at;
    const moment = (inDays: number) =>
      Number.isFinite(inDays) ? new Date(from + inDays * DAY).toISOString() : null;
    const { inDays, chance } = ahead.dry;
    return {
      days: ahead.days.map(({ d, sg, abv, tempC: t }) => ({ d, sg, abv, tempC: t })),
      dry: {
        at: { low: moment(inDays.low), likely: moment(inDays.likely), high: moment(inDays.high) },
        chance
      },
      stuckChance: ahead.stuckChance
    };
  });
};
