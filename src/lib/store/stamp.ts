import { SUMMARY_VERSION } from '$core/report/summary';
import { db } from './db';

const KEY = 'summaries';
type Stamp = { events: number; version: number };

const kept = async (): Promise<Stamp | undefined> => (await db.settings.get(KEY))?.value as Stamp | undefined;
const put = (events: number) => db.settings.put({ key: KEY, value: { events, version: SUMMARY_VERSION } });

/** Notes of how many events the summaries are: of all there are. */
export const stamp = async () => put(await db.events.count());

/**
 * Notes that so many events more, or fewer, were written and summed up, within the transaction that did so. Nothing is
 * counted: of four hundred thousand that takes longer than all the rest. Lists that were not whole stay so.
 */
export async function stampMore(added: number): Promise<void> {
  const was = await kept();
  if (was) {
    if (was.version === SUMMARY_VERSION) await put(was.events + added);
  } else if ((await db.events.count()) === added) await put(added);
}

/** How many events the lists are of, without counting; counted where nobody has. */
export async function eventsHere(): Promise<number> {
  const was = await kept();
  return was?.version === SUMMARY_VERSION ? was.events : db.events.count();
}

/** Whether the summaries are not of all events there are: a tab that was killed while making them leaves them behind. @param events how many there are, where that is known */
export async function areSummariesStale(events?: number): Promise<boolean> {
  const was = await kept();
  events ??= await db.events.count();
  if (!was) return events > 0;
  return was.events !== events || was.version !== SUMMARY_VERSION;
}
