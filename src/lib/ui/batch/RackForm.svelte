<script lang="ts">
  import { rackingLossL } from '$core/must/balance';
  import { liquid } from '$core/must/stock';
  import { InputError } from '$core/units/input-error';
  import { entryText, volumeText } from '$core/units/format';
  import { UNIT_LABEL } from '$core/units/measure';
  import { parseAs } from '$core/units/parse';
  import { logRacking } from '$lib/store/actions';
  import { household, vesselById, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$lib/store/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import BatchCautions from './BatchCautions.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { freeVessels, glassFor } from './free-vessels';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  const unit = $derived(household.settings.volume);
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.from) ?? batch.state.fills[0]
  );
  const volumeL = $derived(fill ? (liquid(fill.stock)?.volumeL ?? 0) : 0);
  const lossL = $derived(rackingLossL(volumeL, batch.state.rackings.length === 0));
  const empty = $derived(freeVessels());
  const same = $derived(vesselById(fill?.vesselId ?? ''));
  /** Its own vessel last: emptied, washed and filled again. */
  const free = $derived(same ? [...empty, same] : empty);

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`rack:${batch.id}`, {
    from: batch.state.fills[0]?.vesselId ?? '',
    to1: '',
    vol1: '',
    to2: '',
    vol2: '',
    loss: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const first = $derived(vesselById(draft.fields.to1) ?? glassFor(volumeL - lossL, empty) ?? same);
  const outL = $derived(Math.max(0, volumeL - lossL));
  const guess1 = $derived(Math.min(outL, first?.capacityL ?? outL));
  const rest = $derived(outL - guess1);
  const others = $derived(free.filter((v) => v.id !== first?.id));

  const litres = (text: string, fallback: number) =>
    text.trim() ? parseAs('volume', text, unit, countryOf(household.settings)).base : fallback;
  const airMl = $derived.by(() => {
    try {
      return first ? (first.capacityL - litres(draft.fields.vol1, guess1)) * 1000 : 0;
    } catch {
      return 0;
    }
  });

  const save = form.submit(async (when) => {
    if (!first) throw new InputError('There is no empty vessel.', 'Add one in Settings, or empty one first.');
    const to = [{ vesselId: first.id, volumeL: litres(draft.fields.vol1, guess1) }];
    if (draft.fields.to2) to.push({ vesselId: draft.fields.to2, volumeL: litres(draft.fields.vol2, rest) });
    for (const t of to) {
      const v = vesselById(t.vesselId)!;
      if (t.volumeL > v.capacityL)
        throw new InputError(
          `${volumeText(t.volumeL, unit)} does not fit the ${v.name}.`,
          `It holds ${volumeText(v.capacityL, unit)}; put the rest in a second vessel.`
        );
      if (t.volumeL <= 0)
        throw new InputError(`Nothing goes into the ${v.name}.`, 'Give how much came out, or leave it away.');
    }
    const total = to.reduce((sum, t) => sum + t.volumeL, 0);
    if (total > volumeL * 1.25)
      throw new InputError(
        `${volumeText(total, unit)} is a quarter more than the ${volumeText(volumeL, unit)} that was in there.`,
        'Check the amounts and their units; write down a top-up as an addition.'
      );
    const lost = litres(draft.fields.loss, Math.max(0, volumeL - total));
    const event = await logRacking(
      batch.id,
      draft.fields.from || batch.state.fills[0]!.vesselId,
      to,
      lost,
      when
    );
    return [`${batch.state.name}: racked.`, event] as const;
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Rack">
  {#if batch.state.fills.length > 1}
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >From
      <select
        class="field"
        value={draft.fields.from}
        onchange={(e) => draft.set('from', e.currentTarget.value)}
        >{#each batch.state.fills as f (f.vesselId)}<option value={f.vesselId}
            >{vesselById(f.vesselId)?.name}</option
          >{/each}</select
      >
    </label>
  {/if}
  <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Into
      <select class="field" value={first?.id ?? ''} onchange={(e) => draft.set('to1', e.currentTarget.value)}
        >{#each free as v (v.id)}<option value={v.id}
            >{v.id === same?.id ? `the same ${v.name}, washed` : v.name}</option
          >{/each}</select
      >
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Came out, {UNIT_LABEL[unit]}
      <input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        placeholder={entryText(+guess1.toFixed(1), unit)}
        value={draft.fields.vol1}
        oninput={(e) => draft.set('vol1', e.currentTarget.value)}
      />
    </label>
  </div>
  {#if rest > 0.05 || draft.fields.to2}
    <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
      <label class="grid gap-1 text-[0.9375rem] font-semibold"
        >and into
        <select
          class="field"
          value={draft.fields.to2}
          onchange={(e) => draft.set('to2', e.currentTarget.value)}
          ><option value="">nothing more</option>{#each others as v (v.id)}<option value={v.id}
              >{v.name}</option
            >{/each}</select
        >
      </label>
      <label class="grid gap-1 text-[0.9375rem] font-semibold"
        >the rest, {UNIT_LABEL[unit]}
        <input
          class="field"
          inputmode="decimal"
          autocomplete="off"
          placeholder={entryText(+rest.toFixed(1), unit)}
          value={draft.fields.vol2}
          oninput={(e) => draft.set('vol2', e.currentTarget.value)}
        />
      </label>
    </div>
  {/if}
  <label class="grid gap-1 text-[0.9375rem] font-semibold"
    >Left behind with the lees, {UNIT_LABEL[unit]}
    <input
      class="field"
      inputmode="decimal"
      autocomplete="off"
      placeholder={entryText(+lossL.toFixed(1), unit)}
      value={draft.fields.loss}
      oninput={(e) => draft.set('loss', e.currentTarget.value)}
    />
  </label>
  {#if airMl > 250}<p class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
      That leaves {(airMl / 1000).toFixed(1)} L of air over it. Smaller glass, or top up.
    </p>{/if}
  <BatchCautions
    {batch}
    place="rack"
    scene={{ intoGlass: first !== undefined && first.shape !== 'bucket' }}
  />
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">It is racked</button>
</form>
