import { taughtOf } from '$core/belief/teach';
import { batchAt } from '$core/ledger/run';
import { bearingOn } from '$core/report/sum-up';
import { db, type Learnt } from './db';
import { eventsOf } from './summaries';

/** Wines that are learnt from between two writes. */
const LOT = 8;

async function learnt(row: Learnt, at: number): Promise<Learnt | null> {
  try {
    const state = batchAt(bearingOn(await eventsOf(row.id), row.id), at);
    const taught = state && taughtOf(state);
    return taught ? { id: row.id, ...taught, due: null } : null;
  } catch (e) {
    // One log that cannot be read teaches nothing, and keeps the others from nothing.
    console.error(e);
    return null;
  }
}

/**
 * Learns what wines that were written to since have taught of their produce and of the place; the newest first. Stopped
 * at any time it goes on where it was.
 * @returns how many it learnt from
 */
export async function learnDue(): Promise<number> {
  const due = (await db.lessons.filter((l) => l.due !== null).toArray()).reverse();
  for (let i = 0; i < due.length; i += LOT) {
    const lot = due.slice(i, i + LOT);
    const found = await Promise.all(lot.map((row) => learnt(row, Date.now())));
    await db.transaction('rw', db.lessons, async () => {
      const now = await db.lessons.bulkGet(lot.map((l) => l.id));
      // What was written to meanwhile stays due.
      const still = lot.flatMap((l, n) => (now[n]?.due === l.due ? [{ id: l.id, is: found[n]! }] : []));
      await db.lessons.bulkPut(still.flatMap(({ is }) => is ?? []));
      await db.lessons.bulkDelete(still.filter(({ is }) => is === null).map(({ id }) => id));
    });
  }
  return due.length;
}
