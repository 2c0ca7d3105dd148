<script lang="ts">
  import { liveQuery } from 'dexie';
  import { keepingOf, leftKg, lotEntry } from '$core/plan/harvest';
  import { allProduce, household } from '$lib/store/household.svelte';
  import { lotsUsed } from '$lib/store/stock';
  import CouldBe from '$lib/ui/harvest/CouldBe.svelte';
  import LotRow from '$lib/ui/harvest/LotRow.svelte';
  import Seasons from '$lib/ui/harvest/Seasons.svelte';
  import WeighIn from '$lib/ui/harvest/WeighIn.svelte';
  import type { Stored } from '$lib/ui/harvest/stored';

  type Used = Awaited<ReturnType<typeof lotsUsed>>;
  let used = $state.raw<Used>(new Map());
  $effect(() => {
    const query = liveQuery(lotsUsed).subscribe({ next: (u) => (used = u), error: (e) => console.error(e) });
    return () => query.unsubscribe();
  });

  const stored = $derived<Stored[]>(
    household.harvest
      .map((lot) => ({
        lot,
        produce: lotEntry(lot),
        leftKg: leftKg(lot, used.get(lot.id)?.kg ?? 0),
        keeping: keepingOf(lot, household.now),
        batches: used.get(lot.id)?.batches ?? []
      }))
      .sort((a, b) => a.keeping.until - b.keeping.until)
  );
  const inHand = $derived(stored.filter((s) => s.leftKg > 0.005));
  const gone = $derived(stored.filter((s) => s.leftKg <= 0.005));
  const kg = $derived(inHand.reduce((sum, s) => sum + s.leftKg, 0));
  const urgent = $derived(inHand.filter((s) => s.keeping.isUrgent));
</script>

<svelte:head><title>Harvest · Vecino</title></svelte:head>

<h1 class="sentence pt-2 pb-2 font-normal">
  {#if inHand.length === 0}<b>Nothing weighed in.</b> Put down what you picked, and I say what it could be.
  {:else}<b
      >{household.settings.mass === 'lb' ? `${(kg / 0.45359237).toFixed(1)} lb` : `${kg.toFixed(1)} kg`} in hand.</b
    >
    {#if urgent.length > 0}The {urgent[0]!.produce.plural.toLowerCase()} will not wait: {urgent[0]!.keeping
        .text}.{/if}{/if}
</h1>

<div class="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
  <section aria-label="In hand">
    <p class="head mb-1">In hand</p>
    <WeighIn />
    <ul class="inkline mt-2">
      {#each inHand as s (s.lot.id)}<LotRow {s} />{/each}
    </ul>
    {#if gone.length > 0}
      <details class="mt-3">
        <summary class="head min-h-11 cursor-pointer py-3">Used up, {gone.length}</summary>
        <ul class="inkline">
          {#each gone as s (s.lot.id)}<LotRow {s} />{/each}
        </ul>
      </details>
    {/if}
  </section>
  <div class="grid grid-cols-1 content-start gap-6">
    <CouldBe {inHand} />
    <Seasons produce={allProduce()} mine={stored.map((s) => s.produce.id)} />
  </div>
</div>
