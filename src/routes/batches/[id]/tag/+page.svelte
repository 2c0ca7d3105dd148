<script lang="ts">
  import { page } from '$app/state';
  import { LABEL_SO2_MG_L } from '$core/plan/allergens';
  import { addedSo2MgL, fillL, type Fill } from '$core/ledger/fill';
  import { volumeText } from '$core/units/format';
  import { dueWord, spanWord } from '$lib/ui/shelf/when';
  import { household, vesselById, type Batch } from '$lib/store/household.svelte';
  import BrokenBatch from '$lib/ui/batch/BrokenBatch.svelte';
  import { liveBatch } from '$lib/store/open-batch.svelte';

  /** A tag for each vessel, to tie on: name, date, start, and what comes next. Printed, only the tags are. */
  const open = liveBatch(() => page.params.id ?? '');
  const batch = $derived(open.batch);
  /** What a label must say is in it. */
  const contains = (f: Fill) => [
    ...(addedSo2MgL(f) >= LABEL_SO2_MG_L ? ['sulphites'] : []),
    ...(batch?.state.allergens ?? [])
  ];
  /** The days in which it is likely done, while they are to come. */
  const doneSpan = ({ course, state }: Batch) =>
    course?.doneAt && course.doneAt.low > household.now
      ? spanWord(course.doneAt.low, course.doneAt.high, state.zone)
      : '';
  const date = (at: number) =>
    new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }).format(at);
</script>

<svelte:head><title>Tags · Vecino</title></svelte:head>

{#if batch}
  {@const b = batch}
  <div class="no-print flex flex-wrap items-center justify-between gap-3 pt-2 pb-4">
    <a href="/batches/{b.id}" class="small inline-flex min-h-11 items-center underline underline-offset-4"
      >Back to {b.state.name}</a
    >
    <button class="btn btn-primary" onclick={() => window.print()}>Print the tags</button>
  </div>
  <h1 class="sr-only">Tags for {b.state.name}</h1>
  <div class="flex flex-wrap gap-6">
    {#each b.state.fills as f (f.vesselId)}
      <article
        class="w-80 break-inside-avoid border-[2px] border-ink bg-slip p-5 text-ink print:bg-white print:text-black"
      >
        <span class="mx-auto mb-3 block size-4 rounded-full border-2 border-ink" aria-hidden="true"></span>
        <h2 class="text-[1.75rem] font-bold">{b.state.name}</h2>
        <p>{date(b.state.startedAt)}, {vesselById(f.vesselId)?.name ?? 'vessel'}</p>
        <p class="number mt-2 text-[1.25rem]">
          {volumeText(fillL(f), household.settings.volume)}{b.state.startSg
            ? `, began at ${b.state.startSg.sg.toFixed(3)}`
            : ''}
        </p>
        {#if doneSpan(b)}<p class="mt-1">Done about {doneSpan(b)}.</p>{/if}
        <ul class="inkline mt-2 pt-1">
          {#each b.due.slice(0, 4) as d (d.step.id)}<li class="flex justify-between gap-3">
              <span>{d.step.title}</span><span class="font-semibold"
                >{dueWord(d, household.now, b.state.zone)}</span
              >
            </li>{/each}
        </ul>
        {#if contains(f).length > 0}<p class="mt-2">Contains {contains(f).join(', ')}.</p>{/if}
        <p class="mt-3 border-t border-dashed border-ink pt-6">Notes</p>
      </article>
    {/each}
  </div>
{:else if open.error}<BrokenBatch events={open.events} error={open.error} />
{:else if open.isMissing}
  <h1 class="sentence pt-4">There is no such batch here.</h1>
  <p><a class="link" href="/batches">All batches</a></p>
{/if}
