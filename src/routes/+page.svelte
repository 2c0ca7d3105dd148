<script lang="ts">
  import { isBrewing } from '$core/steps/brewing';
  import { brokenBatches, household, runningBatches } from '$lib/store/household.svelte';
  import Card from '$lib/ui/today/Card.svelte';
  import { outingOf } from '$core/steps/walk';
  import { doneToday } from '$lib/ui/today/done.svelte';
  import Outing from '$lib/ui/today/Outing.svelte';
  import { walkable } from '$lib/ui/today/walkable';
  import { walkNow } from '$lib/ui/today/walk';
  import Week from '$lib/ui/today/Week.svelte';

  /** A brew day that was broken off comes first, and its steps are done there, not beside it. */
  const begun = $derived(runningBatches().filter((b) => isBrewing(b.state)));
  const running = $derived(walkable());
  const MOST_CARDS = 3;
  /** Bottles that could burst, before all else. */
  const dangers = $derived(runningBatches().flatMap((batch) => batch.dangers.map((d) => ({ batch, d }))));
  const walk = $derived(walkNow());
  const outing = $derived(outingOf(walk.flatMap((x) => x.due)));
  const jobs = $derived(outing.jobs);
  const corker = $derived(walk.find((x) => x.due.some((d) => d.step.id === 'bottle'))?.batch ?? null);
  const done = doneToday();
  const NUMBER = [
    'No',
    'One',
    'Two',
    'Three',
    'Four',
    'Five',
    'Six',
    'Seven',
    'Eight',
    'Nine',
    'Ten',
    'Eleven',
    'Twelve'
  ];

  const spanOf = (minutes: number): string =>
    minutes < 90
      ? `${5 * Math.ceil(minutes / 5)} minutes`
      : `${(minutes / 60).toFixed(1).replace('.0', '')} hours`;

  const showDemo = async () => (await import('$lib/demo/household')).loadDemo(Date.now());
</script>

<svelte:head><title>Today · Vecino</title></svelte:head>

{#if running.length === 0 && household.counts.batches === 0}
  {#await import('$lib/ui/today/FirstRun.svelte') then { default: FirstRun }}<FirstRun
      onDemo={showDemo}
    />{/await}
{:else}
  <h1 class="sentence pt-2 pb-2 font-normal">
    {#if dangers.length > 0}
      <span class="font-bold">Bottles that could burst</span> come first: the {dangers[0]!.batch.state.name.toLowerCase()}.
    {:else if begun.length > 0}<span class="font-bold">A brew day is begun:</span> go on with the {begun[0]!.state.name.toLowerCase()}{jobs >
      0
        ? `; ${(NUMBER[jobs] ?? String(jobs)).toLowerCase()} ${jobs === 1 ? 'job' : 'jobs'} after it`
        : ''}.
    {:else if jobs > 0}
      <span class="font-bold">{NUMBER[jobs] ?? jobs} {jobs === 1 ? 'job' : 'jobs'} on the walk,</span> about {spanOf(
        outing.minutes
      )}. Start with the {walk[0]!.batch.state.name.toLowerCase()}.
    {:else}<span class="font-bold">Nothing to do today.</span> The wines are getting on with it.{/if}
  </h1>
  <div class="grid grid-cols-1 gap-x-10 lg:grid-cols-[minmax(0,1fr)_19rem]">
    <div>
      {#if dangers.length > 0}
        {#await import('$lib/ui/caution/DangerCard.svelte') then { default: DangerCard }}
          {#each dangers.slice(0, MOST_CARDS) as x (x.d.bottlingId)}<DangerCard
              batch={x.batch}
              danger={x.d}
            />{/each}
        {/await}
      {/if}
      {#if dangers.length > MOST_CARDS}
        <p class="bg-tint-rose px-4 py-2 text-ink">
          And {dangers.length - MOST_CARDS} more:
          {#each dangers.slice(MOST_CARDS, MOST_CARDS + 12) as x, i (x.d.bottlingId)}{i > 0 ? ', ' : ''}<a
              class="link"
              href="/batches/{x.batch.id}">{x.batch.state.name}</a
            >{/each}{dangers.length > MOST_CARDS + 12 ? '…' : '.'}
        </p>
      {/if}
      {#await import('$lib/ui/today/Conflicts.svelte') then { default: Conflicts }}<Conflicts />{/await}
      {#each brokenBatches() as b (b.id)}<p
          class="inkline flex flex-wrap items-center justify-between gap-3 py-3"
        >
          <span class="min-w-0 text-[1.3125rem] font-bold break-words">{b.name}</span>
          <a class="btn btn-line" href="/batches/{b.id}">Its log cannot be read: see why</a>
        </p>{/each}
      {#each begun as b (b.id)}
        <p class="inkline flex flex-wrap items-center justify-between gap-3 py-3">
          <span class="text-[1.3125rem] font-bold">{b.state.name}</span>
          <a class="btn btn-primary" href="/batches/{b.id}/brew">Go on with the brew day</a>
        </p>
      {/each}
      <Outing {walk} done={done.deeds.length} isBrewing={begun.length > 0} />
      {#each walk as x (x.batch.id)}<Card batch={x.batch} due={x.due} {corker} />{/each}
      {#await import('$lib/ui/today/DoneToday.svelte') then { default: DoneToday }}<DoneToday
          deeds={done.deeds}
        />{/await}
      {#if household.counts.batches > 0}{#await import('$lib/ui/today/ToTaste.svelte') then { default: ToTaste }}<ToTaste
          />{/await}{/if}
      {#await import('$lib/ui/today/Unsaved.svelte') then { default: Unsaved }}<Unsaved />{/await}
    </div>
    <Week />
  </div>
{/if}
