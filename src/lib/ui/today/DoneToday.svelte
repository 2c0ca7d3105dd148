<script lang="ts">
  import type { LedgerEvent } from '$core/ledger/log';
  import { inZone } from '$core/units/zone';
  import { zoneHere } from '$lib/store/here';
  import { household, runningBatches } from '$lib/store/household.svelte';
  import { eventWords } from '../words/event-words';
  import { takeBack } from '../nav/said.svelte';

  /** What was written down today, each taken back in one tap. */
  let { deeds }: { deeds: readonly LedgerEvent[][] } = $props();
  const MOST = 8;
  const zone = zoneHere();
  const batchOf = (e: LedgerEvent) => runningBatches().find((b) => b.id === e.batchId);
  const words = (list: readonly LedgerEvent[]) => {
    const batch = batchOf(list[0]!);
    if (!batch) return '';
    const [what, detail] = eventWords(list[0]!, batch, household.settings, household.now);
    return `${batch.state.name}: ${what.toLowerCase()}${detail ? `, ${detail}` : ''}`;
  };
  const shown = $derived(deeds.filter((d) => batchOf(d[0]!) !== undefined).slice(0, MOST));
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
