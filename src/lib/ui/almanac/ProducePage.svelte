<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { RULES } from '$core/cautions/rules';
  import { estimateMust } from '$core/must/balance';
  import { FORM_NOTES } from '$core/plan/handling';
  import type { Produce } from '$core/tables/produce';
  import { SOURCES } from '$core/tables/sources';
  import { produceById, seasonIn } from '$core/tables/table';
  import { isSoaked, juiceOf, juiceRows, sharpWord, sweetWord } from '$core/solve/portrait';
  import { brixFromSg } from '$core/liquid/sugar';
  import { L_PER } from '$core/units/measure';
  import { gramsText, greatUnit, massText } from '$core/units/format';
  import { onMount } from 'svelte';
  import { taughtEntry, watchGarden } from '$lib/store/garden.svelte';
  import { allProduce, household, changeSettings } from '$lib/store/household.svelte';
  import OwnFigures from './OwnFigures.svelte';
  import Season from './Season.svelte';
  import Strip from './Strip.svelte';
  import WhatItMakes from './WhatItMakes.svelte';

  /** One kind of produce: what it holds against all the others, when it is ripe, and the wine it makes. */
  let { produce, isOwn, isEditing }: { produce: Produce; isOwn: boolean; isEditing: boolean } = $props();

  const JUG = { L: 'L', 'us-gal': 'us-qt', 'uk-gal': 'uk-pt' } as const;
  const p = $derived(produce);
  const juice = $derived(juiceOf(p));
  const ranges = $derived(estimateMust({ ingredients: juiceRows(p) }));
  const all = $derived(allProduce().map(juiceOf));
  const brixOf = (sg: number) => Math.max(0, brixFromSg(Math.min(sg, 1.41)));
  /** What one fills with fruit in this household: a litre, a US quart, a UK pint. */
  const jug = $derived(JUG[household.settings.volume]);
  const facts = $derived(
    [
      ['Usable', `${Math.round(100 * p.usable[1])} %`],
      p.pieceG ? [p.family === 'flower' ? 'A head' : 'A piece', gramsText(p.pieceG)] : null,
      p.litreG
        ? [`A loose ${greatUnit(jug)}`, massText((p.litreG / 1000) * L_PER[jug], household.settings.mass)]
        : null,
      ['Pectin', p.pectin],
      ['Tannin', p.tannin],
      ['Nitrogen', p.nitrogen],
      ['On the fruit', `${p.steepDays[0]}–${p.steepDays[2]} days`],
      ['Half given in', `${p.halfGivenH[1]} h, crushed`],
      [
        'To prepare',
        p.hoursPerKg >= 1 ? `${p.hoursPerKg} h a kg` : `${Math.round(60 * p.hoursPerKg)} min a kg`
      ]
    ].filter((f): f is [string, string] => f !== null)
  );
  onMount(() => void watchGarden());
  const table = $derived(produceById(p.id));
  const taught = $derived(table && taughtEntry(p.id));
  const isLeftOut = $derived(household.settings.unlearned.includes(p.id));
  const months = $derived(seasonIn(p, household.settings.hemisphere));
</script>

<header class="flex flex-wrap items-end justify-between gap-x-8 gap-y-2 pb-3">
  <h1 class="sentence font-normal!" data-testid="portrait">
    <b>{p.name}</b> is <b>{sharpWord(juice.taGL)}</b>: {isSoaked(p)
      ? 'soaked in twice its weight of water it'
      : 'its juice'} holds
    <b data-testid="juice-ta">{juice.taGL.toFixed(1)}&nbsp;g/L</b> of acid at
    <b>pH&nbsp;{juice.ph.toFixed(1)}</b>, with {sweetWord(juice.brix)} sugar,
    <b>{juice.brix.toFixed(0)}&nbsp;°Bx</b>.
  </h1>
  <p class="small italic">{p.latin}{isOwn ? ' · with your own figures' : ''}</p>
</header>

