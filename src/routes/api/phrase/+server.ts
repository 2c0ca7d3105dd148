import type { RequestHandler } from '@sveltejs/kit';
import { answer as answerTo } from '$core/quickline/answer';
import type { Context } from '$core/quickline/context';
import { parse } from '$core/quickline/parse';
import { explain, InputError } from '$core/units/input-error';
import { countryOf, DEFAULT_SETTINGS, SYSTEMS } from '$core/units/settings';
import { soundZone } from '$core/units/zone';
import { answer, readAs } from '../body';
import { phraseRequestSchema } from './request';

/** Minutes that the clock of a moment is behind UTC: `+02:00` is two hours before it. */
function behindUtc(now = ''): number {
  const [, sign, h, min] = /([+-])(\d{2}):(\d{2})$/.exec(now) ?? [];
  return sign ? (sign === '+' ? -1 : 1) * (60 * Number(h) + Number(min)) : 0;
}

/** A line as somebody says it: the commands it means, or what to ask back. Nothing is written. */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, phraseRequestSchema);
  if (!read.ok) return read.response;
  const { text, units = 'metric', batches = [], now } = read.data;
  const system = SYSTEMS[units];
  const { mass, volume, temp } = system;
  const ctx: Context = {
    now: now ? Date.parse(now) : Date.now(),
    // The clock on the wall where it was said.
    zone: soundZone(undefined, behindUtc(now)),
    mass,
    volume,
    temp,
    country: countryOf({ ...DEFAULT_SETTINGS, system: units, mass, volume, temp }),
    wines: batches,
    hereId: null,
    vessels: [],
    own: []
  };
  return answer(() => {
    const { commands, asks } = parse(text, ctx);
    const [first] = commands;
    if (asks.length > 0 || first?.kind !== 'question') return { commands, asks };
    try {
      const told = answerTo(first, ctx);
      return { commands, asks, ...(told ? { answer: told.text } : {}) };
    } catch (e) {
      if (!(e instanceof InputError)) throw e;
      return { commands, asks: [{ about: 'question', text: explain(e), choices: [] }] };
    }
  });
};
