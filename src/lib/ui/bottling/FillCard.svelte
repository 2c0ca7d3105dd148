<script lang="ts">
  import type { BottleRow } from '$core/finish/bottling';
  import { BOTTLES } from '$core/tables/bottles';
  import { counted, volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { sizeText } from '$core/tables/bottles';
  import { keyOf } from './day';

  /** One large button a bottle, for a hand that is wet; what is full is counted, and outlives the tab. */
  type Props = {
    rows: BottleRow[];
    filled: Map<string, number>;
    thereL: number;
    onfilled: (kind: string, count: number) => void;
    onstop: (isEmpty: boolean) => void;
  };
  let { rows, filled, thereL, onfilled, onstop }: Props = $props();

  const at = (r: BottleRow) => filled.get(keyOf(r)) ?? 0;
  /** The kind that is being filled: the first that is not all full, or the one that was touched. */
  let touched = $state('');
  const row = $derived(
    rows.find((r) => keyOf(r) === touched) ?? rows.find((r) => at(r) < r.count) ?? rows.at(-1)!
  );
  const total = $derived(rows.reduce((n, r) => n + at(r), 0));
  const wanted = $derived(rows.reduce((n, r) => n + r.count, 0));
  const leftL = $derived(Math.max(0, thereL - rows.reduce((l, r) => l + at(r) * r.sizeL, 0)));
  const isAll = $derived(total >= wanted);
</script>

<p class="text-[1.25rem] leading-snug">{BOTTLES[row.type].fill}</p>
<div class="grid items-start gap-x-8 gap-y-3 sm:grid-cols-[minmax(0,20rem)_minmax(0,1fr)]">
  <button
    class="btn btn-primary grid h-44! w-full place-content-center gap-1"
    onclick={() => {
      onfilled(keyOf(row), at(row) + 1);
      if (at(row) + 1 >= row.count) touched = '';
    }}
  >
    <span class="number text-[4.5rem] leading-none" data-testid="filled">{total}</span>
    <span class="text-[1.25rem]">full: one more of {sizeText(row.sizeL)}</span>
  </button>
  <ul class="grid content-start">
    {#each rows as r (keyOf(r))}
      <li
        class="dashline flex min-h-14 items-center justify-between gap-3 {r === row ? 'font-semibold' : ''}"
      >
        <button class="min-h-11 text-left" aria-pressed={r === row} onclick={() => (touched = keyOf(r))}
          >{sizeText(r.sizeL)} {BOTTLES[r.type].name.toLowerCase()}</button
        >
        <span class="flex items-center gap-2">
          <span class="number text-[1.25rem]">{at(r)} of {r.count}</span>
          <button
            class="btn btn-plain"
            aria-label="One of {sizeText(r.sizeL)} taken back"
            disabled={at(r) === 0}
            onclick={() => onfilled(keyOf(r), at(r) - 1)}>−1</button
          >
          {#if at(r) < r.count}<button class="btn btn-plain" onclick={() => onfilled(keyOf(r), r.count)}
              >all {r.count}</button
            >{/if}
        </span>
      </li>
    {/each}
  </ul>
</div>
<p class="text-[1.125rem]">
  {volumeText(leftL, household.settings.volume)} still in it by the figures{isAll
    ? ': a taster, and what the siphon leaves'
    : ''}.
</p>
<p class="flex flex-wrap gap-3">
  <button
    class="btn {isAll ? 'btn-primary' : 'btn-line'} min-h-16! px-8! text-[1.25rem]!"
    disabled={total === 0}
    onclick={() => onstop(true)}>The jar is empty</button
  >
  <button
    class="btn btn-line min-h-16! px-6! text-[1.25rem]!"
    disabled={total === 0}
    onclick={() => onstop(false)}>{counted(total, 'bottle')} tonight, the rest stays</button
  >
</p>
