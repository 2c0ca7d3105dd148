<script lang="ts">
  import { parseGravity, parseTemperature } from '$core/units/parse';
  import { correctReading } from '$core/liquid/hydrometer';
  import { logGravity } from '$lib/store/actions';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`read:${batch.id}`, { sg: '', temp: '', when: '' });
  const form = createWriteDown(draft, () => ondone());
  const scale = $derived(household.settings.temp);

  /** What the reading is at 20 °C, as it is typed. */
  const corrected = $derived.by(() => {
    try {
      if (!draft.fields.sg || !draft.fields.temp) return null;
      return correctReading(
        parseGravity(draft.fields.sg),
        parseTemperature(draft.fields.temp, scale),
        household.settings.hydrometer.calibratedC
      );
    } catch {
      return null;
    }
  });

  const save = form.submit(async (when) => {
    const sg = parseGravity(draft.fields.sg);
    const tempC = draft.fields.temp.trim() ? parseTemperature(draft.fields.temp, scale) : null;
    const event = await logGravity(batch.id, sg, tempC, household.settings, when);
    return [`${batch.state.name}: ${sg.toFixed(3)} written down.`, event] as const;
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Read gravity">
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
    {corrected
      ? `${corrected.toFixed(3)} at 20 °C.`
      : 'Strained, below the cap, bubbles spun off, at eye level.'}
  </p>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
