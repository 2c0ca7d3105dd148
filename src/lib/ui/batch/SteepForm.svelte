<script lang="ts">
  import { chooseIngredient } from '$core/plan/choose';
  import { withAmount, type Ingredient } from '$core/plan/plan';
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/parse';
  import { logSteep, logSteepOut } from '$lib/store/actions';
  import { household, vesselById, type Batch } from '$lib/store/household.svelte';
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

  const save = form.submit(async (when) => {
    const days = parseNumber(draft.fields.days);
    if (days === null || days > 400) throw new InputError('Taste it after how many days?', 'Give a number.');
    const event = await logSteep(
      batch.id,
      {
        ingredients: [item()],
        tasteBy: new Date(when.at + days * DAY).toISOString(),
        ...(draft.fields.vessel ? { vesselId: draft.fields.vessel } : {})
      },
      when
    );
    return [`${draft.fields.what} hung in.`, event] as const;
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
      onclick={() => tell(`${s.names.join(', ')} taken out.`, () => logSteepOut(batch.id, s.id))}
      >Take it out</button
    >
  </p>
{/each}
<form class="grid gap-3" onsubmit={save} aria-label="Hang something in">
  <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >What
      <input
        class="field"
        list="steep-names"
        autocomplete="off"
        value={draft.fields.what}
        oninput={(e) => draft.set('what', e.currentTarget.value)}
      />
      <datalist id="steep-names"
        ><option value="Oak chips"></option><option value="Dry hops"></option><option value="Raspberry"
        ></option></datalist
      >
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >How much
      <input
        class="field"
        autocomplete="off"
        placeholder="300 g"
        value={draft.fields.amount}
        oninput={(e) => draft.set('amount', e.currentTarget.value)}
      />
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Taste after, days
      <input
        class="field"
        inputmode="numeric"
        autocomplete="off"
        value={draft.fields.days}
        oninput={(e) => draft.set('days', e.currentTarget.value)}
      />
    </label>
    {#if batch.state.fills.length > 1}
      <label class="grid gap-1 text-[0.9375rem] font-semibold"
        >In
        <select
          class="field"
          value={draft.fields.vessel}
          onchange={(e) => draft.set('vessel', e.currentTarget.value)}
          >{#each batch.state.fills as f (f.vesselId)}<option value={f.vesselId}
              >{vesselById(f.vesselId)?.name ?? 'vessel'}</option
            >{/each}</select
        >
      </label>
    {/if}
  </div>
  <p class="small">Fruit brings sugar and water again, and the yeast wakes.</p>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">It is in</button>
</form>
