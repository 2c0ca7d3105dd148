<script lang="ts">
  import type { Import } from '$lib/store/db';
  import { counted } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { restoreTo, writtenSince, type Since } from '$lib/store/restore';
  import { lastImports, takeImportOut } from '$lib/store/take-out';
  import { sayDone, sayWrong } from '../nav/said.svelte';
  import { dayWord } from '../shelf/when';

  /** Ways back: an import taken out again, and everything as it was on a day. */
  let imports = $state.raw<Import[]>([]);
  let day = $state('');
  let since = $state.raw<Since | null>(null);
  let busy = $state(false);
  $effect(() => {
    void household.counts;
    void lastImports().then((list) => (imports = list));
  });

  async function act(job: () => Promise<void>) {
    busy = true;
    try {
      await job();
    } catch (e) {
      sayWrong(e);
    } finally {
      busy = false;
    }
  }
  const takeOut = (i: Import) =>
    act(async () => {
      const { events, kept } = await takeImportOut(i);
      sayDone(
        `${i.name} is taken back: ${counted(events, 'event')} gone.${kept.map((k) => ` ${k.name} stays: ${k.why}.`).join('')}`
      );
    });
  /** The end of the day that was chosen. */
  const look = () =>
    act(async () => {
      const at = new Date(`${day}T23:59:59.999`).getTime();
      if (Number.isFinite(at)) since = await writtenSince(at);
    });
  const restore = () =>
    act(async () => {
      const written = await restoreTo(since!);
      sayDone(`Everything is as it was at the end of ${day}.`, written);
      since = null;
      day = '';
    });
</script>

<div class="grid gap-2" role="group" aria-label="Ways back">
  <p class="head">Ways back</p>
  {#each imports as i (i.id)}
    <p class="dashline flex flex-wrap items-center justify-between gap-3">
      <span class="min-w-0 break-words"
        >{i.name}, {counted(i.events.length, 'event')} brought in {dayWord(
          i.at,
          household.now,
          zoneHere()
        )}</span
      >
      <button class="btn btn-plain" disabled={busy} onclick={() => takeOut(i)}>Take it out again</button>
    </p>
  {/each}
  <p class="flex flex-wrap items-end gap-2">
    <label class="grid gap-1 font-semibold"
      >As it was at the end of<input
        class="field"
        type="date"
        max={new Date(household.now).toISOString().slice(0, 10)}
        bind:value={day}
        onchange={() => (since = null)}
      /></label
    >
    <button class="btn btn-line" disabled={!day || busy} onclick={look}>Look</button>
  </p>
  {#if since}
    <div class="border-[1.5px] border-ink bg-slip p-4" role="region" aria-label="What would be taken back">
      {#if since.events.length === 0 && since.things.length === 0}
        <p>Nothing was written since.</p>
      {:else}
        <p class="number text-[1.1875rem]">
          {counted(since.events.length, 'event')} in {counted(since.wines, 'wine')} would be taken back
        </p>
        {#if since.things.length > 0}<p>
            And {counted(since.things.length, 'change')} of vessels, harvest, recipes and the like.
          </p>{/if}
        <p class="small">Nothing is erased: it can be undone.</p>
        <p class="mt-2 flex gap-2">
          <button class="btn btn-error" disabled={busy} onclick={restore}>Take them back</button>
          <button class="btn btn-line" onclick={() => (since = null)}>Leave it</button>
        </p>
      {/if}
    </div>
  {/if}
</div>
