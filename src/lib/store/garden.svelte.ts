import { liveQuery } from 'dexie';
import { gardenEntry, ownPace, type Taught } from '$core/belief/garden';
import type { Ingredient } from '$core/plan/plan';
import type { Produce } from '$core/tables/produce';
import { produceById } from '$core/tables/table';
import { db } from './db';
import { household } from './household.svelte';
import { learnSoon } from './learn-soon';

let lessons = $state.raw<Taught[]>([]);
let watched: Promise<void> | null = null;

/** So long a page waits for what is still to be learnt, ms: then it opens on what is known. */
const PATIENCE = 1500;

/**
 * Begins to listen to what the household's batches taught.
 * @returns once it was read for the first time, and what was due was learnt or takes too long
 */
export function watchGarden(): Promise<void> {
  watched ??= new Promise<void>((read) => {
    // A store that does not open is never read, and nothing is waited for.
    db.open().catch(() => read());
    liveQuery(() => db.lessons.toArray()).subscribe({
      next: (rows) => {
        lessons = rows;
        if (rows.every((l) => l.due === null)) return read();
        void learnSoon();
        setTimeout(read, PATIENCE);
      },
      error: (e) => {
        console.error(e);
        read();
      }
    });
  });
  return watched;
}

/** Entries of the table as the household's own batches have them, by id; those left out of it are in none. */
const ENTRIES = $derived.by(() => {
  const by = new Map<string, Taught['lessons']>();
  for (const { lessons: all } of lessons)
    for (const l of all) by.set(l.produceId, [...(by.get(l.produceId) ?? []), l]);
  const out = new Map<string, Produce>();
  for (const [id, own] of by) {
    const table = produceById(id);
    const entry = table && !household.ownProduce.some((p) => p.id === id) ? gardenEntry(table, own) : null;
    if (entry) out.set(id, entry);
  }
  return out;
});
const PACE = $derived(ownPace(lessons.flatMap((l) => l.pace ?? [])));

/** What the household's own batches taught of a kind of produce; undefined where they taught nothing yet. */
export const taughtEntry = (id: string): Produce | undefined => ENTRIES.get(id);

/** How brisk ferments are here, as a factor of the usual; null where too few were read. */
export const gardenPace = (): number | null => PACE;

/** Fruit and juice of the table as the household's own batches have it, unless that is left out. */
export function withGarden(item: Ingredient): Ingredient {
  if (!('produceId' in item) || ('entry' in item && item.entry)) return item;
  const entry = household.settings.unlearned.includes(item.produceId)
    ? undefined
    : ENTRIES.get(item.produceId);
  return entry ? ({ ...item, entry } as Ingredient) : item;
}
