<script lang="ts">
  import { BOTTLE_L } from '$core/tables/bottles';
  import { roomFor } from '$core/steps/stages';
  import type { Vessel } from '$core/vessels/vessels';
  import { fromBase, toBase, UNIT_LABEL, type VolumeUnit } from '$core/units/measure';
  import { parseNumber } from '$core/units/parse';
  import { volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import Word from '../pop/Word.svelte';
  import type { Bench } from './bench.svelte';

  /** How much: by litres, gallons or bottles, by the vessel, or by the fruit there is. */
  let { bench, vessel }: { bench: Bench; vessel: Vessel } = $props();

  const unit = $derived(bench.target.volumeUnit ?? household.settings.volume);
  const waterFree = $derived(bench.rows.some((r) => r.item.kind === 'water' && !r.held));
  const byVessel = $derived(bench.target.fillL != null);
  const held = $derived((bench.target.volumeL !== null || byVessel) && waterFree);
  const now = $derived(bench.estimate?.intoGlassL?.likely ?? null);
  const room = $derived(roomFor(bench.plan, vessel));

  const say = (litres: number): string => {
    if (unit === 'bottles') return `${Math.round(litres / BOTTLE_L)} bottles`;
    const n = fromBase(litres, unit);
    return `${n.toFixed(n < 20 && Math.abs(n - Math.round(n)) > 0.04 ? 1 : 0)} ${unit === 'L' ? (Math.round(n * 10) === 10 ? 'litre' : 'litres') : UNIT_LABEL[unit]}`;
  };
  const text = $derived(
    byVessel && now !== null
      ? `${say(now)}, to the mark,`
      : held && bench.target.volumeL !== null
        ? say(bench.target.volumeL)
        : now !== null && now > 0
          ? `about ${say(now)}`
          : 'as much as it gives'
  );
  const inUnit = (litres: number, u: typeof unit) =>
    +(u === 'bottles' ? litres / BOTTLE_L : fromBase(litres, u as VolumeUnit)).toFixed(2);

  function type(text: string, next: typeof unit) {
    const n = parseNumber(text);
    if (n === null || n <= 0 || n > 5000) return;
    bench.setVolume(next === 'bottles' ? n * BOTTLE_L : toBase(n, next as VolumeUnit), next);
  }
</script>

<Word title="How much, into glass" {text} {held}>
  {#snippet children(close: () => void)}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        close();
      }}
      class="grid gap-3"
    >
      <label class="grid gap-1 font-semibold"
        >How much, once the fruit is out
        <span class="flex gap-2">
          <input
            class="field"
            inputmode="decimal"
            autocomplete="off"
            value={now !== null ? inUnit(bench.target.volumeL ?? now, unit) : ''}
            oninput={(e) => type(e.currentTarget.value, unit)}
          />
          <select
            class="field w-auto"
            aria-label="Unit of the amount"
            value={unit}
            onchange={(e) => bench.setVolume(bench.target.volumeL, e.currentTarget.value as typeof unit)}
          >
            <option value="L">litres</option><option value="us-gal">US gal</option><option value="uk-gal"
              >UK gal</option
            ><option value="bottles">bottles</option>
          </select>
        </span>
      </label>
      <button class="btn btn-primary" type="submit">Hold it there</button>
      <button
        class="btn btn-line"
        type="button"
        onclick={() => {
          bench.fillVessel(room);
          close();
        }}>Fill the {vessel.name}: {volumeText(room, household.settings.volume)}, with room for foam</button
      >
      <button
        class="btn btn-line"
        type="button"
        onclick={() => {
          bench.setVolume(null, unit);
          close();
        }}>Work it out from the fruit</button
      >
    </form>
  {/snippet}
</Word>
