<script lang="ts">
  import type { Worded } from '$core/label/facts';
  import type { Design } from '$core/ledger/events/label';
  import { ART, ART_IDS, type ArtId } from '$core/tables/art';
  import { INK_IDS, INKS } from '$core/tables/inks';
  import { household } from '$lib/store/household.svelte';
  import { sayWrong } from '../nav/said.svelte';
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import { smallPicture } from './picture';
  import { saveLabels } from './sheet.svelte';
  import type { Typed } from './label';

  /** What the label says and shows: empty fields are told by the wine. */
  type Props = {
    draft: { fields: Typed; set: (key: keyof Typed, text: string) => void };
    worded: Worded;
    design: Design;
    made: ArtId;
  };
  let { draft, worded, design, made }: Props = $props();

  const labels = $derived(household.settings.labels);
  const arts = $derived<[string, string][]>([
    [made, `As it is made: ${ART[made].name}`],
    ['none', 'None'],
    ...(labels.picture ? [['own', 'My own picture'] as [string, string]] : []),
    ...ART_IDS.filter((id) => id !== made).map<[string, string]>((id) => [id, ART[id].name])
  ]);

  async function choose(file: File | undefined) {
    if (!file) return;
    try {
      await saveLabels({ picture: await smallPicture(file) });
      draft.set('art', 'own');
    } catch (e) {
      sayWrong(e);
    }
  }
  async function address(text: string) {
    try {
      await saveLabels({ address: text.trim() });
    } catch {
      sayWrong(new Error('An address begins with https:// or http://, such as https://cellar.home.'));
    }
  }
</script>

<div class="grid gap-3">
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Colour">
    {#each INK_IDS as id (id)}
      <button
        type="button"
        aria-pressed={design.ink === id}
        aria-label={INKS[id].name}
        title={INKS[id].name}
        class="grid size-11 place-items-center border-[1.5px] {design.ink === id
          ? 'border-ink outline-2 outline-offset-2 outline-ink'
          : 'border-ink/40'}"
        style="background:{INKS[id].tint}"
        onclick={() => draft.set('ink', id)}
        ><span
          class="font-display text-[1.25rem] font-semibold"
          style="color:{INKS[id].ink}"
          aria-hidden="true">a</span
        ></button
      >
    {/each}
  </div>
  <Text {draft} at="name" label="Name" placeholder={design.name ?? worded.name} />
  <div class="grid grid-cols-2 gap-3">
    <Text {draft} at="year" label="Year" placeholder={design.year ?? worded.year} />
    <Text {draft} at="strength" label="Strength" placeholder={design.strength ?? worded.strength} />
  </div>
  <Text {draft} at="taste" label="Taste" placeholder={design.taste ?? worded.taste} />
  <Text {draft} at="note" label="Note" placeholder={design.note || labels.note} />
  <label class="flex min-h-11 items-center gap-2"
    ><input
      type="checkbox"
      class="checkbox"
      checked={design.note !== ''}
      onchange={(e) => draft.set('noNote', e.currentTarget.checked ? 'no' : 'yes')}
    /> With the note</label
  >
  <div class="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
    <Pick {draft} at="art" label="Drawing" value={design.art ?? made} options={arts} />
    <label class="btn btn-line cursor-pointer"
      >Picture <input
        type="file"
        accept="image/*"
        class="sr-only"
        onchange={(e) => void choose(e.currentTarget.files?.[0])}
      /></label
    >
  </div>
  <label class="flex min-h-11 items-center gap-2"
    ><input
      type="checkbox"
      class="checkbox"
      checked={design.hasCode}
      onchange={(e) => draft.set('code', e.currentTarget.checked ? 'yes' : 'no')}
    /> A code that phones read the facts from</label
  >
  {#if design.hasCode}
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Address of this Vecino, for the code
      <input
        class="field"
        inputmode="url"
        placeholder="none: facts only"
        value={labels.address}
        onchange={(e) => void address(e.currentTarget.value)}
      /></label
    >
  {/if}
</div>
