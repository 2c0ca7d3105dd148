<script lang="ts">
  import { goto } from '$app/navigation';
  import { prepareHours } from '$core/steps/kit';
  import { differences } from '$core/must/recipe';
  import type { Plan } from '$core/plan/plan';
  import { keepRecipe } from '$lib/store/recipes';
  import { keepDraft } from '$lib/store/draft';
  import { household } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';
  import type { Bench } from './bench.svelte';

  /** The plan on paper, or kept as a recipe. */
  let { bench }: { bench: Bench } = $props();
  const parent = $derived(household.recipes.find((r) => r.id === bench.recipeId) ?? null);
  const hours = $derived(prepareHours(bench.solved.plan));
  const ready = $derived(bench.estimate?.liquidVolumeL != null && bench.rows.every((r) => r.error === null));
  const isSame = $derived(parent !== null && differences(parent.plan, bench.solved.plan).length === 0);
  const plan = () => ({ ...($state.snapshot(bench.solved.plan) as Plan), name: bench.name || 'Wine' });

  const keep = () =>
    tell(parent ? `Kept as version ${parent.version + 1}.` : 'Kept as a recipe.', async () => {
      const recipe = await keepRecipe(plan(), bench.name || 'Wine', parent);
      bench.recipeId = recipe.id;
    });
  function sheet() {
    keepDraft('sheet', plan());
    void goto('/plan/sheet');
  }
</script>

{#if hours >= 0.25}<p class="small">
    Preparing the fruit takes about {hours < 1
      ? `${Math.round(hours * 60)} minutes`
      : `${hours.toFixed(1)} hours`}.
  </p>{/if}
<p class="flex flex-wrap gap-x-5 text-[0.9375rem]">
  {#if ready}
    <button class="min-h-11 underline underline-offset-4" onclick={sheet}>Shopping and sheet</button>
    {#if !isSame}<button class="min-h-11 underline underline-offset-4" onclick={keep}
        >{parent ? `Keep as the next version of ${parent.name}` : 'Keep as a recipe'}</button
      >{/if}
  {/if}
  <a class="inline-flex min-h-11 items-center underline underline-offset-4" href="/plan/recipes">Recipes</a>
</p>
