import { dangersOf } from '$core/finish/danger';
import type { InBottle } from '$core/report/stands';
import { standingAt } from '$core/belief/on-course';
import { isSound, type Broken, type Summary } from '$core/report/summary';
import { asBatches, type Batch } from './as-batches';
import { db } from './db';
import { household } from './household.svelte';

/** So many more are looked at than are asked for, as wines that still stand in a vessel are among them. */
const ASIDE = 60;

/** Wines with words in their name that begin so, the newest first, so many of them. */
async function named(words: readonly string[], limit: number): Promise<(Summary | Broken)[]> {
  const ids = await Promise.all(
    words.map((w) => db.summaries.where('words').startsWith(w).distinct().primaryKeys())
  );
  const [first, ...others] = ids.map((x) => new Set(x as string[]));
  const all = [...first!].filter((id) => others.every((o) => o.has(id)));
  // Ids are by time, so the last are the newest; their rows alone are read.
  const rows = await db.summaries.bulkGet(all.sort().slice(-(limit + ASIDE)));
  return rows.flatMap((row) => (row && row.running === 0 ? [row] : []));
}

/** Bottled wines, newest first, so many of them; with `text`, those whose name has words that begin so. */
export async function bottledBatches(limit: number, text = ''): Promise<Batch[]> {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const found =
    words.length > 0
      ? await named(words, limit)
      : await db.summaries
          .where('[running+startedAt]')
          .between([0, -Infinity], [0, Infinity])
          .reverse()
          .limit(limit)
          .toArray();
  return found
    .sort((a, b) => b.startedAt - a.startedAt)
    .slice(0, limit)
    .flatMap((s) => asBatches([s], household.now).batches);
}

/** Bottles in hand and the wines they are of, by an index alone: what one comes for is said before the wines are read. */
export async function bottlesInHand(): Promise<{ bottles: number; wines: number }> {
  const each = (await db.summaries.where('bottles').above(0).keys()) as number[];
  return { bottles: each.reduce((n, x) => n + x, 0), wines: each.length };
}

/** Every wine of which bottles are left, those that were begun last first; one that cannot be read keeps out no other. */
export async function winesInBottle(): Promise<InBottle[]> {
  const now = household.now;
  const rows = await db.summaries.where('bottles').above(0).toArray();
  return rows
    .filter(isSound)
    .flatMap((row): InBottle[] => {
      try {
        const state = { ...row.state, at: now };
        const standing = standingAt(state, row.standing, row.course);
        return [{ id: row.id, state, standing, dangers: dangersOf(state, standing.belief) }];
      } catch (e) {
        console.error(e);
        return [];
      }
    })
    .sort((a, b) => b.state.startedAt - a.state.startedAt);
}

/** Wines in bottle that are to be tasted by now, those that wait longest first, so many of them; and how many there are. */
export async function winesToTaste(at: number, limit: number): Promise<{ batches: Batch[]; all: number }> {
  // Asked anew for each: a limit stays with what it was set on.
  const due = () => db.summaries.where('tasteAt').belowOrEqual(at);
  const [rows, all] = await Promise.all([due().limit(limit).toArray(), due().count()]);
  return { batches: asBatches(rows, household.now).batches, all };
}

/** Every wine there is and was, newest first. */
export const everyBatch = async (): Promise<Batch[]> =>
  asBatches(await db.summaries.toArray(), household.now).batches;
