<script lang="ts">
  import type { BottlingCheck } from '$core/finish/judge';
  import { sgText, temperatureText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { own } from '../words/own-units';

  /** How far a bottle could be blown up by what is in the wine, and what would clear it. */
  let { check, known = '' }: { check: BottlingCheck; known?: string } = $props();
  const stopped = $derived(check.verdict.level === 'stop');
</script>

<div
  role={stopped ? 'alert' : 'status'}
  data-testid="pressure"
  class="px-3 py-2 {stopped
    ? 'bg-tint-rose'
    : check.verdict.level === 'warn'
      ? 'bg-tint-straw'
      : 'bg-tint-green'}"
>
  <p class="number text-[1.25rem]">
    {check.verdict.bar20.toFixed(1)} bar
    <span class="font-sans text-[0.9375rem] font-normal"
      >at {temperatureText(20, household.settings.temp)}, bottle made for {check.verdict.ratingBar}</span
    >
  </p>
  <p class="text-[0.9375rem]">
    {own(check.reachable.why)}
    {own(check.verdict.text)}
    {known}
    {#if stopped && check.reachable.clearsAtSg !== null}
      Two readings at or under <b class="number">{sgText(check.reachable.clearsAtSg)}</b>, three days apart,
      would clear it.
    {/if}
  </p>
</div>
