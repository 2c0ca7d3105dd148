<script lang="ts">
  import { liveEvents, type LedgerEvent } from '$core/ledger/log';
  import { sgText, volumeText } from '$core/units/format';
  import type { Effect } from '$core/ledger/run';
  import EditEvent from './EditEvent.svelte';
  import { effectText } from './editable';
  import { eventWords } from '../words/event-words';
  import { zoneHere } from '$lib/store/here';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { goto } from '$app/navigation';
  import { discard, sayWrong, takeBack } from '../nav/said.svelte';
  import WhyReading from '../detective/WhyReading.svelte';
  import Picture from '../photo/Picture.svelte';
  import Pop from '../pop/Pop.svelte';
  import { dayWord } from '../shelf/when';

  let { batch, effects: done }: { batch: OpenBatch; effects: readonly Effect[] } = $props();

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

  async function discardBatch() {
    const planned = batch.events.find((e) => e.type === 'planned');
    if (!planned) return;
    try {
      await goto('/batches');
      await discard([planned], `${batch.state.name} is taken back, and gone from every list.`);
    } catch (e) {
      sayWrong(e);
    }
  }

  /** Only as much of a long history as is looked at. */
  const PAGE = 60;
  let limit = $state(PAGE);
  const effects = $derived(new Map(done.map((x) => [x.event.id, x])));
  const effect = (id: string) => {
    const x = effects.get(id);
    return x ? effectText(x.before, x.after, (l) => volumeText(l, household.settings.volume)) : '';
  };
  const here = zoneHere();
  const isElsewhere = $derived(list.some((e) => e.zone !== here));
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
  {#if isElsewhere}<p class="small mb-1">
      Some of it was written in another time zone: each day is that of where it was written.
    </p>{/if}
  <ol class="inkline">
    {#each list.slice(0, limit) as e (e.id)}
      {@const [what, detail] = words(e)}
      {@const gone = voided.has(e.id)}
      <li
        class="dashline grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)_auto] items-baseline gap-x-3 py-0.5 sm:grid-cols-[8rem_9rem_minmax(0,1fr)_auto] {gone
          ? 'line-through opacity-60'
          : ''}"
      >
        <span class="small"
          >{dayWord(Date.parse(e.at), household.now, e.zone)}{#if Date.parse(e.at) > household.now + 60_000}<b
              class="block">planned</b
            >{/if}</span
        >
        <span class="font-semibold">{what}</span>
        <span class="text-[0.9375rem] text-quiet max-sm:col-span-2 max-sm:col-start-1 max-sm:row-start-2"
          >{detail}
          {#if effect(e.id)}<span class="ml-1 text-ink sm:whitespace-nowrap" data-effect>{effect(e.id)}</span
            >{/if}
          {#if e.type === 'photo' && !gone}
            {@const { photoId, width, height, caption, colour } = e.data}
            <span class="mt-1 flex items-end gap-2"
              ><Picture id={photoId} {width} {height} text={caption ?? batch.state.name} />{#if colour}<span
                  class="size-6 border border-ink"
                  style:background={colour}
                  title="Its colour beside a white sheet"
                ></span>{/if}</span
            >
          {/if}
          {#if e.type === 'reading' && e.data.sg !== undefined && !gone}
            {@const { sg, tempC } = e.data}
            <Pop
              title="Why this reading"
              label="Why {sgText(sg)}"
              class="ml-1 min-h-9 underline decoration-dotted underline-offset-2 max-sm:min-h-11"
            >
              {#snippet trigger()}why?{/snippet}
              <WhyReading {batch} {sg} tempC={tempC ?? null} at={Date.parse(e.at)} />
            </Pop>
          {/if}</span
        >
        {#if !gone && e.type !== 'planned'}
          <span class="flex max-sm:col-start-3 max-sm:row-start-1">
            {#if e.batchId === batch.id && e.type !== 'caution' && e.type !== 'step' && e.type !== 'blend'}
              <Pop
                title="Put it right"
                label="Put right: {what} {detail}"
                class="min-h-11 px-2 text-[0.875rem] text-quiet underline underline-offset-4"
              >
                {#snippet trigger()}edit{/snippet}
                {#snippet children(close: () => void)}<EditEvent event={e} {close} />{/snippet}
              </Pop>
            {/if}
            <button
              class="min-h-11 px-2 text-[0.875rem] text-quiet underline underline-offset-4"
              aria-label="Take back: {what} {detail}"
              onclick={() => void takeBack([e], 'remove', 'Taken back. It is still in the log.')}>undo</button
            >
          </span>
        {:else if !gone && e.type === 'planned'}
          <Pop
            title="Take the whole batch back"
            class="min-h-11 px-2 text-[0.875rem] text-quiet underline underline-offset-4"
          >
            {#snippet trigger()}take back{/snippet}

            <p class="mb-3">
              The whole batch goes from every list. Its events stay in the log and in your files.
            </p>
            <button class="btn btn-error" onclick={discardBatch}>Take the batch back</button>
          </Pop>
        {:else}<span class="min-h-11"></span>{/if}
      </li>
    {/each}
  </ol>
  {#if list.length > limit}<button class="btn btn-plain" onclick={() => (limit += 500)}
      >Show {list.length - limit} older</button
    >{/if}
</section>