<div class="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,25rem)_minmax(0,1fr)]">
  <div class="grid gap-1 max-lg:order-2">
    <p class="inkline head pt-1">Its juice against all produce, with the 8-in-10 range</p>
    <Strip
      label="Acid as tartaric"
      value="{juice.taGL.toFixed(1)} g/L"
      at={juice.taGL}
      low={ranges.taGL?.low ?? juice.taGL}
      high={ranges.taGL?.high ?? juice.taGL}
      others={all.map((j) => j.taGL)}
      ends={['mild', 'very sharp']}
      colour={p.colour.fruit}
    />
    <Strip
      label="Soluble solids"
      value="{juice.brix.toFixed(0)} °Bx"
      at={juice.brix}
      low={brixOf(ranges.sgAllGiven?.low ?? juice.sg)}
      high={brixOf(ranges.sgAllGiven?.high ?? juice.sg)}
      others={all.map((j) => Math.max(0, j.brix))}
      ends={['watery', 'syrupy']}
      colour={p.colour.fruit}
    />
    <Strip
      label="pH"
      value={juice.ph.toFixed(1)}
      at={Math.max(0, juice.ph - 2)}
      low={Math.max(0, (ranges.ph?.low ?? juice.ph) - 2)}
      high={Math.max(0, (ranges.ph?.high ?? juice.ph) - 2)}
      others={all.map((j) => Math.max(0, j.ph - 2))}
      ends={['pH 2', 'alkaline']}
      colour={p.colour.fruit}
    />
    {#if taught}
      <p class="mt-1 bg-tint-straw px-3 py-2 text-[0.9375rem] text-ink" data-testid="garden">
        <b>Your own {taught.garden!.batches} batches:</b>
        {juiceOf(taught).brix.toFixed(1)} °Bx where the table has {juiceOf(table!).brix.toFixed(1)}, acid
        {juiceOf(taught).taGL.toFixed(1)} g/L where it has {juiceOf(table!).taGL.toFixed(1)}.
        {isLeftOut ? 'New plans leave them out.' : 'New plans go by them.'}
        <button
          class="min-h-11 underline underline-offset-4 sm:min-h-7"
          onclick={() =>
            changeSettings(({ unlearned }) => ({
              unlearned: isLeftOut ? unlearned.filter((x) => x !== p.id) : [...new Set([...unlearned, p.id])]
            }))}>{isLeftOut ? 'Go by them' : 'Leave them out'}</button
        >
      </p>
    {/if}
    <div class="mt-2">
      <Season {months} colour={p.colour.fruit} hemisphere={household.settings.hemisphere} />
    </div>
    <dl class="inkline mt-4 grid grid-cols-2 gap-x-6">
      {#each facts as [what, figure] (what)}
        <div class="dashline flex justify-between gap-3 py-1">
          <dt class="small">{what}</dt>
          <dd class="text-right font-semibold">{figure}</dd>
        </div>
      {/each}
    </dl>
    <div class="mt-3 grid gap-1">
      {#each p.forms as f (f)}<p class="text-[0.9375rem]">
          <b>{FORM_NOTES[f].name}</b>: {own(FORM_NOTES[f].note)}
        </p>{/each}
    </div>
    <details class="mt-2 text-[0.9375rem]">
      <summary class="min-h-9 max-sm:min-h-11 py-1 underline underline-offset-4"
        >Where the figures come from</summary
      >
      <dl class="mt-1 grid gap-1">
        {#each Object.entries(p.from) as [what, source] (what)}<div>
            <dt class="inline font-semibold">{what}</dt>
            :
            <dd class="inline">{SOURCES[source]}.</dd>
          </div>{/each}
      </dl>
    </details>
    <OwnFigures produce={p} {isOwn} {isEditing} />
  </div>

  <div class="grid gap-4 max-lg:order-1">
    {#each p.cautions.map((id) => RULES[id]!).filter((r) => r.level !== 'note') as rule (rule.title)}
      <p class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
        <b>{rule.title}.</b>
        {own(rule.text)}{rule.ask ? ` ${rule.ask}` : ''}
      </p>
    {/each}
    <WhatItMakes produce={p} />
    {#each p.cautions.map((id) => RULES[id]!).filter((r) => r.level === 'note') as rule (rule.title)}
      <p class="small">{own(rule.text)}</p>
    {/each}
  </div>
</div>
