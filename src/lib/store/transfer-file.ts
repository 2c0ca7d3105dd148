import type { LedgerEvent } from '$core/ledger/log';
import { KINDS } from '$core/ledger/kept';
import type { Content, ImportPreview, Told } from '$lib/files/vecino-file';
import { db } from './db';
import type { Settings } from '$core/units/settings';
import { sumUpThings } from './things';
import { isStamped, stamp } from './stamp';
import { sumUp, touched } from './summaries';

/** Everything that is here, as a file holds it. */
export async function contentHere(settings: Settings): Promise<Required<Content>> {
  const [events, things] = await Promise.all([db.events.toArray(), db.things.toArray()]);
  return { events, things, settings };
}

/** Events that are written at a time. */
const LOT = 2000;
/** Batches that are summed up at a time. */
const SUMS = 20;

/**
 * Writes what an import brings with the lists it changes, all of it or nothing. Settings come along only into an empty
 * household.
 * @param told is told how far it is, 0 to 1
 */
export async function writeImport(
  {
    newEvents,
    newEntries,
    file
  }: Pick<ImportPreview, 'newEvents' | 'newEntries'> & {
    file: Pick<ImportPreview['file'], 'settings'>;
  },
  told: Told = () => undefined
): Promise<void> {
  const tables = [db.events, db.settings, db.summaries, db.lessons, db.things, ...KINDS.map((k) => db[k])];
  await db.transaction('rw', tables, async () => {
    const isEmpty = (await db.events.count()) === 0;
    const isWhole = await isStamped();
    for (let i = 0; i < newEvents.length; i += LOT) {
      await db.events.bulkAdd(newEvents.slice(i, i + LOT) as LedgerEvent[]);
      told((0.5 * i) / newEvents.length);
    }
    await db.things.bulkPut(newEntries);
    await sumUpThings(newEntries);
    if (isEmpty && file.settings) await db.settings.put({ key: 'household', value: file.settings });
    const ids = [...(await touched(newEvents))];
    for (let i = 0; i < ids.length; i += SUMS) {
      await sumUp(ids.slice(i, i + SUMS));
      told(0.5 + (0.5 * i) / ids.length);
    }
    if (isWhole) await stamp();
  });
}

export const markExported = (at: number) => db.settings.put({ key: 'exportedAt', value: at });
