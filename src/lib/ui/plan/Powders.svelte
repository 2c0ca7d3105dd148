<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { evaluate } from '$core/must/evaluate';
  import { feedText, isForMust } from '$core/must/powders';
  import { gramsText, volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import How from '../pop/How.svelte';
  import { nameOf } from '$core/plan/name';
  import { amountOf } from '$core/plan/plan';
  import { nutrientLines } from './nutrient-lines';
  import type { Bench } from './bench.svelte';

  /** The usual powders for this much must, each with its spoon. */
  let { bench }: { bench: Bench } = $props();

  const litres = $derived(bench.estimate?.liquidVolumeL?.likely ?? 0);
  const all = $derived(evaluate(bench.solved.plan).powders);
  const list = $derived(all.filter(isForMust));
  const later = $derived(all.filter((p) => !isForMust(p)));
  const afterwards = $derived([
    ...bench.parts.later.map(
      (part) =>
        `${part.ingredients.map((i) => `${gramsText(1000 * amountOf(i))} of ${nameOf(i).toLowerCase()}`).join(' and ')} ${part.when}`
    ),
    ...later.map((d) => `${d.name.toLowerCase()} ${d.amount}`)
  ]);
  const feeding = $derived(bench.estimate ? evaluate(bench.solved.plan).nutrient : null);
  const isStaggered = $derived(bench.choice('nutrient') === 'staggered');
  const lines = $derived(feeding ? nutrientLines(feeding, feedText) : []);
</script>

{#if litres > 0}
  <section class="mt-2" aria-label="Powders">
    <p class="head mb-0.5">Powders for {volumeText(litres, household.settings.volume)}</p>
    <p class="text-[0.9375rem] leading-6">
      {#each list as d, i (d.name)}
        <How title={d.name} lines={[own(d.why), 'The usual dose. Common practice, not a measurement.']}>
          {#snippet trigger()}<span class="border-b border-dashed border-greengage"
              ><span class="font-semibold">{d.name}</span> {d.amount}</span
            >{/snippet}
        </How>{i < list.length - 1 || feeding ? ', ' : ''}
      {/each}
      {#if feeding && feeding.feeds.length > 0}
        <How title="Nutrient, {isStaggered ? 'in four parts' : 'at once'}" {lines}>
          {#snippet trigger()}<span class="border-b border-dashed border-greengage" data-testid="nutrient"
              ><span class="font-semibold">Nutrient</span>
              {gramsText(feeding.mixG)}{feeding.dapG > 0.05
                ? ` and ${gramsText(feeding.dapG)} DAP`
                : ''}{isStaggered ? ' in four parts' : ''}</span
            >{/snippet}
        </How>
      {:else if feeding}
        <How title="Nutrient" {lines}>
          {#snippet trigger()}<span class="border-b border-dashed border-greengage">no nutrient wanted</span
            >{/snippet}
        </How>
      {/if}
    </p>
    {#if afterwards.length > 0}<p class="small">Later: {afterwards.join('; ')}.</p>{/if}
  </section>
{/if}
