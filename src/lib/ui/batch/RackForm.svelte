<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import { leesL } from '$core/ledger/lees';
  import { fillL } from '$core/ledger/fill';
  import { isSediment } from '$core/ledger/operations';
  import { checkRacking, planRacking } from '$core/vessels/racking';
  import { airOverL, isOpenVessel, type Vessel } from '$core/vessels/vessels';
  import { InputError } from '$core/units/input-error';
  import { amountText, volumeText } from '$core/units/format';
  import { UNIT_LABEL } from '$core/units/measure';
  import { parseAs } from '$core/units/parse';
  import { parseWhen } from '../field/parse-when';
  import { rack } from '$core/commands/move';
  import { type Batch, household, vesselById, vesselName } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import BatchCautions from '../caution/BatchCautions.svelte';
  import RestCheck from './RestCheck.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { freeJars, freeVessels } from '../vessel/free-vessels';
  import LeastAir from './LeastAir.svelte';
  import NewJar from './NewJar.svelte';
  import { NOWHERE, rackRows, ROWS, type RackFields, type RackRow } from './rack-rows';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  const unit = $derived(household.settings.volume);
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.from) ?? batch.state.fills[0]
  );
  const volumeL = $derived(fill ? fillL(fill) : 0);
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
  const calledIn = (v: Vessel) =>
    v.id === same?.id
      ? `the same ${v.name}, washed`
      : holds(v.id) > 0
        ? `${v.name}, with the rest of it`
        : v.name;
  const roomIn = (v: Vessel) => Math.max(0, v.capacityL - holds(v.id));

  type Key = 'from' | 'loss' | 'rest' | 'when' | keyof RackFields;
  // svelte-ignore state_referenced_locally
  const draft = createDraft<Record<Key, string>>(`rack:${batch.id}`, {
    from: batch.state.fills[0]?.vesselId ?? '',
    ...NOWHERE,
    loss: '',
    rest: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const rackedAt = (when: string) => {
    try {
      return parseWhen(when, Date.now());
    } catch {
      return Date.now();
    }
  };
  /** The lees of the moment that it was racked at, which may be earlier than this one. */
  const usualLossL = $derived(fill ? leesL(batch.state, fill, volumeL, rackedAt(draft.fields.when)) : 0);
  /** As it is typed, else the usual. */
  const lossL = $derived.by(() => readable(draft.fields.loss, usualLossL));
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
  const volume = (l: number) => volumeText(l, unit);
  const cameOut = (r: RackRow) =>
    `${r.n === 1 ? 'Came out' : r.guess > r.left - 0.01 ? 'the rest' : 'to its neck'}, ${UNIT_LABEL[unit]}`;
  const rows = $derived(
    rackRows(draft.fields, outL, least, same, { vessel: vesselById, room: roomIn, litresOf: readable })
  );
  const first = $derived(rows[0]?.vessel);
  /** What goes where, as far as it can be read. */
  const into = $derived(
    rows.flatMap((r) =>
      r.vessel ? [{ vessel: r.vessel, volumeL: readable(draft.fields[`vol${r.n}`], r.guess) }] : []
    )
  );
  const totalL = $derived(into.reduce((sum, t) => sum + t.volumeL, 0));
  /** What nobody spoke of: a little of it goes with the lees, more stays where it is unless it is said. */
  const restL = $derived(Math.max(0, volumeL - totalL - (draft.fields.loss.trim() ? lossL : 0)));
  const isAll = $derived(
    draft.fields.rest === '' ? isSediment(restL, volumeL, 'lees') : draft.fields.rest === 'sediment'
  );
  const airL = $derived(into.reduce((sum, t) => sum + airOverL(t.vessel, holds(t.vessel.id) + t.volumeL), 0));
  const isLeast = $derived(
    least.to.length === into.length && least.to.every((t) => into.some((r) => r.vessel.id === t.vessel.id))
  );
  function takeLeast() {
    for (const n of ROWS) {
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

  const save = form.submit(() => {
    if (!first) throw new InputError('There is no empty vessel.', 'Add one in Settings, or empty one first.');
    const to = rows.flatMap((r) =>
      r.vessel ? [{ vessel: r.vessel, volumeL: litres(draft.fields[`vol${r.n}`], r.guess) }] : []
    );
    checkRacking(to, volumeL, { room: roomIn, volume });
    const total = to.reduce((sum, t) => sum + t.volumeL, 0);
    const lost = litres(draft.fields.loss, isAll ? Math.max(0, volumeL - total) : 0);
    const from = draft.fields.from || batch.state.fills[0]!.vesselId;
    return [
      `${batch.state.name}: racked.`,
      rack(
        batch.id,
        from,
        to.map((t) => ({ vesselId: t.vessel.id, volumeL: t.volumeL })),
        lost,
        isAll
      )
    ];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Rack">
  {#if batch.state.fills.length > 1}
    <Pick
      {draft}
      at="from"
      label="From"
      options={batch.state.fills.map((f) => [f.vesselId, vesselName(f.vesselId)])}
    />
  {/if}
  <LeastAir {least} {isLeast} ontake={takeLeast} />
  {#each rows as r (r.n)}
    <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
      <Pick
        {draft}
        at={`to${r.n}`}
        label={r.n === 1 ? 'Into' : 'and into'}
        value={r.vessel?.id ?? ''}
        options={[
          ...(r.n > 1 ? [['', 'nothing more'] as const] : []),
          ...free.map((v) => [v.id, calledIn(v)] as const)
        ]}
      />
      <Text
        {draft}
        at={`vol${r.n}`}
        label={cameOut(r)}
        placeholder={amountText(r.guess, unit)}
        mode="decimal"
      />
    </div>
  {/each}
  <NewJar onadd={fillNew} />
  <Text
    {draft}
    at="loss"
    label="Left behind with the lees, {UNIT_LABEL[unit]}"
    placeholder={amountText(usualLossL, unit)}
    mode="decimal"
  />
  {#if restL > 0.05 && !isSediment(restL, volumeL, 'lees')}
    <RestCheck {restL} {isAll} where="in the {same?.name ?? 'vessel'}" onset={(v) => draft.set('rest', v)} />
  {/if}
  <!-- What the proposed jars leave is said with them. -->
  {#if airL > Math.max(0.25, least.airL + 0.05)}<p class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
      That leaves {volumeText(airL, unit)} of air over it. Smaller glass, or top up.
    </p>{/if}
  <BatchCautions {batch} place="rack" scene={{ intoGlass: first !== undefined && !isOpenVessel(first) }} />
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">{form.asks ? 'It is so: it is racked' : 'It is racked'}</button>
</form>
