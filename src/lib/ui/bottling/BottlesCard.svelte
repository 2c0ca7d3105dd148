<script lang="ts">
  import type { BottleRow } from '$core/finish/bottling';
  import { BOTTLE_L, BOTTLES, sizeText } from '$core/tables/bottles';
  import { SYRUP_G_ML } from '$core/finish/trial';
  import { spoonText, TEASPOON_G } from '$core/tables/doses';
  import { fizzDays } from '$core/finish/test-bottle';
  import { gramsText, temperatureText, volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import type { Evening } from './evening';
  import { FIZZ, keyOf, otherKinds } from './day';

  /** Which bottles, and how many of each, before one is washed; and how much fizz they are to hold. */
  type Props = {
    day: Pick<Evening, 'rows' | 'leftL' | 'litres' | 'fizz' | 'priming'>;
    onrows: (rows: BottleRow[]) => void;
    onfizz: (bar: number) => void;
  };
  let { day, onrows, onfizz }: Props = $props();
  const { rows, leftL, litres, fizz, priming } = $derived(day);

  const unit = $derived(household.settings.volume);
  /** Sugar for one bottle, of the size there are most of. */
  const each = $derived.by(() => {
    const { sizeL } = rows.reduce((a, r) => (r.count > a.count ? r : a), { sizeL: BOTTLE_L, count: 0 });
    const perL = priming && 'perBottleG' in priming ? priming.perBottleG / BOTTLE_L : 0;
    return { sizeL, sugarG: perL * sizeL };
  });
  const wait = $derived(fizzDays(household.settings.roomC));
  const more = $derived(otherKinds(rows));
  const set = (i: number, change: Partial<BottleRow>) =>
    onrows(rows.map((r, j) => (j === i ? { ...r, ...change } : r)));
  const step = (i: number, by: number) => set(i, { count: Math.max(0, rows[i]!.count + by), isHeld: true });
</script>

<ul class="grid max-w-3xl">
  {#each rows as r, i (keyOf(r))}
    <li class="dashline flex min-h-16 flex-wrap items-center justify-between gap-x-6 gap-y-1 py-1">
      <span class="text-[1.25rem]">
        <b class="number">{sizeText(r.sizeL)}</b>
        {BOTTLES[r.type].name.toLowerCase()}
      </span>
      <span class="flex items-center gap-2">
        <button
          class="btn btn-line size-12! text-[1.5rem]! leading-none"
          aria-label="One less of {sizeText(r.sizeL)} {BOTTLES[r.type].name}"
          disabled={r.count === 0}
          onclick={() => step(i, -1)}>−</button
        >
        <span class="number w-14 text-center text-[2rem] leading-none" data-testid="bottle-count"
          >{r.count}</span
        >
        <button
          class="btn btn-line size-12! text-[1.5rem]! leading-none"
          aria-label="One more of {sizeText(r.sizeL)} {BOTTLES[r.type].name}"
          onclick={() => step(i, 1)}>+</button
        >
        {#if r.isHeld && rows.length > 1}<button
            class="btn btn-plain"
            onclick={() => set(i, { isHeld: false })}>as many as go</button
          >{/if}
        {#if rows.length > 1}<button
            class="btn btn-plain"
            aria-label="None of {sizeText(r.sizeL)} {BOTTLES[r.type].name}"
            onclick={() => onrows(rows.filter((_, j) => j !== i))}>×</button
          >{/if}
      </span>
    </li>
  {/each}
</ul>
{#if more.length > 0}
  <label class="flex flex-wrap items-center gap-3 text-[1.0625rem] font-semibold"
    >And also
    <select
      class="field max-w-xs"
      value=""
      onchange={(e) => {
        const kind = more.find((k) => keyOf(k) === e.currentTarget.value);
        if (kind) onrows([...rows, { ...kind, count: 0 }]);
        e.currentTarget.value = '';
      }}
    >
      <option value="">choose a kind</option>
      {#each more as k (keyOf(k))}<option value={keyOf(k)}>{sizeText(k.sizeL)}, {BOTTLES[k.type].name}</option
        >{/each}
    </select>
  </label>
{/if}
<p class="text-[1.25rem]" data-testid="bottles-left">
  {#if leftL < -0.005}
    <b class="text-rosehip">{volumeText(-leftL, unit)} too little</b> for so many: {volumeText(litres, unit)} come
    out.
  {:else}
    {volumeText(litres, unit)} come out; <b class="number">{volumeText(Math.max(0, leftL), unit)}</b> is left for
    a taster.
  {/if}
</p>
<div class="flex flex-wrap items-center gap-2" role="group" aria-label="How much fizz">
  {#each FIZZ as f (f.bar)}
    <button
      class="btn min-h-12! {fizz === f.bar ? 'btn-primary' : 'btn-line'}"
      aria-pressed={fizz === f.bar}
      onclick={() => onfizz(f.bar)}>{f.name}</button
    >
  {/each}
</div>
{#if priming && 'error' in priming}<p class="text-rosehip" role="alert">{priming.error}</p>
{:else if priming}
  <p class="text-[1.25rem]" data-testid="priming">
    <b class="number text-[2rem]">{gramsText(priming.sugarG)}</b> of white sugar, dissolved and stirred in
    before you fill; or {gramsText(each.sugarG)} ({spoonText(each.sugarG, TEASPOON_G.sugar)}, or {(
      each.sugarG / SYRUP_G_ML
    ).toFixed(0)} mL of a syrup of 50 g in 100 mL) to each {sizeText(each.sizeL)}. {wait.from} to {wait.to} days
    at {temperatureText(household.settings.roomC, household.settings.temp)}; then cool, and open one outdoors,
    cold. One of plastic among them tells by hand: hard is ready.
  </p>
{/if}
