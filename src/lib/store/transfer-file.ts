import type { LedgerEvent } from '$core/ledger/log';
import { THINGS, type Content, type ImportPreview, type Told } from '$lib/files/vecino-file';
import { db } from './db';
import type { Settings } from '$core/units/settings';
import { isStamped, stamp, sumUp, touched } from './summaries';

/** Everything that is here, as a file holds it. */
export async function contentHere(settings: Settings): Promise<Required<Content>> {
  const [events, vessels, produce, recipes, harvest, methods] = await Promise.all([
    db.events.toArray(),
    db.vessels.toArray(),
    db.produce.toArray(),
    db.recipes.toArray(),
    db.harvest.toArray(),
    db.methods.toArray()
  ]);
  return { events, vessels, produce, recipes, harvest, methods, settings };
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
    newThings,
    file
  }: Pick<ImportPreview, 'newEvents' | 'newThings'> & {
    file: Pick<ImportPreview['file'], 'settings'>;
  },
  told: Told = () => undefined
): Promise<void> {
  const tables = [db.events, db.settings, db.summaries, ...THINGS.map((t) => db[t])];
  await db.transaction('rw', tables, async () => {
    const isEmpty = (await db.events.count()) === 0;
    const isWhole = await isStamped();
    for (let i = 0; i < newEvents.length; i += LOT) {
      await db.events.bulkAdd(newEvents.slice(i, i + LOT) as LedgerEvent[]);
      told((0.5 * i) / newEvents.length);
    }
    await db.vessels.bulkPut(newThings.vessels);
    await db.produce.bulkPut(newThings.produce);
    await db.recipes.bulkPut(newThings.recipes);
    await db.harvest.bulkPut(newThings.harvest);
    await db.methods.bulkPut(newThings.methods);
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
