<script lang="ts">
  import Text from '../field/Text.svelte';
  import { own } from '$lib/ui/words/own-units';
  import { fillL } from '$core/ledger/fill';
  import { airOverL } from '$core/vessels/vessels';
  import { topUps, type TopUp } from '$core/vessels/top-up';
  import { InputError } from '$core/units/input-error';
  import { amountText, volumeText } from '$core/units/format';
  import { UNIT_LABEL } from '$core/units/measure';
  import { parseAs } from '$core/units/parse';
  import { blend, topUp } from '$core/commands/put';
  import { type Batch, household, runningBatches, vesselById, vesselName } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';

  /** Air taken from over a wine: every way there is, with what it does to it. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`top-up:${batch.id}`, { vessel: '', amount: '', way: 'water', when: '' });
  const form = createWriteDown(draft, () => ondone());
  const unit = $derived(household.settings.volume);
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.vessel) ?? batch.state.fills[0]
  );
  const vessel = $derived(vesselById(fill?.vesselId ?? ''));
  const gapL = $derived(vessel && fill ? airOverL(vessel, fillL(fill)) : 0);
  const amountL = $derived.by(() => {
    try {
      return draft.fields.amount.trim()
        ? parseAs('volume', draft.fields.amount, unit, countryOf(household.settings)).base
        : gapL;
    } catch {
      return gapL;
    }
  });
  const others = $derived(
    runningBatches().flatMap((b) =>
      // Only wine that is in glass itself: a running must would start it again.
      b.id === batch.id || b.state.rackings.length === 0
        ? []
        : b.state.fills.map((f) => ({
            batchId: b.id,
            vesselId: f.vesselId,
            name: `${b.state.name}, from the ${vesselName(f.vesselId)}`,
            stock: f.stock
          }))
    )
  );
  const ways = $derived(fill ? topUps(fill.stock, amountL, others) : []);
  const keyOf = (w: TopUp) => (w.from ? `${w.from.batchId}/${w.from.vesselId}` : w.id);
  const way = $derived(ways.find((w) => keyOf(w) === draft.fields.way) ?? ways.find((w) => w.id === 'water'));
  const one = (n: number) => n.toFixed(1);

  const save = form.submit(() => {
    const litres = draft.fields.amount.trim()
      ? parseAs('volume', draft.fields.amount, unit, countryOf(household.settings)).base
      : gapL;
    if (!fill || !vessel || !way)
      throw new InputError('There is nothing to fill up.', 'Choose a vessel with air in it.');
    if (way.id !== 'gas' && fillL(fill) + litres > vessel.capacityL * 1.005)
      throw new InputError(
        `${volumeText(litres, unit)} more does not fit the ${vessel.name}.`,
        `There is room for ${volumeText(gapL, unit)}.`
      );
    const source = way.from && runningBatches().find((b) => b.id === way.from!.batchId);
    const deed = source
      ? blend(batch.id, vessel.id, source.state, way.from!.vesselId, litres)
      : topUp(batch.id, vessel.id, way.ingredient);
    return [`${batch.state.name}: topped up.`, deed];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Top up">
  <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Vessel
      <select
        class="field"
        value={fill?.vesselId}
        onchange={(e) => draft.set('vessel', e.currentTarget.value)}
        >{#each batch.state.fills as f (f.vesselId)}<option value={f.vesselId}
            >{vesselName(f.vesselId)}</option
          >{/each}</select
      >
    </label>
    <Text
      {draft}
      at="amount"
      label="How much, {UNIT_LABEL[unit]}"
      placeholder={amountText(gapL, unit)}
      mode="decimal"
    />
  </div>
  <p class="small">
    {#if vessel && fill}{volumeText(gapL, household.settings.volume)} of air to the neck, {Math.round(
        (100 * gapL) / vessel.capacityL
      )} % of the {vessel.name}.{/if}
  </p>
  {#if ways.length === 0}<p>No air worth filling.</p>{/if}
  <fieldset class="grid">
    <legend class="sr-only">With</legend>
    {#each ways as w (keyOf(w))}
      <label class="dashline flex min-h-11 items-center gap-3 py-1"
        ><input
          type="radio"
          class="radio"
          name="way"
          checked={way === w}
          onchange={() => draft.set('way', keyOf(w))}
        /><span class="min-w-0"
          ><b>{w.name}</b><span class="small block"
            >{one(w.after.abv)} %, {one(w.after.taGL)} g/L acid, {w.after.sugarGL.toFixed(0)} g/L sugar. {own(
              w.note
            )}</span
          ></span
        ></label
      >
    {/each}
  </fieldset>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary" disabled={ways.length === 0}>It is topped up</button>
</form>
