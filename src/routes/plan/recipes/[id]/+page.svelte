<script lang="ts">
  import { liveQuery } from 'dexie';
  import { page } from '$app/state';
  import { db } from '$lib/store/db';
  import { household } from '$lib/store/household.svelte';
  import { isSound } from '$core/report/summary';
  import { eventsOf } from '$lib/store/summaries';
  import { nextTimeNotes } from '$core/ledger/as-made';
  import RecipeView from '$lib/ui/recipe/RecipeView.svelte';

  const recipe = $derived(household.recipes.find((r) => r.id === page.params.id));
  type Made = { id: string; name: string; at: number; notes: { at: string; text: string }[] };
  let made = $state.raw<Made[]>([]);
  $effect(() => {
    const ids = household.recipes.filter((r) => r.family === recipe?.family).map((r) => r.id);
    // What was made by any version of it, and what was said of it.
    const query = liveQuery(async () =>
      Promise.all(
        (await db.summaries.where('recipeId').anyOf(ids).toArray()).filter(isSound).map(async (s) => ({
          id: s.id,
          name: s.state.name,
          at: s.startedAt,
          notes: nextTimeNotes(await eventsOf(s.id))
        }))
      )
    ).subscribe({ next: (m) => (made = m), error: (e) => console.error(e) });
    return () => query.unsubscribe();
  });
</script>

<svelte:head><title>{recipe?.name ?? 'Recipe'} · Vecino</title></svelte:head>

{#if recipe}{#key recipe.id}<RecipeView {recipe} {made} />{/key}
{:else if household.ready}
  <h1 class="sentence pt-4">There is no such recipe here.</h1>
  <p><a class="link" href="/plan/recipes">All recipes</a></p>
{/if}
