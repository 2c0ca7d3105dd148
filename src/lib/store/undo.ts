import type { LedgerEvent } from '$core/ledger/log';
import { KINDS } from '$core/ledger/kept';
import { db } from './db';
import { markBack, type Done } from './deeds';
import { putSettings } from './put-settings';
import { undo } from './record';
import { takeImportOut } from './take-out';
import { voidEntries } from './things';

/**
 * Takes back a deed of this device, whatever it wrote: a wine's events with the things and settings that came with them,
 * things alone, settings, or an import.
 * @returns the events that this wrote
 */
export async function undoDeed(done: Done): Promise<LedgerEvent[]> {
  if (done.importId !== null) {
    const brought = await db.imports.get(done.importId);
    if (brought) await takeImportOut(brought);
    await db.transaction('rw', db.deeds, () => markBack({ n: done.n }));
    return [];
  }
  const entries = (await db.things.bulkGet(done.entries)).flatMap((e) => (e ? [e] : []));
  if (done.events.length > 0)
    return undo(done.events, { entries, ...(done.settings ? { settings: done.settings } : {}) });
  await db.transaction('rw', [db.things, db.settings, db.deeds, ...KINDS.map((k) => db[k])], async () => {
    if (entries.length > 0) await voidEntries(entries);
    if (done.settings) await putSettings(done.settings);
    await markBack({ n: done.n });
  });
  return [];
}
