<script lang="ts">
  import { liquid } from '$core/liquid/stock';
  import { household, runningBatches, vesselById, type Batch } from '$lib/store/household.svelte';
  import OnShelf, { type Standing } from './OnShelf.svelte';
  import { zoneHere } from '$lib/store/here';
  import { dayWord, lateWord } from './when';

  /** On a low screen it would be in the way: it is folded until it is asked for. */
  const LOW = 700;
  let low = $state(typeof innerHeight === 'number' && innerHeight < LOW);
  let asked = $state<boolean | null>(null);
  const folded = $derived(!(asked ?? !low));
  const rank = (id: string) => {
    const n = household.settings.walk.indexOf(id);
    return n < 0 ? Infinity : n;
  };
  /** As one walks past them: as they were put, and those that were not, newest first. */
  const standing = $derived(
    runningBatches()
      .flatMap((b) =>
        b.state.fills.flatMap((f): Standing[] => {
          const vessel = vesselById(f.vesselId);
          return vessel
            ? [{ id: b.id + f.vesselId, batch: b, vessel, volumeL: liquid(f.stock)?.volumeL ?? 0 }]
            : [];
        })
      )
      .sort((a, b) => (rank(a.vessel.id) === rank(b.vessel.id) ? 0 : rank(a.vessel.id) - rank(b.vessel.id)))
  );
  let isOrdering = $state(false);

  const tagOf = (b: Batch) => {
    const next = b.due[0];
    return next
      ? {
          text: `${next.step.short} · ${lateWord(next, household.now, b.state.zone)}`,
          now: next.status !== 'coming'
        }
      : null;
  };
  const backedUp = $derived(
    household.exportedAt
      ? household.unsaved > 0
        ? `${household.unsaved} since the last file, ${dayWord(household.exportedAt, household.now, zoneHere())}`
        : `all in a file, ${dayWord(household.exportedAt, household.now, zoneHere())}`
      : 'no file made yet'
  );
</script>

<svelte:window onresize={() => (low = innerHeight < LOW)} />
{#if standing.length > 0}
  <div class="no-print flex justify-end {low ? '' : 'md:hidden'}">
    <button
      class="min-h-11 border-t border-l border-rule bg-paper px-3 text-[0.8125rem] text-quiet"
      aria-expanded={!folded}
      aria-controls="shelf"
      onclick={() => (asked = folded)}
    >
      {folded ? `show the shelf, ${standing.length}` : 'fold the shelf'}
    </button>
  </div>
  <section
    id="shelf"
    aria-label="The shelf: vessels in use"
    class="no-print {folded ? (low ? 'hidden' : 'max-md:hidden') : ''}"
  >
    {#if isOrdering}
      {#await import('./ShelfOrder.svelte') then { default: ShelfOrder }}<ShelfOrder
          {standing}
          ondone={() => (isOrdering = false)}
        />{/await}
    {:else}
      <ul class="mx-auto flex max-w-[1400px] items-end gap-x-1 overflow-x-auto px-2 sm:px-5" tabindex="-1">
        {#each standing as s (s.id)}
          <li class="shrink-0">
            <a
              href="/batches/{s.batch.id}"
              class="flex w-[88px] flex-col items-center no-underline sm:w-[104px]"
              aria-label="{s.batch.state.name}, {s.vessel.name}{tagOf(s.batch)
                ? `: ${tagOf(s.batch)!.text}`
                : ''}"
            >
              <OnShelf {s} tag={tagOf(s.batch)} />
            </a>
          </li>
        {/each}
        <li class="ml-auto shrink-0 self-end pb-1 pl-3 text-right text-[0.8125rem] text-quiet">
          <span class="max-lg:hidden">{standing.length} on the shelf,</span>
          {#if standing.length > 1}<button
              class="min-h-11 underline underline-offset-4 lg:min-h-0"
              onclick={() => (isOrdering = true)}>put in order</button
            ><br class="max-lg:hidden" />{/if}
          <span class="max-lg:hidden">{backedUp}</span>
        </li>
      </ul>
    {/if}
  </section>
{/if}

<style>
  section {
    background: linear-gradient(
      to bottom,
      var(--color-base-100) 0 54px,
      var(--wood) 54px 61px,
      var(--board) 61px
    );
  }
</style>
