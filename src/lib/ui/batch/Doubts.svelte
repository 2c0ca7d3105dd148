<script lang="ts">
  import type { DoubtCode } from '$core/ledger/state';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { takeBack } from '../nav/said.svelte';
  import { dayWord } from '../shelf/when';
  import { eventWords } from '../words/event-words';

  /** What was written that cannot have been quite so: it is kept, applied as far as it can be, and shown. */
  let { batch }: { batch: OpenBatch } = $props();

  const SAYS: Record<DoubtCode, string> = {
    'not-there': 'there was nothing of it there then, so nothing was done.',
    'more-than-there': 'there was not so much of it there; all there was is counted.',
    'more-than-measured': 'that is far more than can have been there; the sums stand.',
    'impossible-figure': 'no wine of this must gives such a figure; it is not counted until another agrees.',
    'unknown-produce': 'nobody has the figures of that produce; it is left out.',
    'cannot-be-read': 'that cannot be reckoned with; it is left out.'
  };
  const shown = $derived(
    batch.state.doubts.flatMap((d) => {
      const event = batch.events.find((e) => e.id === d.eventId);
      return event ? [{ d, event, words: eventWords(event, batch, household.settings, household.now) }] : [];
    })
  );
</script>

{#if shown.length > 0}
  <ul class="mt-2 grid gap-1 bg-tint-straw px-3 py-2 text-ink" aria-label="What cannot have been so">
    {#each shown as x, i (x.d.eventId + x.d.code + i)}
      <li class="flex flex-wrap items-baseline justify-between gap-x-4">
        <span
          ><b>{x.words[0]} {x.words[1]}</b>, {dayWord(x.d.at, household.now, x.event.zone)}: {SAYS[
            x.d.code
          ]}</span
        >
        {#if x.event.type !== 'planned'}<button
            class="min-h-11 underline underline-offset-4"
            onclick={() => void takeBack([x.event], 'remove')}>take it back</button
          >{/if}
      </li>
    {/each}
  </ul>
{/if}
