<script lang="ts">
  import { onMount } from 'svelte';
  import { explain } from '$core/units/input-error';
  import { previewImport, readFile, writeFile, type ImportPreview } from '$lib/files/vecino-file';
  import { household } from '$lib/store/household.svelte';
  import { contentHere, markExported, writeImport } from '$lib/store/transfer-file';
  import { sayDone } from '../nav/said.svelte';
  import { download } from '../recipe/download';

  let persisted = $state<boolean | null>(null);
  let preview = $state.raw<ImportPreview | null>(null);
  let error = $state('');
  let busy = $state(false);
  const things = $derived(
    preview ? Object.values(preview.newThings).reduce((n, list) => n + list.length, 0) : 0
  );

  onMount(async () => (persisted = (await navigator.storage?.persisted?.()) ?? null));

  const askToKeep = async () => (persisted = (await navigator.storage?.persist?.()) ?? null);

  async function save() {
    const now = Date.now();
    const at = new Date(now).toISOString();
    const text = writeFile(await contentHere(household.settings), at);
    download(`cellar-${at.slice(0, 10)}.vecino.json`, text, 'application/json');
    await markExported(now);
    sayDone('Saved. Keep the file somewhere else than this device.');
  }

  async function open(files: FileList | null) {
    error = '';
    preview = null;
    const file = files?.[0];
    if (!file) return;
    try {
      preview = previewImport(readFile(await file.text()), await contentHere(household.settings));
    } catch (e) {
      error = `${file.name}: ${explain(e)}`;
    }
  }

  async function bringIn() {
    if (!preview) return;
    busy = true;
    try {
      await writeImport(preview);
      sayDone(
        `${preview.newEvents.length} events${things > 0 ? ` and ${things} other things` : ''} brought in.`
      );
      preview = null;
    } catch (e) {
      error = `Nothing was written: ${explain(e)}`;
    } finally {
      busy = false;
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
    <button class="btn btn-primary" onclick={save} disabled={household.counts.events === 0}
      >Save everything to a file</button
    >
    <label class="btn btn-line"
      >Bring a file in<input
        type="file"
        class="sr-only"
        accept=".json,application/json"
        onchange={(e) => {
          void open(e.currentTarget.files);
          e.currentTarget.value = '';
        }}
      /></label
    >
  </div>
  {#if error}<p role="alert" class="bg-tint-rose px-3 py-2">{error}</p>{/if}
  {#if preview}
    <div class="border-[1.5px] border-ink bg-slip p-4" role="region" aria-label="What the file holds">
      <p class="number text-[1.1875rem]">
        {preview.newEvents.length} new events, {preview.newBatches} new batches
      </p>
      <p>
        {preview.known} already here. {preview.different.length > 0
          ? `${preview.different.length} differ from what is here; yours stay.`
          : ''}
        {preview.newThings.vessels.length} new vessels, {preview.newThings.produce.length} new entries of produce,
        {preview.newThings.recipes.length} recipes, {preview.newThings.harvest.length} lots of harvest.
      </p>
      <p class="mt-2 flex gap-2">
        <button class="btn btn-primary" disabled={busy} onclick={bringIn}>Bring them in</button>
        <button class="btn btn-line" onclick={() => (preview = null)}>Leave it</button>
      </p>
    </div>
  {/if}
  <p class="small">
    {household.counts.events} events in the log. A file holds the whole log; bringing one in adds what is new and
    changes nothing else.
  </p>
</section>
