<script lang="ts">
  import { leesL } from '$core/ledger/lees';
  import { liquid } from '$core/liquid/stock';
  import { amountText } from '$core/units/format';
  import { UNIT_LABEL } from '$core/units/measure';
  import { parseAs } from '$core/units/parse';
  import { rack } from '$core/commands/move';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { A_GLASS_L, planRacking } from '$core/vessels/racking';
  import { freeJars } from '../vessel/free-vessels';
  import { tell } from '../nav/said.svelte';

  /** One number: how much came out. The glass is the free one with least air. */
  let { batch }: { batch: Batch } = $props();

  const unit = $derived(household.settings.volume);
  const fill = $derived(batch.state.fills[0]);
  const volumeL = $derived(fill ? (liquid(fill.stock)?.volumeL ?? 0) : 0);
  const outL = $derived(fill ? volumeL - leesL(batch.state, fill, volumeL) : 0);
  let text = $state('');
  /** As it is typed, else the usual; what cannot be read is said when it is tapped. */
  const typedL = $derived.by(() => {
    try {
      return text.trim() ? parseAs('volume', text, unit, countryOf(household.settings)).base : outL;
    } catch {
      return outL;
    }
  });
  /** The jars that take it with least air, as the plan and the form have it. */
  const jars = $derived(planRacking(typedL, freeJars()));
  const fits = $derived(batch.state.fills.length === 1 && jars.to.length > 0 && jars.restL < A_GLASS_L);
  const names = $derived(jars.to.map((t) => t.vessel.name).join(' and the '));

  const save = () =>
    tell(`${batch.state.name}: racked into the ${names}.`, () => {
      const out = text.trim() ? parseAs('volume', text, unit, countryOf(household.settings)).base : outL;
      // To the litre that was said: the last jar takes what the planner left over.
      const placed = jars.to.reduce((sum, t) => sum + t.volumeL, 0);
      return rack(
        batch.id,
        fill!.vesselId,
        jars.to.map((t) => ({ vesselId: t.vessel.id, volumeL: t.volumeL })),
        Math.max(0, volumeL - Math.min(out, placed)),
        true
      );
    });
</script>

{#if fits}
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
      placeholder={amountText(outL, unit)}
      bind:value={text}
    />
    <button class="btn btn-primary">{UNIT_LABEL[unit]} into the {names}</button>
    <a class="btn btn-plain" href="/batches/{batch.id}#rack">other glass</a>
  </form>
{:else}
  <a class="btn btn-line" href="/batches/{batch.id}#rack">Choose the glass</a>
{/if}
