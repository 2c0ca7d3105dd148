<script lang="ts">
  import { YEASTS, type YeastId } from '$core/must/substances';
  import { BOTTLE_L } from '$core/must/balance';
  import { freeRows } from '$core/scale/solve';
  import type { Vessel } from '$core/scale/vessels';
  import { fromBase, toBase, UNIT_LABEL, type VolumeUnit } from '$core/units/measure';
  import { parseNumber } from '$core/units/parse';
  import { volumeText } from '$core/units/format';
  import { household, vesselsInUse } from '$lib/store/household.svelte';
  import Choices from '../pop/Choices.svelte';
  import Word from '../pop/Word.svelte';
  import { mainName, type Bench } from './bench.svelte';

  let { bench, vessel, vessels }: { bench: Bench; vessel: Vessel; vessels: readonly Vessel[] } = $props();

  const free = $derived(freeRows(bench.plan));
  const fruit = $derived(bench.plan.ingredients.filter((i) => i.kind === 'produce' || i.kind === 'juice'));
  const fruitWords = $derived(
    fruit.length === 0
      ? 'what I have'
      : fruit.length === 1
        ? `all my ${mainName(fruit).toLowerCase()}`
        : 'all my fruit'
  );
  const amountHeld = $derived(bench.target.volumeL !== null && free.water >= 0);
  const abvHeld = $derived(bench.target.abv !== null && free.sugar >= 0);
  const unit = $derived(bench.target.volumeUnit ?? 'L');

  const sayAmount = (litres: number): string => {
    if (unit === 'bottles') return `${Math.round(litres / BOTTLE_L)} bottles`;
    const n = fromBase(litres, unit);
    return `${n.toFixed(n < 20 && Math.abs(n - Math.round(n)) > 0.04 ? 1 : 0)} ${unit === 'L' ? (Math.round(n * 10) === 10 ? 'litre' : 'litres') : UNIT_LABEL[unit]}`;
  };
  const amountNow = $derived(bench.estimate?.intoGlassL?.likely ?? null);
  const amountText = $derived(
    amountHeld
      ? sayAmount(bench.target.volumeL!)
      : amountNow !== null && amountNow > 0
        ? `about ${sayAmount(amountNow)}`
        : 'as much as it gives'
  );
  const abvText = $derived(
    abvHeld
      ? `${bench.target.abv} %`
      : bench.estimate?.potentialAbv
        ? `about ${bench.estimate.potentialAbv.likely.toFixed(1)} %`
        : '12 %'
  );
  const busy = $derived(vesselsInUse());

  function typeAmount(text: string, next: typeof unit) {
    const n = parseNumber(text);
    if (n === null || n <= 0 || n > 5000) return;
    bench.setVolume(next === 'bottles' ? n * BOTTLE_L : toBase(n, next as VolumeUnit), next);
  }
  const inUnit = (litres: number, u: typeof unit) =>
    +(u === 'bottles' ? litres / BOTTLE_L : fromBase(litres, u as VolumeUnit)).toFixed(2);
</script>

<h1 class="sentence pt-2 pb-1 font-normal">
  Use <span class="font-semibold">{fruitWords}</span> to make
  <Word title="How much, into glass" text={amountText} held={amountHeld}>
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
              value={amountNow !== null ? inUnit(bench.target.volumeL ?? amountNow, unit) : ''}
              oninput={(e) => typeAmount(e.currentTarget.value, unit)}
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
            bench.setVolume(null, unit);
            close();
          }}>Work it out from the fruit</button
        >
      </form>
    {/snippet}
  </Word>
  at
  <Word title="How strong" text={abvText} held={abvHeld}>
    {#snippet children(close: () => void)}
      <form
        onsubmit={(e) => {
          e.preventDefault();
          close();
        }}
        class="grid gap-3"
      >
        <label class="grid gap-1 font-semibold"
          >Strength, % by volume
          <input
            class="field"
            inputmode="decimal"
            autocomplete="off"
            value={bench.target.abv ?? ''}
            oninput={(e) => {
              const n = parseNumber(e.currentTarget.value);
              if (n !== null && n <= 25) bench.setAbv(n);
            }}
          />
        </label>
        <p class="small">Light 5–7, table wine 11–13, strong country style 14–16. The sugar follows.</p>
        <button class="btn btn-primary" type="submit">Hold it there</button>
      </form>
    {/snippet}
  </Word>
  with a
  <Word title="Yeast" text={YEASTS[bench.yeastId].name.toLowerCase().replace(' type', '')}>
    {#snippet children(close: () => void)}
      <Choices
        title="Yeast"
        options={Object.entries(YEASTS).map(([id, y]) => ({
          id,
          name: `${y.name}, to about ${y.toleranceAbv[1]} %`,
          note: y.note
        }))}
        value={bench.yeastId}
        onchoose={(id) => {
          bench.yeastId = id as YeastId;
          close();
        }}
      />
    {/snippet}
  </Word>
  yeast, in the
  <Word title="Vessel" text={vessel.name}>
    {#snippet children(close: () => void)}
      <Choices
        title="Vessel"
        options={vessels.map((v) => ({
          id: v.id,
          name: v.name,
          note: busy.has(v.id)
            ? `holds ${busy.get(v.id)!.state.name} now`
            : `holds ${volumeText(v.capacityL, household.settings.volume)} to the brim`
        }))}
        value={vessel.id}
        onchoose={(id) => {
          bench.vesselId = id;
          close();
        }}
      />
    {/snippet}
  </Word>.
</h1>
