<script lang="ts">
  import { SYSTEMS, type Settings } from '$core/units/settings';
  import { explain } from '$lib/ui/words/own-units';
  import { fromCelsius } from '$core/units/measure';
  import { parseNumber, parseTemperature } from '$core/units/parse';
  import { changeSettings, household } from '$lib/store/household.svelte';
  import type { SettingsChange } from '$lib/store/put-settings';
  import { sayWrong } from '../nav/said.svelte';

  import Stem from './Stem.svelte';

  const s = $derived(household.settings);

  async function change(what: SettingsChange) {
    try {
      await changeSettings(what);
      return true;
    } catch (e) {
      sayWrong(e);
      return false;
    }
  }

  async function warm(text: string) {
    try {
      const roomC = Math.round(parseTemperature(text, s.temp) * 2) / 2;
      if (roomC < 0 || roomC > 40)
        throw new Error('No wine ferments there: give the usual warmth of the place.');
      await change({ roomC });
    } catch (e) {
      sayWrong(explain(e));
    }
  }
</script>

<section aria-label="Units and instruments" class="grid content-start gap-4">
  <h2 class="inkline pt-2 text-[1.3125rem]">How you measure</h2>
  <fieldset class="grid">
    <legend class="sr-only">Units</legend>
    {#each Object.entries(SYSTEMS) as [id, sys] (id)}
      <label class="flex min-h-11 items-center gap-3">
        <input
          type="radio"
          class="radio"
          name="system"
          checked={s.system === id}
          onchange={() =>
            change({ system: id as Settings['system'], mass: sys.mass, volume: sys.volume, temp: sys.temp })}
        />
        {sys.name}
      </label>
    {/each}
  </fieldset>
  <p class="small">Any amount can still be typed in any unit: “9 lb 4 oz”, “2½ US gal”.</p>
  <Stem {change} />
  <div class="grid grid-cols-2 gap-4">
    <label class="grid gap-1 font-semibold"
      >Tap water, mg/L as lime (CaCO₃)
      <input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        value={s.waterAlkalinityMgL}
        onchange={(e) => {
          const n = parseNumber(e.currentTarget.value);
          if (n === null || n > 1000)
            return sayWrong(
              new Error('Alkalinity is a number of mg/L up to 1000; your water works gives it.')
            );
          void change({ waterAlkalinityMgL: n });
        }}
      />
    </label>
    <label class="grid gap-1 font-semibold"
      >Where wine stands it is usually, °{s.temp}
      <input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        value={+fromCelsius(s.roomC, s.temp).toFixed(0)}
        onchange={(e) => warm(e.currentTarget.value)}
      />
    </label>
    <label class="grid gap-1 font-semibold"
      >Fruit ripens in the
      <select
        class="field"
        value={s.hemisphere}
        onchange={(e) => change({ hemisphere: e.currentTarget.value as Settings['hemisphere'] })}
      >
        <option value="north">northern half</option><option value="south">southern half</option>
      </select>
    </label>
    <label class="grid gap-1 font-semibold"
      >Sign for money
      <input
        class="field"
        maxlength="6"
        autocomplete="off"
        placeholder="none"
        value={s.currency}
        onchange={(e) => change({ currency: e.currentTarget.value.trim() })}
      />
    </label>
    <label class="grid gap-1 font-semibold"
      >A bottle and its stopper cost
      <input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        placeholder="not counted"
        value={s.prices.bottle ?? ''}
        onchange={(e) => {
          const text = e.currentTarget.value.trim();
          const n = parseNumber(text);
          if (text && n === null) return sayWrong(new Error(`“${text}” is no price.`));
          void change(({ prices: { bottle: _, ...rest } }) => ({
            prices: n === null ? rest : { ...rest, bottle: n }
          }));
        }}
      />
    </label>
    <label class="grid gap-1 font-semibold"
      >Light
      <select
        class="field"
        value={s.theme}
        onchange={(e) => change({ theme: e.currentTarget.value as Settings['theme'] })}
      >
        <option value="auto">as the device</option><option value="light">paper</option><option value="dark"
          >cellar</option
        >
      </select>
    </label>
  </div>
</section>
