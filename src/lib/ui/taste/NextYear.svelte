<script lang="ts">
  import { goto } from '$app/navigation';
  import { lessonsOf } from '$core/cellar/lessons';
  import type { Stood, Wishes } from '$core/cellar/wishes';
  import { asMade } from '$core/ledger/as-made';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { recipeOf } from '../recipe/recipe-of';
  import { keepRecipe } from '$lib/store/recipes';
  import { tell } from '../nav/said.svelte';
  import { own } from '../words/own-units';

  /** What a tasting changes in next year's recipe, with its numbers; each can be left out. */
  type Props = {
    batch: OpenBatch;
    wishes: Wishes;
    stood: Stood;
    /** when it was tasted, ms: what was kept since holds it already */
    since?: number;
    isShown?: boolean;
  };
  let { batch, wishes, stood, since = Infinity, isShown = false }: Props = $props();

  const made = $derived(asMade(batch.events, batch.state));
  let left = $state.raw<ReadonlySet<string>>(new Set());
  const lessons = $derived(made.ingredients.length > 0 ? lessonsOf(made, wishes, stood, left) : null);
  const recipe = $derived(recipeOf(batch));
  const kept = $derived(
    household.recipes.find((r) => r.batchId === batch.id && Date.parse(r.madeAt) >= since) ?? null
  );
  const isEmpty = $derived(lessons === null || lessons.changes.every((c) => left.has(c.id)));

  function turn(id: string) {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    left = next;
  }

  const keep = () =>
    tell('Kept as next year’s version.', async () => {
      const next = await keepRecipe(lessons!.plan, recipe?.name ?? batch.state.name, recipe, {
        batchId: batch.id,
        note: own(lessons!.note)
      });
      await goto(`/plan/recipes/${next.id}`);
    });
</script>

{#if kept && !isShown}
  <p class="small">
    What it taught is kept: <a class="link" href="/plan/recipes/{kept.id}"
      >{kept.name}, version {kept.version}</a
    >.
  </p>
{:else if lessons && lessons.changes.length > 0}
  <section aria-label="Next year" class="bg-tint-green px-4 py-3 text-ink">
    <p class="number text-[1.0625rem]">Next year</p>
    <ul>
      {#each lessons.changes as c (c.id)}
        <li class="dashline border-ink/30! py-1 last:border-0">
          {#if isShown}
            <span class="font-semibold">{own(c.text)}</span>
            <span class="block text-[0.875rem]">{c.why}</span>
          {:else}
            <label class="flex min-h-11 items-center gap-3"
              ><input
                type="checkbox"
                class="checkbox checkbox-sm"
                checked={!left.has(c.id)}
                onchange={() => turn(c.id)}
              /><span class={left.has(c.id) ? 'line-through' : ''}
                ><span class="font-semibold">{own(c.text)}</span><span class="block text-[0.875rem]"
                  >{c.why}{c.isNote ? '; goes along as a note' : ''}</span
                ></span
              ></label
            >
          {/if}
        </li>
      {/each}
    </ul>
    {#if !isShown}
      <button class="btn btn-primary mt-2 whitespace-normal!" disabled={isEmpty} onclick={keep}
        >{recipe ? `Keep as the next version of ${recipe.name}` : 'Keep as next year’s recipe'}</button
      >
    {/if}
  </section>
{/if}
