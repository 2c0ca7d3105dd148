import type { LedgerEvent } from '$core/ledger/events';
import type { Produce } from '$core/produce/schema';
import type { Vessel } from '$core/scale/vessels';
import { db } from './db';
import { summaries } from './summaries';
import type { Settings } from './settings';

/** Writes what an import brings, all of it or nothing. Settings come along only into an empty household. */
export async function writeImport(
  newEvents: LedgerEvent[],
  newVessels: Vessel[],
  newProduce: Produce[],
  settings: Settings
): Promise<void> {
  await db.transaction('rw', db.events, db.vessels, db.produce, db.settings, async () => {
    const isEmpty = (await db.events.count()) === 0;
    await db.events.bulkAdd(newEvents);
    await db.vessels.bulkPut(newVessels);
    await db.produce.bulkPut(newProduce);
    if (isEmpty) await db.settings.put({ key: 'household', value: settings });
  });
  await summaries(newEvents);
}

export const markExported = (at: number) => db.settings.put({ key: 'exportedAt', value: at });
