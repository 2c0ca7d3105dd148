<script lang="ts">
  import Text from '../field/Text.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { chooseIngredient } from '$core/plan/choose';
  import { withAmount, type Ingredient } from '$core/plan/plan';
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/parse';
  import { steep, takeSteepOut } from '$core/commands/put';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import { tell } from '../nav/said.svelte';
  import { dayWord } from '../shelf/when';
  import { readTyped } from '../field/read-text';
  import WhenField from '../field/WhenField.svelte';

  /** Second fruit, oak, hops: hung in, tasted by a day, taken out. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`steep:${batch.id}`, { what: '', amount: '', days: '7', vessel: '', when: '' });
  const form = createWriteDown(draft, () => ondone());
  const country = $derived(countryOf(household.settings));
  const hanging = $derived(batch.state.steeps.filter((s) => s.outAt === null));
  const DAY = 86_400_000;

  function item(): Ingredient {
    const { what, amount } = draft.fields;
    const answer = chooseIngredient(what, country, household.ownProduce);
    if (answer.kind === 'refused') throw new InputError(`Not in a wine: ${answer.why}`, 'Leave it out.');
    const choice = answer.choices.find((c) => c.item.kind === 'produce' || isHung(c.item));
    if (!choice) throw new InputError(`I do not know “${what}”.`, 'Try a fruit, Oak chips or Dry hops.');
    if (!amount.trim() && choice.amount) return choice.item;
    return readTyped(
      amount,
      withAmount(choice.item, 0),
      household.settings,
      choice.item.kind === 'produce' ? undefined : 'g'
    ).item;
  }
  const isHung = (i: Ingredient) =>
    i.kind === 'additive' && ['oak', 'hops', 'zest', 'tea'].includes(i.additiveId);

  const save = form.submit((when) => {
    const days = parseNumber(draft.fields.days);
    if (days === null || days > 400) throw new InputError('Taste it after how many days?', 'Give a number.');
    if (batch.state.fills.length > 1 && !draft.fields.vessel)
      throw new InputError('It stands in several vessels.', 'Say which one it hangs in.', 'vessel');
    const deed = steep(batch.id, {
      ingredients: [item()],
      tasteBy: new Date(when.at + days * DAY).toISOString(),
      ...(draft.fields.vessel ? { vesselId: draft.fields.vessel } : {})
    });
    return [`${draft.fields.what} hung in.`, deed];
  });
</script>

{#each hanging as s (s.id)}
  <p class="dashline mb-2 flex items-center justify-between gap-3 pb-2">
    <span
      ><b>{s.names.join(', ')}</b> in since {dayWord(s.at, household.now, batch.state.zone)}{s.tasteBy
        ? `, taste by ${dayWord(s.tasteBy, household.now, batch.state.zone)}`
        : ''}</span
    >
    <button
      type="button"
      class="btn btn-line"
      onclick={() => tell(`${s.names.join(', ')} taken out.`, () => takeSteepOut(batch.id, s.id))}
      >Take it out</button
    >
  </p>
{/each}
<form class="grid gap-3" onsubmit={save} aria-label="Hang something in">
  <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
    <Text {draft} at="what" label="What" list="steep-names" />
    <datalist id="steep-names"
      ><option value="Oak chips"></option><option value="Dry hops"></option><option value="Raspberry"
      ></option></datalist
    >
    <Text {draft} at="amount" label="How much" placeholder="300 g" />
    <Text {draft} at="days" label="Taste after, days" mode="numeric" />
    <VesselPick {batch} value={draft.fields.vessel} onset={(v) => draft.set('vessel', v)} label="In" />
  </div>
  <p class="small">Fruit brings sugar and water again, and the yeast wakes.</p>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">It is in</button>
</form>
