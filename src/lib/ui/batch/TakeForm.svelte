<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { InputError } from '$core/units/input-error';
  import { volumeText, volumeUnitFor } from '$core/units/format';
  import { parseAs } from '$core/units/parse';
  import { drawSample, emptyOut, lose } from '$core/commands/move';
  import type { LostHow } from '$core/ledger/events/loss';
  import { observe } from '$core/commands/observe';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';

  /** What left a vessel other than by racking: a sample, a spill, steam; or what the mark shows is in it. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  const WHATS = {
    drunk: 'a sample, drunk',
    returned: 'a sample, poured back',
    spilt: 'spilt',
    'boiled-off': 'boiled off',
    'poured-away': 'poured away',
    'all drunk': 'all of it, drunk',
    'all poured-away': 'all of it, poured away',
    measured: 'measured: so much is in it'
  } as const;
  // svelte-ignore state_referenced_locally
  const draft = createDraft(`take:${batch.id}`, { what: 'drunk', amount: '', vessel: '', when: '' });
  const form = createWriteDown(draft, () => ondone());

  const isAll = $derived(draft.fields.what.startsWith('all '));

  const example = $derived(draft.fields.what === 'measured' ? 4.6 : 0.15);
  /** The unit of the example, and of a number that is typed without one. */
  const unit = $derived(volumeUnitFor(example, household.settings.volume));

  const save = form.submit(() => {
    const { what, vessel } = draft.fields;
    const words = WHATS[what as keyof typeof WHATS];
    if (isAll)
      return [`${words}.`, emptyOut(batch.state, what.replace('all ', '') as LostHow, vessel || undefined)];
    const { base } = parseAs('volume', draft.fields.amount, unit, countryOf(household.settings));
    if (base <= 0) throw new InputError('The amount is nothing.', 'Give how much.');
    // Where there is one vessel it need not be named: on an earlier day it was another.
    const from = batch.state.fills.length > 1 ? vessel || undefined : undefined;
    const deed =
      what === 'measured'
        ? observe(batch.id, { volumeL: base, vesselId: from })
        : what === 'drunk' || what === 'returned'
          ? drawSample(batch.id, from, base, what === 'returned')
          : lose(batch.id, from, base, what as LostHow);
    return [`${volumeText(base, household.settings.volume)}, ${words}.`, deed];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Sample or loss">
  <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
    <Pick {draft} at="what" label="What" options={Object.entries(WHATS)} />
    {#if !isAll}<Text
        {draft}
        at="amount"
        label="How much"
        placeholder={volumeText(example, household.settings.volume)}
      />{/if}
  </div>
  <VesselPick
    {batch}
    value={draft.fields.vessel}
    onset={(v) => draft.set('vessel', v)}
    label="From"
    all="all of them"
  />
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
