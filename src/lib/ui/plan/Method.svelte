<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { boilOffL } from '$core/plan/extraction';
  import { effectOf } from '$core/steps/effect';
  import { methodsFor, methodOf } from '$core/plan/methods';
  import { optionsOf, SCHOOLS, type SchoolId } from '$core/tables/schools';
  import { usesEnzyme } from '$core/plan/chosen';
  import { nutrientOf } from '$core/must/powders';
  import { parseNumber } from '$core/units/parse';
  import { volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { keep, takeOff } from '$lib/store/things';
  import { newId } from '$lib/store/here';
  import { tell } from '../nav/said.svelte';
  import Choices from '../pop/Choices.svelte';
  import Word from '../pop/Word.svelte';
  import type { Bench } from './bench.svelte';

  /** The choices of school, said in a sentence; each tells what it would change in this plan. */
  let { bench, fillL }: { bench: Bench; fillL: number } = $props();

  const ENZYME = [
    { id: 'yes', name: 'pectic enzyme', note: 'Frees juice and colour, and keeps the wine from haze.' },
    { id: 'no', name: 'no enzyme', note: 'Slower to give; a pectin haze may stay.' }
  ];
  const enzyme = $derived(usesEnzyme(bench.solved.plan) ? 'yes' : 'no');
  const simmerMin = $derived(
    bench.solved.plan.ingredients.reduce(
      (sum, i) => sum + (i.kind === 'produce' && i.heat === 'simmered' ? (i.simmerMin ?? 20) : 0),
      0
    )
  );
  const unit = $derived(household.settings.volume);
  const hasMust = $derived(bench.estimate?.liquidVolumeL != null);
  const options = (school: SchoolId) =>
    optionsOf(school).map(([id, o]) => {
      const effect = hasMust && bench.choice(school) !== id ? effectOf(bench.solved.plan, school, id) : [];
      return {
        id,
        name: o.name,
        note: own(effect.length > 0 ? `${o.why} Here: ${effect.slice(0, 5).join(', ')}.` : o.why)
      };
    });
  const methods = $derived(methodsFor(bench.plan, household.methods));
  const rest: SchoolId[] = [
    'wash',
    'cover',
    'stirring',
    'air',
    'powders',
    'tannin',
    'clearing',
    'topUp',
    'alcohol'
  ];
  const feeding = $derived(bench.estimate ? nutrientOf(bench.solved.plan, bench.estimate.likely.all) : null);
  let name = $state('');
</script>

{#snippet word(school: SchoolId, after = '')}
  <span class="whitespace-nowrap"
    ><Word
      title={SCHOOLS[school].title}
      inText
      text={optionsOf(school).find(([id]) => id === bench.choice(school))![1].name}
    >
      {#snippet children(close: () => void)}
        <Choices
          title={SCHOOLS[school].title}
          options={options(school)}
          value={bench.choice(school)}
          onchoose={(id) => {
            bench.choose(school, id);
            close();
          }}
        />
      {/snippet}
    </Word>{after}</span
  >
{/snippet}

<p class="mt-1.5 text-base leading-[1.625rem] max-sm:leading-8">
  Against wild yeast {@render word('wildYeast', ',')}
  <Word title="Enzyme" inText text={ENZYME.find((o) => o.id === enzyme)!.name}>
    {#snippet children(close: () => void)}
      <Choices
        title="Enzyme"
        options={ENZYME}
        value={enzyme}
        onchoose={(id) => {
          bench.choose('enzyme', id === 'yes');
          close();
        }}
      />
    {/snippet}
  </Word>, yeast {@render word('pitch', ',')}
  {@render word('nutrient', ',')} sugar {@render word('sugar', ',')} fruit
  {@render word('fruitIn', ',')}
  {@render word('fruitFor', ',')}
  {@render word('press', '.')}
  <Word title="A method" inText held={false} text="Other ways">
    {#snippet children(close: () => void)}
      <p class="head">A whole method</p>
      <Choices
        title="Methods"
        options={methods.map((m) => ({ id: m.id, name: m.name, note: own(m.why) }))}
        value=""
        onchoose={(id) => {
          const m = methods.find((x) => x.id === id)!;
          bench.useMethod(m);
          close();
        }}
      />
      <p class="head mt-3">The rest of it</p>
      <ul class="grid">
        {#each rest as school (school)}
          <li class="dashline flex min-h-11 items-center justify-between gap-3">
            <span class="text-quiet">{SCHOOLS[school].title}</span>{@render word(school)}
          </li>
        {/each}
      </ul>
      <label class="mt-2 flex min-h-11 items-center justify-between gap-3"
        ><span class="text-quiet">Nitrogen for the yeast, at least, mg/L</span>
        <input
          class="field w-24"
          inputmode="decimal"
          autocomplete="off"
          placeholder={feeding ? feeding.needMgL.toFixed(0) : ''}
          value={bench.target.yanMgL ?? ''}
          onchange={(e) => {
            const n = parseNumber(e.currentTarget.value);
            bench.setGoals({ yanMgL: n !== null && n > 0 && n <= 1000 ? n : null });
          }}
        /></label
      >
      <form
        class="mt-3 flex items-end gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          const said = name.trim();
          if (!said) return;
          void tell(`Method “${said}” kept.`, () =>
            keep('methods', {
              id: newId(),
              name: said,
              why: 'Your own.',
              families: [],
              method: $state.snapshot(methodOf(bench.plan))
            })
          );
          name = '';
        }}
      >
        <label class="min-w-0 flex-1"
          ><span class="head">Keep these choices as</span><input
            class="field"
            maxlength="60"
            autocomplete="off"
            bind:value={name}
          /></label
        >
        <button class="btn btn-line">Keep</button>
      </form>
      {#if household.methods.length > 0}
        <ul class="mt-1">
          {#each household.methods as m (m.id)}
            <li class="flex items-center justify-between">
              {m.name}<button
                class="min-h-11 underline underline-offset-4"
                onclick={() => tell(`Method “${m.name}” taken off.`, () => takeOff('methods', m.id))}
                >take off</button
              >
            </li>
          {/each}
        </ul>
      {/if}
    {/snippet}
  </Word>
</p>
{#if simmerMin > 0}
  <p class="small" data-testid="boil-off">
    Simmering {simmerMin} min loses about {volumeText(boilOffL(simmerMin)[1], unit)} uncovered, {volumeText(
      boilOffL(simmerMin, true)[1],
      unit
    )} under a lid: make up with water to the {volumeText(fillL, unit)} mark.
  </p>
{/if}
