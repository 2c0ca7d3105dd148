<script lang="ts">
  import { puzzleOf } from '$core/belief/puzzle';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import Detective from './Detective.svelte';

  /** A reading that was written down, judged by all that had been written before it. Reckoned when it is opened. */
  let { batch, sg, tempC, at }: { batch: OpenBatch; sg: number; tempC: number | null; at: number } = $props();

  const puzzle = $derived(
    puzzleOf(batch.events, { sg, tempC }, at, household.settings.hydrometer.calibratedC)
  );
</script>

{#if puzzle}<Detective {puzzle} />{:else}<p>Nothing had been written down before it.</p>{/if}
