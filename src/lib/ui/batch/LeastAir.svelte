<script lang="ts">
  import { volumeText } from '$core/units/format';
  import { rackingWord, type RackingPlan } from '$core/vessels/racking';
  import { household } from '$lib/store/household.svelte';
  import { own } from '../words/own-units';

  /** The jars that leave least air over a wine, offered until they are the ones that are taken. */
  let { least, isLeast, ontake }: { least: RackingPlan; isLeast: boolean; ontake: () => void } = $props();

  const into = $derived(
    least.to
      .map((t) => `${volumeText(t.volumeL, household.settings.volume)} in the ${t.vessel.name}`)
      .join(', ')
  );
</script>

{#if isLeast}
  <p class="small">The jars that leave least air: {own(rackingWord(least))}.</p>
{:else if least.to.length > 0}
  <p class="flex flex-wrap items-center justify-between gap-2 bg-tint-green px-3 py-1 text-[0.9375rem]">
    <span>Least air: {into}; {own(rackingWord(least))}.</span>
    <button type="button" class="btn btn-line px-3!" onclick={ontake}>Do that</button>
  </p>
{/if}
