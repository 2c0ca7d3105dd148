<script lang="ts">
  import type { Produce } from '$core/tables/produce';
  import { usualWine } from '$core/solve/portrait';
  import { inKgL } from '$core/units/say';
  import { own } from '../words/own-units';
  import { quantityText, rangeText, volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import AcidAdvice from '../plan/AcidAdvice.svelte';

  /** The wine that ten litres of it make: light, common, full, or of its juice alone; and how to bring its acid right. */
  let { produce }: { produce: Produce } = $props();

  type Amount = 'light' | 'common' | 'full' | 'juice';
  const AMOUNTS = ['light', 'common', 'full'] as const;
  let amount = $state<Amount>('common');
  const kgL = $derived(
    amount === 'juice' ? null : produce.amountKgL[amount === 'light' ? 0 : amount === 'common' ? 1 : 2]
  );
  const wine = $derived(usualWine(produce, kgL));
  const e = $derived(wine.estimate);
  const options = $derived<[Amount, string][]>([
    ...AMOUNTS.map((id, i): [Amount, string] => [id, `${id}, ${own(inKgL(produce.amountKgL[i]!))}`]),
    ...(produce.forms.includes('juice') ? ([['juice', 'its juice alone']] as [Amount, string][]) : [])
  ]);
  const one = (n: number) => n.toFixed(1);
  const s = $derived(household.settings);
</script>

<section aria-label="What it makes">
  <p class="head mb-1 flex flex-wrap items-center justify-between gap-x-4">
    <span>What it makes: {volumeText(10, s.volume)}</span>
  </p>
  <div class="inkline flex flex-wrap gap-x-5 pt-1" role="radiogroup" aria-label="How much fruit">
    {#each options as [id, name] (id)}
      <label class="flex min-h-11 items-center gap-2 {amount === id ? 'font-semibold' : 'text-quiet'}"
        ><input type="radio" class="radio" name="amount" value={id} bind:group={amount} />{name}</label
      >
    {/each}
  </div>
  {#if e.potentialAbv && e.taGL}
    <dl class="mt-1 grid grid-cols-2 gap-x-6 sm:grid-cols-4">
      <div>
        <dt class="small">strength</dt>
        <dd class="number text-[1.75rem] leading-tight">{one(e.finalAbv!.likely)} %</dd>
      </div>
      <div>
        <dt class="small">acid</dt>
        <dd class="number text-[1.75rem] leading-tight">
          <span data-testid="wine-ta">{one(e.taGL.likely)}</span> g/L
        </dd>
        <dd class="small">{rangeText(e.taGL, one)}</dd>
      </div>
      <div>
        <dt class="small">pH</dt>
        <dd class="number text-[1.75rem] leading-tight">{e.ph ? one(e.ph.likely) : '?'}</dd>
        {#if e.ph}<dd class="small">{rangeText(e.ph, one)}</dd>{/if}
      </div>
      <div>
        <dt class="small">starts at</dt>
        <dd class="number text-[1.75rem] leading-tight">{e.sgAllGiven!.likely.toFixed(3)}</dd>
      </div>
    </dl>
    <p class="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2 text-[0.9375rem]">
      <span
        >{#if kgL === null}Nothing but its juice, as a cider is made.
        {:else}With {quantityText(kgL * 10, s.mass)} of it, {quantityText(wine.sugarKg, s.mass)} of sugar and {volumeText(
            wine.waterL,
            s.volume
          )} of water.{/if}</span
      >
      <a class="btn btn-line" href="/plan?add={produce.id}&kg={((kgL ?? 0.36) * 10).toFixed(2)}"
        >Plan with it</a
      >
    </p>
    <div class="mt-4">
      <p class="head mb-1">Bring its acid right</p>
      {#key amount}<AcidAdvice must={e.likely.all} ingredients={wine.plan.ingredients} />{/key}
    </div>
  {/if}
</section>
