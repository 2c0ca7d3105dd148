import type { LedgerEvent } from '$core/ledger/events';
import { THINGS, type Content, type ImportPreview } from '$lib/files/vecino-file';
import { db } from './db';
import type { Settings } from './settings';
import { rebuildSummaries } from './summaries';

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

/** Writes what an import brings, all of it or nothing. Settings come along only into an empty household. */
export async function writeImport({ newEvents, newThings, file }: ImportPreview): Promise<void> {
  await db.transaction('rw', [db.events, db.settings, ...THINGS.map((t) => db[t])], async () => {
    const isEmpty = (await db.events.count()) === 0;
    // The lists are made anew from the log: until they are, they are marked as not of it.
    await db.settings.delete('summaries');
    await db.events.bulkAdd(newEvents as LedgerEvent[]);
    await db.vessels.bulkPut(newThings.vessels);
    await db.produce.bulkPut(newThings.produce);
    await db.recipes.bulkPut(newThings.recipes);
    await db.harvest.bulkPut(newThings.harvest);
    await db.methods.bulkPut(newThings.methods);
    if (isEmpty && file.settings) await db.settings.put({ key: 'household', value: file.settings });
  });
  await rebuildSummaries();
}

export const markExported = (at: number) => db.settings.put({ key: 'exportedAt', value: at });
