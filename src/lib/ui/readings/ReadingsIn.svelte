<script lang="ts">
  import type { Column, Mapping } from '$core/instruments/columns';
  import { THINNINGS } from '$core/instruments/thin';
  import { readTime, TIME_FORMATS, type TimeFormat } from '$core/instruments/time-text';
  import { counted } from '$core/units/format';
  import { inZone } from '$core/units/zone';
  import { household, type OpenBatch, vesselName } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { bringReadings, keepMapping, mappingFor, openReadings } from '$lib/store/readings-in';
  import type { Looked, ReadIn } from '$lib/files/csv-in';
  import Working from '../nav/Working.svelte';
  import { sayDone } from '../nav/said.svelte';
  import { explain } from '../words/own-units';
  import Holds from './Holds.svelte';
  import Preview from './Preview.svelte';

  /** Readings that a logger kept: a file is looked at, its columns named, and what matters of it is written down. */
  let { batch }: { batch: OpenBatch } = $props();

  type Coming = ReturnType<typeof openReadings>;
  const SHOWN = 5;
  const SPANS = {
    usual: 'what changes, at most one an hour',
    hour: 'one an hour',
    day: 'one a day',
    all: 'every row'
  } as const satisfies Record<keyof typeof THINNINGS, string>;
  let coming: Coming | null = null;
  let name = $state('');
  let looked = $state.raw<Looked | null>(null);
  let mapping = $state<Mapping | null>(null);
  let isKept = $state(false);
  /** Whether it is known which number of a date is its day. */
  let isSettled = $state(true);
  let span = $state<keyof typeof THINNINGS>('usual');
  let by = $state('logger');
  let vessel = $state('');
  let busy = $state<{ text: string; share: number } | null>(null);
  let found = $state.raw<ReadIn | null>(null);
  let error = $state('');

  const zone = $derived(batch.state.zone);
  const headOf = (l: Looked) => l.rows[0]!.join('|').slice(0, 300);
  const hasTime = $derived(mapping?.columns.some((c) => c === 'time' || c === 'date') ?? false);
  const hasFigure = $derived(
    mapping?.columns.some((c) => !['skip', 'time', 'date', 'clock', 'battery'].includes(c)) ?? false
  );

  function leave() {
    coming?.close();
    coming = null;
    looked = found = mapping = busy = null;
    error = '';
  }

  async function open(files: FileList | null) {
    const file = files?.[0];
    if (!file) return;
    leave();
    const mine = (coming = openReadings(file));
    name = file.name;
    try {
      const s = household.settings;
      const found = await mine.look({ zone: zoneHere(), isUs: s.system === 'us', prefersF: s.temp === 'F' });
      if (mine !== coming) return;
      if (found.rows.length === 0) throw new Error('There is no row in it.');
      const kept = await mappingFor(headOf(found));
      isKept = kept !== null && kept.columns.length === found.mapping.columns.length;
      isSettled = isKept || !found.isEither;
      looked = found;
      mapping = isKept ? kept : found.mapping;
    } catch (e) {
      if (mine === coming) error = `${file.name}: ${explain(e)}`;
    }
  }

  async function read() {
    const mine = coming;
    if (!mine || !mapping || !looked) return;
    busy = { text: `Reading ${name}`, share: 0 };
    error = '';
    try {
      const told = (share: number) => void (busy && (busy = { ...busy, share }));
      const answer = await mine.read(looked, mapping, THINNINGS[span], told);
      if (mine === coming) found = answer;
    } catch (e) {
      error = explain(e);
    } finally {
      if (mine === coming) busy = null;
    }
  }

  async function bring() {
    if (!found || !mapping || !looked) return;
    busy = { text: 'Writing it down', share: 1 };
    try {
      const done = await bringReadings(batch.id, found.kept, by.trim() || 'logger', vessel || undefined);
      await keepMapping(headOf(looked), mapping);
      const more = [
        done.known > 0 ? `${done.known} were here already` : '',
        done.leftOut > 0 ? `${done.leftOut} cannot be of this wine and were left out` : ''
      ].filter(Boolean);
      sayDone(
        `${counted(done.written.length, 'reading')} of ${name} written down${more.length > 0 ? `; ${more.join('; ')}` : ''}.`,
        done.written
      );
      leave();
    } catch (e) {
      error = explain(e);
    } finally {
      busy = null;
    }
  }
  function settle(time: TimeFormat) {
    mapping!.time = time;
    isSettled = true;
    found = null;
  }
  /** The first date of a file, as it stands there. */
  const dateIn = (l: Looked): string => {
    const c = l.mapping.columns.findIndex((k) => k === 'time' || k === 'date');
    return l.rows.find((r, i) => r[c]?.trim() && !(i === 0 && l.mapping.hasHead))?.[c]?.trim() ?? '';
  };
  const dayText = (l: Looked, order: 'dmy' | 'mdy'): string => {
    const at = readTime(dateIn(l), order, zone);
    return at === null
      ? TIME_FORMATS[order]
      : inZone(at, zone, { day: 'numeric', month: 'long', year: 'numeric' });
  };
  const set = (c: number, kind: Column) => {
    if (!mapping) return;
    // One column is one thing.
    mapping.columns = mapping.columns.map((k, i) =>
      i === c ? kind : k === kind && kind !== 'skip' ? 'skip' : k
    );
    found = null;
  };
