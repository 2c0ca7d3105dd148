<script lang="ts">
  import Text from '../field/Text.svelte';
  import { whyThisReading } from '$core/belief/detective';
  import { puzzleOf } from '$core/belief/puzzle';
  import type { Scale } from '$core/ferment/scales';
  import { temperatureText } from '$core/units/format';
  import { parseNumber } from '$core/units/number';
  import { parseGravity, parsePh, parseStem, parseTemperature, parseTitratable } from '$core/units/parse';
  import { correctStem, observe, readGravity } from '$core/commands/observe';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { readNote } from './read-note';
  import { readStem } from '$core/commands/stem';
  import StemAsk from '../field/StemAsk.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import { parseWhen } from '../field/parse-when';
  import Detective from '../detective/Detective.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { foldBatch } from '$core/ledger/run';
  import { leastRead } from '$core/ledger/last-read';
  import { areAlike } from '$core/ledger/operations';
  import { InputError } from '$core/units/input-error';
  import VesselPick from '../vessel/VesselPick.svelte';

  let { batch, ondone }: { batch: OpenBatch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`read:${batch.id}`, {
    sg: '',
    on: 'sg',
    temp: '',
    ph: '',
    ta: '',
    residue: '',
    so2: '',
    sugar: '',
    // Jars that differ are asked about; of those alike the one that was read longest ago is offered.
    vessel: areAlike(batch.state.fills) ? (leastRead(batch.state)?.vesselId ?? '') : '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const scale = $derived(household.settings.temp);

  const on = $derived(draft.fields.on as Scale);
  const stemOf = (text: string) => readStem(text, on, household.settings, batch.state);
  const tempOf = (): number | null =>
    draft.fields.temp.trim() ? parseTemperature(draft.fields.temp, scale) : null;

  /** What the reading is at 20 °C, as it is typed; null until it can be read. */
  const corrected = $derived.by(() => {
    try {
      if (!draft.fields.sg) return null;
      const { sg, bx } = stemOf(draft.fields.sg);
      // A refractometer corrects for temperature itself, and knows nothing of the stem's own error.
      return bx === null ? correctStem(sg, tempOf(), household.settings.hydrometer) : sg;
    } catch {
      return null;
    }
  });
  const isOther = $derived.by(() => {
    try {
      return parseStem(draft.fields.sg, on).scale !== 'sg';
    } catch {
      return false;
    }
  });
  const isRough = $derived.by(() => {
    try {
      return stemOf(draft.fields.sg).bx !== null && batch.state.pitches.length > 0;
    } catch {
      return false;
    }
  });
  const puzzle = $derived.by(() => {
    if (corrected === null || draft.fields.sg.trim().length < 2) return null;
    try {
      return puzzleOf(
        batch.events,
        { sg: corrected, tempC: tempOf(), vesselId: draft.fields.vessel || null },
        parseWhen(draft.fields.when, Date.now()),
        household.settings.hydrometer.calibratedC
      );
    } catch {
      return null;
    }
  });
  const odd = $derived(puzzle !== null && !whyThisReading(puzzle).isFine);

  /** The vessel it was read from, where there were several on that day; before a racking it stood elsewhere. */
  const vesselOf = (at: number) => {
    const fills = (foldBatch(batch.events, at) ?? batch.state).fills;
    if (fills.length < 2) return {};
    const isThere = fills.some((f) => f.vesselId === draft.fields.vessel);
    if (!isThere && !draft.fields.vessel)
      throw new InputError('It stands in several vessels.', 'Say which one was read.', 'vessel');
    return isThere ? { vesselId: draft.fields.vessel } : {};
  };
  /** A plain figure, or nothing. @throws InputError when it is none */
  function figure(key: 'so2' | 'sugar', what: string, most: number): number | undefined {
    const text = draft.fields[key].trim().replace(/\s*(mg|g)\s*\/\s*l$/i, '');
    if (!text) return undefined;
    const n = parseNumber(text);
    if (n === null || n < 0 || n > most)
      throw new InputError(`“${draft.fields[key]}” is no figure of ${what}.`, `Give one from 0 to ${most}.`);
    return n;
  }
  const save = form.submit((when) => {
    const isAloneOf = draft.fields.sg.trim() === '';
    const other = {
      ph: draft.fields.ph.trim() ? parsePh(draft.fields.ph) : undefined,
      taGL: draft.fields.ta.trim() ? parseTitratable(draft.fields.ta) : undefined,
      freeSo2MgL: figure('so2', 'free sulphur dioxide', 300),
      sugarGL: figure('sugar', 'sugar left', 100)
    };
    const vessel = vesselOf(when.at);
    if (isAloneOf && Object.values(other).some((x) => x !== undefined))
      return [`${batch.state.name}: written down.`, observe(batch.id, { ...other, ...vessel })];
    const stem = stemOf(draft.fields.sg);
    const deed = readGravity(batch.id, stem.sg, tempOf(), household.settings.hydrometer, {
      ...other,
      ...vessel,
      refractometerBx: stem.bx ?? undefined,
      residueSg: draft.fields.residue.trim() ? parseGravity(draft.fields.residue) : undefined
    });
    return [`${batch.state.name}: ${stem.sg.toFixed(3)} written down.`, deed];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Read gravity">
  <VesselPick
    {batch}
    value={draft.fields.vessel}
    onset={(v) => draft.set('vessel', v)}
    label="Read from"
    note={readNote(batch)}
  />
  <div class="grid grid-cols-2 gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Gravity
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="field number text-[1.5rem]!"
        inputmode="decimal"
        autocomplete="off"
        autofocus
        placeholder="1.0__"
        value={draft.fields.sg}
        oninput={(e) => draft.set('sg', e.currentTarget.value)}
        aria-describedby="read-help"
      />
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Sample, °{scale}
      <input
        class="field number text-[1.5rem]!"
        inputmode="decimal"
        autocomplete="off"
        placeholder={scale === 'C' ? '20' : '68'}
        value={draft.fields.temp}
        oninput={(e) => draft.set('temp', e.currentTarget.value)}
      />
    </label>
  </div>
  <p id="read-help" class="small">
    {corrected !== null && isRough
      ? `About ${corrected.toFixed(3)}, corrected for alcohol: good to three points, and no proof that it has finished.`
      : corrected !== null && (draft.fields.temp || isOther)
        ? `${corrected.toFixed(3)} at ${temperatureText(20, scale)}.`
        : 'Strained, below the cap, bubbles spun off, at eye level.'}
  </p>
  <StemAsk text={draft.fields.sg} {on} />
  {#if puzzle && odd}<Detective {puzzle} />{/if}
  <details
    open={draft.fields.on !== 'sg' ||
      draft.fields.ph !== '' ||
      draft.fields.ta !== '' ||
      [draft.fields.residue, draft.fields.so2, draft.fields.sugar].some((x) => x !== '')}
  >
    <summary class="min-h-9 max-sm:min-h-11 py-1 text-[0.9375rem] underline underline-offset-4"
      >Another scale, acid, SO₂, sugar</summary
    >
    <div class="mt-1 grid grid-cols-3 gap-3">
      <label class="grid gap-1 text-[0.9375rem] font-semibold"
        >Scale
        <select class="field" value={draft.fields.on} onchange={(e) => draft.set('on', e.currentTarget.value)}
          ><option value="sg">SG</option><option value="brix">°Bx</option><option value="potential"
            >potential %</option
          ></select
        >
      </label>
      <Text {draft} at="ph" label="pH" mode="decimal" />
      <Text {draft} at="ta" label="TA, g/L" />
      <Text
        {draft}
        at="residue"
        label="Boiled off and made up again, it reads"
        placeholder="for strength by spirit indication"
        mode="decimal"
        class="col-span-full"
      />
      <Text {draft} at="so2" label="Free SO₂, mg/L" placeholder="by a kit" mode="decimal" />
      <Text
        {draft}
        at="sugar"
        label="Sugar by a test, g/L"
        placeholder="tablet or strip"
        mode="decimal"
        class="col-span-2"
      />
    </div>
  </details>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
