<script lang="ts">
  import { ADJUST, readPhase, type BrewDone } from '$core/steps/brew-done';
  import { wantedAbv } from '$core/steps/brew';
  import { whyThisReading } from '$core/belief/detective';
  import { contents } from '$core/ledger/state';
  import { puzzleOf } from '$core/belief/puzzle';
  import { potentialOf } from '$core/ferment/convert';
  import { correctionTo, withAdded } from '$core/must/adjust';
  import { addInto, liquid, scaled } from '$core/liquid/stock';
  import { amountOf, type Ingredient } from '$core/plan/plan';
  import { explain } from '$lib/ui/words/own-units';
  import { measured } from '$core/steps/sheet';
  import { put } from '$core/commands/put';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { readTyped } from '../field/read-text';
  import Detective from '../detective/Detective.svelte';
  import ReadForm from '../reading/ReadForm.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { sayWrong, tell } from '../nav/said.svelte';

  /** Read, add half of what the sum says, read again, add the rest. */
  let { batch, done, ondone }: { batch: OpenBatch; done: BrewDone; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`adjust:${batch.id}`, { amount: '', anew: '', trusted: '' });
  const s = $derived(household.settings);
  const wanted = $derived(wantedAbv(batch.state.plan));
  /** All that the must will be once the fruit has given. */
  const must = $derived(addInto(scaled(contents(batch.state)), batch.state.held));
  const hasMust = $derived(must.waterKg > 0.05);
  const abv = $derived(hasMust ? potentialOf(must) : 0);
  const correction = $derived(
    hasMust ? correctionTo(must, wanted, s.waterAlkalinityMgL) : { kind: 'none' as const }
  );
  const phase = $derived(readPhase(done, correction.kind === 'none'));
  const last = $derived(batch.state.readings.at(-1));
  /** The last reading, when it makes no sense and nobody has said to go by it. */
  const odd = $derived.by(() => {
    if (!last || draft.fields.trusted === last.eventId) return null;
    const before = batch.events.filter((e) => e.id !== last.eventId);
    const puzzle = puzzleOf(before, last, last.at, s.hydrometer.calibratedC);
    return puzzle && !whyThisReading(puzzle).isFine ? puzzle : null;
  });
  const reads = $derived(hasMust ? (liquid(contents(batch.state))?.sg ?? null) : null);

  const givenSg = $derived(hasMust ? (liquid(must)?.sg ?? null) : null);

  const whole = $derived<Ingredient | null>(
    correction.kind === 'sugar'
      ? { kind: 'sugar', sugarId: 'white', massKg: correction.kg }
      : correction.kind === 'water'
        ? { kind: 'water', volumeL: correction.litres, alkalinityMgL: s.waterAlkalinityMgL }
        : null
  );
  const share = $derived(phase === 'half' ? 0.5 : 1);
  const dose = $derived<Ingredient | null>(
    whole &&
      ('volumeL' in whole
        ? { ...whole, volumeL: whole.volumeL * share }
        : ({ ...whole, massKg: (whole as { massKg: number }).massKg * share } as Ingredient))
  );
  const text = (i: Ingredient) => measured(i, s);
  const name = $derived(whole?.kind === 'water' ? 'water' : 'sugar');
  const then = $derived(dose ? liquid(withAdded(contents(batch.state), dose))?.sg : null);

  async function take() {
    if (!dose) return;
    try {
      const typed = draft.fields.amount.trim();
      const isVolume = 'volumeL' in dose;
      const base = typed
        ? amountOf(readTyped(typed, dose, s).item)
        : isVolume
          ? dose.volumeL
          : (dose as { massKg: number }).massKg;
      const item = {
        ...dose,
        ...(isVolume ? { volumeL: base } : { massKg: base }),
        id: `${ADJUST}-${done.adjusted.length + 1}`
      } as Ingredient;
      await draft.done();
      await tell(`${text(item)} of ${name} in. Stir well.`, () => put(batch.id, [item]));
    } catch (e) {
      sayWrong(new Error(explain(e)));
    }
  }
</script>

{#if phase === 'first' || phase === 'again' || draft.fields.anew}
  {#if phase === 'again'}
    <p class="text-[1.25rem]" data-testid="read-again">
      Stirred in? Then read again: it should show about <b class="number">{reads?.toFixed(3)}</b>.
    </p>
  {:else if reads}
    <p class="text-[1.25rem]">
      I expect about <b class="number">{reads.toFixed(3)}</b>{batch.state.held.solidsKg > 0.01 && givenSg
        ? ' now, '
        : ''}{#if batch.state.held.solidsKg > 0.01 && givenSg}<b class="number">{givenSg.toFixed(3)}</b> once the
        fruit has given{/if}.
    </p>
  {/if}
  <div class="max-w-xl">
    {#key done.readings.length}<ReadForm {batch} ondone={() => draft.set('anew', '')} />{/key}
  </div>
{:else if odd}
  <p class="text-[1.25rem] leading-snug" data-testid="read-odd">
    <b class="number">{last!.sg.toFixed(3)}</b> does not fit what went in. Find out before you add anything.
  </p>
  <div class="max-w-xl"><Detective puzzle={odd} /></div>
  <p class="flex flex-wrap gap-3">
    <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!" onclick={() => draft.set('anew', 'yes')}
      >Read it again</button
    >
    <button
      class="btn btn-line min-h-14! px-6! text-[1.125rem]!"
      onclick={() => draft.set('trusted', last!.eventId)}>It is right, go by it</button
    >
  </p>
{:else}
  <p class="text-[1.25rem] leading-snug" data-testid="read-result">
    As it stands{#if last}, at <b class="number">{last.sg.toFixed(3)}</b>,{/if} it makes
    <b class="number">{abv.toFixed(1)} %</b>{batch.state.held.solidsKg > 0.01
      ? ' once the fruit has given'
      : ''}; you want
    <b class="number">{wanted.toFixed(1)} %</b>.
  </p>
  {#if (phase === 'half' || phase === 'rest') && dose && whole}
    <p class="number text-[4rem] leading-none max-sm:text-[3rem]" data-testid="read-dose">
      {text(dose)} <span class="text-[1.75rem]">of {name}</span>
    </p>
    <p class="text-[1.25rem]">
      {phase === 'half' ? `Half of ${text(whole)}. ` : 'The rest. '}Stir well{then
        ? `; it should then read about ${then.toFixed(3)}`
        : ''}.
    </p>
    <form
      class="flex flex-wrap items-end gap-3"
      onsubmit={(e) => {
        e.preventDefault();
        void take();
      }}
    >
      <label class="grid gap-1 text-[1.0625rem] font-semibold"
        >Weighed otherwise?
        <input
          class="field number h-16! w-48 text-[1.5rem]!"
          autocomplete="off"
          placeholder={text(dose)}
          value={draft.fields.amount}
          oninput={(e) => draft.set('amount', e.currentTarget.value)}
        />
      </label>
      <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!">It is in</button>
    </form>
  {:else}
    <p class="sentence">{correction.kind === 'none' ? 'That is right.' : 'Near enough, with the rest in.'}</p>
  {/if}
  <p class="flex flex-wrap gap-3">
    <button
      class="btn {phase === 'right' ? 'btn-primary' : 'btn-line'} min-h-14! px-6! text-[1.125rem]!"
      onclick={ondone}>{phase === 'right' ? 'Go on' : 'Leave it as it is'}</button
    >
    <button class="btn btn-line min-h-14! px-6! text-[1.125rem]!" onclick={() => draft.set('anew', 'yes')}
      >Read it again</button
    >
  </p>
{/if}
