<script lang="ts">
  import { noRoom } from '$core/steps/no-room';
  import type { Due } from '$core/steps/schedule';
  import { type Batch, household, placesNow, vesselName, vesselsInUse } from '$lib/store/household.svelte';
  import { dayWord } from '../shelf/when';

  /** That no jar is free for a racking, and when one is. */
  let { batch, due }: { batch: Batch; due: Due } = $props();
  const full = $derived(noRoom(batch.state, due, placesNow()));
  const by = $derived(full && vesselsInUse().get(full.vesselId));
</script>

{#if full}
  <span class="block bg-tint-straw px-2 text-ink" data-testid="no-room"
    >No jar is free for it: the {vesselName(full.vesselId)} holds {by?.state.name ?? 'another wine'}
    till {dayWord(full.freeAt, household.now, batch.state.zone)}.</span
  >
{/if}
