<script lang="ts">
  import type { Produce } from '$core/tables/produce';
  import { seasonIn } from '$core/tables/table';
  import { seasons } from '$core/plan/main-produce';
  import { household } from '$lib/store/household.svelte';

  /** What ripens when: what is in season now or next month, and what is in hand, over the year. */
  let { produce, mine }: { produce: readonly Produce[]; mine: string[] } = $props();

  const MONTHS = ['J', 'F', 'M', 'A', 'M', 'J', 'J', 'A', 'S', 'O', 'N', 'D'];
  const month = $derived(new Date(household.now).getMonth() + 1);
  const soon = $derived((month % 12) + 1);
  /** Months until the season that is on, or the next, is over. */
  const monthsLeft = (months: readonly number[]) => {
    let n = 0;
    while (n < 12 && months.includes(((month - 1 + n) % 12) + 1)) n += 1;
    return n === 0 ? 12 : n;
  };
  const rows = $derived(
    produce
      .map((p) => ({ p, months: seasonIn(p, household.settings.hemisphere) }))
      .filter(
        ({ p, months }) =>
          p.family !== 'dried' &&
          months.length < 12 &&
          (mine.includes(p.id) || months.includes(month) || months.includes(soon))
      )
      .sort(
        (a, b) =>
          Number(mine.includes(b.p.id)) - Number(mine.includes(a.p.id)) ||
          Number(b.months.includes(month)) - Number(a.months.includes(month)) ||
          // What makes a wine before what seasons one; what is soonest over before what lasts.
          Number(seasons(a.p)) - Number(seasons(b.p)) ||
          monthsLeft(a.months) - monthsLeft(b.months) ||
          a.p.name.localeCompare(b.p.name)
      )
      .slice(0, 14)
  );
</script>

<section aria-label="Seasons">
  <h2 class="head mb-1 font-sans!">Ripe now and next</h2>
  <table class="inkline w-full table-fixed text-[0.9375rem]">
    <thead>
      <tr>
        <td class="w-[34%]"></td>
        {#each MONTHS as m, i (i)}<th
            class="w-[5.5%] text-center font-normal {i + 1 === month ? 'font-bold! text-ink' : 'text-quiet'}"
            scope="col"
            ><abbr
              class="no-underline"
              title={new Date(2001, i, 1).toLocaleString('en-GB', { month: 'long' })}>{m}</abbr
            ></th
          >{/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as { p, months } (p.id)}
        <tr class="dashline">
          <th scope="row" class="truncate py-1 pr-2 text-left font-normal">
            <a
              class="no-underline {mine.includes(p.id) ? 'font-semibold' : ''}"
              href="/almanac/produce/{p.id}">{p.plural}</a
            >
          </th>
          {#each MONTHS as _, i (i)}
            <td class="px-px {i + 1 === month ? 'bg-tint-straw' : ''}"
              >{#if months.includes(i + 1)}<span
                  class="block h-4 border border-ink"
                  style:background={p.colour.fruit}><span class="sr-only">ripe</span></span
                >{/if}</td
            >
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</section>
