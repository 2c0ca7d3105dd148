<script lang="ts">
  import { hasMust } from '$core/ledger/state';
  import { civilDay } from '$core/units/zone';
  import { isBrewing } from '$core/steps/brewing';
  import { brokenBatches, household, runningBatches } from '$lib/store/household.svelte';
  import Card from '$lib/ui/today/Card.svelte';
  import { warningsOf } from '$lib/ui/today/warnings';
  import { dueWord } from '$lib/ui/shelf/when';

  const WEEK = 7 * 86_400_000;
  /** A brew day that was broken off comes first, and its steps are done there, not beside it. */
  const begun = $derived(runningBatches().filter((b) => isBrewing(b.state)));
  const running = $derived(runningBatches().filter((b) => hasMust(b.state) && !isBrewing(b.state)));
  const MOST_CARDS = 3;
  /** Bottles that could burst, before all else. */
  const dangers = $derived(runningBatches().flatMap((batch) => batch.dangers.map((d) => ({ batch, d }))));
  /** How late the latest of some jobs is, ms; less than nothing when none is. */
  const lateBy = (due: { lateAt: number; dueAt: number; status: string }[]) =>
    Math.max(
      -Infinity,
      ...due.map((d) => household.now - (d.status === 'overdue' ? d.lateAt : d.dueAt + WEEK))
    );
  /** The walk: danger first, then by how late, then the rest. */
  const walk = $derived(
    running
      .map((batch) => ({
        batch,
        due: batch.due.filter((d) => d.status !== 'coming'),
        warnings: warningsOf(batch, household.now, household.settings.volume)
      }))
      .filter((x) => x.due.length > 0 || x.warnings.length > 0)
      .sort((a, b) => rank(a) - rank(b) || lateBy(b.due) - lateBy(a.due))
  );
  const rank = (x: { due: { status: string }[]; warnings: { tone: string }[] }) =>
    x.warnings.some((w) => w.tone === 'danger')
      ? 0
      : x.due.some((d) => d.status === 'overdue')
        ? 1
        : x.due.length > 0
          ? 2
          : 3;
  const jobs = $derived(walk.reduce((n, x) => n + x.due.length, 0));
  /** Seven days from today, today and what is only held up left out of it. */
  const isWithinWeek = (at: number, zone: string) => {
    const day = (t: number) => Date.parse(civilDay(t, zone));
    const days = Math.round((day(at) - day(household.now)) / 86_400_000);
    return days <= 7;
  };
  const next = $derived(
    running
      .flatMap((batch) =>
        batch.due
          .filter((d) => d.status === 'coming' && isWithinWeek(d.dueAt, batch.state.zone))
          .map((d) => ({ batch, d }))
      )
      .sort((a, b) => a.d.dueAt - b.d.dueAt)
  );
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
      <span class="font-bold">{NUMBER[jobs] ?? jobs} {jobs === 1 ? 'job' : 'jobs'} on the walk,</span> about {Math.max(
        2,
        jobs * 3
      )} minutes. Start with the {walk[0]!.batch.state.name.toLowerCase()}.
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
      {#each walk as x (x.batch.id)}<Card batch={x.batch} due={x.due} />{/each}
      {#await import('$lib/ui/today/DoneToday.svelte') then { default: DoneToday }}<DoneToday />{/await}
    </div>
    <section aria-label="Next week" class="max-lg:mt-6">
      <h2 class="head mb-1 font-sans!">Within the week</h2>
      <ul class="inkline">
        {#each next as n (n.batch.id + n.d.step.id)}
          <li class="dashline">
            <a
              href="/batches/{n.batch.id}"
              class="flex min-h-11 items-center justify-between gap-3 no-underline"
            >
              <span class="min-w-0 break-words py-1"
                ><b>{n.batch.state.name}</b>
                <span class="text-quiet">{n.d.step.title.toLowerCase()}</span></span
              >
              <span class="small max-w-[45%] text-right"
                >{dueWord(n.d, household.now, n.batch.state.zone)}</span
              >
            </a>
          </li>
        {:else}<li class="small py-2">Nothing comes due.</li>{/each}
      </ul>
    </section>
  </div>
{/if}
