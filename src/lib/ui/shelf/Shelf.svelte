<script lang="ts">
  import { mustColour } from '$core/plan/colour';
  import { liquid } from '$core/liquid/stock';
  import { household, runningBatches, vesselById, type Batch } from '$lib/store/household.svelte';
  import VesselMini from '../vessel/VesselMini.svelte';
  import { zoneHere } from '$lib/store/here';
  import { dayWord, lateWord } from './when';

  /** On a low screen it would be in the way: it is folded until it is asked for. */
  const LOW = 700;
  let low = $state(typeof innerHeight === 'number' && innerHeight < LOW);
  let asked = $state<boolean | null>(null);
  const folded = $derived(!(asked ?? !low));
  const standing = $derived(
    runningBatches().flatMap((b) =>
      b.state.fills.flatMap((f) => {
        const vessel = vesselById(f.vesselId);
        return vessel
          ? [{ key: b.id + f.vesselId, batch: b, vessel, volumeL: liquid(f.stock)?.volumeL ?? 0 }]
          : [];
      })
    )
  );

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
      ? `last file made ${dayWord(household.exportedAt, household.now, zoneHere())}`
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
    <ul class="mx-auto flex max-w-[1400px] items-end gap-x-1 overflow-x-auto px-2 sm:px-5" tabindex="-1">
      {#each standing as s (s.key)}
        <li class="shrink-0">
          <a
            href="/batches/{s.batch.id}"
            class="flex w-[88px] flex-col items-center no-underline sm:w-[104px]"
            aria-label="{s.batch.state.name}, {s.vessel.name}{tagOf(s.batch)
              ? `: ${tagOf(s.batch)!.text}`
              : ''}"
          >
            <span class="flex h-[54px] items-end"
              ><VesselMini
                vessel={s.vessel}
                volumeL={s.volumeL}
                colour={mustColour(s.batch.state.plan.ingredients).must}
                size={50}
              /></span
            >
            <span class="board"></span>
            <span class="w-full truncate pt-1 text-center text-[0.8125rem] font-semibold"
              >{s.batch.state.name}</span
            >
            {#if tagOf(s.batch)}
              <span
                class="mb-1 max-w-full truncate px-0.5 text-[0.75rem] tracking-tight {tagOf(s.batch)!.now
                  ? 'bg-primary text-primary-content'
                  : 'text-quiet'}">{tagOf(s.batch)!.text}</span
              >
            {:else}<span class="mb-1 text-[0.75rem] text-quiet">resting</span>{/if}
          </a>
        </li>
      {/each}
      <li class="ml-auto hidden shrink-0 self-end pb-1 text-right text-[0.8125rem] text-quiet lg:block">
        {standing.length} on the shelf<br />{backedUp}
      </li>
    </ul>
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
  .board {
    display: block;
    height: 7px;
  }
</style>
