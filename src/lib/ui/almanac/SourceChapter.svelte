<script lang="ts">
  import { SOURCES } from '$core/tables/sources';
  import { FORMULAS } from './formulas';
  import { allProduce } from '$lib/store/household.svelte';

  const uses = (id: string) =>
    allProduce().filter((p) => Object.values(p.from).includes(id as 'usda')).length;
</script>

<div class="grid gap-x-10 gap-y-6 lg:grid-cols-2">
  <section aria-label="Produce table">
    <h2 class="number border-b-[1.5px] border-ink pb-0.5 text-[1.1875rem]">The produce table</h2>
    {#each Object.entries(SOURCES) as [id, s] (id)}
      <p {id} class="dashline flex scroll-mt-4 justify-between gap-4 py-2 target:bg-tint-green">
        <span>{s}.</span><span class="small shrink-0">{uses(id)} entries</span>
      </p>
    {/each}
    <p class="small mt-2">
      Checked by species against the Indian Food Composition Tables 2017; every difference over a quarter has
      a reviewed reason. “From memory” means that the book was not at hand.
    </p>
  </section>
  <section aria-label="Formulas">
    <h2 class="number border-b-[1.5px] border-ink pb-0.5 text-[1.1875rem]">The sums</h2>
    {#each FORMULAS as f (f.what)}
      <p class="dashline py-2"><b>{f.what}</b>: {f.source}</p>
    {/each}
  </section>
</div>
