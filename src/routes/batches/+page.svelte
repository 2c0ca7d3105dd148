<script lang="ts">
  import { bottlesLeft } from '$core/ledger/state';
  import { isOpenVessel } from '$core/vessels/vessels';
  import TakenBack from '$lib/ui/batches/TakenBack.svelte';
  import {
    brokenBatches,
    household,
    runningBatches,
    vesselById,
    type Batch
  } from '$lib/store/household.svelte';
  import { bottledBatches } from '$lib/store/wines';
  import BatchRow from '$lib/ui/batches/BatchRow.svelte';

  const STAGES = [
    ['must', 'Must, before the yeast'],
    ['fermenting', 'Fermenting'],
    ['in glass', 'In glass'],
    ['clearing', 'Clearing'],
    ['bottled', 'Bottled'],
    ['gone', 'Gone']
  ] as const;
  const PAGE = 40;

  let text = $state('');
  let by = $state<'stage' | 'vessel'>('stage');
  let limit = $state(PAGE);
  let picked = $state<string[]>([]);

  /** Bottled wines are read as they are asked for: there may be thousands. */
  let bottled = $state.raw<Batch[]>([]);
  $effect(() => {
    void household.counts;
    const [wanted, many] = [text, limit];
    void bottledBatches(many, wanted).then((found) => {
      if (wanted === text && many === limit) bottled = found;
    });
  });

  /** Once its last bottle is drunk a wine is gone, as one that was poured away. */
  const stageOf = (b: Batch) =>
    b.standing.stage === 'bottled' && bottlesLeft(b.state) === 0 ? 'gone' : b.standing.stage;
  const matches = (b: Batch) => {
    const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
    const name =
      `${b.state.name} ${b.state.fills.map((f) => vesselById(f.vesselId)?.name).join(' ')}`.toLowerCase();
    return words.every((w) => name.includes(w));
  };
  const running = $derived(runningBatches().filter(matches));
  const all = $derived([...running, ...bottled]);
  const groups = $derived.by(() => {
    if (by === 'stage')
      return STAGES.map(([stage, label]) => ({
        label,
        list: all.filter((b) => stageOf(b) === stage)
      })).filter((g) => g.list.length > 0);
    const kinds: [label: string, isOpen: boolean][] = [
      ['Open buckets and barrels', true],
      ['Jars and carboys', false]
    ];
    return kinds
      .map(([label, isOpen]) => ({
        label,
        list: running
          .filter(
            (b) =>
              b.state.fills.length > 0 &&
              isOpenVessel(vesselById(b.state.fills[0]?.vesselId ?? '') ?? { shape: 'bucket' }) === isOpen
          )
          .sort(
            (a, b) =>
              (vesselById(b.state.fills[0]?.vesselId ?? '')?.capacityL ?? 0) -
              (vesselById(a.state.fills[0]?.vesselId ?? '')?.capacityL ?? 0)
          )
      }))
      .concat([
        {
          label: 'In bottle',
          list: all.filter((b) => stageOf(b) === 'bottled')
        },
        { label: 'Gone', list: all.filter((b) => stageOf(b) === 'gone') }
      ])
      .filter((g) => g.list.length > 0);
  });
  /** What is all in bottles is on its way no more, whatever is still to do with it. */
  const going = $derived(runningBatches().filter((b) => b.state.fills.length > 0).length);
  const gone = $derived(
    household.counts.empty -
      runningBatches().filter((b) => b.state.fills.length > 0 && bottlesLeft(b.state) === 0).length
  );
  const inBottle = $derived(household.counts.batches - going - gone - brokenBatches().length);

  function pick(id: string, on: boolean) {
    picked = on ? [...picked.filter((p) => p !== id), id].slice(-3) : picked.filter((p) => p !== id);
  }
</script>

<svelte:head><title>Batches · Vecino</title></svelte:head>

<div class="flex flex-wrap items-end justify-between gap-x-8 gap-y-2 pt-2 pb-3">
  <h1 class="sentence font-normal">
    {#if household.counts.batches === 0}Nothing has been started yet. <a
        class="link font-semibold"
        href="/plan">Plan a wine</a
      > from what you have picked.
    {:else}<span class="font-bold">{going} {going === 1 ? 'wine' : 'wines'} on the way</span
      >{#if inBottle > 0}, {inBottle} in bottle{/if}{#if gone > 0}, {gone} gone{/if}.{/if}
  </h1>
  {#if household.counts.batches > 0}
    <div class="flex flex-wrap items-center gap-3">
      <div role="group" aria-label="Sorted by" class="flex">
        {#each ['stage', 'vessel'] as const as kind (kind)}<button
            class="min-h-11 border-b-2 px-3 {by === kind
              ? 'border-ink font-semibold'
              : 'border-transparent text-quiet'}"
            aria-pressed={by === kind}
            onclick={() => (by = kind)}>by {kind}</button
          >{/each}
      </div>
      <input
        class="field w-52!"
        type="search"
        placeholder="Find a wine, or a word"
        aria-label="Find a wine"
        autocomplete="off"
        onfocus={() => void import('$lib/store/find').then((f) => f.allSaid())}
        bind:value={text}
      />
    </div>
  {/if}
</div>

{#if brokenBatches().length > 0}
  <section aria-label="Cannot be read" class="mb-5">
    <h2 class="head mb-1 font-sans!">Cannot be read</h2>
    <ul class="inkline">
      {#each brokenBatches() as b (b.id)}<li class="dashline">
          <a class="flex min-h-11 items-center gap-3" href="/batches/{b.id}"
            ><span class="number min-w-0 break-words text-[1.1875rem]">{b.name}</span><span
              class="small text-rosehip">its log is whole, but cannot be read: see what to take back</span
            ></a
          >
        </li>{/each}
    </ul>
  </section>
{/if}
{#each groups as g (g.label)}
  <section aria-label={g.label} class="mb-5">
    <h2 class="head mb-1 font-sans!">{g.label}</h2>
    <ul class="inkline">
      {#each g.list as b (b.id)}<BatchRow
          batch={b}
          picked={picked.includes(b.id)}
          onpick={(on) => pick(b.id, on)}
        />{/each}
    </ul>
  </section>
{:else}
  {#if text.trim()}<p class="mb-4">No wine by that name.</p>{/if}
{/each}
{#if text.trim().length > 2}{#await import('$lib/ui/batches/InWords.svelte') then { default: InWords }}<InWords
      {text}
    />{/await}{/if}
{#if bottled.length === limit}
  <button class="btn btn-line" onclick={() => (limit += 5 * PAGE)}>Show older ones</button>
{/if}
{#if household.counts.events > 0}
  <TakenBack />
{/if}
{#if picked.length > 1}
  <p class="sticky bottom-32 z-10 flex justify-end">
    <a class="btn btn-primary" href="/batches/compare?of={picked.join(',')}">Compare {picked.length}</a>
  </p>
{/if}
