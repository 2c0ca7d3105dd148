import { SUMMARY_VERSION } from '$core/report/summary';
import { db } from './db';

/** Notes of how many events the summaries are. */
export const stamp = async () =>
  db.settings.put({ key: 'summaries', value: { events: await db.events.count(), version: SUMMARY_VERSION } });

/** Whether the summaries are of all events there are. */
export const isStamped = async (): Promise<boolean> => !(await areSummariesStale());

/** Whether they are not: a tab that was killed while making them leaves them behind. */
export async function areSummariesStale(): Promise<boolean> {
  const kept = (await db.settings.get('summaries'))?.value as { events: number; version: number } | undefined;
  const events = await db.events.count();
  if (!kept) return events > 0;
  return kept.events !== events || kept.version !== SUMMARY_VERSION;
}
