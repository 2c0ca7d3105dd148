<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { Due } from '$core/steps/schedule';
  import { ownsNoStem, tick } from '$core/commands/tick';
  import { formOf, lookForOf } from '$core/steps/do-step';
  import { household, runningBatches, type Batch } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';
  import { dueWord } from '../shelf/when';
  import CalendarFile from '../tag/CalendarFile.svelte';
  import Later from '../tag/Later.svelte';
  import Tag from '../tag/Tag.svelte';
  import { putsText } from '../tag/steps-on-card';

  let { batch, onact }: { batch: Batch; onact: (step: Due['step']['id']) => void } = $props();

  /** What helps against a trouble stands on its ladder. */
  const onLadder = $derived(new Set(batch.troubles.map((t) => t.next?.step)));
  const shown = $derived(batch.due.filter((d) => !onLadder.has(d.step.id)).slice(0, 4));
  const noStem = () =>
    tell('Set aside: from now on I ask what you see and taste.', () =>
      ownsNoStem(batch.id, runningBatches())
    );
  const when = (d: Due) => dueWord(d, household.now, batch.state.zone);
</script>

<section aria-label="What comes next">
  <p class="head mb-1">Next</p>
  <ul class="grid gap-2">
    {#each shown as d, i (d.step.id)}
      <li>
        <Tag tone={i === 0 && d.status !== 'coming' ? 'inked' : 'plain'}>
          <div class="flex items-start justify-between gap-2">
            <div class="min-w-0">
              <p class="number text-[1.1875rem] leading-tight">{d.step.title}, {when(d)}</p>
              <p class="mt-0.5 text-[0.9375rem] leading-snug opacity-90">{own(d.step.how)}</p>
              {#if d.status !== 'coming'}{@const puts = putsText(batch, d.step.id, household.settings)}
                {#if puts}<p class="mt-0.5 font-semibold">{puts}</p>{/if}
                {#if household.counts.batches === 1}<p class="mt-0.5 text-[0.9375rem]">
                    Look for: {lookForOf(batch.state, d.step.id)}
                  </p>{/if}{/if}
            </div>
            {#if d.status !== 'coming'}
              <button
                class="btn shrink-0 {i === 0
                  ? 'border-primary-content bg-transparent text-primary-content'
                  : 'btn-line'}"
                onclick={() => onact(d.step.id)}>Do it</button
              >
            {/if}
          </div>
          {#if d.status !== 'coming' && d.step.id !== 'bottle'}
            <div class="mt-1 -mb-1 flex gap-3 text-[0.875rem]">
              <Later {batch} due={d} />
              {#if formOf(batch.state, d.step.id) === 'read'}
                <button class="min-h-11 underline underline-offset-4" onclick={noStem}
                  >I own no hydrometer</button
                >
              {/if}
              {#if !d.step.everyH}
                <button
                  class="min-h-11 underline underline-offset-4"
                  onclick={() =>
                    tell(`${d.step.title}: skipped.`, () => tick(batch.id, d.step.id, 'skipped'))}
                  >skip</button
                >
              {/if}
            </div>
          {/if}
        </Tag>
      </li>
    {:else}
      <li class="small">Nothing more to do. Leave it in the dark, and wait.</li>
    {/each}
  </ul>
  {#if shown.length > 0}<CalendarFile wines={[batch]} name={batch.state.name} />{/if}
</section>
