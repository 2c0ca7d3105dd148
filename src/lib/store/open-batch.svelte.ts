import { liveQuery } from 'dexie';
import type { LedgerEvent } from '$core/ledger/log';
import { courseOf } from '$core/belief/course';
import { standingOf } from '$core/belief/standing';
import { batchAt } from '$core/ledger/run';
import { standsOf } from '$core/report/stands';
import { household, type OpenBatch } from './household.svelte';
import { reckonSoon } from './reckon-soon';
import { eventsOf } from './summaries';

type Found = { batch: OpenBatch | null; error: string };

/** One batch with all its events, as it is now; null when there is none. */
export function openBatch(id: string, events: LedgerEvent[]): OpenBatch | null {
  // What was written since the clock last ticked counts too.
  const state = batchAt(events, Math.max(household.now, Date.now()));
  if (!state || state.id !== id) return null;
  return Object.assign(standsOf(state, standingOf(state), courseOf(state)), { events });
}

/**
 * One batch kept live, by the id that is asked for. Called while a component is made.
 * @returns `batch` is null until it is found; `isMissing` once it is known not to be here; `error` when its log cannot
 * be read, and then its `events` as they were written
 */
export function liveBatch(wanted: () => string) {
  /** Events of the batch that is asked for, and no other. */
  let found = $state.raw<{ id: string; events: LedgerEvent[] } | null>(null);
  let newest: readonly LedgerEvent[] = [];
  const soon = async (id: string, events: LedgerEvent[]) => {
    newest = events;
    await reckonSoon(events, Date.now());
    if (newest === events) found = { id, events };
  };
  $effect(() => {
    const id = wanted();
    const query = liveQuery(() => eventsOf(id)).subscribe({
      next: (events) => void soon(id, events),
      error: (e) => console.error(e)
    });
    return () => query.unsubscribe();
  });
  const read = $derived.by<Found>(() => {
    if (found?.id !== wanted()) return { batch: null, error: '' };
    try {
      return { batch: openBatch(wanted(), found.events), error: '' };
    } catch (e) {
      return { batch: null, error: e instanceof Error ? e.message : String(e) };
    }
  });
  return {
    get batch() {
      return read.batch;
    },
    get error() {
      return read.error;
    },
    get events() {
      return found?.id === wanted() ? found.events : [];
    },
    get isMissing() {
      return found?.id === wanted() && read.batch === null && read.error === '';
    }
  };
}