</script>

<p class="mb-3 flex flex-wrap items-center gap-3">
  <label class="btn btn-primary"
    >Choose a file<input
      type="file"
      class="sr-only"
      accept=".csv,.txt,.tsv,text/csv,text/plain"
      onchange={(e) => {
        void open(e.currentTarget.files);
        e.currentTarget.value = '';
      }}
    /></label
  >
  <span class="small"
    >CSV or text, as any logger or spreadsheet saves it. Nothing is written before you have seen it.</span
  >
</p>
{#if error}<p role="alert" class="bg-tint-rose px-3 py-2 text-ink">{error} Nothing was written.</p>{/if}
{#if busy}<Working {...busy} onstop={leave} />{/if}
{#if looked && mapping}
  <Preview rows={looked.rows.slice(0, SHOWN + 1)} {mapping} onset={set} />
  {#if isKept}<p class="small">The columns are as you named them the last time.</p>{/if}
  {#if !isSettled}
    <div
      class="flex flex-wrap items-center gap-2 bg-tint-straw px-3 py-2 text-ink"
      role="group"
      aria-label="Which is the day"
    >
      <span>No row says which number is the day. Which day is {dateIn(looked)}?</span>
      {#each ['dmy', 'mdy'] as const as order (order)}
        <button class="btn btn-line" onclick={() => settle(order)}>{dayText(looked, order)}</button>
      {/each}
    </div>
  {/if}
  <div class="my-3 grid grid-cols-1 gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <label class="grid gap-1 font-semibold"
      >Times are written<select
        class="field"
        value={mapping.time}
        onchange={(e) => {
          settle(e.currentTarget.value as TimeFormat);
        }}
        >{#each Object.entries(TIME_FORMATS) as [id, t] (id)}<option value={id}>{t}</option>{/each}</select
      ></label
    >
    <label class="grid gap-1 font-semibold"
      >In the zone<input class="field" bind:value={mapping.zone} oninput={() => (found = null)} /></label
    >
    <label class="grid gap-1 font-semibold"
      >Decimals<select class="field" bind:value={mapping.decimal} onchange={() => (found = null)}
        ><option value=".">point, 1.064</option><option value=",">comma, 1,064</option></select
      ></label
    >
    <label class="grid gap-1 font-semibold"
      >Write down<select class="field" bind:value={span} onchange={() => (found = null)}
        >{#each Object.entries(SPANS) as [id, text] (id)}<option value={id}>{text}</option>{/each}</select
      ></label
    >
    <label class="grid gap-1 font-semibold"
      >Read by<input class="field" maxlength="60" bind:value={by} /></label
    >
    {#if batch.state.fills.length > 1}
      <label class="grid gap-1 font-semibold"
        >In<select class="field" bind:value={vessel}
          ><option value="">whatever it stood in</option>{#each batch.state.fills as f (f.vesselId)}<option
              value={f.vesselId}>{vesselName(f.vesselId, 'a vessel')}</option
            >{/each}</select
        ></label
      >
    {/if}
  </div>
  {#if !hasTime}<p role="alert" class="text-rosehip">No column is named as the time.</p>
  {:else if !hasFigure}<p role="alert" class="text-rosehip">No column is named as a figure.</p>
  {:else if !found && !busy && isSettled}<button class="btn btn-primary" onclick={read}>Read all of it</button
    >{/if}
  {#if found}<Holds {found} {zone} isBusy={busy !== null} onbring={bring} onleave={leave} />{/if}
{/if}
