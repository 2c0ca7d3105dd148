<script lang="ts">
  import { household, type Batch } from '$lib/store/household.svelte';
  import { winesToTaste } from '$lib/store/wines';
  import Card from './Card.svelte';

  /** Wines in bottle that are to be tasted: no part of the walk, and nothing is late about them. */
  const MOST = 3;
  const HOUR = 3_600_000;

  let found = $state.raw<{ batches: Batch[]; all: number }>({ batches: [], all: 0 });
  /** What is due is looked for with every write, and each hour. */
  const hour = $derived(Math.floor(household.now / HOUR));
  $effect(() => {
    void [household.counts, hour];
    void winesToTaste(Date.now(), MOST).then((next) => (found = next));
  });
  const stops = $derived(
    found.batches
      .map((batch) => ({
        batch,
        due: batch.due.filter((d) => d.step.id === 'taste' && d.status !== 'coming')
      }))
      .filter((x) => x.due.length > 0)
  );
</script>

{#if stops.length > 0}
  <section aria-label="To taste">
    {#each stops as x (x.batch.id)}<Card batch={x.batch} due={x.due} corker={null} />{/each}
    {#if found.all > MOST}<p class="small">
        {found.all - MOST} more are to be tasted: <a class="link" href="/cellar">the cellar</a>.
      </p>{/if}
  </section>
{/if}
