<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import WhenField from '../field/WhenField.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import type { Quality } from '$core/finish/blend';
  import { DEPTHS, mixColour, mustColour } from '$core/plan/colour';
  import { fillL } from '$core/ledger/fill';
  import { InputError } from '$core/units/input-error';
  import { volumeText } from '$core/units/format';
  import { parseNumber } from '$core/units/number';
  import { explain } from '../words/own-units';
  import { type Batch, household, runningBatches, vesselById, vesselName } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import { freeJars } from '../vessel/free-vessels';
  import { blendDeed, blending, giversTo, waterFor, type Blended, type Giver } from './blending';
  import { KEPT, MISS } from './blend-words';

  /** Other wines poured into one that stands, so that it comes nearest to what is wanted. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`blend:${batch.id}`, {
    vessel: '',
    into: '',
    not: 'water',
    abv: '',
    taGL: '',
    hexoseGL: '',
    depth: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const unit = $derived(household.settings.volume);
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.vessel) ?? batch.state.fills[0]
  );
  const givers = $derived([...giversTo(batch.id, runningBatches()), ...(fill ? [waterFor(fill)] : [])]);
  const not = $derived(new Set(draft.fields.not.split('|').filter(Boolean)));
  const into = $derived(vesselById(draft.fields.into || (fill?.vesselId ?? '')));
  const WANTS: { id: Exclude<Quality, 'depth'>; label: string }[] = [
    { id: 'taGL', label: 'Acid, g/L' },
    { id: 'abv', label: 'Strength, %' },
    { id: 'hexoseGL', label: 'Sugar, g/L' }
  ];

  type Worked = { is: Blended } | { error: string } | null;
  const worked = $derived.by<Worked>(() => {
    if (!fill || !into) return null;
    const want: Partial<Record<Quality, number>> = {};
    try {
      for (const { id, label } of WANTS) {
        const text = draft.fields[id].trim();
        if (!text) continue;
        const n = parseNumber(text);
        if (n === null || n < 0)
          throw new InputError(`“${text}” is no figure for ${label}.`, 'Give a number.');
        want[id] = n;
      }
      const depth = DEPTHS[draft.fields.depth as keyof typeof DEPTHS];
      if (depth !== undefined) want.depth = depth;
      if (Object.keys(want).length === 0) return null;
      return {
        is: blending(
          batch,
          fill,
          givers.filter((g) => !not.has(g.key)),
          want,
          into.capacityL
        )
      };
    } catch (e) {
      return { error: explain(e) };
    }
  });
  const is = $derived(worked && 'is' in worked ? worked.is : null);

  const colourOf = (g: Giver) => ('fill' in g ? mustColour(g.batch.state.plan.ingredients).must : '#ffffff');
  /** About the colour of all of it together. */
  const colour = (b: Blended) =>
    mixColour([
      { colour: mustColour(batch.state.plan.ingredients).must, volumeL: fill ? fillL(fill) : 0 },
      ...b.from.map((x) => ({ colour: colourOf(x.giver), volumeL: x.litres }))
    ]);

  const save = form.submit(() => {
    if (!fill || !into) throw new InputError('There is nothing to blend.', 'Rack it first.');
    if (!is)
      throw new InputError(
        worked && 'error' in worked ? worked.error : 'Nothing is wanted of it.',
        'Say what it is to be.'
      );
    if (is.from.length === 0)
      throw new InputError('None of them brings it nearer.', 'Want something else, or leave it.');
    return [
      `${batch.state.name}: blended. Read it again in a week.`,
      blendDeed(batch.state, fill, into.id, is.from)
    ];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Blend">
  <VesselPick {batch} value={fill?.vesselId ?? ''} onset={(v) => draft.set('vessel', v)} label="Which" />
  <div class="grid grid-cols-3 gap-3">
    {#each WANTS as w (w.id)}<Text
        {draft}
        at={w.id}
        label={w.label}
        mode="decimal"
        placeholder="any"
      />{/each}
  </div>
  <Pick
    {draft}
    at="depth"
    label="Colour"
    options={[['', 'any'], ...Object.keys(DEPTHS).map((d) => [d, d] as const)]}
  />
  <Pick
    {draft}
    at="into"
    label="Into"
    value={into?.id ?? ''}
    options={[
      ...(fill ? [[fill.vesselId, `the ${vesselName(fill.vesselId)}, where it stands`] as const] : []),
      ...freeJars()
        .filter((v) => fill && v.capacityL > fillL(fill))
        .map((v) => [v.id, `the ${v.name}, empty`] as const)
    ]}
  />
  <fieldset class="grid">
    <legend class="head">With</legend>
    {#each givers as g (g.key)}
      {@const taken = is?.from.find((x) => x.giver.key === g.key)?.litres}
      <label class="dashline flex min-h-11 items-center gap-3 py-1"
        ><input
          type="checkbox"
          class="checkbox"
          checked={!not.has(g.key)}
          onchange={() => {
            const next = new Set(not);
            if (!next.delete(g.key)) next.add(g.key);
            draft.set('not', [...next].join('|'));
          }}
        /><span class="min-w-0 flex-1"
          >{#if 'fill' in g}<b>{g.batch.state.name}</b>, {vesselName(g.fill.vesselId)}{:else}<b>Water</b>,
            boiled and cooled{/if}<span class="small block"
            >{'fill' in g
              ? `${volumeText(g.wine.volumeL, unit)}, ${g.wine.abv.toFixed(1)} %, ${g.wine.taGL.toFixed(1)} g/L acid, ${g.wine.hexoseGL.toFixed(0)} g/L sugar`
              : `up to ${volumeText(g.wine.volumeL, unit)}`}</span
          ></span
        >{#if taken}<span class="number text-[1.375rem]">{volumeText(taken, unit)}</span>{/if}</label
      >
    {/each}
  </fieldset>
  {#if is}
    <p data-testid="blended">
      <span
        class="mr-1 inline-block size-6 border border-ink align-middle"
        style="background:{colour(is)}"
        title="about its colour"
      ></span>
      {#if is.from.length === 0}None of them brings it nearer.{:else}Makes <b class="number"
          >{volumeText(is.blend.volumeL, unit)}</b
        >: <b class="number">{is.blend.taGL.toFixed(1)} g/L</b> acid,
        <b class="number">{is.blend.abv.toFixed(1)} %</b>,
        <b class="number">{is.blend.hexoseGL.toFixed(0)} g/L</b> sugar.{/if}
      {#if is.blend.misses.length > 0}<span class="text-rosehip"
          >As near as it gets: {is.blend.misses
            .flatMap((m) => (m.of === 'volumeL' ? [] : [MISS[m.of](m.by)]))
            .join(', ')}.</span
        >{/if}
    </p>
    {#if is.from.length > 0}
      <p class="border-l-4 px-3 py-2 {KEPT[is.kept].tone}">
        {KEPT[is.kept].text}
        What is poured together is not parted again: a glass of it first, by the same shares.
      </p>
    {/if}
  {:else if worked && 'error' in worked}<p class="text-rosehip" role="alert">{worked.error}</p>
  {:else}<p class="small">
      Say what it is to be: sharper, stronger, sweeter, darker. What is left empty may be as it comes.
    </p>{/if}
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary" disabled={!is || is.from.length === 0}
    >{form.asks ? 'It is so: they are together' : 'They are together'}</button
  >
</form>
