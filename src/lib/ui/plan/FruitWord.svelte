<script lang="ts">
  import { significant } from '$core/units/format';
  import { bodyUnit, inKgL } from '$core/units/say';
  import { parseNumber } from '$core/units/parse';
  import { household } from '$lib/store/household.svelte';
  import Choices from '../pop/Choices.svelte';
  import Word from '../pop/Word.svelte';
  import { own } from '../words/own-units';
  import { mainName } from '$core/plan/main-produce';
  import type { Bench } from './bench.svelte';

  /** How much fruit there is to a litre: what gives the wine its body. */
  let { bench }: { bench: Bench } = $props();

  const fruit = $derived(bench.plan.ingredients.filter((i) => i.kind === 'produce' || i.kind === 'juice'));
  const isOfHoney = $derived(mainName(bench.plan.ingredients) === 'Honey wine');
  const isAll = $derived(fruit.every((i) => i.held !== false));
  const words = $derived(
    fruit.length === 0 || isOfHoney
      ? 'what I have'
      : fruit.length === 1
        ? `${isAll ? 'all my' : 'some'} ${mainName(fruit).toLowerCase()}`
        : isAll
          ? 'all my fruit'
          : 'my fruit'
  );
  const kgL = $derived(bench.target.fruitKgL ?? null);
  const now = $derived(bench.estimate?.fruitPerL?.likely ?? null);
  const unit = $derived(bodyUnit(household.settings));
  const shown = (x: number) => own(inKgL(x, 2));
  const BODY = [
    { id: '0.25', name: 'light', note: 'Light in body, quick to drink.' },
    { id: '0.36', name: 'common', note: 'As most recipes have it.' },
    { id: '0.55', name: 'full', note: 'More body, longer to wait.' }
  ];
  const text = $derived(kgL ? `${words}, ${shown(kgL)},` : words);
</script>

{#if fruit.some((i) => i.kind === 'produce')}
  <Word title="Fruit" {text} held={kgL !== null}>
    {#snippet children(close: () => void)}
      {#if now}<p class="small mb-1">{shown(now)} as it stands.</p>{/if}
      <Choices
        title="How much fruit"
        options={[
          ...BODY.map((b) => ({
            ...b,
            name: `${b.name}, ${shown(Number(b.id))}`
          })),
          { id: 'free', name: 'as it comes', note: 'By what there is, and how much wine you ask for.' }
        ]}
        value={kgL ? String(kgL) : 'free'}
        onchoose={(id) => {
          bench.setGoals({ fruitKgL: id === 'free' ? null : Number(id) });
          close();
        }}
      />
      <label class="mt-2 grid gap-1 font-semibold"
        >Or so much, {unit.label}
        <input
          class="field"
          inputmode="decimal"
          autocomplete="off"
          value={kgL ? significant(kgL * unit.perKgL, 3) : ''}
          onchange={(e) => {
            const n = parseNumber(e.currentTarget.value);
            if (n && n > 0) bench.setGoals({ fruitKgL: Math.min(5, n / unit.perKgL) });
          }}
        />
      </label>
    {/snippet}
  </Word>
{:else}<span class="font-semibold">{words}</span>{/if}
