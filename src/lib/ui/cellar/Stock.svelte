<script lang="ts">
  import type { byYear } from '$core/cellar/stock';
  import { volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';

  /** What there is by the year it was begun, and what it cost. */
  let { years }: { years: ReturnType<typeof byYear> } = $props();

  const hasValue = $derived(years.some((y) => y.value > 0));
  const most = $derived(Math.max(1, ...years.map((y) => y.bottles)));
</script>

<section aria-label="By year">
  <h2 class="inkline pt-1 text-[1.1875rem]">By year</h2>
  <table class="w-full">
    <thead class="sr-only"
      ><tr
        ><th>Year</th><th>Bottles</th><th>Wine</th>{#if hasValue}<th>What it cost</th>{/if}</tr
      ></thead
    >
    <tbody>
      {#each years as y (y.year)}
        <tr class="dashline">
          <th scope="row" class="number py-1.5 pr-3 text-left">{y.year}</th>
          <td class="w-full"
            ><span class="flex items-center gap-2"
              ><span class="block h-3 bg-greengage" style:width="{(60 * y.bottles) / most}%"
              ></span>{y.bottles}</span
            ></td
          >
          <td class="small text-right whitespace-nowrap">{volumeText(y.litres, household.settings.volume)}</td
          >
          {#if hasValue}<td class="pl-3 text-right whitespace-nowrap">{y.value.toFixed(2)}</td>{/if}
        </tr>
      {/each}
    </tbody>
  </table>
  {#if hasValue}<p class="small">
      What went into them cost {years.reduce((n, y) => n + y.value, 0).toFixed(2)}.
    </p>{/if}
</section>
