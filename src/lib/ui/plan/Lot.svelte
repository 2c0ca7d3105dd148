<script lang="ts">
  import { explain, own } from '$lib/ui/words/own-units';
  import { entryOf } from '$core/plan/plan';
  import { priceKey } from '$core/plan/cost';
  import { isStrained } from '$core/must/strain';
  import { SWEETENERS, type SweetenerId } from '$core/tables/sweeteners';
  import { MILLS, PRESSES, RIPENESS } from '$core/plan/extraction';
  import { CUTS, FORM_NOTES, HEATS } from '$core/plan/handling';
  import { parseNumber } from '$core/units/parse';
  import { taughtEntry } from '$lib/store/garden.svelte';
  import { household, changeSettings } from '$lib/store/household.svelte';
  import type { Bench, Row } from './bench.svelte';
  import LotMeasured from './LotMeasured.svelte';

  /** What is particular about one lot: its form, how it is cut and heated, and what its juice measured. */
  let { bench, row, close }: { bench: Bench; row: Row; close: () => void } = $props();

  const item = $derived(row.item);
  const produce = $derived(entryOf(item));
  let error = $state('');

  function change(patch: Record<string, unknown>) {
    try {
      bench.change(row.id, patch);
      error = '';
    } catch (e) {
      error = explain(e);
    }
  }

  function price(text: string) {
    const n = text.trim() === '' ? null : parseNumber(text);
    if (text.trim() !== '' && (n === null || n < 0)) return (error = `“${text}” is no price.`);
    const key = priceKey(item);
    void changeSettings(({ prices: { [key]: _, ...rest } }) => ({
      prices: n === null ? rest : { ...rest, [key]: n }
    }));
    error = '';
  }
</script>

