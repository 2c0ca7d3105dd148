<script lang="ts">
  import { LIES } from '$core/instruments/lies';
  import { type Batch, household, vesselName } from '$lib/store/household.svelte';
  import { instruments, lieOf } from '$lib/store/instruments.svelte';
  import { agoText, sampleText } from './says';

  /** What the instruments in a wine say just now. */
  let { batch }: { batch: Batch } = $props();

  const mine = $derived(instruments.list.filter((i) => i.batchId === batch.id));
</script>

{#each mine as i (i.id)}
  {@const l = instruments.live(i.id)}
  {@const lie = lieOf(i, household.now)}
  <p class="dashline flex flex-wrap items-baseline justify-between gap-x-3 py-1">
    <span
      >{i.name}{i.vesselId && batch.state.fills.length > 1 ? `, ${vesselName(i.vesselId, 'a vessel')}` : ''}:
      <b class="number">{l.last ? sampleText(l.last, household.settings) : 'nothing yet'}</b></span
    >
    <span class="small">{l.heardAt ? agoText(l.heardAt, household.now) : ''}</span>
    {#if lie}<span class="w-full bg-tint-straw px-2 text-[0.9375rem] text-ink">{LIES[lie]}</span>{/if}
  </p>
{/each}
