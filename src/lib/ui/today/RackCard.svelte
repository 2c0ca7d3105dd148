<script lang="ts">
  import { rackingLossL } from '$core/must/balance';
  import { liquid } from '$core/must/stock';
  import { InputError } from '$core/units/input-error';
  import { entryText } from '$core/units/format';
  import { UNIT_LABEL } from '$core/units/measure';
  import { parseAs } from '$core/units/parse';
  import { logRacking } from '$lib/store/actions';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$lib/store/settings';
  import { freeVessels, glassFor } from '../batch/free-vessels';
  import { tell } from '../nav/said.svelte';

  /** One number: how much came out. The glass is the free one with least air. */
  let { batch }: { batch: Batch } = $props();

  const unit = $derived(household.settings.volume);
  const fill = $derived(batch.state.fills[0]);
  const volumeL = $derived(fill ? (liquid(fill.stock)?.volumeL ?? 0) : 0);
  const outL = $derived(volumeL - rackingLossL(volumeL, batch.state.rackings.length === 0));
  const into = $derived(glassFor(outL, freeVessels()));
  const fits = $derived(into !== undefined && into.capacityL >= outL && batch.state.fills.length === 1);
  let text = $state('');

  const save = () =>
    tell(`${batch.state.name}: racked into the ${into!.name}.`, async (sure) => {
      const out = text.trim() ? parseAs('volume', text, unit, countryOf(household.settings)).base : outL;
      if (out > into!.capacityL)
        throw new InputError(`That does not fit the ${into!.name}.`, 'Open the batch to use two.');
      return logRacking(
        batch.id,
        fill!.vesselId,
        [{ vesselId: into!.id, volumeL: out }],
        Math.max(0, volumeL - out),
        { sure },
        true
      );
    });
</script>

{#if fits && into}
  <form
    class="flex flex-wrap items-center gap-2"
    onsubmit={(e) => {
      e.preventDefault();
      void save();
    }}
  >
    <input
      class="field number w-24! text-[1.25rem]!"
      inputmode="decimal"
      autocomplete="off"
      aria-label="Came out, {UNIT_LABEL[unit]}"
      placeholder={entryText(+outL.toFixed(1), unit)}
      bind:value={text}
    />
    <button class="btn btn-primary">{UNIT_LABEL[unit]} into the {into.name}</button>
    <a class="btn btn-plain" href="/batches/{batch.id}#rack">other glass</a>
  </form>
{:else}
  <a class="btn btn-line" href="/batches/{batch.id}#rack">Choose the glass</a>
{/if}
