<script lang="ts">
  import { hadG, lastYeastG } from '$core/ledger/had';
  import { explain, own } from '$lib/ui/words/own-units';
  import { cautionsAt } from '$core/cautions/rules';
  import { measuredPh } from '$core/ledger/acid-of';
  import { addedSo2MgL } from '$core/ledger/fill';
  import type { BrewCard } from '$core/steps/brew';
  import { amountOf, type Ingredient, type Plan } from '$core/plan/plan';
  import { bareUnit, thingOf, typedUnit, YEAST_THING } from '$core/plan/thing';
  import type { AmountUnit } from '$core/units/words';
  import { readAmount } from '$core/units/reckon';
  import { doseOf, judgeDose, slipText, spoonText } from '$core/tables/doses';
  import { additiveOf } from '$core/must/powders';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { pitch, put } from '$core/commands/put';
  import { acknowledge, startTimer, tick } from '$core/commands/tick';
  import { perform } from '$lib/store/record';
  import { readText, readTyped } from '../field/read-text';
  import Cautions from '../caution/Cautions.svelte';
  import { askedText } from './asked-text';
  import ScaleTake from '../instruments/ScaleTake.svelte';
  import SlipAsk from './SlipAsk.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { sayWrong, tell } from '../nav/said.svelte';

  /** One thing to weigh: how much it should be, what it really was, and a guard on a slipped spoon. */
  type Props = {
    card: BrewCard;
    batch: OpenBatch;
    plan: Plan;
    volumeL: number;
    timer: number | null;
    now: number;
    /** what so much of it changes of what is still to come, in words */
    changes: (row: Ingredient) => string | null;
  };
  let { card, batch, plan, volumeL, timer, now, changes }: Props = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`brew:${batch.id}:${card.id}`, { amount: '', meant: '' });
  const s = $derived(household.settings);
  const country = $derived(countryOf(s));
  const isPowder = $derived(
    card.kind !== 'weigh' || card.row?.kind === 'acid' || card.row?.kind === 'additive'
  );
  /** What is to go in, as it was worked out. */
  const planned = $derived<Ingredient | null>(
    card.row ??
      (card.powder && additiveOf(card.powder)
        ? { kind: 'additive', additiveId: additiveOf(card.powder)!, massKg: card.powder.massG / 1000 }
        : null)
  );
  const massG = $derived(card.powder?.massG ?? 1000 * (planned ? amountOf(planned) : 0));
  const teaspoonG = $derived(planned ? (thingOf(planned).teaspoonG ?? null) : null);
  const unit = $derived<AmountUnit>(
    planned && isPowder
      ? (bareUnit(planned, s.mass, s.volume) ?? 'g')
      : planned
        ? typedUnit(planned, 'volumeL' in planned ? s.volume : s.mass)
        : 'g'
  );

  /** The amount, large. */
  const asked = $derived(askedText(card, planned, unit));
  const spoon = $derived(isPowder && teaspoonG ? spoonText(massG, teaspoonG) : '');

  type Read = { item: Ingredient; text: string } | { error: string };
  const read = $derived.by<Read>(() => {
    const typed = draft.fields.amount.trim();
    try {
      if (!planned) {
        const kg =
          typed && card.kind === 'yeast' ? readAmount(typed, YEAST_THING, 'g', country).base : massG / 1000;
        return { item: { kind: 'additive', additiveId: 'nutrient', massKg: kg }, text: typed || asked };
      }
      if (typed === '') return { item: planned, text: asked };
      const { item, amount } = readTyped(typed, planned, s, unit);
      return { item, text: readText(item, amount, s) };
    } catch (e) {
      return { error: explain(e) };
    }
  });
  const item = $derived('item' in read ? read.item : null);
  const dose = $derived(
    isPowder && item && planned ? doseOf(item as { additiveId?: string; acidId?: string }) : null
  );
  /** Said at the card, before it is in: a weight that changes the rest is no surprise later. */
  const then = $derived(
    card.kind === 'weigh' && item && draft.fields.amount.trim()
      ? changes({ ...item, id: card.row?.id } as Ingredient)
      : null
  );
  const had = $derived(item ? hadG(batch.state, item as Ingredient) : 0);
  const verdict = $derived(
    dose && item && draft.fields.amount.trim()
      ? judgeDose(dose, 1000 * amountOf(item), volumeL, had, lastYeastG(batch.state))
      : 'usual'
  );
  const so2 = $derived(
    item
      ? cautionsAt('add', {
          adding: item,
          volumeL,
          hadSo2MgL: Math.max(0, ...batch.state.fills.map(addedSo2MgL))
        }).find((c) => c.id === 'sulphite-total')
      : undefined
  );
  const isSlip = $derived(verdict === 'high' || verdict === 'absurd' || so2 !== undefined);
  const isMeant = $derived(draft.fields.meant === draft.fields.amount && draft.fields.meant !== '');
  const cautions = $derived(
    item && planned
      ? cautionsAt(
          'add',
          { adding: item, volumeL, hadG: had, yeastG: lastYeastG(batch.state), ph: measuredPh(batch.state) },
          batch.state.acknowledged
        ).filter((c) => !['high-dose', 'absurd-dose', 'sulphite-total'].includes(c.id))
      : []
  );

  async function take() {
    if (!('item' in read)) return sayWrong(new Error(read.error));
    const what = read.item;
    const slip = isSlip && dose ? slipText(dose, 1000 * amountOf(what), volumeL) : null;
    const isIn = await tell(`${card.title}: ${read.text}.`, () => [
      ...(slip ? acknowledge(batch.id, so2 ? 'sulphite-total' : `${verdict}-dose`, slip) : []),
      ...(card.kind === 'yeast'
        ? pitch(batch.id, {
            yeast: plan.yeast ?? { yeastId: 'wine' },
            massG: 1000 * amountOf(what),
            how: plan.pitch === undefined || plan.pitch === 'natural' ? 'dry' : plan.pitch
          })
        : planned
          ? put(batch.id, [what])
          : tick(batch.id, card.id))
    ]);
    if (isIn) await draft.done();
  }
