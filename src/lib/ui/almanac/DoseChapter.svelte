<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { DOSES, spoonText, type Dose } from '$core/tables/doses';
  import { gramsText, significant, volumeText } from '$core/units/format';
  import { L_PER, toBase } from '$core/units/measure';
  import { household } from '$lib/store/household.svelte';

  const unit = $derived(household.settings.volume);
  const litres = $derived(unit === 'L' ? 4.5 : toBase(1, unit));
  const all = Object.entries(DOSES) as [string, Dose][];
  const show = (d: Dose, i: 0 | 1 | 2) => {
    const g = d.perL[i] * litres;
    return d.teaspoonG ? spoonText(g, d.teaspoonG) : gramsText(g);
  };
  const isGallon = $derived(Math.abs(litres - L_PER['us-gal']) < 0.01);
</script>

<p class="small mb-2">
  For {volumeText(litres, unit)} of must: least, usual, most. Common practice{isGallon
    ? ''
    : ', worked from spoons a US gallon'}; the maker’s label comes first. Ten times the most is stopped as a
  slip.
</p>
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="overflow-x-auto" tabindex="0" role="region" aria-label="Doses, a table">
  <table class="w-full min-w-[38rem]">
    <thead>
      <tr class="border-b-[1.5px] border-ink text-left text-[0.875rem] text-quiet">
        <th class="py-1 font-semibold">Dose</th><th class="px-3 font-semibold">Least</th><th
          class="px-3 font-semibold">Usual</th
        ><th class="px-3 font-semibold">Most</th><th class="px-3 text-right font-semibold">Usual, g/L</th><th
          class="font-semibold">Why</th
        >
      </tr>
    </thead>
    <tbody>
      {#each all as [id, d] (id)}
        <tr {id} class="dashline scroll-mt-4 align-baseline target:bg-tint-green">
          <th scope="row" class="py-1.5 text-left font-semibold">{d.name}</th>
          <td class="px-3 whitespace-nowrap">{show(d, 0)}</td>
          <td class="font-semibold px-3 whitespace-nowrap">{show(d, 1)}</td>
          <td class="px-3 whitespace-nowrap">{show(d, 2)}</td>
          <td class="px-3 text-right whitespace-nowrap">{significant(d.perL[1], 2)}</td>
          <td class="text-[0.9375rem] text-quiet">{own(d.why)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
