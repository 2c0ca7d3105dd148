import { db } from './db';
import { unmark } from './mark';

/** Clears everything out of this browser but its own name in the log. All of it or nothing. */
export async function emptyHousehold(): Promise<void> {
  unmark();
  await db.transaction('rw', db.tables, async () => {
    const device = await db.settings.get('device');
    await Promise.all(db.tables.map((t) => t.clear()));
    if (device) await db.settings.put(device);
  });
}
