<script lang="ts">
  import { InputError } from '$core/units/input-error';
  import { volumeText } from '$core/units/format';
  import { parseAs } from '$core/units/parse';
  import { logLoss, logSample } from '$lib/store/actions';
  import { record } from '$lib/store/record';
  import { household, vesselById, type Batch } from '$lib/store/household.svelte';
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
    measured: 'measured: so much is in it'
  } as const;
  // svelte-ignore state_referenced_locally
  const draft = createDraft(`take:${batch.id}`, { what: 'drunk', amount: '', vessel: '', when: '' });
  const form = createWriteDown(draft, () => ondone());

  const save = form.submit(async (when) => {
    const { what, vessel } = draft.fields;
    const unit = what === 'measured' ? household.settings.volume : 'mL';
    const { base } = parseAs('volume', draft.fields.amount, unit, countryOf(household.settings));
    if (base <= 0) throw new InputError('The amount is nothing.', 'Give how much.');
    // Where there is one vessel it need not be named: on an earlier day it was another.
    const from = batch.state.fills.length > 1 ? vessel || undefined : undefined;
    const event =
      what === 'measured'
        ? await record(batch.id, 'reading', { volumeL: base, ...(from ? { vesselId: from } : {}) }, when)
        : what === 'drunk' || what === 'returned'
          ? await logSample(batch.id, from, base, what === 'returned', when)
          : await logLoss(batch.id, from, base, what as 'spilt', when);
    return [
      `${volumeText(base, household.settings.volume)}, ${WHATS[what as keyof typeof WHATS]}.`,
      event
    ] as const;
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Sample or loss">
  <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >What
      <select
        class="field"
        value={draft.fields.what}
        onchange={(e) => draft.set('what', e.currentTarget.value)}
        >{#each Object.entries(WHATS) as [id, name] (id)}<option value={id}>{name}</option>{/each}</select
      >
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >How much
      <input
        class="field"
        autocomplete="off"
        placeholder={draft.fields.what === 'measured' ? '4.6 L' : '150 mL'}
        value={draft.fields.amount}
        oninput={(e) => draft.set('amount', e.currentTarget.value)}
      />
    </label>
  </div>
  {#if batch.state.fills.length > 1}
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >From
      <select
        class="field"
        value={draft.fields.vessel}
        onchange={(e) => draft.set('vessel', e.currentTarget.value)}
        ><option value="">all of them</option>{#each batch.state.fills as f (f.vesselId)}<option
            value={f.vesselId}>{vesselById(f.vesselId)?.name ?? 'vessel'}</option
          >{/each}</select
      >
    </label>
  {/if}
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
