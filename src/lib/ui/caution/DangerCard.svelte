<script lang="ts">
  import { temperatureText } from '$core/units/format';
  import { BOTTLES } from '$core/tables/bottles';
  import type { Danger } from '$core/finish/danger';
  import { letGo } from '$core/commands/cellar';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { dayWord } from '../shelf/when';
  import { tell } from '../nav/said.svelte';

  /** Bottles that could burst: how bad, what to do, and what was found when one was opened. Stays until it is over. */
  let { batch, danger: d }: { batch: Batch; danger: Danger } = $props();

  const name = $derived(batch.state.name);
  const filling = $derived(batch.state.bottled.find((b) => b.eventId === d.bottlingId));
  /** Those who were given one before anybody knew. */
  const given = $derived((filling?.gone ?? []).filter((g) => g.how === 'given' || g.how === 'swapped'));
  const opened = (count: number, found: 'still' | 'fizzy' | 'gushing', text: string) =>
    tell(`${name}: ${text}.`, () => letGo(batch.id, filling!, d, { count, found }));
</script>

<section class="border-l-[6px] border-rosehip bg-tint-rose px-4 py-3 text-ink" aria-label="Danger: {name}">
  <h2 class="text-[1.3125rem]">
    <a class="no-underline" href="/batches/{batch.id}">{name}</a>:
    <span class="number">{d.left}</span>
    {d.left === 1 ? 'bottle that' : 'bottles that'} could burst
  </h2>
  {#if d.found}<p>
      One that was opened {d.found === 'gushing' ? 'gushed' : 'was fizzy, in glass made for still wine'}: the
      others may be so, whatever the sums say.
    </p>
  {:else}<p>
      Up to <b class="number">{d.bar20.toFixed(1)} bar</b> at {temperatureText(20, household.settings.temp)} in
      glass made for {d.ratingBar} ({BOTTLES[d.type].name.toLowerCase()}), filled {dayWord(
        d.at,
        household.now,
        batch.state.zone
      )} with sugar that its yeast may still reach.
    </p>{/if}
  <p class="mt-1">
    <b>Make it safe:</b> keep them cold, in a closed box under a blanket, away from people. Open them outdoors,
    cold, with eye protection and a cloth over the neck, and pour them back into a jar under an airlock; or drink
    them soon. Never shake, never lay them down.
  </p>
  {#if given.length > 0}<p class="mt-1">
      <b>{given.reduce((n, g) => n + g.count, 0)} were given away: tell them.</b>
      {[...new Set(given.map((g) => g.to).filter(Boolean))].join(', ')}
    </p>{/if}
  <div class="mt-2 flex flex-wrap gap-2">
    <button class="btn btn-error" onclick={() => opened(d.left, 'fizzy', 'all opened')}
      >All {d.left} are opened</button
    >
    <button class="btn btn-line" onclick={() => opened(1, 'gushing', 'one opened, it gushed')}
      >Opened one: it gushed</button
    >
    <button class="btn btn-line" onclick={() => opened(1, 'fizzy', 'one opened, it was fizzy')}
      >… fizzy</button
    >
    <button class="btn btn-line" onclick={() => opened(1, 'still', 'one opened, it was still')}
      >… still</button
    >
  </div>
  <p class="small mt-1">
    Two found still a fortnight apart, two months after filling, show that the rest is safe.
  </p>
</section>
