<script lang="ts">
  import { untrack } from 'svelte';
  import { foreseenOf } from '$core/belief/forecast';
  import type { Trouble } from '$core/steps/trouble/all';
  import { TROUBLE_WORDS } from '$core/steps/trouble/words';
  import { STEPS } from '$core/steps/table/all';
  import { isOneTap } from '$core/steps/do-step';
  import { tick } from '$core/commands/tick';
  import type { StepId } from '$core/tables/step-id';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { foreseen } from '../chart/foreseen.svelte';
  import { tell } from '../nav/said.svelte';
  import { dayWord, whenWord } from '../shelf/when';
  import { putsText } from '../tag/steps-on-card';
  import { aheadText, stallsText } from '../words/ahead';
  import { own } from '../words/own-units';
  import { troubleText } from '../words/trouble';

  /** What is wrong with a wine, and the ladder out of it: one rung at a time. */
  let { batch, trouble, onact }: { batch: Batch; trouble: Trouble; onact: (step: StepId) => void } = $props();

  const AHEAD = 40;
  const { next } = $derived(trouble);
  const isDue = $derived(next !== null && next.dueAt <= household.now);
  const puts = $derived(next ? putsText(batch, next.step, household.settings) : '');
  const when = (at: number) => dayWord(at, household.now, batch.state.zone);
  /** What happened decides, not the minute it is. */
  const stood = $derived(
    next?.whatIf
      ? JSON.stringify([batch.id, batch.state.flows.at(-1)?.at, batch.state.flows.length, next.whatIf])
      : ''
  );
  const what = foreseen(() => {
    if (!stood) return null;
    return untrack(() => ({
      asked: { batch: foreseenOf(batch.state) },
      days: AHEAD,
      what: next!.whatIf!,
      isQuick: true
    }));
  });
  const title = $derived(troubleText(trouble, household.now));
</script>

<section
  class="border-l-[5px] px-4 py-3 {trouble.isGrave
    ? 'border-rosehip bg-tint-rose'
    : 'border-straw bg-tint-straw'} text-ink"
  aria-label="What is wrong: {trouble.name}"
  data-testid="trouble"
>
  <h2 class="number text-[1.3125rem] leading-tight first-letter:uppercase">{title}</h2>
  <ol class="mt-1 grid gap-1">
    {#each trouble.ladder as rung, i (i)}
      {#if rung === next}
        <li class="py-1">
          <p class="text-[1.0625rem] font-semibold">
            {i + 1}. {rung.title}{isDue ? '' : `, ${whenWord(rung.dueAt, household.now, batch.state.zone)}`}
          </p>
          <p class="leading-snug">{own(rung.how)}</p>
          {#if puts}<p class="font-semibold">{puts}</p>{/if}
          {#if what.answer}
            <p class="small mt-0.5 text-ink!" data-testid="effect">
              With it, {aheadText(what.answer, false)}. {stallsText(what.answer)}
            </p>
          {/if}
          <p class="mt-1 flex flex-wrap gap-3">
            <button class="btn btn-primary" onclick={() => onact(rung.step)}
              >{isOneTap(batch.state, rung.step) ? (STEPS[rung.step].tap ?? 'Done') : 'Do it'}</button
            >
            <button
              class="min-h-11 underline underline-offset-4"
              onclick={() => tell(`${rung.title}: skipped.`, () => tick(batch.id, rung.step, 'skipped'))}
              >skip</button
            >
          </p>
        </li>
      {:else}
        <li class="text-[0.9375rem] {rung.doneAt === null ? 'text-quiet' : ''}">
          {i + 1}. {rung.title}{rung.doneAt === null ? '' : `: ${when(rung.doneAt)}`}
        </li>
      {/if}
    {/each}
  </ol>
  <p class="mt-1 text-[0.9375rem] leading-snug">
    <b>{next ? 'When to give up.' : 'What now.'}</b>
    {own(TROUBLE_WORDS[trouble.id].giveUp)}
  </p>
</section>
