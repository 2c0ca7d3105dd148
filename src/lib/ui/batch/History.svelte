<script lang="ts">
  import { puzzleOf } from '$core/ledger/puzzle';
  import { liveEvents, type LedgerEvent } from '$core/ledger/events';
  import { sgText } from '$core/units/format';
  import { eventWords } from './event-words';
  import { undo } from '$lib/store/record';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { goto } from '$app/navigation';
  import { tell } from '../nav/said.svelte';
  import Detective from '../detective/Detective.svelte';
  import Pop from '../pop/Pop.svelte';
  import { dayWord } from '../shelf/when';

  let { batch }: { batch: Batch } = $props();

  const voided = $derived(
    new Set(
      batch.events.filter((e) => e.type === 'void').map((e) => (e.type === 'void' ? e.data.eventId : ''))
    )
  );
  let showVoided = $state(false);
  const live = $derived(liveEvents(batch.events));
  const list = $derived(
    (showVoided
      ? batch.events.filter((e) => e.type !== 'void').sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
      : live
    ).toReversed()
  );

  async function discard() {
    const planned = batch.events.find((e) => e.type === 'planned');
    if (!planned) return;
    const { name } = batch.state;
    if (await tell(`${name} taken back.`, async () => void (await undo(planned)))) await goto('/batches');
  }

  const words = (e: LedgerEvent) => eventWords(e, batch, household.settings, household.now);
</script>

<section aria-label="What happened">
  <p class="head mb-1 flex items-center justify-between">
    <span>What happened</span>
    {#if voided.size > 0}<button
        class="min-h-11 underline underline-offset-4"
        onclick={() => (showVoided = !showVoided)}>{showVoided ? 'hide' : 'show'} what was taken back</button
      >{/if}
  </p>
  <ol class="inkline">
    {#each list as e (e.id)}
      {@const [what, detail] = words(e)}
      {@const gone = voided.has(e.id)}
      <li
        class="dashline grid grid-cols-[7.5rem_minmax(0,1fr)_auto] items-baseline gap-x-3 py-0.5 sm:grid-cols-[8rem_9rem_minmax(0,1fr)_auto] {gone
          ? 'line-through opacity-60'
          : ''}"
      >
        <span class="small">{dayWord(Date.parse(e.at), household.now, e.zone)}</span>
        <span class="font-semibold">{what}</span>
        <span class="text-[0.9375rem] text-quiet max-sm:col-span-2 max-sm:col-start-1 max-sm:row-start-2"
          >{detail}
          {#if e.type === 'reading' && e.data.sg !== undefined && !gone}
            {@const puzzle = puzzleOf(
              batch.events,
              { sg: e.data.sg, tempC: e.data.tempC ?? null },
              Date.parse(e.at),
              household.settings.hydrometer.calibratedC
            )}
            {#if puzzle}
              <Pop
                title="Why this reading"
                label="Why {sgText(e.data.sg)}"
                class="ml-1 min-h-9 max-sm:min-h-11 underline decoration-dotted underline-offset-2"
              >
                {#snippet trigger()}why?{/snippet}
                <Detective {puzzle} />
              </Pop>
            {/if}
          {/if}</span
        >
        {#if !gone && e.type !== 'planned'}
          <button
            class="min-h-11 px-2 text-[0.875rem] text-quiet underline underline-offset-4 max-sm:col-start-3 max-sm:row-start-1"
            aria-label="Take back: {what} {detail}"
            onclick={() => tell('Taken back. It is still in the log.', async () => void (await undo(e)))}
            >undo</button
          >
        {:else if !gone && e.type === 'planned'}
          <Pop
            title="Take the whole batch back"
            class="min-h-11 px-2 text-[0.875rem] text-quiet underline underline-offset-4"
          >
            {#snippet trigger()}take back{/snippet}

            <p class="mb-3">
              The whole batch goes from every list. Its events stay in the log and in your files.
            </p>
            <button class="btn btn-error" onclick={discard}>Take the batch back</button>
          </Pop>
        {:else}<span class="min-h-11"></span>{/if}
      </li>
    {/each}
  </ol>
</section>
