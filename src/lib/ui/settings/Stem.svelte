<script lang="ts">
  import { PRINTED_WITHIN, type Settings } from '$core/units/settings';
  import { PRINTED_AT_1100 } from '$core/ferment/scales';
  import { explain } from '$lib/ui/words/own-units';
  import { fromCelsius } from '$core/units/measure';
  import { parseNumber, parseTemperature } from '$core/units/parse';
  import { household } from '$lib/store/household.svelte';
  import type { SettingsChange } from '$lib/store/put-settings';
  import { sayDone, sayWrong } from '../nav/said.svelte';

  /** What the household's hydrometer is like, and whether there is one. */
  let { change }: { change: (what: SettingsChange) => Promise<boolean> } = $props();

  const s = $derived(household.settings);

  async function note(patch: Partial<Settings['hydrometer']>) {
    if (await change((kept) => ({ hydrometer: { ...kept.hydrometer, ...patch } })))
      sayDone('Hydrometer noted.');
  }

  async function calibrate(text: string) {
    try {
      await note({ calibratedC: Math.round(parseTemperature(text, s.temp) * 10) / 10 });
    } catch (e) {
      sayWrong(explain(e));
    }
  }

  async function inWater(text: string) {
    const n = parseNumber(text);
    if (n === null || n < 0.98 || n > 1.02)
      return sayWrong(new Error('Plain water reads near 1.000: give 0.980 to 1.020.'));
    await note({ inWater: n });
  }

  async function potential(text: string) {
    const n = text.trim() ? parseNumber(text.replace('%', '')) : undefined;
    if (n === null || (n !== undefined && (n < PRINTED_WITHIN[0] || n > PRINTED_WITHIN[1])))
      return sayWrong(
        new Error('Beside 1.100 a stem prints 13 or 16 %, or near it: look at the potential scale.')
      );
    await note({ potentialAt1100: n });
  }
</script>

<label class="flex min-h-11 items-center gap-3">
  <input
    type="checkbox"
    class="checkbox"
    checked={s.hasStem}
    onchange={(e) => change({ hasStem: e.currentTarget.checked })}
  />
  I read gravity with a hydrometer
</label>
{#if !s.hasStem}<p class="small">
    New wines are asked for bubbles, looks and taste instead. A reading of one brings it back for that wine.
  </p>{/if}
<div class="grid grid-cols-2 gap-4">
  <label class="grid gap-1 font-semibold"
    >Hydrometer marked for, °{s.temp}
    <input
      class="field"
      inputmode="decimal"
      autocomplete="off"
      value={+fromCelsius(s.hydrometer.calibratedC, s.temp).toFixed(1)}
      onchange={(e) => calibrate(e.currentTarget.value)}
    />
  </label>
  <label class="grid gap-1 font-semibold"
    >It reads in plain water
    <input
      class="field"
      inputmode="decimal"
      autocomplete="off"
      value={s.hydrometer.inWater.toFixed(3)}
      onchange={(e) => inWater(e.currentTarget.value)}
    />
  </label>
  <label class="grid gap-1 font-semibold"
    >Potential beside 1.100, %
    <input
      class="field"
      inputmode="decimal"
      autocomplete="off"
      placeholder={String(PRINTED_AT_1100.fall)}
      value={s.hydrometer.potentialAt1100 ?? ''}
      onchange={(e) => potential(e.currentTarget.value)}
    />
  </label>
  <label class="grid gap-1 font-semibold"
    >°Bx is read by
    <select
      class="field"
      value={s.hydrometer.bxBy ?? ''}
      onchange={(e) => note({ bxBy: (e.currentTarget.value || undefined) as 'hydrometer' })}
      ><option value="">ask me</option><option value="hydrometer">hydrometer</option><option
        value="refractometer">refractometer</option
      ></select
    >
  </label>
</div>
