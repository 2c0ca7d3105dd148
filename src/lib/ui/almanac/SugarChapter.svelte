<script lang="ts">
  import { inL } from '$core/units/say';
  import { own } from '$lib/ui/words/own-units';
  import { sweetenerEffect } from '$core/must/reach';
  import { SWEETENERS, type Sweetener, type SweetenerId } from '$core/tables/sweeteners';

  const KINDS: [Sweetener['kind'], string][] = [
    ['sugar', 'Sugars'],
    ['honey', 'Honeys'],
    ['syrup', 'Syrups'],
    ['concentrate', 'Concentrates'],
    ['malt', 'Malt'],
    ['non-fermenting', 'What yeast leaves alone']
  ];
  const all = Object.entries(SWEETENERS) as [SweetenerId, Sweetener][];
</script>

<p class="small mb-2">
  What 100 g does in {own(inL(4.5, 'rule'))}: points of gravity, alcohol once it has fermented, sweetness
  while it has not (table sugar is 1). Grape juice and a bottle of wine go on the slip by their volume.
</p>
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="overflow-x-auto" tabindex="0" role="region" aria-label="Sugars, a table">
  <table class="w-full min-w-[40rem]">
    <thead>
      <tr class="border-b-[1.5px] border-ink text-left text-[0.875rem] text-quiet">
        <th class="py-1 font-semibold">Sugar</th>
        <th class="px-3 text-right font-semibold">Points</th>
        <th class="px-3 text-right font-semibold">Alcohol</th>
        <th class="px-3 text-right font-semibold">Ferments</th>
        <th class="px-3 text-right font-semibold">Sweetness</th>
        <th class="font-semibold">Note</th>
      </tr>
    </thead>
    {#each KINDS as [kind, title] (kind)}
      <tbody>
        <tr><th colspan="6" scope="rowgroup" class="number pt-3 text-left text-[1.0625rem]">{title}</th></tr>
        {#each all.filter(([, s]) => s.kind === kind) as [id, s] (id)}
          {@const e = sweetenerEffect(id, 0.1, 4.5)}
          <tr {id} class="dashline scroll-mt-4 align-baseline target:bg-tint-green">
            <th scope="row" class="py-1 text-left font-semibold">{s.name}</th>
            <td class="number px-3 text-right">{e.points.toFixed(1)}</td>
            <td class="number px-3 text-right">{e.abv > 0.005 ? `${e.abv.toFixed(2)} %` : 'none'}</td>
            <td class="px-3 text-right">{Math.round((100 * s.fermentable) / s.solids)} %</td>
            <td class="px-3 text-right">{s.sweetness}</td>
            <td class="text-[0.9375rem] text-quiet">{own(s.note)}</td>
          </tr>
        {/each}
      </tbody>
    {/each}
  </table>
</div>
