<script lang="ts">
  import {
    campdenTablets,
    doseG,
    DOSES,
    enzymeG,
    spoonText,
    TEASPOON_G,
    yeastG,
    type DoseId
  } from '$core/scale/doses';
  import { gramsText, volumeText } from '$core/units/format';
  import { entryOf } from '$core/must/plan';
  import { household } from '$lib/store/household.svelte';
  import How from '../pop/How.svelte';
  import type { Bench } from './bench.svelte';

  /** The usual powders for this much must, each with its spoon. */
  let { bench }: { bench: Bench } = $props();

  const litres = $derived(bench.estimate?.liquidVolumeL?.likely ?? 0);
  const fruit = $derived(
    bench.solved.plan.ingredients.flatMap((i) =>
      i.kind === 'produce' && i.massKg > 0 ? [{ p: entryOf(i)!, kg: i.massKg }] : []
    )
  );
  const fruitKg = $derived(fruit.reduce((s, f) => s + f.kg, 0));

  const powder = (id: DoseId, massG: number, teaspoonG: number | null) => ({
    name: DOSES[id].name,
    amount: gramsText(massG),
    spoon: teaspoonG ? spoonText(massG, teaspoonG) : '',
    why: DOSES[id].why
  });
  const list = $derived.by(() => {
    const out = [];
    if (bench.wildYeast === 'sulphite') {
      const tablets = campdenTablets(litres);
      out.push({
        name: 'Campden',
        amount: `${tablets}`,
        spoon: tablets === 1 ? 'tablet' : 'tablets',
        why: DOSES.campden.why
      });
    }
    if (fruit.some((f) => f.p.pectin === 'high' || f.p.pectin === 'medium'))
      out.push(powder('pectic-enzyme', enzymeG(litres, fruitKg), TEASPOON_G['pectic-enzyme']));
    out.push(powder('nutrient', doseG('nutrient', litres)[1], TEASPOON_G.nutrient));
    if (!fruit.some((f) => f.p.tannin === 'high' || f.p.tannin === 'medium'))
      out.push(powder('tannin', doseG('tannin', litres)[0], TEASPOON_G.tannin));
    if (bench.wildYeast !== 'wild') out.push(powder('yeast', yeastG(litres), null));
    return out;
  });
</script>

{#if litres > 0}
  <section class="mt-3" aria-label="Powders">
    <p class="head mb-0.5">Powders for {volumeText(litres, household.settings.volume)}</p>
    <p class="text-[0.9375rem] leading-8">
      {#each list as d, i (d.name)}
        <How title={d.name} lines={[d.why, 'The usual dose. Common practice, not a measurement.']}>
          {#snippet trigger()}<span class="border-b border-dashed border-greengage"
              ><span class="font-semibold">{d.name}</span>
              {d.amount}{d.spoon ? (d.name === 'Campden' ? ` ${d.spoon}` : ` (${d.spoon})`) : ''}</span
            >{/snippet}
        </How>{i < list.length - 1 ? ' · ' : ''}
      {/each}
    </p>
  </section>
{/if}
