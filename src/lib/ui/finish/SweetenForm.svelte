<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import WhenField from '../field/WhenField.svelte';
  import BatchCautions from '../caution/BatchCautions.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import SweetSharp from './SweetSharp.svelte';
  import Trial from './Trial.svelte';
  import { sweetenVessel } from '$core/commands/finish';
  import { isStable } from '$core/ledger/preserved';
  import { amountOf, withAmount } from '$core/plan/plan';
  import { InputError } from '$core/units/input-error';
  import { massText, sweetnessWord, volumeText } from '$core/units/format';
  import { ingredientText } from '../words/ingredient-text';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import { readTyped } from '../field/read-text';
  import { START, sweetening, tastedOf } from './sweetening';
  import { withOf, withOptions } from './sweet-with';
  import { SWEET_WORDS, SYRUP } from './words';

  /** A vessel sweetened: to a word, a place on the field, a gravity, or the glass one liked. */
  type Props = { batch: OpenBatch; ondone: () => void; onstabilise: () => void };
  let { batch, ondone, onstabilise }: Props = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`sweeten:${batch.id}`, START);
  const form = createWriteDown(draft, () => ondone());
  const s = $derived(household.settings);
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.vessel) ?? batch.state.fills[0]
  );
  const worked = $derived(fill ? sweetening(batch, fill, draft.fields, s) : null);
  const to = $derived(worked && 'to' in worked ? worked : null);
  const sweetener = $derived(withOf(draft.fields.with, batch.state.plan));
  const isAlive = $derived(!!fill && sweetener.isFood && !isStable(fill));
  const weight = (amount: number) =>
    sweetener.isPoured ? volumeText(amount, s.volume) : massText(amount, s.mass);
  const word = $derived(to ? sweetnessWord(to.then.sweetGL) : '');
  const set = (fields: Partial<typeof START>) => {
    for (const [k, v] of Object.entries(fields)) draft.set(k as keyof typeof START, v);
  };

  const save = form.submit(() => {
    if (!fill || !to)
      throw new InputError(worked && 'error' in worked ? worked.error : 'Nothing is there.', '');
    const weighed = draft.fields.weighed.trim();
    // What was weighed joins what stood in the glasses.
    const kg = weighed
      ? amountOf(readTyped(weighed, withAmount(to.to.item, 0), s).item) + to.inGlasses
      : null;
    const items = [...(kg === null ? to.sweet : [withAmount(to.to.item, kg)]), ...to.acid];
    if (items.length === 0) throw new InputError('Nothing goes in.', 'Choose how sweet it is to be.');
    return [
      `${items.map((i) => ingredientText(i, s)).join(' and ')} in. Stir it in well, and taste again tomorrow.`,
      sweetenVessel(batch.id, fill.vesselId, items, to.tried)
    ];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Sweeten">
  <VesselPick {batch} value={fill?.vesselId ?? ''} onset={(v) => draft.set('vessel', v)} label="Which" />
  <div class="flex flex-wrap gap-2" role="group" aria-label="How sweet">
    {#each Object.entries(SWEET_WORDS) as [name, gL] (name)}
      <button
        type="button"
        class="btn {draft.fields.by === 'sweet' && Number(draft.fields.sweet) === gL
          ? 'btn-primary'
          : 'btn-line'}"
        aria-pressed={draft.fields.by === 'sweet' && Number(draft.fields.sweet) === gL}
        onclick={() => set({ by: 'sweet', sweet: String(gL) })}>{name}</button
      >
    {/each}
    <button
      type="button"
      class="btn {draft.fields.by === 'sg' ? 'btn-primary' : 'btn-line'}"
      aria-pressed={draft.fields.by === 'sg'}
      onclick={() => set({ by: 'sg', sg: draft.fields.sg || (to?.to.sg.toFixed(3) ?? '1.000') })}
      >to a gravity</button
    >
    <button
      type="button"
      class="btn {draft.fields.by === 'glass' ? 'btn-primary' : 'btn-line'}"
      aria-pressed={draft.fields.by === 'glass'}
      disabled={sweetener.isPoured}
      onclick={() => set({ by: 'glass' })}>by the glass</button
    >
  </div>
  <div class="grid grid-cols-2 gap-3">
    <Pick {draft} at="with" label="With" options={withOptions(batch.state.plan)} />
    {#if draft.fields.by === 'sg'}<Text {draft} at="sg" label="It is to read" mode="decimal" />{/if}
  </div>
  {#if draft.fields.by === 'glass' && worked}
    <Trial {draft} trial={worked.trial} name={sweetener.name} drops={sweetener.isSugar ? SYRUP : null} />
  {/if}
  <div class="grid gap-3">
    <div class="grid content-start gap-2">
      {#if to}
        <p class="number text-[2.25rem] leading-tight" data-testid="sweeten-dose">
          {weight(to.toWeigh)}
          <span class="text-[1.125rem]">of {sweetener.name}</span>
        </p>
        {#each to.acid as i (i.kind)}<p class="text-[1.125rem]">
            and <b>{ingredientText(i, s)}</b>
          </p>{/each}
        {#if to.stops}<p class="small">
            {to.stops === 'ph'
              ? 'No further: its pH stands where most wines are best.'
              : 'No further at once: that is twice the usual dose.'}
          </p>{/if}
        <p data-testid="sweeten-then">
          Then <b>{word}</b>: reads <b class="number">{to.to.sg.toFixed(3)}</b>,
          <b class="number">{to.abv.toFixed(1)} %</b>,
          <b class="number">{volumeText(to.to.volumeL, s.volume)}</b>.{#if to.inGlasses > 0}
            What stands in the glasses is counted: it goes back.{/if}
        </p>
      {:else if worked && 'error' in worked}<p class="text-rosehip" role="alert">{worked.error}</p>{/if}
      {#if isAlive}
        <div class="border-l-4 border-rosehip bg-tint-rose px-3 py-2" data-testid="sweeten-alive">
          <p>
            <b>Its yeast lives.</b> It takes this sugar, and in bottles it bursts them. Stabilise first, take what
            yeast cannot ferment, or heat it in its bottles.
          </p>
          <div class="flex flex-wrap gap-2 pt-1">
            <button type="button" class="btn btn-line" onclick={onstabilise}>Stabilise first</button>
            <button type="button" class="btn btn-line" onclick={() => set({ with: 'erythritol' })}
              >With erythritol</button
            >
          </div>
        </div>
      {/if}
      <Text
        {draft}
        at="weighed"
        label={sweetener.isPoured ? 'Poured otherwise?' : 'Weighed otherwise?'}
        placeholder={to ? weight(to.toWeigh) : ''}
      />
    </div>
    {#if to}
      <SweetSharp
        now={to.now}
        target={to.target}
        then={to.then}
        glasses={draft.fields.by === 'glass' && draft.fields.order === '' ? to.glasses : []}
        tasted={fill ? tastedOf(batch.events, batch.state, fill.vesselId) : []}
        onmove={(at) => set({ by: 'sweet', sweet: at.sweetGL.toFixed(0), ta: at.taGL.toFixed(1) })}
      />
    {/if}
  </div>
  {#if to}<BatchCautions {batch} place="add" scene={{ adding: to.to.item, volumeL: to.to.volumeL }} />{/if}
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary" disabled={!to}>{form.asks ? 'It is so: write it down' : 'It is in'}</button>
</form>
