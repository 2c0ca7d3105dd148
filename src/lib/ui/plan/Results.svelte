<script lang="ts">
  import { toleranceOf } from '$core/plan/chosen';
  import { own } from '$lib/ui/words/own-units';
  import { afterSweetening, sweetenedWith } from '$core/solve/goals';
  import { rangeText, volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { acidG } from '$core/must/adjust';
  import AcidAdvice from './AcidAdvice.svelte';
  import Pop from '../pop/Pop.svelte';
  import How from '../pop/How.svelte';
  import { howOf } from './how';
  import type { Bench } from './bench.svelte';

  let { bench }: { bench: Bench } = $props();

  const e = $derived(bench.estimate);
  const start = $derived(bench.start ?? e);
  const how = $derived(e ? howOf(e, bench.solved.plan) : null);
  const sg = (n: number) => n.toFixed(3);
  const one = (n: number) => n.toFixed(1);
  const sweet = $derived(sweetenedWith(bench.plan));
  /** What is left of the strength once the wine is sweetened. */
  const thinned = $derived(1 / afterSweetening(1, sweet));
  const strength = $derived(
    e?.finalAbv && {
      low: e.finalAbv.low * thinned,
      likely: e.finalAbv.likely * thinned,
      high: e.finalAbv.high * thinned
    }
  );
  const stops = $derived(e?.finalAbv && e.potentialAbv && e.finalAbv.likely < e.potentialAbv.likely - 0.05);
</script>

<section aria-label="What it makes" aria-live="off">
  <p class="head mb-1 flex justify-between"><span>What it makes</span><span>likely · 8-in-10 range</span></p>
  {#if e?.potentialAbv && how}
    <div class="flex items-end gap-3">
      <How title="How strong" lines={how.abv} class="number text-[3.25rem] leading-none font-bold">
        {#snippet trigger()}<span data-testid="abv">{one(strength!.likely)}</span><span class="text-[1.5rem]">
            %</span
          >{/snippet}
      </How>
      <p class="small pb-0.5">
        {rangeText(strength!, one)}<br />
        {#if stops}<span class="text-ink"
            >sweet: this yeast stops near {toleranceOf(bench.plan.yeast)[1]} %</span
          >
        {:else if sweet > 0}sweetened to {sweet} g/L, from {one(e.finalAbv!.likely)} %
        {:else}finishes about {sg(e.finalSg!.likely)}{/if}
      </p>
    </div>
    <!-- Its room is kept: what stands under it does not move from under a finger. -->
    <div class="mt-2 min-h-14">
      {#await import('./Ahead.svelte') then { default: Ahead }}<Ahead {bench} />{/await}
    </div>
    <dl class="mt-3 grid grid-cols-2 gap-x-5">
      <div class="inkline pt-1 pb-2">
        <dt class="sr-only">Start gravity</dt>
        <dd>
          <How title="Start gravity" lines={how.sg} class="number text-[1.5rem] leading-tight">
            {#snippet trigger()}{#if start?.sgNoneGiven && e.likely.pulpKg > 0}<span data-testid="sg-none"
                  >{sg(start.sgNoneGiven.likely)}</span
                >
                →&nbsp;{/if}<span data-testid="sg-all"
                >{start?.sgAllGiven ? sg(start.sgAllGiven.likely) : '?'}</span
              >{/snippet}
          </How>
          <span class="small block leading-tight"
            >{start?.sgNoneGiven && e.likely.pulpKg > 0 ? 'until the fruit lets go' : 'start gravity'}, {rangeText(
              (start ?? e).sgAllGiven!,
              sg
            )}{bench.parts.later.length > 0 ? ', before it is fed' : ''}</span
          >
        </dd>
      </div>
      <div class="inkline pt-1 pb-2">
        <dt class="sr-only">Bottles</dt>
        <dd>
          <How title="Bottles" lines={how.bottles} class="number text-[1.5rem] leading-tight">
            {#snippet trigger()}<span data-testid="bottles">{Math.floor(e.bottles!.likely)}</span> bottles{/snippet}
          </How>
          <span class="small block leading-tight"
            >{volumeText(e.intoGlassL!.likely, household.settings.volume)} into glass{#if e.costPerBottle}, {household
                .settings.currency}{e.costPerBottle.likely.toFixed(2)} a bottle{/if}</span
          >
        </dd>
      </div>
      <div class="inkline pt-1 pb-2">
        <dt class="sr-only">Acid</dt>
        <dd>
          <Pop
            title="Titratable acid"
            describe="Bring the acid right"
            class="number text-left text-[1.5rem] leading-tight"
          >
            {#snippet trigger()}<span data-testid="ta">{one(e.taGL!.likely)}</span> g/L{/snippet}
            {#snippet children(close: () => void)}
              <p class="mb-1 font-semibold">Titratable acid</p>
              <AcidAdvice
                must={e!.likely.all}
                ingredients={bench.solved.plan.ingredients}
                hadG={acidG(bench.solved.plan.ingredients)}
                onadd={(item) => {
                  bench.put(item);
                  close();
                }}
              />
              {#each how!.ta as line (line)}<p class="small mt-1">{own(line)}</p>{/each}
            {/snippet}
          </Pop>
          <span class="small block leading-tight">acid as tartaric, {rangeText(e.taGL!, one)}</span>
        </dd>
      </div>
      <div class="inkline pt-1 pb-2">
        <dt class="sr-only">pH</dt>
        <dd>
          {#if e.ph}
            <How title="pH" lines={how.ph} class="number text-[1.5rem] leading-tight">
              {#snippet trigger()}pH <span data-testid="ph">{one(e.ph!.likely)}</span>{/snippet}
            </How>
            <span class="small block leading-tight">{rangeText(e.ph, one)}, before it ferments</span>
          {:else}<span class="number text-[1.5rem] leading-tight">pH ?</span><span class="small block"
              >no acid in it yet</span
            >{/if}
        </dd>
      </div>
    </dl>
  {:else if e}
    <p class="sentence py-4 text-[1.25rem]!">
      {own(
        e.assumptions.find((a) => a.includes('sugar than') || a.includes('No liquid')) ??
          'Add water or juice.'
      )}
    </p>
  {:else}
    <p class="sentence py-4 text-[1.25rem]!">
      Write down the fruit you have. Its weight is enough: sugar and water follow.
    </p>
  {/if}
</section>
