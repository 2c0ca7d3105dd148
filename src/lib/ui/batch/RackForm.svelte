<script lang="ts">
  import { own } from '$lib/ui/field/own-units';
  import { rackingLossL } from '$core/must/balance';
  import { fillL } from '$core/ledger/fill';
  import { isSediment } from '$core/ledger/operations';
  import { planRacking, rackingWord } from '$core/vessels/racking';
  import { isOpenVessel, type Vessel } from '$core/vessels/vessels';
  import { InputError } from '$core/units/input-error';
  import { entryText, volumeText } from '$core/units/format';
  import { UNIT_LABEL } from '$core/units/measure';
  import { parseAs } from '$core/units/parse';
  import { logRacking } from '$lib/store/actions';
  import { household, vesselById, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import BatchCautions from './BatchCautions.svelte';
  import RestCheck from './RestCheck.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { freeJars, freeVessels } from '../vessel/free-vessels';
  import NewJar from './NewJar.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  const unit = $derived(household.settings.volume);
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.from) ?? batch.state.fills[0]
  );
  const volumeL = $derived(fill ? fillL(fill) : 0);
  const usualLossL = $derived(rackingLossL(volumeL, batch.state.rackings.length === 0));
  /** As it is typed, else the usual. */
  const lossL = $derived.by(() => readable(draft.fields.loss, usualLossL));
  const empty = $derived(freeVessels());
  const same = $derived(vesselById(fill?.vesselId ?? ''));
  /** Where it can go: what is empty, then what holds this wine already, then its own vessel, washed. */
  const free = $derived([
    // Each once: a vessel may be free and of this batch while the lists catch up.
    ...new Map(
      [
        ...empty,
        ...batch.state.fills
          .filter((f) => f.vesselId !== fill?.vesselId)
          .flatMap((f) => vesselById(f.vesselId) ?? []),
        ...(same ? [same] : [])
      ].map((v) => [v.id, v] as const)
    ).values()
  ]);
  const holds = (id: string) =>
    batch.state.fills
      .filter((f) => f.vesselId === id && id !== fill?.vesselId)
      .reduce((n, f) => n + fillL(f), 0);
  const roomIn = (v: Vessel) => Math.max(0, v.capacityL - holds(v.id));

  type Key = 'from' | 'loss' | 'rest' | 'when' | `to${1 | 2 | 3 | 4}` | `vol${1 | 2 | 3 | 4}`;
  // svelte-ignore state_referenced_locally
  const draft = createDraft<Record<Key, string>>(`rack:${batch.id}`, {
    from: batch.state.fills[0]?.vesselId ?? '',
    to1: '',
    vol1: '',
    to2: '',
    vol2: '',
    to3: '',
    vol3: '',
    to4: '',
    vol4: '',
    loss: '',
    rest: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const outL = $derived(Math.max(0, volumeL - lossL));
  /** The jars that take it with least air. */
  const least = $derived(planRacking(outL, freeJars()));

  /** As it is typed; nothing, or `the rest`, is what is left for it. */
  const litres = (text: string, fallback: number) =>
    text.trim() && !/^(the\s+)?rest$/i.test(text.trim())
      ? parseAs('volume', text, unit, countryOf(household.settings)).base
      : fallback;
  const readable = (text: string, fallback: number) => {
    try {
      return litres(text, fallback);
    } catch {
      return fallback;
    }
  };
  /** One row for each vessel: the first always, more while wine is left for them. */
  const rows = $derived.by(() => {
    const out: { n: 1 | 2 | 3 | 4; vessel: Vessel | undefined; guess: number; left: number }[] = [];
    let left = outL;
    for (const n of [1, 2, 3, 4] as const) {
      // Until one is chosen, the jars that leave least air.
      const offered = draft.fields.to1 === '' ? least.to[n - 1]?.vessel : undefined;
      const chosen = vesselById(draft.fields[`to${n}`]) ?? offered;
      const vessel = chosen ?? (n === 1 ? same : undefined);
      if (n > 1 && !chosen && left < 0.15) break;
      const guess = vessel ? Math.min(left, roomIn(vessel)) : left;
      out.push({ n, vessel, guess, left });
      if (!vessel) break;
      left = Math.max(0, left - readable(draft.fields[`vol${n}`], guess));
    }
    return out;
  });
  const first = $derived(rows[0]?.vessel);
  const totalL = $derived(
    rows.reduce((sum, r) => (r.vessel ? sum + readable(draft.fields[`vol${r.n}`], r.guess) : sum), 0)
  );
  /** What nobody spoke of: a little of it goes with the lees, more stays where it is unless it is said. */
  const restL = $derived(Math.max(0, volumeL - totalL - (draft.fields.loss.trim() ? lossL : 0)));
  const isAll = $derived(
    draft.fields.rest === '' ? isSediment(restL, volumeL, 'lees') : draft.fields.rest === 'sediment'
  );
  const airL = $derived(
    rows.reduce(
      (sum, r) =>
        r.vessel ? sum + Math.max(0, roomIn(r.vessel) - readable(draft.fields[`vol${r.n}`], r.guess)) : sum,
      0
    )
  );
  const isLeast = $derived(
    least.to.length === rows.filter((r) => r.vessel).length &&
      least.to.every((t) => rows.some((r) => r.vessel?.id === t.vessel.id))
  );
  function takeLeast() {
    for (const n of [1, 2, 3, 4] as const) {
      draft.set(`to${n}`, least.to[n - 1]?.vessel.id ?? '');
      draft.set(`vol${n}`, '');
    }
  }

  /** A jar that was bought since is the next to be filled; what the hint had offered stays, as if it had been chosen. */
  function fillNew(jar: Vessel) {
    const at = rows.find((r) => !r.vessel)?.n ?? rows.at(-1)?.n ?? 1;
    for (const r of rows) if (r.vessel && r.n !== at) draft.set(`to${r.n}`, r.vessel.id);
    draft.set(`to${at}`, jar.id);
  }

  const save = form.submit(async (when) => {
    if (!first) throw new InputError('There is no empty vessel.', 'Add one in Settings, or empty one first.');
    const to = rows
      .filter((r) => r.vessel)
      .map((r) => ({ vesselId: r.vessel!.id, volumeL: litres(draft.fields[`vol${r.n}`], r.guess) }));
    for (const t of to) {
      const v = vesselById(t.vesselId)!;
      if (t.volumeL > roomIn(v) + 0.005)
        throw new InputError(
          `${volumeText(t.volumeL, unit)} does not fit the ${v.name}.`,
          `It takes ${volumeText(roomIn(v), unit)}; put the rest in a second vessel.`
        );
      if (t.volumeL <= 0)
        throw new InputError(`Nothing goes into the ${v.name}.`, 'Give how much came out, or leave it away.');
    }
    if (new Set(to.map((t) => t.vesselId)).size < to.length)
      throw new InputError('One vessel is there twice.', 'Give each vessel once.');
    const total = to.reduce((sum, t) => sum + t.volumeL, 0);
    if (total > volumeL * 1.15 + 0.3)
      throw new InputError(
        `${volumeText(total, unit)} is more than the ${volumeText(volumeL, unit)} that was in there.`,
        'Check the amounts and their units; write down a top-up as an addition.'
      );
    const lost = litres(draft.fields.loss, isAll ? Math.max(0, volumeL - total) : 0);
    const event = await logRacking(
      batch.id,
      draft.fields.from || batch.state.fills[0]!.vesselId,
      to,
      lost,
      when,
      isAll
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
  {#if least.to.length > 0 && !isLeast}
    <p class="flex flex-wrap items-center justify-between gap-2 bg-tint-green px-3 py-1 text-[0.9375rem]">
      <span
        >Least air: {least.to
          .map((t) => `${volumeText(t.volumeL, unit)} in the ${t.vessel.name}`)
          .join(', ')}; {own(rackingWord(least))}.</span
      >
      <button type="button" class="btn btn-line px-3!" onclick={takeLeast}>Do that</button>
    </p>
  {/if}
  {#if isLeast}<p class="small">The jars that leave least air: {own(rackingWord(least))}.</p>{/if}
  {#each rows as r (r.n)}
    <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
      <label class="grid gap-1 text-[0.9375rem] font-semibold"
        >{r.n === 1 ? 'Into' : 'and into'}
        <select
          class="field"
          value={r.vessel?.id ?? ''}
          onchange={(e) => draft.set(`to${r.n}`, e.currentTarget.value)}
          >{#if r.n > 1}<option value="">nothing more</option>{/if}{#each free as v (v.id)}<option
              value={v.id}
              >{v.id === same?.id
                ? `the same ${v.name}, washed`
                : holds(v.id) > 0
                  ? `${v.name}, with the rest of it`
                  : v.name}</option
            >{/each}</select
        >
      </label>
      <label class="grid gap-1 text-[0.9375rem] font-semibold"
        >{r.n === 1 ? 'Came out' : r.guess > r.left - 0.01 ? 'the rest' : 'to its neck'}, {UNIT_LABEL[unit]}
        <input
          class="field"
          inputmode="decimal"
          autocomplete="off"
          placeholder={entryText(+r.guess.toFixed(1), unit)}
          value={draft.fields[`vol${r.n}`]}
          oninput={(e) => draft.set(`vol${r.n}`, e.currentTarget.value)}
        />
      </label>
    </div>
  {/each}
  <NewJar onadd={fillNew} />
  <label class="grid gap-1 text-[0.9375rem] font-semibold"
    >Left behind with the lees, {UNIT_LABEL[unit]}
    <input
      class="field"
      inputmode="decimal"
      autocomplete="off"
      placeholder={entryText(+usualLossL.toFixed(1), unit)}
      value={draft.fields.loss}
      oninput={(e) => draft.set('loss', e.currentTarget.value)}
    />
  </label>
  {#if restL > 0.05 && !isSediment(restL, volumeL, 'lees')}
    <RestCheck {restL} {isAll} where="in the {same?.name ?? 'vessel'}" onset={(v) => draft.set('rest', v)} />
  {/if}
  {#if airL > 0.25}<p class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
      That leaves {volumeText(airL, unit)} of air over it. Smaller glass, or top up.
    </p>{/if}
  <BatchCautions {batch} place="rack" scene={{ intoGlass: first !== undefined && !isOpenVessel(first) }} />
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">{form.asks ? 'It is so: it is racked' : 'It is racked'}</button>
</form>
