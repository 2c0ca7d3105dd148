<script lang="ts">
  import { formOf } from '$core/steps/do-step';
  import { outingOf } from '$core/steps/walk';
  import { inZone } from '$core/units/zone';
  import { household, vesselName } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { lateWord } from '$lib/ui/shelf/when';
  import { putsText } from '$lib/ui/tag/steps-on-card';
  import { walkNow } from '$lib/ui/today/walk';
  import { own } from '$lib/ui/words/own-units';

  /** The walk on paper: a box to tick for each job, and a line for what is read or measured. */
  const walk = $derived(walkNow().filter((x) => x.due.length > 0));
  const outing = $derived(outingOf(walk.flatMap((x) => x.due)));
  const WRITES = new Set(['read', 'rack', 'bottle', 'fruit-out', 'look', 'warmth', 'split']);
  const takes = $state<Record<string, boolean>>({});
</script>

<svelte:head><title>Walk sheet · Vecino</title></svelte:head>

<h1 class="sentence pt-2 font-normal">
  <b>The walk, {inZone(household.now, zoneHere(), { weekday: 'long', day: 'numeric', month: 'long' })}.</b>
  {outing.jobs === 0
    ? 'Nothing to do.'
    : `${outing.jobs} ${outing.jobs === 1 ? 'job' : 'jobs'}, about ${outing.minutes} minutes.`}
</h1>
<p class="no-print my-2"><button class="btn btn-primary" onclick={() => print()}>Print it</button></p>
{#if outing.takes.length > 0}
  <h2 class="head mt-3 mb-1 font-sans!">Take along{outing.isClean ? ', clean' : ''}</h2>
  <ul class="flex flex-wrap gap-x-6">
    {#each outing.takes as t (t)}<li>
        <label class="flex min-h-11 items-center gap-2"
          ><input type="checkbox" class="checkbox" bind:checked={takes[t]} />{t}</label
        >
      </li>{/each}
  </ul>
{/if}
{#each walk as x (x.id)}
  <section class="inkline mt-3 break-inside-avoid py-2" aria-label={x.batch.state.name}>
    <h2 class="text-[1.25rem]">
      {x.batch.state.name}
      <span class="small font-sans">{x.batch.state.fills.map((f) => vesselName(f.vesselId)).join(', ')}</span>
    </h2>
    <ul>
      {#each x.due as d (d.step.id)}
        <li class="dashline grid grid-cols-[1.5rem_minmax(0,1fr)] gap-x-2 py-1.5">
          <span class="mt-1 size-4 border-[1.5px] border-ink" aria-hidden="true"></span>
          <span>
            <b>{d.step.title}</b>, {lateWord(d, household.now, x.batch.state.zone)}.
            <span class="text-quiet">{own(d.step.how)}</span>
            {#if putsText(x.batch, d.step.id, household.settings)}<b class="block"
                >{putsText(x.batch, d.step.id, household.settings)}</b
              >{/if}
            {#if WRITES.has(formOf(x.batch.state, d.step.id) ?? '')}<span
                class="mt-2 block h-6 max-w-xs border-b border-ink"
                aria-hidden="true"
              ></span>{/if}
          </span>
        </li>
      {/each}
    </ul>
  </section>
{/each}
