<script lang="ts">
  import { ELEMENTS, TASTING } from '$core/tables/tasting';
  import Chip from './Chip.svelte';

  /** The four things one looks for, with words one taps. */
  let { picked, ontap }: { picked: ReadonlySet<string>; ontap: (id: string) => void } = $props();
</script>

<div class="grid gap-2 sm:grid-cols-[auto_minmax(0,1fr)] sm:gap-x-4">
  {#each ELEMENTS as e (e)}
    <span class="head pt-3 max-sm:pt-1" id="taste-{e}">{TASTING[e].name}</span>
    <div class="flex flex-wrap gap-1.5" role="group" aria-labelledby="taste-{e}">
      {#each TASTING[e].words as w (w.id)}
        <Chip isOn={picked.has(w.id)} ontap={() => ontap(w.id)}>{w.name}</Chip>
      {/each}
    </div>
  {/each}
</div>
