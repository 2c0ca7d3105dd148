<script lang="ts">
  import { boilOffL } from '$core/produce/extraction';
  import { NUTRIENT, PRESSING, WILD_YEAST } from '$core/method/steps';
  import { usesEnzyme } from '$core/must/plan';
  import { volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import Choices from '../pop/Choices.svelte';
  import Word from '../pop/Word.svelte';
  import type { Bench } from './bench.svelte';

  /** The choices of school, said in a sentence. */
  let { bench, fillL }: { bench: Bench; fillL: number } = $props();

  const options = (table: Record<string, { name: string; why: string }>) =>
    Object.entries(table).map(([id, o]) => ({ id, name: o.name, note: o.why }));
  const ENZYME = {
    yes: { name: 'pectic enzyme', why: 'Frees juice and colour, and keeps the wine from haze.' },
    no: { name: 'no enzyme', why: 'Slower to give; a pectin haze may stay.' }
  };
  const enzyme = $derived(usesEnzyme(bench.solved.plan) ? 'yes' : 'no');
  const simmerMin = $derived(
    bench.solved.plan.ingredients.reduce(
      (sum, i) => sum + (i.kind === 'produce' && i.heat === 'simmered' ? (i.simmerMin ?? 20) : 0),
      0
    )
  );
  const unit = $derived(household.settings.volume);
</script>

{#snippet word(
  title: string,
  table: Record<string, { name: string; why: string }>,
  value: string,
  set: (id: string) => void
)}
  <Word {title} inText text={table[value]!.name}>
    {#snippet children(close: () => void)}
      <Choices
        {title}
        options={options(table)}
        {value}
        onchoose={(id) => {
          set(id);
          close();
        }}
      />
    {/snippet}
  </Word>
{/snippet}

<p class="mt-2 text-[1.0625rem] leading-7 max-sm:leading-8">
  Against wild yeast {@render word(
    'Against wild yeast',
    WILD_YEAST,
    bench.wildYeast,
    (id) => (bench.wildYeast = id as keyof typeof WILD_YEAST)
  )}, {@render word('Enzyme', ENZYME, enzyme, (id) => (bench.enzyme = id === 'yes'))}, {@render word(
    'Nutrient',
    NUTRIENT,
    bench.nutrient,
    (id) => (bench.nutrient = id as keyof typeof NUTRIENT)
  )}, fruit {@render word(
    'Fruit out',
    PRESSING,
    bench.press,
    (id) => (bench.press = id as keyof typeof PRESSING)
  )}.
</p>
{#if simmerMin > 0}
  <p class="small" data-testid="boil-off">
    Simmering {simmerMin} min loses about {volumeText(boilOffL(simmerMin)[1], unit)} uncovered, {volumeText(
      boilOffL(simmerMin, true)[1],
      unit
    )} under a lid: make up with water to the {volumeText(fillL, unit)} mark.
  </p>
{/if}
