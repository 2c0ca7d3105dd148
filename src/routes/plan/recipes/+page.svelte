<script lang="ts">
  import { newest, versionsOf } from '$core/must/recipe';
  import { evaluate } from '$core/must/evaluate';
  import { volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';

  const list = $derived(newest(household.recipes));
  const said = (plan: Parameters<typeof evaluate>[0]) => {
    const f = evaluate(plan).likely;
    return `${volumeText(f.intoGlassL, household.settings.volume)}, ${f.finalAbv.toFixed(1)} %, ${f.taGL.toFixed(1)} g/L of acid`;
  };
</script>

<svelte:head><title>Recipes · Vecino</title></svelte:head>

<p class="pt-2">
  <a class="small inline-flex min-h-11 items-center underline underline-offset-4" href="/plan">To the plan</a>
</p>
<h1 class="sentence pb-2 font-normal">
  {#if list.length === 0}<b>No recipe kept yet.</b> Keep a plan you like, or what a batch really was: both are offered
    where they stand.
  {:else}<b>{list.length} {list.length === 1 ? 'recipe' : 'recipes'}.</b> A version is never changed, only followed
    by the next.{/if}
</h1>
<ul class="inkline max-w-4xl">
  {#each list as r (r.id)}
    {@const count = versionsOf(household.recipes, r.family).length}
    <li class="dashline">
      <a
        href="/plan/recipes/{r.id}"
        class="grid min-h-14 grid-cols-[minmax(0,1fr)_auto] items-center gap-4 py-2 no-underline"
      >
        <span class="min-w-0"
          ><span class="number text-[1.375rem]">{r.name}</span><span class="small block">{said(r.plan)}</span
          ></span
        >
        <span class="small">{count === 1 ? 'one version' : `version ${r.version}`}</span>
      </a>
    </li>
  {/each}
</ul>
