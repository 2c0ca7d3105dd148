<script lang="ts">
  import { hadG, lastYeastG } from '$core/ledger/had';
  import Text from '../field/Text.svelte';
  import { own } from '$lib/ui/words/own-units';
  import { cautionsAt, RULES } from '$core/cautions/rules';
  import { ACID_ADDITIONS, ADDITIVES } from '$core/tables/substances';
  import { chooseIngredient, type Choice } from '$core/plan/choose';
  import { campdenText, doseOf, usualG } from '$core/tables/doses';
  import { InputError } from '$core/units/input-error';
  import { gramsText, volumeText } from '$core/units/format';
  import { measuredPh } from '$core/ledger/acid-of';
  import { addedSo2MgL, fillL } from '$core/ledger/fill';
  import { doseL } from '$core/ledger/will-hold';
  import { withAmount, type Ingredient } from '$core/plan/plan';
  import type { Amount } from '$core/units/amount';
  import { put } from '$core/commands/put';
  import { acknowledge } from '$core/commands/tick';
  import { perform } from '$lib/store/record';
  import VesselPick from '../vessel/VesselPick.svelte';
  import Cautions from '../caution/Cautions.svelte';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { readText, readTyped } from '../field/read-text';
  import { ingredientText } from '../words/ingredient-text';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`add:${batch.id}`, {
    what: '',
    amount: '',
    when: '',
    layered: '',
    vessel: '',
    understood: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const country = $derived(countryOf(household.settings));
  const answer = $derived(chooseIngredient(draft.fields.what, country, household.ownProduce));
  const choice = $derived<Choice | null>(answer.kind === 'choices' ? (answer.choices[0] ?? null) : null);
  const powder = $derived(choice?.item.kind === 'additive' ? choice.item.additiveId : null);
  const named = $derived(batch.state.fills.find((f) => f.vesselId === draft.fields.vessel));
  const litres = $derived(named ? fillL(named) : doseL(batch.state));
  const dose = $derived(doseOf((choice?.item ?? {}) as { additiveId?: string; acidId?: string }));
  const usual = $derived(dose ? usualG(dose, litres, named ? 0 : batch.state.produceKg) : null);
  const names = [
    ...new Set([
      ...['White sugar', 'Honey', 'Water', 'Raisins'],
      ...Object.values(ADDITIVES),
      ...Object.values(ACID_ADDITIONS).map((a) => a.name)
    ])
  ];

  /** The amount beside the name, or said with it: `3 campden`. @throws InputError */
  function read(): { item: Ingredient; amount: Amount } {
    if (answer.kind === 'refused') throw new InputError(`Not in a wine: ${answer.why}`, 'Leave it out.');
    if (!choice)
      throw new InputError(
        answer.ask ?? `I do not know “${draft.fields.what}”.`,
        'Try sugar, honey, water, a fruit or a powder.'
      );
    if (draft.fields.amount.trim() || (!choice.amount && !choice.ask))
      return readTyped(draft.fields.amount, withAmount(choice.item, 0), household.settings);
    if (!choice.amount) throw new InputError(choice.ask ?? 'How much?', '');
    return { item: choice.item, amount: choice.amount };
  }
  function item(): Ingredient {
    const { item } = read();
    const isLayer = draft.fields.layered === 'yes' && (item.kind === 'sugar' || item.kind === 'honey');
    return isLayer ? { ...item, layered: true } : item;
  }
  /** What was typed, as it was read. */
  const asRead = $derived.by(() => {
    try {
      const { item, amount } = read();
      return readText(item, amount, household.settings);
    } catch {
      return null;
    }
  });

  /** What is about to go in, once it can be read; before that, what it is. */
  const adding = $derived.by<Ingredient | null>(() => {
    try {
      return item();
    } catch {
      return choice ? withAmount(choice.item, 0) : null;
    }
  });
  const cautions = $derived(
    adding
      ? cautionsAt(
          'add',
          {
            adding,
            volumeL: litres,
            hadG: hadG(batch.state, adding, named),
            yeastG: lastYeastG(batch.state),
            hadSo2MgL: named ? addedSo2MgL(named) : Math.max(0, ...batch.state.fills.map(addedSo2MgL)),
            ph: measuredPh(batch.state)
          },
          batch.state.acknowledged.filter((id) => RULES[id]?.level !== 'stop')
        )
      : []
  );
  const stop = $derived(cautions.find((c) => c.level === 'stop'));
  const understood = $derived(draft.fields.understood === stop?.text);

  const save = form.submit(() => {
    const what = item();
    if (stop && !understood) throw new InputError(stop.text, 'Correct it, or say that it is what you mean.');
    return [
      `${ingredientText(what, household.settings)} in.`,
      [...(stop ? acknowledge(batch.id, stop.id, stop.text) : []), ...put(batch.id, [what], named?.vesselId)]
    ];
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
    <Text
      {draft}
      at="amount"
      label="How much"
      placeholder={powder === 'campden' ? '2 tablets' : powder ? '5 g' : '750 g'}
    />
  </div>
  {#if answer.kind === 'refused'}
    <p role="alert" class="bg-tint-rose px-3 py-2">Not in a wine: {answer.why}</p>
  {:else if choice}<p class="small" data-testid="as-read">
      {choice.label}{asRead ? `, ${asRead}` : usual ? '' : `: ${own(choice.hint)}`}
    </p>{/if}
  <Cautions list={cautions} onaway={(id) => void perform(acknowledge(batch.id, id))} />
  {#if stop}
    <label class="flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="checkbox"
        checked={understood}
        onchange={(e) => draft.set('understood', e.currentTarget.checked ? stop.text : '')}
      /> I understand, and it is what I mean</label
    >
  {/if}
  {#if choice && (choice.item.kind === 'sugar' || choice.item.kind === 'honey')}
    <label class="flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="checkbox"
        checked={draft.fields.layered === 'yes'}
        onchange={(e) => draft.set('layered', e.currentTarget.checked ? 'yes' : '')}
      /> Left on the bottom to dissolve</label
    >
  {/if}
  {#if usual}<p class="small">
      Usual for {volumeText(litres, household.settings.volume)}: {powder === 'campden'
        ? campdenText(usual)
        : gramsText(usual)}.
    </p>{/if}
  <VesselPick
    {batch}
    value={draft.fields.vessel}
    onset={(v) => draft.set('vessel', v)}
    label="Into"
    all="all of them, by what stands in each"
  />
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">{form.asks ? 'It is so: write it down' : 'Write it down'}</button>
</form>
