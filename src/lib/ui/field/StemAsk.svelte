<script lang="ts">
  import { PRINTED_AT_1100, type Scale } from '$core/ferment/scales';
  import { household, changeSettings } from '$lib/store/household.svelte';
  import type { Settings } from '$core/units/settings';
  import { sayWrong } from '../nav/said.svelte';
  import { askOf } from '$core/commands/stem';

  /** What has to be known of the instrument, asked where it first matters, and kept with the hydrometer. */
  let { text, on }: { text: string; on: Scale } = $props();

  const ask = $derived(askOf(text, on, household.settings));
  const keep = (patch: Partial<Settings['hydrometer']>) =>
    changeSettings((s) => ({ hydrometer: { ...s.hydrometer, ...patch } })).catch(sayWrong);
</script>

{#if ask === 'bx'}
  <div class="grid gap-2 bg-tint-straw px-3 py-2" role="group" aria-label="What reads °Bx here">
    <p>°Bx by what? Alcohol bends what a refractometer shows. Asked once.</p>
    <p class="flex flex-wrap gap-2">
      <button type="button" class="btn btn-line" onclick={() => keep({ bxBy: 'hydrometer' })}
        >Hydrometer</button
      >
      <button type="button" class="btn btn-line" onclick={() => keep({ bxBy: 'refractometer' })}
        >Refractometer</button
      >
    </p>
  </div>
{:else if ask === 'potential'}
  <div class="grid gap-2 bg-tint-straw px-3 py-2" role="group" aria-label="The potential scale of your stem">
    <p>
      Two kinds of potential scale are printed. What stands beside 1.100 on yours? Until you say, I take the
      first.
    </p>
    <p class="flex flex-wrap gap-2">
      <button
        type="button"
        class="btn btn-line"
        onclick={() => keep({ potentialAt1100: PRINTED_AT_1100.fall })}>about 13 %</button
      >
      <button
        type="button"
        class="btn btn-line"
        onclick={() => keep({ potentialAt1100: PRINTED_AT_1100.sugar })}>about 16 %</button
      >
    </p>
  </div>
{/if}
