<script lang="ts">
  import { nextTimeNotes } from '$core/ledger/as-made';
  import { liveEvents } from '$core/ledger/log';
  import { stampOf } from '$core/report/tables';
  import { batchMarkdown } from '$lib/files/batch-markdown';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { batchFile } from '$lib/store/file-of';
  import { sayDone, sayWrong } from '../nav/said.svelte';
  import { download, fileName } from '../recipe/download';
  import { LINES } from '../batches/sums';
  import { eventWords } from '../words/event-words';
  import { batchSentence, plainText } from './batch-sentence';
  import { ingredientText } from '../words/ingredient-text';

  /** A wine as a text of one's own, and readings of a logger into it. */
  let { batch }: { batch: OpenBatch } = $props();

  function save() {
    const { state: s } = batch;
    const text = batchMarkdown({
      name: s.name,
      says: plainText(batchSentence(batch, household)),
      figures: LINES.filter((l) => l.what !== 'Tasted').map((l) => [l.what, l.of(batch)]),
      ingredients: s.plan.ingredients.map((i) => ingredientText(i, household.settings)),
      happened: liveEvents(batch.events)
        .filter((e) => e.batchId === batch.id)
        .map((e) => {
          const [what, detail] = eventWords(e, batch, household.settings, household.now);
          return { day: stampOf(Date.parse(e.at), e.zone), what, detail };
        }),
      nextTime: nextTimeNotes(batch.events).map((n) => n.text),
      contains: s.allergens
    });
    download(`${fileName(s.name)}.md`, text, 'text/markdown');
    sayDone(`${fileName(s.name)}.md is handed to your downloads.`);
  }

  async function saveFile() {
    try {
      const { name, blob } = await batchFile(batch.id, fileName(batch.state.name));
      download(name, blob, blob.type);
      sayDone(`${name} is handed to your downloads: this wine alone, to be brought in elsewhere.`);
    } catch (e) {
      sayWrong(e);
    }
  }
</script>

<p class="flex flex-wrap gap-x-4">
  <button class="btn btn-plain px-0!" onclick={save}>Save it as text</button>
  <button class="btn btn-plain px-0!" onclick={saveFile}>Save its file</button>
  {#if batch.state.fills.length > 0}<a class="btn btn-plain px-0!" href="/batches/{batch.id}/readings"
      >Readings of a logger</a
    >{/if}
</p>
