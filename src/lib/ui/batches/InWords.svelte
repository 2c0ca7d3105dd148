<script lang="ts">
  import { isSound } from '$core/report/summary';
  import { db } from '$lib/store/db';
  import { findInWords, type Found } from '$lib/store/find';
  import { household } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { dayWord } from '../shelf/when';

  /** What was noted, tasted and given away, by its words. */
  let { text }: { text: string } = $props();

  let found = $state.raw<(Found & { name: string })[]>([]);
  $effect(() => {
    const wanted = text;
    void findInWords(wanted).then(async (list) => {
      const wines = await db.summaries.bulkGet(list.map((f) => f.batchId));
      if (wanted !== text) return;
      found = list.flatMap((f, i) => {
        const wine = wines[i];
        return wine ? [{ ...f, name: isSound(wine) ? wine.state.name : wine.name }] : [];
      });
    });
  });
</script>

{#if found.length > 0}
  <section aria-label="In what was written" class="mb-5">
    <h2 class="head mb-1 font-sans!">In what was written</h2>
    <ul class="inkline">
      {#each found as f (f.id)}<li class="dashline">
          <a
            class="grid min-h-11 gap-x-4 py-2 no-underline hover:bg-slip sm:grid-cols-[12rem_minmax(0,1fr)]"
            href="/batches/{f.batchId}"
            ><span class="font-semibold break-words"
              >{f.name} <span class="small">{dayWord(f.at, household.now, zoneHere())}</span></span
            ><span class="break-words">{f.text.slice(0, 200)}</span></a
          >
        </li>{/each}
    </ul>
  </section>
{/if}
