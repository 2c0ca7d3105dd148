<script lang="ts">
  import { onMount } from 'svelte';
  import { counted } from '$core/units/format';
  import { explain } from '$lib/ui/words/own-units';
  import { openImport } from '$lib/store/import-file';
  import type { ImportCounts } from '$lib/store/import.worker';
  import { household } from '$lib/store/household.svelte';
  import { saveNow } from '../nav/save-now';
  import Working from '../nav/Working.svelte';
  import { sayDone } from '../nav/said.svelte';
  import AsItWas from './AsItWas.svelte';
  import Empty from './Empty.svelte';
  import Folder from './Folder.svelte';
  import Tables from './Tables.svelte';

  type Coming = ReturnType<typeof openImport>;
  let persisted = $state<boolean | null>(null);
  let coming: Coming | null = null;
  let found = $state.raw<ImportCounts | null>(null);
  /** what is going on, and how far it is; null when nothing is */
  let busy = $state<{ text: string; share: number } | null>(null);
  let error = $state('');
  const total = (counts: Record<string, number>) => Object.values(counts).reduce((n, x) => n + x, 0);
  const newThings = $derived(found ? total(found.newThings) : 0);
  const LISTS = {
    vessels: 'vessels',
    produce: 'entries of produce',
    recipes: 'recipes',
    harvest: 'lots of harvest',
    methods: 'methods',
    racks: 'racks',
    yeasts: 'yeasts'
  } as const;
  const listed = (counts: Record<keyof typeof LISTS, number>) =>
    (Object.keys(LISTS) as (keyof typeof LISTS)[])
      .filter((k) => counts[k] > 0)
      .map((k) => `${counts[k]} ${LISTS[k]}`)
      .join(', ');

  onMount(async () => (persisted = (await navigator.storage?.persisted?.()) ?? null));

  const askToKeep = async () => (persisted = (await navigator.storage?.persist?.()) ?? null);

  /** Answers nothing: what it is asked from is another thread. */
  function show(share: number): void {
    if (busy) busy = { text: busy.text, share };
  }

  function leave() {
    coming?.close();
    coming = null;
    found = null;
    busy = null;
  }

  async function open(files: FileList | null) {
    leave();
    error = '';
    const file = files?.[0];
    if (!file) return;
    const mine = (coming = openImport(file));
    busy = { text: `Reading ${file.name}`, share: 0 };
    const answer = await mine.look(show);
    if (mine !== coming) return;
    busy = null;
    if ('error' in answer) {
      error = `${file.name}: ${answer.error}`;
      leave();
    } else found = answer;
  }

  async function bringIn() {
    const mine = coming;
    const counts = found;
    if (!mine || !counts) return;
    const things = total(counts.newThings) + total(counts.changedThings);
    found = null;
    busy = { text: 'Bringing it in', share: 0 };
    try {
      const wrong = await mine.bring(show);
      if (wrong)
        error = wrong.error.startsWith('Stopped') ? wrong.error : `Nothing was written: ${wrong.error}`;
      else
        sayDone(`${counts.newEvents} events${things > 0 ? ` and ${things} other things` : ''} brought in.`);
    } catch (e) {
      error = `Nothing was written: ${explain(e)}`;
    } finally {
      leave();
    }
  }
</script>

<section aria-label="Files" class="grid content-start gap-3">
  <h2 class="inkline pt-2 text-[1.3125rem]">Your data</h2>
  <p>
    It lives in this browser and nowhere else.
    {#if persisted === true}The browser has promised to keep it.{:else}The browser may clear it when the disk
      is full. <button class="btn btn-plain px-0!" onclick={askToKeep}>Ask it to keep it</button>{/if}
  </p>
  <div class="flex flex-wrap gap-2">
    <button class="btn btn-primary" onclick={saveNow}>Save everything to a file</button>
    <label class="btn btn-line"
      >Bring a file in<input
        type="file"
        class="sr-only"
        accept=".json,.zip,application/json,application/zip"
        onchange={(e) => {
          void open(e.currentTarget.files);
          e.currentTarget.value = '';
        }}
      /></label
    >
  </div>
  {#if error}<p role="alert" class="bg-tint-rose px-3 py-2">{error}</p>{/if}
  {#if busy}<Working {...busy} onstop={leave} />{/if}
  {#if found}
    <div class="border-[1.5px] border-ink bg-slip p-4" role="region" aria-label="What the file holds">
      <p class="number text-[1.1875rem]">
        {counted(found.newEvents, 'new event')}, {counted(found.newBatches, 'new wine')}
      </p>
      <p>
        {found.known} already here. {newThings > 0 ? `New: ${listed(found.newThings)}.` : ''}
      </p>
      {#if found.newPhotos > 0}<p>{counted(found.newPhotos, 'photo')}.</p>{/if}
      {#if found.damagedPhotos > 0}<p class="bg-tint-straw px-3 py-2" role="alert">
          {counted(found.damagedPhotos, 'photo')} of it {found.damagedPhotos === 1 ? 'is' : 'are'} damaged, and
          left out.
        </p>{/if}
      {#if total(found.changedThings) > 0}<p>Put right there since: {listed(found.changedThings)}.</p>{/if}
      {#if found.different > 0}
        <p class="bg-tint-straw px-2 text-ink">
          {found.different} events differ from what is here; yours stay.
        </p>
      {/if}
      <p class="mt-2 flex gap-2">
        <button class="btn btn-primary" onclick={bringIn}>Bring them in</button>
        <button class="btn btn-line" onclick={leave}>Leave it</button>
      </p>
    </div>
  {/if}
  {#if household.unsaved > 0 && household.counts.events > 0}<p>
      <b class="number">{household.unsaved}</b>
      {household.unsaved === 1 ? 'thing was' : 'things were'} written down since the last file: so much would be
      lost with this browser.
    </p>{/if}
  <Folder />
  <Tables />
  <AsItWas />
  <Empty />
  <p class="small">
    {household.counts.events} events in the log. A file holds the whole log; bringing one in adds what is new and
    changes nothing else.
  </p>
</section>
