<script lang="ts">
  import { liquid } from '$core/liquid/stock';
  import { mustColour } from '$core/plan/colour';
  import { vesselById } from '$lib/store/household.svelte';
  import VesselMini from '../vessel/VesselMini.svelte';
  import type { Line } from './preview';

  /** What a line means, of whom, as the history will say it. */
  let { lines }: { lines: readonly Line[] } = $props();
</script>

<ul>
  {#each lines as l, i (i)}
    {@const fill = l.wine?.state.fills[0]}
    {@const vessel = fill && vesselById(fill.vesselId)}
    <li class="dashline flex items-center gap-3 py-1.5 text-[1.125rem]" data-testid="means">
      {#if vessel && l.wine}<span class="shrink-0"
          ><VesselMini
            {vessel}
            volumeL={liquid(fill.stock)?.volumeL ?? 0}
            colour={mustColour(l.wine.state.plan.ingredients).must}
            size={34}
          /></span
        >{/if}
      <p class="min-w-0">
        {#if l.who}<b class="font-display">{l.who}</b>{/if}
        {l.what}
        {#if l.note}<span class="small block">{l.note}</span>{/if}
      </p>
    </li>
  {/each}
</ul>
