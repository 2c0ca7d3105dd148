import { SUMMARY_VERSION } from '$core/report/summary';
import { db } from './db';

const KEY = 'summaries';
type Stamp = {
  events: number;
  version: number;
  /** what the clock said as it was last written, ms */
  at?: number;
};

const kept = async (): Promise<Stamp | undefined> => (await db.settings.get(KEY))?.value as Stamp | undefined;
const put = (stamp: Stamp) => db.settings.put({ key: KEY, value: stamp });

/** Notes of how many events the summaries are: of all there are. */
export async function stamp(): Promise<void> {
  await put({ ...(await kept()), events: await db.events.count(), version: SUMMARY_VERSION });
}

/** Notes that the lists are being made anew: until the end none is whole, whatever else is written meanwhile. */
export async function unstamp(): Promise<void> {
  await put({ ...(await kept()), events: await eventsHere(), version: 0 });
}

/**
 * Notes that so many events more, or fewer, were written and summed up, within the transaction that did so. Nothing is
 * counted: of four hundred thousand that takes longer than all the rest. Lists that were not whole stay so.
 */
export async function stampMore(added: number): Promise<void> {
  const [was, at] = [await kept(), Date.now()];
  if (was) await put({ ...was, events: was.events + added, at });
  else if ((await db.events.count()) === added) await put({ events: added, version: SUMMARY_VERSION, at });
}

const THINGS_KEY = 'thingsAt';
/** Notes that something beside the wines was written, within the transaction that did so. */
export const stampThings = () => db.settings.put({ key: THINGS_KEY, value: Date.now() });

/** When this household last wrote, by the clock of then, ms; null where nobody knows. @param rows of the settings */
export function lastWriteAt(rows: readonly { key: string; value: unknown }[]): number | null {
  const of = (key: string) => rows.find((r) => r.key === key)?.value;
  const all = [(of(KEY) as Stamp | undefined)?.at, of(THINGS_KEY)].filter((x) => typeof x === 'number');
  return all.length > 0 ? Math.max(...all) : null;
}

/** Nothing was written later than now: whatever clock said so was wrong. */
export async function nothingIsAhead(now: number): Promise<void> {
  const was = await kept();
  if (was) await put({ ...was, at: now });
  await db.settings.put({ key: THINGS_KEY, value: now });
}

/** How many events the lists are of, without counting; counted where nobody has. */
export const eventsHere = async (): Promise<number> => (await kept())?.events ?? db.events.count();

/** Whether nothing was ever written here; asks for one event, and counts none. */
export const isNothingHere = async (): Promise<boolean> =>
  (await db.events.limit(1).primaryKeys()).length === 0;

/** Whether the lists were never made whole, or by another Vecino; looks at no event. */
export const areSummariesOld = async (): Promise<boolean> => (await kept())?.version !== SUMMARY_VERSION;

/** Whether the summaries are not of all events there are: a tab that was killed while making them leaves them behind. Counts. */
export async function areSummariesStale(): Promise<boolean> {
  const [was, events] = [await kept(), await db.events.count()];
  if (!was) return events > 0;
  return was.events !== events || was.version !== SUMMARY_VERSION;
}