</script>

<p class="number text-[6rem] leading-none max-sm:text-[3.5rem]" data-testid="brew-amount">
  {asked}{#if spoon}<span class="ml-4 text-[1.75rem] whitespace-nowrap max-sm:ml-0 max-sm:block">{spoon}</span
    >{/if}
</p>
<p class="text-[1.25rem] leading-snug">{own(card.how)}</p>
<Cautions list={cautions} onaway={(id) => void perform(acknowledge(batch.id, id))} />

<form
  class="flex flex-wrap items-end gap-3"
  onsubmit={(e) => {
    e.preventDefault();
    void take();
  }}
>
  {#if planned || card.kind === 'yeast'}
    <label class="grid gap-1 text-[1.0625rem] font-semibold"
      >Weighed otherwise?
      <input
        class="field number h-16! w-56 text-[1.5rem]!"
        autocomplete="off"
        placeholder={isPowder ? (teaspoonG ? 'such as 1 tsp' : 'in grams') : asked}
        aria-label="{card.title}: what was weighed"
        aria-invalid={'error' in read}
        value={draft.fields.amount}
        oninput={(e) => draft.set('amount', e.currentTarget.value)}
      />
    </label>
  {/if}
  {#if !isSlip || isMeant}
    <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!">It is in</button>
  {/if}
  {#if card.timerMin && timer === null}
    <button
      type="button"
      class="btn btn-line min-h-16! px-6! text-[1.25rem]!"
      onclick={() =>
        tell(`${card.timerMin} minutes from now.`, () =>
          startTimer(batch.id, card.id, now + card.timerMin! * 60_000)
        )}>Start {card.timerMin} min</button
    >
  {/if}
</form>
{#if planned && 'massKg' in planned}<ScaleTake
    text={draft.fields.amount}
    ontake={(text) => draft.set('amount', text)}
  />{/if}
{#if then}<p class="text-[1.125rem]" data-testid="brew-then">{then}</p>{/if}
{#if 'error' in read}<p class="text-[1.0625rem] text-rosehip" role="alert">{read.error}</p>{/if}
{#if isSlip && dose && item}
  {@const grams = 1000 * amountOf(item)}
  <SlipAsk
    {grams}
    why={own(so2?.text ?? slipText(dose, grams, volumeL))}
    instead="{asked}{spoon ? `, ${spoon}` : ''}"
    {isMeant}
    ontake={() => draft.set('amount', '')}
    onmean={() => draft.set('meant', draft.fields.amount)}
  />
{/if}
