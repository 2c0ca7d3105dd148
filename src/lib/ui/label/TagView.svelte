<script lang="ts">
  import { containsOf } from '$core/label/facts';
  import { drawTag } from '$core/label/draw-tag';
  import { linkTo, mustText } from '$core/label/content';
  import { pagesOf } from '$core/label/sheet';
  import { countOf } from '$core/label/sheets';
  import { fillL } from '$core/ledger/fill';
  import { volumeText } from '$core/units/format';
  import { inZone } from '$core/units/zone';
  import { codeOf } from '$lib/files/code';
  import { household, type OpenBatch, vesselName } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { printedWord, spanWord } from '../shelf/when';
  import Drawing from './Drawing.svelte';
  import { lostText } from './label';
  import { loadFaces, measure } from './measure.svelte';
  import SheetPick from './SheetPick.svelte';
  import { gridHere } from './sheet.svelte';
  import Sheets from './Sheets.svelte';

  /** A tag for each vessel, to tie on: name, date, start, what comes next, and a code that says the same. */
  let { batch }: { batch: OpenBatch } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`tags:${batch.id}`, { count: '1', first: '1' });
  const s = $derived(batch.state);
  const labels = $derived(household.settings.labels);
  const grid = $derived(gridHere());
  const size = $derived({ w: grid.wMm, h: grid.hMm });
  const began = $derived(inZone(s.startedAt, s.zone, { day: 'numeric', month: 'short', year: 'numeric' }));
  /** The days in which it is likely done, while they are to come. */
  const doneSpan = $derived(
    batch.course?.doneAt && batch.course.doneAt.low > household.now
      ? spanWord(batch.course.doneAt.low, batch.course.doneAt.high, s.zone)
      : ''
  );
  const soonest = $derived(batch.due.slice(0, 4).sort((a, b) => a.lateAt - b.lateAt));
  const tags = $derived(
    s.fills.map((fill) => {
      const where = [
        began,
        vesselName(fill.vesselId),
        volumeText(fillL(fill), household.settings.volume)
      ].join(', ');
      const course = [
        s.startSg && `Began at ${s.startSg.sg.toFixed(3)}.`,
        doneSpan && `Done about ${doneSpan}.`
      ]
        .filter(Boolean)
        .join(' ');
      const must = mustText({ contains: containsOf(s, fill) });
      const link = linkTo(labels.address, `/batches/${batch.id}`);
      return {
        name: s.name,
        where,
        course,
        next: soonest.map((d) => ({
          what: d.step.title,
          when: printedWord(d, household.now, s.zone)
        })),
        must,
        code: codeOf([s.name, where, course, must, link].filter(Boolean).join('\n'))
      };
    })
  );

  let loaded = $state(0);
  $effect(() => {
    void loadFaces(tags.map((t) => `${t.name}${t.where}${t.must}`).join('')).then(
      (isNew) => (loaded += Number(isNew))
    );
  });
  const drawn = $derived.by(() => {
    void loaded;
    return tags.map((t) => drawTag(t, size, measure));
  });
  const first = $derived(Math.min(Number(draft.fields.first) || 1, countOf(grid)));
  const count = $derived(Number(draft.fields.count) || 1);
  const pages = $derived(
    pagesOf(
      drawn.map((d) => ({ drawn: d, count })),
      grid,
      first,
      labels.isToCut
    )
  );
</script>

<div class="no-print">
  <p class="pt-2">
    <a href="/batches/{batch.id}" class="small inline-flex min-h-11 items-center underline underline-offset-4"
      >Back to {s.name}</a
    >
  </p>
  <h1 class="sentence mb-3 font-bold!">Tags for {s.name}</h1>
</div>
{#if tags.length === 0}
  <p>It stands in no vessel. <a class="link" href="/batches/{batch.id}/labels">Labels for its bottles</a></p>
{:else}
  <div class="grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,19rem)] print:block">
    <section class="no-print grid content-start gap-4" aria-label="The tags">
      {#each drawn as d, i (tags[i]!.where)}
        <Drawing {...size} marks={d.marks} label={tags[i]!.where} class="h-auto max-h-[24rem] w-full" />
        {#if d.lost.length > 0}<p class="text-rosehip">
            Too small for {lostText(d.lost)}.
          </p>{/if}
      {/each}
    </section>
    <section class="grid content-start gap-4 print:block" aria-label="Sheets">
      <div class="no-print">
        <SheetPick
          {count}
          {first}
          each={tags.length > 1 ? ' of each' : ''}
          oncount={(n) => draft.set('count', String(n))}
          onfirst={(n) => draft.set('first', String(n))}
        />
      </div>
      <Sheets {pages} name="{s.name} tags" />
    </section>
  </div>
{/if}