{#snippet choice(label: string, value: string, options: [string, string][], set: (v: string) => void)}
  <label class="grid gap-0.5 text-[0.875rem] font-semibold"
    >{label}
    <select class="field py-1!" {value} onchange={(e) => set(e.currentTarget.value)}>
      {#each options as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </select>
  </label>
{/snippet}
{#snippet entry(label: string, value: string, set: (v: string) => void)}
  <label class="grid gap-0.5 text-[0.875rem] font-semibold"
    >{label}
    <input class="field py-1!" autocomplete="off" {value} onchange={(e) => set(e.currentTarget.value)} />
  </label>
{/snippet}

<div class="grid w-80 max-w-full gap-2">
  <p class="flex items-baseline justify-between gap-3">
    <span class="number text-[1.125rem]">This lot</span>
    {#if produce}<a class="small underline" href="/almanac/produce/{produce.id}">In the Almanac</a>{/if}
  </p>
  {#if produce?.garden}
    <p class="bg-tint-straw px-2 py-1 text-[0.9375rem] text-ink">
      From your own {produce.garden.batches} batches.
      <button
        type="button"
        class="min-h-11 underline underline-offset-4 sm:min-h-7"
        onclick={() => {
          const { id } = produce;
          void changeSettings((s) => ({ unlearned: [...new Set([...s.unlearned, id])] }));
          change({ entry: undefined });
        }}>Use the table’s figures</button
      >
    </p>
  {:else if produce && household.settings.unlearned.includes(produce.id)}
    <button
      type="button"
      class="min-h-11 w-max underline underline-offset-4 sm:min-h-7"
      onclick={async () => {
        const { id } = produce;
        await changeSettings((s) => ({ unlearned: s.unlearned.filter((x) => x !== id) }));
        change({ entry: taughtEntry(id) });
      }}>Use what your own batches showed</button
    >
  {/if}
  {#if item.kind === 'produce' && produce}
    {@const names = (t: Record<string, { name: string }>) =>
      Object.entries(t).map(([id, o]): [string, string] => [id, o.name])}
    <div class="grid grid-cols-2 gap-2">
      {@render choice(
        'Form',
        item.form ?? 'fresh',
        produce.forms.filter((f) => f !== 'juice' && f !== 'concentrate').map((f) => [f, FORM_NOTES[f].name]),
        (v) => change({ form: v })
      )}
      {@render choice(
        'Weighed',
        item.weighed ?? 'trimmed',
        [
          ['trimmed', 'trimmed'],
          ['bought', 'as bought']
        ],
        (v) => change({ weighed: v })
      )}
      {@render choice('Ripeness', item.ripeness ?? 'ripe', names(RIPENESS), (v) => change({ ripeness: v }))}
      {@render choice(
        'Used',
        item.pressed ? item.pressed.press : isStrained(item) ? 'strained' : 'whole',
        [['whole', 'in the must'], ['strained', 'strained off first'], ...names(PRESSES)],
        (v) =>
          change({
            strained: v === 'strained' ? true : v === 'whole' ? false : undefined,
            pressed:
              v === 'whole' || v === 'strained'
                ? undefined
                : { press: v, mill: item.form === 'frozen' ? 'thawed' : 'milled' }
          })
      )}
      {#if item.pressed}
        {@render choice('Broken up', item.pressed.mill, names(MILLS), (v) =>
          change({ pressed: { press: item.pressed!.press, mill: v } })
        )}
      {:else}
        {@render choice('Cut', item.cut ?? 'crushed', names(CUTS), (v) => change({ cut: v }))}
        {@render choice(
          'Heat',
          item.heat ?? (bench.choice('wildYeast') === 'heat' ? 'poured' : 'raw'),
          names(HEATS),
          (v) => change({ heat: v, simmerMin: v === 'simmered' ? (item.simmerMin ?? 20) : undefined })
        )}
        {#if item.heat === 'simmered'}
          {@render entry('Minutes', String(item.simmerMin ?? 20), (v) =>
            change({ simmerMin: parseNumber(v) ?? NaN })
          )}
        {/if}
        {#if item.form === 'frozen'}
          {@render choice(
            'Thaw juice',
            item.thawJuice ?? 'kept',
            [
              ['kept', 'goes in'],
              ['poured-off', 'poured off']
            ],
            (v) => change({ thawJuice: v })
          )}
        {/if}
      {/if}
    </div>
    <p class="small">{own(FORM_NOTES[item.form ?? 'fresh'].note)}</p>
  {/if}
  <LotMeasured {item} {entry} {change} onwrong={(text) => (error = text)} />
  {#if item.kind === 'sugar' || item.kind === 'honey'}
    {@render choice(
      'Which',
      item.kind === 'honey' ? 'honey' : item.sugarId,
      Object.entries(SWEETENERS).map(([id, s]) => [id, s.name]),
      (v) => bench.swapSugar(row.id, v as SweetenerId)
    )}
    <p class="small">{own(SWEETENERS[item.kind === 'honey' ? 'honey' : item.sugarId].note)}</p>
  {/if}
  {#if item.kind === 'water'}
    {@render entry('Alkalinity, mg/L as lime (CaCO₃)', String(item.alkalinityMgL ?? 0), (v) =>
      change({ alkalinityMgL: parseNumber(v) ?? NaN })
    )}
    <p class="small">
      Hard water takes acid away; <a class="underline" href="/bench/tap-water">other units on the Bench</a>.
    </p>
  {:else if item.kind !== 'wine' && item.kind !== 'juice'}
    <label class="grid gap-0.5 text-[0.875rem] font-semibold"
      >Weighed in parts, or a jar before and after
      <input
        class="field py-1!"
        autocomplete="off"
        placeholder="2.8 + 2.9 kg, or 1180 − 240 g"
        onchange={(e) => {
          if (e.currentTarget.value.trim()) bench.type(row.id, e.currentTarget.value);
          bench.settle(row.id);
          e.currentTarget.value = '';
        }}
      />
    </label>
  {/if}
  {#if item.kind !== 'additive'}
    {@render entry(
      `Price, ${household.settings.currency} a ${'volumeL' in item ? 'litre' : 'kilogram'}`,
      household.settings.prices[priceKey(item)]?.toString() ?? '',
      price
    )}
  {/if}
  {#if error}<p class="text-[0.9375rem] text-rosehip" role="alert">{error}</p>{/if}
  <button type="button" class="btn btn-line" onclick={close}>Done</button>
</div>
