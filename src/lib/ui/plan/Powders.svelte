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
  import { nutrientPlan } from '$core/must/nitrogen';
  import { entryOf, usesEnzyme } from '$core/must/plan';
  import { YEASTS } from '$core/must/substances';
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
  const feeding = $derived(
    bench.estimate && bench.nutrient !== 'none'
      ? nutrientPlan(bench.estimate.likely.all, YEASTS[bench.yeastId].appetite, bench.nutrient)
      : null
  );
  const grams = (mixG: number, dapG: number) =>
    [
      mixG > 0.05 ? `${gramsText(mixG)} nutrient mix (${spoonText(mixG, TEASPOON_G.nutrient)})` : '',
      dapG > 0.1 ? `${gramsText(dapG)} diammonium phosphate (${spoonText(dapG, TEASPOON_G.dap)})` : ''
    ]
      .filter(Boolean)
      .join(' and ');
  const nutrientLines = $derived(
    feeding
      ? [
          `The must brings about ${feeding.hasMgL.toFixed(0)} mg/L of nitrogen; this yeast wants ${feeding.needMgL.toFixed(0)} for so much sugar.`,
          ...feeding.feeds.map(
            (f) => `${f.when}${f.sg ? `, at ${f.sg.toFixed(3)}` : ''}: ${grams(f.mixG, f.dapG)}.`
          ),
          feeding.feeds.length > 0
            ? 'None later. Breaks are counted on all the sugar that is planned, fed in steps or not.'
            : 'It brings enough of its own.',
          ...(feeding.missingMgL > 5
            ? [
                `Still ${feeding.missingMgL.toFixed(0)} mg/L short at the most one gives: less sugar, or a yeast of smaller appetite.`
              ]
            : [])
        ]
      : []
  );
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
    if (usesEnzyme(bench.solved.plan))
      out.push(powder('pectic-enzyme', enzymeG(litres, fruitKg), TEASPOON_G['pectic-enzyme']));
    if (!fruit.some((f) => f.p.tannin === 'high' || f.p.tannin === 'medium'))
      out.push(powder('tannin', doseG('tannin', litres)[0], TEASPOON_G.tannin));
    if (bench.wildYeast !== 'wild') out.push(powder('yeast', yeastG(litres), null));
    return out;
  });
</script>

{#if litres > 0}
  <section class="mt-3" aria-label="Powders">
    <p class="head mb-0.5">Powders for {volumeText(litres, household.settings.volume)}</p>
    <p class="text-[0.9375rem] leading-7">
      {#each list as d, i (d.name)}
        <How title={d.name} lines={[d.why, 'The usual dose. Common practice, not a measurement.']}>
          {#snippet trigger()}<span class="border-b border-dashed border-greengage"
              ><span class="font-semibold">{d.name}</span>
              {d.amount}{d.spoon ? (d.name === 'Campden' ? ` ${d.spoon}` : ` (${d.spoon})`) : ''}</span
            >{/snippet}
        </How>{i < list.length - 1 || feeding ? ', ' : ''}
      {/each}
      {#if feeding && feeding.feeds.length > 0}
        <How
          title="Nutrient, {bench.nutrient === 'staggered' ? 'in four parts' : 'at once'}"
          lines={nutrientLines}
        >
          {#snippet trigger()}<span class="border-b border-dashed border-greengage" data-testid="nutrient"
              ><span class="font-semibold">Nutrient</span>
              {gramsText(feeding.mixG)}{feeding.dapG > 0.05
                ? ` and ${gramsText(feeding.dapG)} DAP`
                : ''}{bench.nutrient === 'staggered' ? ' in four parts' : ''}</span
            >{/snippet}
        </How>
      {:else if feeding}
        <How title="Nutrient" lines={nutrientLines}>
          {#snippet trigger()}<span class="border-b border-dashed border-greengage">no nutrient wanted</span
            >{/snippet}
        </How>
      {/if}
    </p>
  </section>
{/if}
