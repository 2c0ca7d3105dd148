import { liveQuery } from 'dexie';
import type { LedgerEvent } from '$core/ledger/log';
import { civilDay } from '$core/units/zone';
import { db } from '$lib/store/db';
import { idAt, zoneHere } from '$lib/store/here';
import { household, runningBatches } from '$lib/store/household.svelte';
import { sayWrong } from '../nav/said.svelte';

const QUIET = new Set<LedgerEvent['type']>(['planned', 'void', 'caution', 'note', 'timer']);

/** What was written down today, by what one tap wrote together, newest first. Called while a component is made. */
export function doneToday() {
  const zone = zoneHere();
  const today = $derived(civilDay(household.now, zone));
  let events = $state.raw<LedgerEvent[]>([]);
  $effect(() => {
    const first = idAt(Date.parse(today) - 14 * 3_600_000);
    const watch = liveQuery(() => db.events.where('id').aboveOrEqual(first).limit(400).toArray()).subscribe({
      next: (rows) => (events = rows),
      error: sayWrong
    });
    return () => watch.unsubscribe();
  });
  const deeds = $derived.by(() => {
    const gone = new Set(events.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
    const running = new Set(runningBatches().map((b) => b.id));
    const out = new Map<string, LedgerEvent[]>();
    for (const e of events) {
      if (QUIET.has(e.type) || gone.has(e.id) || civilDay(Date.parse(e.recordedAt), zone) !== today) continue;
      if (e.type === 'step' && e.data.outcome === 'snoozed') continue;
      if (!running.has(e.batchId)) continue;
      const key = `${e.batchId} ${e.recordedAt}`;
      out.set(key, [...(out.get(key) ?? []), e]);
    }
    return [...out.values()].toReversed();
  });
  return {
    get deeds() {
      return deeds;
    }
  };
}
