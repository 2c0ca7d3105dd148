<script lang="ts">
  import WhenField from '../field/WhenField.svelte';
  import Text from '../field/Text.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { clearWith } from '$core/commands/finish';
  import {
    finingG,
    hazeOf,
    helpsAgainst,
    leesL,
    nextTest,
    testsOf,
    type HazeTests
  } from '$core/finish/clear';
  import { clarityOf } from '$core/ledger/state';
  import { LOOKS } from '$core/ledger/events/observation';
  import { fillL } from '$core/ledger/fill';
  import { allergensOf } from '$core/plan/allergens';
  import { ADDITIVES, type AdditiveId } from '$core/tables/substances';
  import { FININGS, type FiningId } from '$core/tables/finings';
  import { InputError } from '$core/units/input-error';
  import { gramsText, volumeText } from '$core/units/format';
  import { parseNumber } from '$core/units/number';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import { DEGAS, HAZES, TESTS } from './words';

  /** Is it clear; if not, what clouds it, by three cheap tests; and what takes that down, at what cost. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  const START = {
    vessel: '',
    clarity: '',
    shaken: '',
    inSpirit: '',
    iodine: '',
    heated: '',
    with: '',
    weighed: '',
    when: ''
  };
  // svelte-ignore state_referenced_locally
  const draft = createDraft(`clear:${batch.id}`, START);
  const form = createWriteDown(draft, () => ondone());
  const f = $derived(draft.fields);
  const unit = $derived(household.settings.volume);
  const fill = $derived(batch.state.fills.find((x) => x.vesselId === f.vessel) ?? batch.state.fills[0]);
  const litres = $derived(fill ? fillL(fill) : 0);
  const clarity = $derived(f.clarity || (fill ? (clarityOf(batch.state, fill.vesselId) ?? '') : ''));
  const known = $derived<HazeTests>(fill ? testsOf(batch.state, fill.vesselId) : {});
  const tests = $derived<HazeTests>({
    inSpirit: (f.inSpirit || known.inSpirit) as HazeTests['inSpirit'],
    iodine: (f.iodine || known.iodine) as HazeTests['iodine'],
    heated: (f.heated || known.heated) as HazeTests['heated']
  });
  const haze = $derived(hazeOf(tests));
  const next = $derived(nextTest(tests));
  const ways = $derived(helpsAgainst(haze));
  const way = $derived(ways.includes(f.with as FiningId) ? (f.with as FiningId) : null);
  const parts = $derived(way && fill ? finingG(way, fill) : []);
  const allergens = (id: FiningId) =>
    FININGS[id].parts.flatMap((p) =>
      allergensOf({ kind: 'additive', additiveId: p as AdditiveId, massKg: 0 })
    );
  const choose = (key: keyof typeof START, value: string) => draft.set(key, f[key] === value ? '' : value);

  const save = form.submit(({ at }) => {
    if (!fill) throw new InputError('There is nothing to clear.', 'Rack it first.');
    const seen = Object.fromEntries(
      (['clarity', 'shaken', 'inSpirit', 'iodine', 'heated'] as const).flatMap((k) =>
        f[k] ? [[k, f[k]]] : []
      )
    );
    const text = f.weighed.trim().replace(/\s*g$/i, '');
    const weighed = text ? parseNumber(text) : null;
    if (text && (weighed === null || weighed <= 0))
      throw new InputError(`“${f.weighed}” is no weight.`, 'Give grams, as in 4.5.');
    const given = parts.map((p, i) => (i === 0 && weighed !== null ? { ...p, massG: weighed } : p));
    const deed = clearWith(batch.id, fill.vesselId, seen, given, way ? FININGS[way] : null, at);
    if (deed.length === 0) throw new InputError('Nothing was said.', 'Say how clear it is, or what goes in.');
    return [
      way && parts.length > 0
        ? `${FININGS[way].name} in. Look again in ${FININGS[way].days[0]} days.`
        : 'Written down.',
      deed
    ];
  });
</script>

{#snippet choice(key: 'clarity' | 'shaken' | keyof HazeTests, value: string)}
  {#each Object.entries(LOOKS[key]) as [id, text] (id)}
    <button
      type="button"
      class="btn {value === id ? 'btn-primary' : 'btn-line'}"
      aria-pressed={value === id}
      onclick={() => choose(key, id)}>{text}</button
    >
  {/each}
{/snippet}

<form class="grid gap-3" onsubmit={save} aria-label="Clear">
  <VesselPick {batch} value={fill?.vesselId ?? ''} onset={(v) => draft.set('vessel', v)} label="Which" />
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Through the glass">
    {@render choice('clarity', clarity)}
  </div>
  <p class="small">Clear: small print is read through a full glass, and a torch makes no beam in it.</p>
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Shaken under the thumb">
    {@render choice('shaken', f.shaken)}
  </div>
  <p class="small">Half a small bottle, shaken under the thumb: a puff is gas, and gas keeps lees up.</p>
  {#if f.shaken === 'puffs'}
    <ul class="border-l-4 border-straw bg-tint-straw px-3 py-2" data-testid="degas">
      {#each DEGAS as [name, how] (name)}<li><b>{name}</b>: {how}.</li>{/each}
      <li>Free of gas when a shaken bottle no longer puffs, two days running.</li>
    </ul>
  {/if}
  {#if clarity === 'hazy' || clarity === 'cloudy'}
    <fieldset class="grid gap-3 border-[1.5px] border-rule p-3">
      <legend class="head px-1">What clouds it</legend>
      {#each Object.entries(TESTS) as [key, how] (key)}
        {@const k = key as keyof HazeTests}
        {#if tests[k] || k === next}
          <p class={tests[k] ? 'text-quiet' : ''}>{how}</p>
          <div class="flex flex-wrap gap-2" role="group" aria-label={how}>
            {@render choice(k, tests[k] ?? '')}
          </div>
        {/if}
      {/each}
      {#if haze}<p class="text-[1.125rem]" data-testid="haze">
          <b>{HAZES[haze].name}.</b>
          {HAZES[haze].text}
        </p>{/if}
    </fieldset>
  {/if}
  {#if clarity !== 'clear'}
    <fieldset class="grid">
      <legend class="head">With</legend>
      {#each ways as id (id)}
        {@const w = FININGS[id]}
        <label class="dashline flex min-h-11 items-center gap-3 py-1"
          ><input
            type="radio"
            class="radio"
            name="fining"
            checked={way === id}
            onchange={() => draft.set('with', id)}
          /><span class="min-w-0 flex-1"
            ><b>{w.name}</b><span class="small block"
              >{w.days[0]} to {w.days[1]} days, {volumeText(leesL(id, litres), unit)} to the lees. {w.costs}{allergens(
                id
              ).length > 0
                ? ` On the label: ${allergens(id).join(', ')}.`
                : ''}</span
            ></span
          ></label
        >
      {/each}
    </fieldset>
  {/if}
  {#if way}
    {#each parts as p (p.id)}
      <p data-testid="fining-dose">
        <b class="number text-[2rem] leading-tight">{gramsText(p.massG)}</b>
        {ADDITIVES[p.id as AdditiveId]}
      </p>
    {/each}
    <p>{FININGS[way].how}</p>
    {#if parts.length > 0}<Text
        {draft}
        at="weighed"
        label="Weighed otherwise, g"
        mode="decimal"
        placeholder={parts[0]!.massG.toFixed(1)}
      />{/if}
  {/if}
  <WhenField value={f.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">{way && parts.length > 0 ? 'It is in' : 'Write it down'}</button>
</form>
