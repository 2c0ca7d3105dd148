import { liveQuery } from 'dexie';
import type { LedgerEvent } from '$core/ledger/events';
import { openBatch, type OpenBatch } from './household.svelte';
import { eventsOf } from './summaries';

/**
 * One batch kept live, by the id that is asked for. Called while a component is made.
 * @returns `batch` is null until it is found; `isMissing` once it is known not to be here
 */
export function liveBatch(wanted: () => string) {
  /** Events of the batch that is asked for, and no other. */
  let found = $state.raw<{ id: string; events: LedgerEvent[] } | null>(null);
  $effect(() => {
    const id = wanted();
    const query = liveQuery(() => eventsOf(id)).subscribe({
      next: (events) => (found = { id, events }),
      error: (e) => console.error(e)
    });
    return () => query.unsubscribe();
  });
  const batch = $derived<OpenBatch | null>(found?.id === wanted() ? openBatch(wanted(), found.events) : null);
  return {
    get batch() {
      return batch;
    },
    get isMissing() {
      return found?.id === wanted() && batch === null;
    }
  };
}
