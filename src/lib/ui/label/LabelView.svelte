<script lang="ts">
  import { labelsMade } from '$core/commands/finish';
  import { artOf } from '$core/label/art-of';
  import { artFor, codeText, contentOf, saidOf } from '$core/label/content';
  import { drawLabel } from '$core/label/draw-label';
  import { factsOf, wordsOf } from '$core/label/facts';
  import { LAYOUTS } from '$core/label/layouts';
  import { pagesOf } from '$core/label/sheet';
  import { countOf } from '$core/label/sheets';
  import { LAYOUT_IDS } from '$core/ledger/events/label';
  import { counted } from '$core/units/format';
  import { codeOf } from '$lib/files/code';
  import { perform } from '$lib/store/record';
  import { household, type OpenBatch, vesselName } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import Pick from '../field/Pick.svelte';
  import { sayDone } from '../nav/said.svelte';
  import Drawing from './Drawing.svelte';
  import LabelWords from './LabelWords.svelte';
  import { beginning, choicesOf, designOf, lostText } from './label';
  import { loadFaces, measure } from './measure.svelte';
  import SheetPick from './SheetPick.svelte';
  import { gridHere, saveLabels } from './sheet.svelte';
  import Sheets from './Sheets.svelte';

  /** Labels for bottles: how they look, what they say, and the sheets they are printed on. */
  let { batch }: { batch: OpenBatch } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`label:${batch.id}`, beginning(batch.state.label));
  const f = $derived(draft.fields);
  const labels = $derived(household.settings.labels);
  const choices = $derived(choicesOf(batch.state, household.settings, vesselName));
  const chosen = $derived(choices.find((c) => c.id === f.of) ?? choices[0]);
  const design = $derived(designOf(f, labels));
  const facts = $derived(chosen ? factsOf(batch.state, chosen.of, batch.standing.belief) : null);
  const worded = $derived(facts && wordsOf(facts, household.settings.system, batch.state.zone));
  const said = $derived(worded && saidOf(worded, design));
  const made = $derived(artOf(batch.state.plan.ingredients));
  const code = $derived(
    said && facts && design.hasCode
      ? codeOf(codeText(said, facts, labels.address, `/batches/${batch.id}`))
      : null
  );
  const content = $derived(
    said && facts ? contentOf(said, facts, design, labels, artFor(design, made, labels.picture), code) : null
  );
  const grid = $derived(gridHere());
  const size = $derived({ w: grid.wMm, h: grid.hMm });

  /** Counts up once the faces hold the letters: what was measured before is drawn anew. */
  let loaded = $state(0);
  $effect(() => {
    const text = content
      ? [content.name, content.year, ...content.facts, content.must, ...content.may].join(' ')
      : '';
    void loadFaces(text).then((isNew) => (loaded += Number(isNew)));
  });
  const drawn = $derived.by(() => {
    void loaded;
    return (
      content &&
      Object.fromEntries(
        LAYOUT_IDS.map((layout) => [layout, drawLabel({ ...design, layout }, content, size, measure)])
      )
    );
  });
  const label = $derived(drawn?.[design.layout]);
  const count = $derived(Number(f.count) || chosen?.count || 1);
  const first = $derived(Math.min(Number(f.first) || 1, countOf(grid)));
  const pages = $derived(label ? pagesOf([{ drawn: label, count }], grid, first, labels.isToCut) : []);
  const lost = $derived(lostText(label?.lost ?? []));

  async function keep() {
    const events = await perform(labelsMade(batch.id, count, design));
    await saveLabels({ layout: design.layout, ink: design.ink });
    sayDone(`${counted(count, 'label')} for ${batch.state.name}.`, events);
  }
</script>

<div class="no-print">
  <p class="pt-2">
    <a href="/batches/{batch.id}" class="small inline-flex min-h-11 items-center underline underline-offset-4"
      >Back to {batch.state.name}</a
    >
  </p>
  <h1 class="sentence mb-3 font-bold!">Labels for {batch.state.name}</h1>
</div>
{#if label && worded && content && drawn}
  <div class="grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,19rem)_minmax(0,15rem)] print:block">
    <section class="no-print grid content-start gap-4" aria-label="The label">
      <Drawing
        {...size}
        marks={label.marks}
        label="The label: {content.name}"
        class="h-auto max-h-[17rem] w-full border border-ink/30"
      />
      {#if lost}<p class="text-rosehip">Too small for {lost}.</p>{/if}
      <ul class="grid grid-cols-3 gap-3" aria-label="Layouts">
        {#each LAYOUT_IDS as layout (layout)}
          <li>
            <button
              type="button"
              class="block w-full border-[1.5px] p-1 {design.layout === layout
                ? 'border-ink outline-2 outline-offset-1 outline-ink'
                : 'border-rule'}"
              aria-pressed={design.layout === layout}
              aria-label={LAYOUTS[layout].name}
              onclick={() => draft.set('layout', layout)}
              ><Drawing {...size} marks={drawn[layout]!.marks} label={layout} class="h-auto w-full" /></button
            >
          </li>
        {/each}
      </ul>
    </section>
    <section class="no-print grid content-start gap-3" aria-label="What it says">
      {#if choices.length > 1}
        <Pick
          {draft}
          at="of"
          label="Which bottles"
          value={chosen!.id}
          options={choices.map((c) => [c.id, c.text])}
        />
      {/if}
      <LabelWords {draft} {worded} {design} {made} />
    </section>
    <section class="grid content-start gap-4 print:block" aria-label="Sheets">
      <div class="no-print">
        <SheetPick
          {count}
          {first}
          oncount={(n) => draft.set('count', String(n))}
          onfirst={(n) => draft.set('first', String(n))}
        />
      </div>
      <Sheets {pages} name="{batch.state.name} labels" onmade={keep} />
    </section>
  </div>
{:else}
  <p>Nothing of it is in a jar or in bottles yet, so there is nothing to label.</p>
{/if}
