import type { LedgerEvent } from '$core/ledger/events';
import type { Vessel } from '$core/scale/vessels';
import { db } from './db';
import type { Settings } from './settings';

/** Writes what an import brings, all of it or nothing. Settings come along only into an empty household. */
export async function writeImport(
  newEvents: LedgerEvent[],
  newVessels: Vessel[],
  settings: Settings
): Promise<void> {
  await db.transaction('rw', db.events, db.vessels, db.settings, async () => {
    const isEmpty = (await db.events.count()) === 0;
    await db.events.bulkAdd(newEvents);
    await db.vessels.bulkPut(newVessels);
    if (isEmpty) await db.settings.put({ key: 'household', value: settings });
  });
}

export const markExported = (at: number) => db.settings.put({ key: 'exportedAt', value: at });
