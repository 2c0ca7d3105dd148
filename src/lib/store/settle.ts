import { dateBack, datedAfter } from '$core/commands/date-back';
import { db } from './db';
import { idAt, newId } from './here';
import { perform } from './record';
import { nothingIsAhead } from './stamp';
import { eventsOf } from './summaries';

/** Wines with an event that is dated after a moment, ms, because a clock ran ahead; with all events of each. */
async function wines(now: number) {
  const written = await db.events.where('id').aboveOrEqual(idAt(now)).toArray();
  const logs = await Promise.all([...new Set(written.map((e) => e.batchId))].map(eventsOf));
  return logs.flatMap((log) => {
    const ahead = datedAfter(log, now);
    return ahead.length > 0 ? [{ log, ahead }] : [];
  });
}

/** How many entries of wines are dated after a moment, ms: a clock that ran ahead wrote them. */
export const countAhead = async (now: number): Promise<number> =>
  (await wines(now)).reduce((n, { ahead }) => n + ahead.length, 0);

/** Dates them back, each wine's days between as they were. @returns how many */
export async function settleAhead(now: number): Promise<number> {
  const found = await wines(now);
  const last = Math.max(0, ...found.flatMap(({ ahead }) => ahead.map((e) => Date.parse(e.at))));
  const deed = found.flatMap(({ log }) => dateBack(log, now, last - now, newId));
  if (deed.length > 0) await perform(deed, { recordedAt: now, sure: true });
  await nothingIsAhead(now);
  return found.reduce((n, { ahead }) => n + ahead.length, 0);
}
