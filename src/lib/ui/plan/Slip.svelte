<script lang="ts">
  import AddLine from './AddLine.svelte';
  import SlipRow from './SlipRow.svelte';
  import type { Bench } from './bench.svelte';

  let { bench }: { bench: Bench } = $props();
  const mostSugar = $derived(Math.max(0.01, ...bench.rows.map((_, i) => bench.sugar(i))));
</script>

<section aria-label="What goes in">
  <p class="head mb-1 flex justify-between">
    <span>What goes in</span><span class="max-sm:hidden">as grape sugar</span>
  </p>
  <div class="border-b border-rule bg-slip">
    <ul class="inkline overflow-y-auto lg:max-h-[21.5rem]">
      {#each bench.rows as row, i (row.id)}
        <SlipRow {bench} {row} index={i} {mostSugar} />
      {/each}
    </ul>
    <AddLine {bench} />
  </div>
</section>
