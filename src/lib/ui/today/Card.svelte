<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { Due } from '$core/steps/schedule';
  import { mustColour } from '$core/plan/colour';
  import { doStep, formOf, isOneTap, lookForOf } from '$core/steps/do-step';
  import { silentSince } from '$core/steps/silent';
  import { STEPS } from '$core/steps/table/all';
  import { household, vesselById, type Batch } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';
  import Later from '../tag/Later.svelte';
  import { lateWord } from '../shelf/when';
  import VesselMini from '../vessel/VesselMini.svelte';
  import { putsText } from '../tag/steps-on-card';
  import { FORMS, hasForm } from './forms';
  import { warningsOf } from './warnings';

  /** One batch on the walk (of several to be bottled `corker` comes first): what is wrong, what is due, each done in one tap or one number. */
  let { batch, due, corker = null }: { batch: Batch; due: Due[]; corker?: Batch | null } = $props();

  const vessel = $derived(vesselById(batch.state.fills[0]?.vesselId ?? ''));
  const warnings = $derived(warningsOf(batch, household.now, household.settings.volume));
  const zone = $derived(batch.state.zone);
  const air = $derived(warnings.some((w) => w.isAir));
  const since = $derived(silentSince(batch.state, batch.due, household.now));
  /** The first wine of a household is told what to look for. */
  const isFirst = $derived(household.counts.batches === 1);
</script>

{#snippet room(d: Due)}
  {#if d.step.id === 'bottle' && corker && corker.id !== batch.id}<span
      class="block text-quiet"
      data-testid="one-corker">One corker: after the {corker.state.name}.</span
    >{/if}
  {#if d.step.id === 'rack-1' || d.step.id === 'rack-2'}{#await import('./NoRoom.svelte') then { default: NoRoom }}<NoRoom
        {batch}
        due={d}
      />{/await}{/if}
{/snippet}

<article class="inkline grid grid-cols-[60px_minmax(0,1fr)] gap-x-5 py-3" aria-label={batch.state.name}>
  <a
    href="/batches/{batch.id}"
    class="flex items-start justify-center pt-1"
    aria-label="Open {batch.state.name}"
  >
    {#if vessel}<VesselMini
        {vessel}
        volumeL={batch.standing.volumeL / Math.max(1, batch.state.fills.length)}
        colour={mustColour(batch.state.plan.ingredients).must}
        size={64}
      />{/if}
  </a>
  <div class="min-w-0">
    <h2 class="flex flex-wrap items-baseline gap-x-3 text-[1.3125rem]">
      <a class="no-underline" href="/batches/{batch.id}">{batch.state.name}</a>
      {#each warnings as w (w.text)}
        <span
          class="px-2 font-sans text-[0.875rem] leading-6 {w.tone === 'danger'
            ? 'bg-error text-error-content'
            : 'bg-tint-straw text-ink'}">{w.text}</span
        >
      {/each}
    </h2>
    {#if since !== null}{#await import('./Silent.svelte') then { default: Silent }}<Silent
          {batch}
          {since}
        />{/await}{/if}
    <ul class="grid grid-cols-1 gap-2">
      {#each due as d (d.step.id)}
        {@const form = isOneTap(batch.state, d.step.id) ? null : formOf(batch.state, d.step.id)}
        {@const puts = putsText(batch, d.step.id, household.settings)}
        <li class="flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
          <p class="min-w-0 flex-1 basis-60">
            <span class="font-semibold">{d.step.title}</span
            >{#if lateWord(d, household.now, zone) !== 'today'}<span
                class={d.status === 'overdue' ? 'text-rosehip' : ''}
                >, {lateWord(d, household.now, zone)}</span
              >{/if}<span class="text-quiet">. {own(d.step.how)}</span>
            {#if puts}<span class="block" data-testid="puts">{puts}</span>{/if}
            {#if isFirst}<span class="block" data-testid="look-for"
                >Look for: {lookForOf(batch.state, d.step.id)}</span
              >{/if}
            {@render room(d)}
          </p>
          <span class="no-print flex min-w-0 flex-wrap items-center gap-3">
            <Later {batch} due={d} />
            {#if hasForm(form)}
              {#await FORMS[form]()}<span class="min-h-11"></span>{:then { default: Form }}<Form
                  {batch}
                />{:catch}<a class="btn btn-line" href="/batches/{batch.id}#{form}">Write it down there</a
                >{/await}
            {:else if form === 'add'}<a class="btn btn-line" href="/batches/{batch.id}#add"
                >Write down what went in</a
              >
            {:else if form}<a class="btn btn-line" href="/batches/{batch.id}#{form}">Write it down there</a>
            {:else}
              <button
                class="btn btn-primary"
                onclick={() =>
                  tell(`${batch.state.name}: ${d.step.title.toLowerCase()}.`, () =>
                    doStep(batch.state, d.step.id, batch.standing.belief)
                  )}>{STEPS[d.step.id].tap ?? 'Done'}</button
              >
            {/if}
          </span>
        </li>
      {:else}
        {#if air}
          {#await import('./AirJob.svelte') then { default: AirJob }}<AirJob id={batch.id} />{/await}
        {:else}
          <li class="text-quiet">Nothing due. <a class="link" href="/batches/{batch.id}">Look at it</a></li>
        {/if}
      {/each}
    </ul>
  </div>
</article>
