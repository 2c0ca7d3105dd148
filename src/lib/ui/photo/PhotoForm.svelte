<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { colourByWhite, type Rgb } from '$core/plan/colour';
  import type { Batch } from '$lib/store/household.svelte';
  import { newId } from '$lib/store/here';
  import { keepPhoto, readyPhoto, type Ready } from '$lib/store/photos';
  import { dropShared, sharedPhoto } from '$lib/store/shared-photo';
  import { parseWhen } from '../field/parse-when';
  import WhenField from '../field/WhenField.svelte';
  import { sayDone } from '../nav/said.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { explain } from '../words/own-units';

  /** A picture of a wine, taken or chosen; where a white sheet stands beside it, its colour is read from it. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  const form = newId();
  let ready = $state.raw<Ready | null>(null);
  let url = $state('');
  let caption = $state('');
  let vessel = $state('');
  let when = $state('');
  let error = $state('');
  let busy = $state(false);
  let asks: 'sheet' | 'wine' | null = $state(null);
  let sheet = $state.raw<Rgb | null>(null);
  let wine = $state.raw<Rgb | null>(null);
  const colour = $derived(sheet && wine ? colourByWhite(wine, sheet) : null);
  let img = $state<HTMLImageElement>();

  // One that was shared from elsewhere waits for the wine that was chosen.
  onMount(async () => {
    const waiting = await sharedPhoto();
    if (!waiting) return;
    caption = waiting.caption.slice(0, 400);
    await take(waiting.blob);
    await dropShared();
  });

  const forget = () => url && URL.revokeObjectURL(url);
  onDestroy(forget);

  const open = async (files: FileList | null) => {
    if (files?.[0]) await take(files[0]);
  };
  async function take(file: Blob) {
    error = '';
    busy = true;
    try {
      ready = await readyPhoto(file);
      forget();
      url = URL.createObjectURL(ready.blob);
      sheet = wine = asks = null;
    } catch (e) {
      error = explain(e);
    } finally {
      busy = false;
    }
  }

  /** So many dots about the finger are looked at. */
  const ABOUT = 12;
  /** The middle colour of what lies under the finger. */
  function pick(e: MouseEvent) {
    if (!asks || !img || !ready) return;
    const box = img.getBoundingClientRect();
    const x = Math.round(((e.clientX - box.left) / box.width) * ready.width);
    const y = Math.round(((e.clientY - box.top) / box.height) * ready.height);
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 2 * ABOUT;
    const pen = canvas.getContext('2d')!;
    pen.drawImage(img, x - ABOUT, y - ABOUT, 2 * ABOUT, 2 * ABOUT, 0, 0, 2 * ABOUT, 2 * ABOUT);
    const { data } = pen.getImageData(0, 0, 2 * ABOUT, 2 * ABOUT);
    const middle = (c: number): number => {
      const all: number[] = [];
      for (let i = 0; i < data.length; i += 4) if (data[i + 3]! > 0) all.push(data[i + c]!);
      return all.sort((a, b) => a - b)[all.length >> 1] ?? 0;
    };
    const found: Rgb = [middle(0), middle(1), middle(2)];
    if (asks === 'sheet') [sheet, asks] = [found, 'wine'];
    else [wine, asks] = [found, null];
  }

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!ready || busy) return;
    busy = true;
    error = '';
    try {
      const now = Date.now();
      const about = {
        ...(vessel ? { vesselId: vessel } : {}),
        ...(caption.trim() ? { caption: caption.trim() } : {}),
        ...(colour ? { colour } : {})
      };
      const events = await keepPhoto(batch.id, ready, about, {
        at: parseWhen(when, now),
        recordedAt: now,
        form
      });
      sayDone('Photo kept.', events);
      ondone();
    } catch (err) {
      error = explain(err);
    } finally {
      busy = false;
    }
  }
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Photo">
  <p class="flex flex-wrap gap-2">
    <label class="btn {ready ? 'btn-line' : 'btn-primary'}"
      >Take one<input
        type="file"
        class="sr-only"
        accept="image/*"
        capture="environment"
        onchange={(e) => void open(e.currentTarget.files)}
      /></label
    >
    <label class="btn btn-line"
      >Choose one<input
        type="file"
        class="sr-only"
        accept="image/*"
        onchange={(e) => void open(e.currentTarget.files)}
      /></label
    >
  </p>
  {#if ready}
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
    <img
      bind:this={img}
      src={url}
      alt="What is kept"
      width={ready.width}
      height={ready.height}
      class="max-h-96 w-auto max-w-full border border-rule object-contain {asks ? 'cursor-crosshair' : ''}"
      onclick={pick}
    />
    {#if asks}<p class="bg-tint-straw px-3 py-2 text-ink">
        {asks === 'sheet' ? 'Tap the white sheet beside the glass.' : 'Now tap the wine.'}
      </p>
    {:else if sheet && wine}
      <p class="flex items-center gap-3">
        {#if colour}<span class="size-9 border border-ink" style:background={colour}></span>Its colour in the
          light of that sheet.
        {:else}<span class="text-rosehip"
            >That cannot be told: the sheet is too dark, or lighter than it is the wine.</span
          >{/if}
        <button type="button" class="btn btn-plain" onclick={() => (asks = 'sheet')}>again</button>
      </p>
    {:else}<button
        type="button"
        class="btn btn-plain justify-self-start px-0!"
        onclick={() => (asks = 'sheet')}>Read its colour beside a white sheet</button
      >{/if}
    <label class="grid gap-1 font-semibold"
      >What it shows<input class="field" maxlength="400" autocomplete="off" bind:value={caption} /></label
    >
    {#if batch.state.fills.length > 1}
      <VesselPick {batch} value={vessel} onset={(v) => (vessel = v)} label="Which" />
    {/if}
    <WhenField value={when} onset={(v) => (when = v)} />
    <p class="small">It is made small and kept here and in your files; where it was taken is not kept.</p>
  {/if}
  {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
  {#if ready}<button class="btn btn-primary" disabled={busy}>Keep it</button>{/if}
</form>
