import { db } from '$lib/store/db';
import { emptyHousehold } from '$lib/store/empty';
import { loadDemo } from './household';

/** A moment for it. */
export const DEMO_NOW = Date.parse('2026-06-01T09:00:00Z');

let made: { now: number; tables: [string, unknown[]][] } | null = null;

/** An empty database with the made-up household in it, as it was first made for that moment: to make it is slow. */
export async function demoHousehold(now: number): Promise<void> {
  await emptyHousehold();
  if (made?.now !== now) {
    await loadDemo(now);
    made = {
      now,
      tables: await Promise.all(db.tables.map(async (t) => [t.name, await t.toArray()] as never))
    };
    return;
  }
  for (const [name, rows] of made.tables) await db.table(name).bulkPut(structuredClone(rows));
}
