<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { goto } from '$app/navigation';
  import { asMade } from '$core/ledger/as-made';
  import { differences } from '$core/must/recipe';
  import { recipeOf } from './recipe-of';
  import { keepRecipe } from '$lib/store/recipes';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';

  /** What was really done, offered as the next version of what was planned. */
  let { batch }: { batch: OpenBatch } = $props();

  const made = $derived(asMade(batch.events, batch.state));
  const recipe = $derived(recipeOf(batch));
  const changes = $derived(differences(recipe?.plan ?? batch.state.plan, made, household.settings));
  const isKept = $derived(household.recipes.some((r) => r.batchId === batch.id));

  const keep = () =>
    tell('Kept.', async () => {
      const next = await keepRecipe(made, recipe?.name ?? batch.state.name, recipe, { batchId: batch.id });
      await goto(`/plan/recipes/${next.id}`);
    });
</script>

{#if made.ingredients.length > 0}
  <details>
    <summary class="head min-h-11 cursor-pointer py-3">As it was made</summary>
    {#if changes.length > 0}
      <p class="small">Against {recipe ? `version ${recipe.version}` : 'the plan'}:</p>
      <ul>
        {#each changes as c (c)}<li class="dashline py-1">{own(c)}</li>{/each}
      </ul>
    {:else}<p class="small">As it was planned.</p>{/if}
    {#if isKept}<p class="small mt-2">Kept as a recipe.</p>
    {:else}<button class="btn btn-line mt-2" onclick={keep}
        >{recipe ? `Keep as the next version of ${recipe.name}` : 'Keep as a recipe'}</button
      >{/if}
  </details>
{/if}
