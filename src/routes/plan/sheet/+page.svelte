<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import type { Plan } from '$core/plan/plan';
  import { planSchema } from '$core/plan/plan-schema';
  import { evaluate } from '$core/must/evaluate';
  import { scalePlan } from '$core/solve/solve';
  import { sheetOf } from '$core/steps/sheet';
  import { readDraft } from '$lib/store/draft';
  import { db } from '$lib/store/db';
  import { household, vesselName } from '$lib/store/household.svelte';

  /** One page to print: of a recipe, or of what is on the bench. */
  let plan = $state.raw<Plan | null>(null);
  let looked = $state(false);
  let paper = $state<'A4' | 'Letter'>('A4');
  let title = $state('');

  onMount(async () => {
    paper = household.settings.system === 'us' ? 'Letter' : 'A4';
    const recipe = await db.recipes.get(page.url.searchParams.get('recipe') ?? '');
    const litres = Number(page.url.searchParams.get('litres'));
    if (recipe) {
      title = `${recipe.name}, version ${recipe.version}`;
      plan =
        litres > 0 ? scalePlan(recipe.plan, litres / evaluate(recipe.plan).likely.intoGlassL) : recipe.plan;
    } else {
      const kept = planSchema.safeParse(await readDraft('sheet'));
      if (kept.success) {
        plan = kept.data;
        title = kept.data.name ?? '';
      }
    }
    looked = true;
  });
  const vessel = $derived(vesselName(plan?.vesselId ?? '', 'bucket'));
  const sheet = $derived(plan ? sheetOf(plan, vessel, household.settings) : null);
</script>

<svelte:head><title>{title ? `${title}, sheet` : 'Sheet'} · Vecino</title></svelte:head>

{#if sheet}
  <div class="no-print flex flex-wrap items-center gap-3 pt-2 pb-4">
    <a class="small inline-flex min-h-11 items-center underline underline-offset-4" href="/plan"
      >To the plan</a
    >
    <label class="ml-auto flex items-center gap-2"
      >Paper <select class="field w-auto" bind:value={paper}
        ><option>A4</option><option>Letter</option></select
      ></label
    >
    <button class="btn btn-primary" onclick={() => window.print()}>Print</button>
  </div>
  <article class="sheet {paper}" aria-label="Brew sheet">
    <header class="flex items-baseline justify-between border-b-2 border-ink pb-1">
      <h1 class="text-[1.75rem]">{title || sheet.name}</h1>
      <p class="small">begun ____________ by ____________</p>
    </header>
    <p class="mt-1">{sheet.makes.join(' · ')}</p>
    <div class="mt-3 grid grid-cols-2 gap-x-6">
      <section>
        <h2 class="head font-sans!">Goes in</h2>
        <ul>
          {#each sheet.ingredients as i, n (n)}<li class="line">
              <span class="box"></span><span class="grow"
                ><b>{i.name}</b>{#if i.note}<span class="text-quiet">, {i.note}</span>{/if}</span
              ><span class="number">{i.amount}</span><span class="blank"></span>
            </li>{/each}
          {#each sheet.powders as p, n (n)}<li class="line">
              <span class="box"></span><span class="grow"><b>{p.name}</b></span><span
                class="number text-right">{p.amount}</span
              >
            </li>{/each}
        </ul>
        <h2 class="head mt-3 font-sans!">To sanitise</h2>
        <p>
          {#each sheet.kit as k (k)}<span class="mr-3 whitespace-nowrap"><span class="box"></span> {k}</span>
          {/each}
        </p>
        <h2 class="head mt-3 font-sans!">To buy or look out</h2>
        <p>
          {#each sheet.shopping as s (s.name)}<span class="mr-3 inline-block"
              ><span class="box"></span> {s.name}, {s.amount}</span
            >
          {/each}
        </p>
      </section>
      <section>
        <h2 class="head font-sans!">Steps</h2>
        <ol>
          {#each sheet.steps as s (s.title)}<li class="line">
              <span class="box"></span><span class="grow"><b>{s.title}</b>, {s.when}. {s.how}</span>
            </li>{/each}
        </ol>
        <h2 class="head mt-3 font-sans!">Readings</h2>
        <table class="w-full">
          <thead
            ><tr class="text-left"><th>date</th><th>gravity</th><th>temp.</th><th>seen, smelled, done</th></tr
            ></thead
          >
          <tbody
            >{#each Array.from({ length: 12 }, (_, i) => i) as n (n)}<tr
                ><td></td><td></td><td></td><td></td></tr
              >{/each}</tbody
          >
        </table>
      </section>
    </div>
    <p class="mt-2 text-[0.75rem] text-quiet">
      Estimates from typical produce: read the must before the yeast. Never bottle under a tight stopper what
      may still ferment. For adults, within local law.
    </p>
  </article>
{:else if looked}
  <h1 class="sentence pt-4">There is nothing to print yet.</h1>
  <p><a class="link" href="/plan">Plan a wine</a></p>
{/if}

<style>
  .sheet {
    width: 100%;
    max-width: 190mm;
    font-size: 0.875rem;
    line-height: 1.3;
  }
  .line {
    display: flex;
    gap: 0.4rem;
    align-items: baseline;
    border-bottom: 1px dashed var(--color-rule, #b9a88f);
    padding: 2px 0;
  }
  .grow {
    flex: 1 0 5.5rem;
  }
  .line .number {
    flex: 0 1 auto;
  }
  .box {
    display: inline-block;
    width: 0.7rem;
    height: 0.7rem;
    border: 1.2px solid currentColor;
    flex: none;
  }
  .blank {
    width: 3.2rem;
    border-bottom: 1px solid currentColor;
    flex: none;
  }
  td {
    height: 1.35rem;
    border-bottom: 1px solid currentColor;
    border-right: 1px dashed currentColor;
  }
  td:last-child {
    border-right: 0;
    width: 50%;
  }
  @page {
    size: A4;
    margin: 12mm;
  }
  @page letter {
    size: letter;
    margin: 12mm;
  }
  @media print {
    .sheet {
      max-width: none;
      font-size: 9.5pt;
    }
    .sheet.Letter {
      page: letter;
    }
  }
</style>
