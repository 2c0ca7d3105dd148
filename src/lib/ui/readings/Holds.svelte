<script lang="ts">
  import { counted } from '$core/units/format';
  import type { ReadIn } from '$lib/files/csv-in';
  import { household } from '$lib/store/household.svelte';
  import { dayWord } from '../shelf/when';

  /** What a logger's file holds: how much of it is written down, and what cannot be read. */
  type Props = {
    found: ReadIn;
    zone: string;
    isBusy: boolean;
    onbring: () => void;
    onleave: () => void;
  };
  let { found, zone, isBusy, onbring, onleave }: Props = $props();

  const AHEAD_MS = 300_000;
  const day = (at: number) => dayWord(at, household.now, zone);
</script>

<div class="border-[1.5px] border-ink bg-slip p-4" role="region" aria-label="What the file holds">
  <p class="number text-[1.1875rem]">
    {counted(found.kept.length, 'reading')} of {counted(found.rows, 'row')} to write down
  </p>
  {#if found.kept.length > 0}<p>From {day(found.kept[0]!.at)} to {day(found.kept.at(-1)!.at)}.</p>{/if}
  {#if found.kept.some((s) => s.at > household.now + AHEAD_MS)}<p class="bg-tint-straw px-2 py-1 text-ink">
      Some lie ahead of now, and will be left out: is the zone right, and the day before the month?
    </p>{/if}
  {#if found.badCount > 0}
    <details>
      <summary class="min-h-11 cursor-pointer py-2 text-rosehip"
        >{counted(found.badCount, 'row')} cannot be read and {found.badCount === 1 ? 'is' : 'are'} left out</summary
      >
      <ul>
        {#each found.bad as b (b.line)}<li class="small">row {b.line}: {b.why}</li>{/each}
      </ul>
    </details>
  {/if}
  <p class="small">
    What reads by itself says where the wine is about; that its sugar is gone only a hand reading shows.
  </p>
  <p class="mt-2 flex gap-2">
    <button class="btn btn-primary" disabled={found.kept.length === 0 || isBusy} onclick={onbring}
      >Write them down</button
    >
    <button class="btn btn-line" onclick={onleave}>Leave it</button>
  </p>
</div>
