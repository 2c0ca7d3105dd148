<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import WhenField from '../field/WhenField.svelte';
  import BatchCautions from '../caution/BatchCautions.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { stabilise } from '$core/commands/finish';
  import { observe } from '$core/commands/observe';
  import { freeMeasured, hindrancesOf, stabilising } from '$core/finish/stabilise';
  import { freeLeft, type WineStyle } from '$core/finish/sulphite';
  import { SO2_SHARE, spoonText, TEASPOON_G } from '$core/tables/doses';
  import { InputError } from '$core/units/input-error';
  import { gramsText, volumeText } from '$core/units/format';
  import { parseNumber } from '$core/units/number';
  import { explain } from '../words/own-units';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import { HINDERS } from './words';

  /** Sulphite and sorbate together into one vessel, by its pH and strength; a running ferment is told of. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`stabilise:${batch.id}`, {
    vessel: '',
    style: 'white',
    free: '',
    sulphite: '',
    sorbate: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.vessel) ?? batch.state.fills[0]
  );
  /** A figure that was typed; null while none was. @throws InputError when it is none */
  function typed(key: 'free' | 'sulphite' | 'sorbate', what: string): number | null {
    const text = draft.fields[key].trim().replace(/\s*(g|mg\/l)$/i, '');
    if (text === '') return null;
    const n = parseNumber(text);
    if (n === null || n < 0) throw new InputError(`“${draft.fields[key]}” is no ${what}.`, 'Give a number.');
    return n;
  }
  type Worked = { dose: ReturnType<typeof stabilising> } | { error: string };
  const worked = $derived.by<Worked | null>(() => {
    if (!fill) return null;
    try {
      const freeMgL = typed('free', 'amount of sulphur dioxide');
      const style = draft.fields.style as WineStyle;
      return {
        dose: stabilising(batch.state, fill, {
          style,
          belief: batch.standing.belief,
          ...(freeMgL === null ? {} : { freeMgL })
        })
      };
    } catch (e) {
      return { error: explain(e) };
    }
  });
  const measured = $derived(fill && freeMeasured(batch.state, fill));
  const dose = $derived(worked && 'dose' in worked ? worked.dose : null);
  const hinders = $derived(fill ? hindrancesOf(batch.state, fill) : []);
  /** What may be left of a dose that somebody gave before, where nobody measured. */
  const left = $derived.by(() => {
    const given = fill?.given.sulphite;
    if (!given || !dose || draft.fields.free.trim() || measured !== undefined) return null;
    const days = (household.now - given.at) / 86_400_000;
    const addedMgL = (1000 * given.massG * SO2_SHARE.potassium) / dose.volumeL;
    return freeLeft({ addedMgL, days, rackings: fill!.racked.filter((at) => at > given.at).length });
  });

  const save = form.submit(() => {
    if (!fill || !dose)
      throw new InputError(worked && 'error' in worked ? worked.error : 'Nothing is there.', '');
    const what = {
      metabisulphiteG: typed('sulphite', 'weight') ?? dose.metabisulphiteG,
      sorbateG: typed('sorbate', 'weight') ?? dose.sorbateG
    };
    const free = typed('free', 'amount of sulphur dioxide');
    if (what.metabisulphiteG <= 0 || what.sorbateG <= 0)
      throw new InputError('Only both together keep a wine.', 'Give grams of each.');
    return [
      `${gramsText(what.metabisulphiteG)} metabisulphite and ${gramsText(what.sorbateG)} sorbate in. Wait a day before you sweeten.`,
      [
        ...(free === null ? [] : observe(batch.id, { vesselId: fill.vesselId, freeSo2MgL: free })),
        ...stabilise(batch.id, fill.vesselId, what)
      ]
    ];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Stabilise">
  <VesselPick {batch} value={fill?.vesselId ?? ''} onset={(v) => draft.set('vessel', v)} label="Which" />
  {#if dose}
    <dl
      class="grid grid-cols-[auto_minmax(0,1fr)] items-baseline gap-x-4 gap-y-1"
      data-testid="stabilise-dose"
    >
      <dt class="number text-[2rem] leading-tight">{gramsText(dose.metabisulphiteG)}</dt>
      <dd>
        potassium metabisulphite <span class="text-quiet"
          >({spoonText(dose.metabisulphiteG, TEASPOON_G.metabisulphite)})</span
        >
      </dd>
      <dt class="number text-[2rem] leading-tight">{gramsText(dose.sorbateG)}</dt>
      <dd>
        potassium sorbate <span class="text-quiet">({spoonText(dose.sorbateG, TEASPOON_G.sorbate)})</span>
      </dd>
    </dl>
    <p class="small">
      For {volumeText(dose.volumeL, household.settings.volume)} at pH {dose.ph.toFixed(2)}{dose.isMeasured
        ? ''
        : ', by what went in: a pH strip is surer'}, {dose.abv.toFixed(0)} % at least: {dose.sulphite.freeTargetMgL.toFixed(
        0
      )} mg/L of free sulphur dioxide, {draft.fields.free.trim() || measured !== undefined
        ? 'less what is there'
        : 'a third more for what binds'}.
    </p>
    {#if dose.isMost}<p class="border-l-4 border-straw bg-tint-straw px-3 py-2">
        Its pH asks for more sulphite than anyone gives; this is the most. Sharpen it first, and measure:
        under pH 3.6 a usual dose is enough.
      </p>{/if}
    {#if left}<p class="small">
        Of what was given before, {left.low.toFixed(0)} to {left.high.toFixed(0)} mg/L may be left; nobody counts
        on it.
      </p>{/if}
  {:else if worked && 'error' in worked}<p class="text-rosehip" role="alert">{worked.error}</p>{/if}
  {#if hinders.length > 0}
    <div class="border-l-4 border-rosehip bg-tint-rose px-3 py-2" data-testid="stabilise-stop">
      {#each hinders as h (h)}<p><b>{HINDERS[h].title}</b> {HINDERS[h].text}</p>{/each}
    </div>
  {/if}
  <details>
    <summary class="flex min-h-11 cursor-pointer items-center font-semibold"
      >Weighed otherwise, or measured free SO₂</summary
    >
    <div class="grid grid-cols-2 gap-3">
      <Text
        {draft}
        at="sulphite"
        label="Metabisulphite, g"
        mode="decimal"
        placeholder={dose?.metabisulphiteG.toFixed(1) ?? ''}
      />
      <Text
        {draft}
        at="sorbate"
        label="Sorbate, g"
        mode="decimal"
        placeholder={dose?.sorbateG.toFixed(1) ?? ''}
      />
      <Text
        {draft}
        at="free"
        label="Free SO₂, mg/L"
        mode="decimal"
        placeholder={measured === undefined ? 'not measured' : String(measured)}
      />
      <Pick
        {draft}
        at="style"
        label="Colour"
        options={[
          ['white', 'white or pink'],
          ['red', 'red']
        ]}
      />
    </div>
  </details>
  {#if dose}<BatchCautions
      {batch}
      place="add"
      scene={{
        adding: { kind: 'additive', additiveId: 'metabisulphite', massKg: dose.metabisulphiteG / 1000 },
        volumeL: dose.volumeL
      }}
    />{/if}
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary" disabled={!dose || hinders.includes('malolactic')}
    >{form.asks ? 'It is so: both are in' : 'Both are in'}</button
  >
</form>
