<script lang="ts">
  import { liveQuery } from 'dexie';
  import type { LedgerEvent } from '$core/ledger/log';
  import { civilDay } from '$core/units/zone';
  import { inZone } from '$core/units/zone';
  import { db } from '$lib/store/db';
  import { zoneHere } from '$lib/store/here';
  import { household, runningBatches } from '$lib/store/household.svelte';
  import { eventWords } from '../words/event-words';
  import { sayWrong, takeBack } from '../nav/said.svelte';

  /** What was written down today, each taken back in one tap. */
  const MOST = 8;
  const zone = zoneHere();
  const today = $derived(civilDay(household.now, zone));
  let events = $state.raw<LedgerEvent[]>([]);
  $effect(() => {
    // Ids begin with the time they were made.
    const since = Math.max(0, Date.parse(today) - 14 * 3_600_000);
    const from = since.toString(16).padStart(12, '0');
    const first = `${from.slice(0, 8)}-${from.slice(8)}`;
    const watch = liveQuery(() => db.events.where('id').aboveOrEqual(first).limit(400).toArray()).subscribe({
      next: (rows) => (events = rows),
      error: sayWrong
    });
    return () => watch.unsubscribe();
  });
  const QUIET = new Set<LedgerEvent['type']>(['planned', 'void', 'caution', 'note']);
  /** What one tap wrote, together; newest first. */
  const deeds = $derived.by(() => {
    const gone = new Set(events.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
    const out = new Map<string, LedgerEvent[]>();
    for (const e of events) {
      if (QUIET.has(e.type) || gone.has(e.id) || civilDay(Date.parse(e.recordedAt), zone) !== today) continue;
      if (e.type === 'step' && e.data.outcome === 'snoozed') continue;
      const key = `${e.batchId} ${e.recordedAt}`;
      out.set(key, [...(out.get(key) ?? []), e]);
    }
    return [...out.values()].toReversed().slice(0, MOST);
  });
  const batchOf = (e: LedgerEvent) => runningBatches().find((b) => b.id === e.batchId);
  const words = (list: readonly LedgerEvent[]) => {
    const batch = batchOf(list[0]!);
    if (!batch) return '';
    const [what, detail] = eventWords(list[0]!, batch, household.settings, household.now);
    return `${batch.state.name}: ${what.toLowerCase()}${detail ? `, ${detail}` : ''}`;
  };
  const shown = $derived(deeds.filter((d) => batchOf(d[0]!) !== undefined));
</script>

{#if shown.length > 0}
  <section aria-label="Done today" class="mt-5">
    <h2 class="head mb-1 font-sans!">Done today</h2>
    <ul class="inkline">
      {#each shown as d (d[0]!.id)}
        <li class="dashline flex min-h-11 items-center justify-between gap-3">
          <span class="min-w-0 break-words"
            >{words(d)}
            <span class="small"
              >{inZone(Date.parse(d[0]!.recordedAt), zone, { hour: 'numeric', minute: '2-digit' })}</span
            ></span
          >
          <button
            class="btn btn-plain shrink-0"
            onclick={() => takeBack(d)}
            aria-label="Take back: {words(d)}">Take back</button
          >
        </li>
      {/each}
    </ul>
  </section>
{/if}
