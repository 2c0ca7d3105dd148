<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import { own } from '../words/own-units';
  import { entryFigure, gramsText } from '$core/units/format';
  import { choiceIdOf, yeastChoices } from '../plan/yeast-choices';
  import { InputError } from '$core/units/input-error';
  import { YEAST_THING } from '$core/plan/thing';
  import { readAmount } from '$core/units/reckon';
  import { usualDoseG } from '$core/steps/table/powder';
  import { pitch } from '$core/commands/put';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { volumeOf } from '$core/ledger/state';
  import { judgeDose, slipText } from '$core/tables/doses';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import BatchCautions from '../caution/BatchCautions.svelte';
  import WhenField from '../field/WhenField.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`pitch:${batch.id}`, {
    yeast: choiceIdOf(batch.state.plan.yeast, household.yeasts),
    mass: entryFigure(usualDoseG('yeast', batch.state), 'g'),
    how: 'dry',
    when: ''
  });
  const yeasts = $derived(yeastChoices(household.yeasts));
  const form = createWriteDown(draft, () => ondone());

  /** Grams as they are typed; null until they can be read. */
  const grams = $derived.by(() => {
    try {
      return readAmount(draft.fields.mass, YEAST_THING, 'g').base * 1000;
    } catch {
      return null;
    }
  });
  const verdict = $derived(grams === null ? null : judgeDose('yeast', grams, volumeOf(batch.state)));

  const HOW = [
    ['dry', 'sprinkled dry'],
    ['rehydrated', 'rehydrated'],
    ['starter', 'starter']
  ] as const;
  const save = form.submit(() => {
    const massG = readAmount(draft.fields.mass, YEAST_THING, 'g').base * 1000;
    if (verdict === 'absurd')
      throw new InputError(
        `${gramsText(massG)} of yeast is more than ten times the most.`,
        'Were grams meant? Correct it.'
      );
    const data = {
      yeast: yeasts.find((y) => y.id === draft.fields.yeast)?.yeast ?? { yeastId: 'wine' as const },
      how: draft.fields.how as 'dry',
      ...(massG > 0 ? { massG } : {})
    };
    return [`${batch.state.name}: yeast in.`, pitch(batch.id, data)];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Yeast in">
  <Pick {draft} at="yeast" label="Yeast" options={yeasts.map((y) => [y.id, y.name])} />
  <div class="grid grid-cols-2 gap-3">
    <Text {draft} at="mass" label="Grams" mode="decimal" />
    <Pick {draft} at="how" label="How" options={HOW} />
  </div>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if verdict === 'high' || verdict === 'absurd'}<p
      class="bg-tint-straw px-3 py-2 text-[0.9375rem]"
      role="status"
    >
      More yeast than anyone pitches. {own(slipText('yeast', grams ?? 0, volumeOf(batch.state)))}
    </p>{/if}
  <BatchCautions {batch} place="ferment" />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Yeast is in</button>
</form>
