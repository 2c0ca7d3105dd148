<script lang="ts">
  import { ADDITIVES, type AdditiveId } from '$core/must/substances';
  import { chooseIngredient, type Choice } from '$core/produce/choose';
  import { DOSES, doseG, isAbsurdDose, type DoseId } from '$core/scale/doses';
  import { InputError } from '$core/units/input-error';
  import { gramsText } from '$core/units/format';
  import { parseAs } from '$core/units/parse';
  import { volumeOf } from '$core/ledger/fold';
  import type { Ingredient } from '$core/must/plan';
  import { logAddition } from '$lib/store/actions';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$lib/store/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { ingredientText } from './ingredient-text';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`add:${batch.id}`, { what: '', amount: '', when: '' });
  const form = createWriteDown(draft, () => ondone());
  const country = $derived(countryOf(household.settings));
  const powder = $derived(
    (Object.keys(ADDITIVES) as AdditiveId[]).find((id) => draft.fields.what === ADDITIVES[id])
  );
  const answer = $derived(powder ? null : chooseIngredient(draft.fields.what, country));
  const choice = $derived<Choice | null>(answer?.kind === 'choices' ? (answer.choices[0] ?? null) : null);
  const litres = $derived(volumeOf(batch.state));
  const usual = $derived(powder && powder in DOSES ? doseG(powder as DoseId, litres)[1] : null);
  const names = ['White sugar', 'Honey', 'Water', 'Raisins', ...Object.values(ADDITIVES)];

  function item(): Ingredient {
    if (answer?.kind === 'refused') throw new InputError(`Not in a wine: ${answer.why}`, 'Leave it out.');
    if (powder) {
      const q = parseAs('mass', draft.fields.amount, 'g', country);
      if (powder in DOSES && isAbsurdDose(powder as DoseId, q.base * 1000, litres))
        throw new InputError(
          `${gramsText(q.base * 1000)} is more than ten times the most that anyone puts in ${litres.toFixed(1)} L.`,
          'Was a teaspoon meant, not a tablespoon? Grams, not ounces?'
        );
      return { kind: 'additive', additiveId: powder, massKg: q.base, unit: q.unit };
    }
    if (!choice)
      throw new InputError(
        `I do not know “${draft.fields.what}”.`,
        'Try sugar, honey, water, a fruit or a powder.'
      );
    const isVolume = 'volumeL' in choice.item;
    const q = isVolume
      ? parseAs('volume', draft.fields.amount, household.settings.volume, country)
      : parseAs('mass', draft.fields.amount, household.settings.mass, country);
    if (q.base <= 0) throw new InputError('The amount is nothing.', 'Give how much went in.');
    return {
      ...choice.item,
      ...(isVolume ? { volumeL: q.base } : { massKg: q.base }),
      unit: q.unit
    } as Ingredient;
  }

  const save = form.submit(async (when) => {
    const what = item();
    const event = await logAddition(batch.id, [what], when);
    return [`${ingredientText(what, household.settings)} in.`, event] as const;
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Add something">
  <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >What
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="field"
        list="add-names"
        autocomplete="off"
        autofocus
        value={draft.fields.what}
        oninput={(e) => draft.set('what', e.currentTarget.value)}
      />
      <datalist id="add-names"
        >{#each names as n (n)}<option value={n}></option>{/each}</datalist
      >
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >How much
      <input
        class="field"
        autocomplete="off"
        placeholder={powder ? '5 g' : '750 g'}
        value={draft.fields.amount}
        oninput={(e) => draft.set('amount', e.currentTarget.value)}
      />
    </label>
  </div>
  {#if answer?.kind === 'refused'}
    <p role="alert" class="bg-tint-rose px-3 py-2">Not in a wine: {answer.why}</p>
  {:else if powder === 'campden' || powder === 'metabisulphite'}
    <p class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
      Sulphite can bring on asthma. Weigh it, keep clear of the fumes, and label the wine.
    </p>
  {:else if powder === 'sorbate'}
    <p class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
      Sorbate only with sulphite, in wine that is finished and clear. It stops no running ferment.
    </p>
  {:else if choice}<p class="small">{choice.label}{usual ? '' : `: ${choice.hint}`}</p>{/if}
  {#if usual}<p class="small">Usual for {litres.toFixed(1)} L: {gramsText(usual)}.</p>{/if}
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
