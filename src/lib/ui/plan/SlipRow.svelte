<script lang="ts">
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import X from '@lucide/svelte/icons/x';
  import { entryOf } from '$core/must/plan';
  import { amountText } from '$core/units/format';
  import { UNIT_LABEL, type Unit } from '$core/units/measure';
  import { canFollow, unitsFor, type Bench, type Row } from './bench.svelte';
  import { nameOf } from './label';

  let { bench, row, index, mostSugar }: { bench: Bench; row: Row; index: number; mostSugar: number } =
    $props();

  const name = $derived(nameOf(row.item));
  const produce = $derived(row.item.kind === 'produce' ? entryOf(row.item) : undefined);
  const forms = $derived(produce?.forms.filter((f) => f !== 'juice') ?? []);
  const shown = $derived(row.held ? row.text : amountText(bench.shown(index), row.unit));
  const sugar = $derived(bench.sugar(index));
  const colour = $derived(produce?.colour.fruit ?? (row.item.kind === 'honey' ? '#d9a441' : '#dfc27e'));
  const follows = $derived(canFollow(row.item));
</script>

<li
  data-row={row.id}
  class="dashline grid grid-cols-[minmax(0,1fr)_4.75rem_4.25rem_4.75rem_4.5rem] max-sm:grid-cols-[minmax(0,1fr)_4.5rem_3.75rem_auto] items-center gap-x-1 py-0.5 pl-3"
>
  <div class="min-w-0">
    <p class="truncate font-semibold">{name}</p>
    {#if row.item.kind === 'produce' && produce}
      {@const item = row.item}
      <p class="small -mt-0.5 flex gap-1 whitespace-nowrap">
        <select
          aria-label="{name}: form"
          class="quiet-select"
          value={item.form ?? 'fresh'}
          onchange={(e) => bench.change(row.id, { form: e.currentTarget.value as 'fresh' })}
        >
          {#each forms as f (f)}<option>{f}</option>{/each}
        </select>
        <select
          aria-label="{name}: how it was weighed"
          class="quiet-select"
          value={item.weighed ?? 'trimmed'}
          onchange={(e) => bench.change(row.id, { weighed: e.currentTarget.value as 'trimmed' })}
        >
          <option value="trimmed">trimmed</option>
          <option value="bought">as bought</option>
        </select>
      </p>
    {:else if follows}
      <p class="small -mt-0.5">{row.held ? 'held by you' : 'worked out'}</p>
    {/if}
  </div>
  <input
    class="h-11 w-full border-b border-transparent bg-transparent text-right text-[1.25rem] font-semibold outline-offset-0 focus:border-ink {row.held
      ? 'text-ink'
      : 'text-greengage'} {row.error ? 'border-rosehip!' : ''}"
    inputmode="decimal"
    autocomplete="off"
    aria-label="{name}: amount in {UNIT_LABEL[row.unit]}"
    aria-invalid={row.error !== null}
    placeholder="0"
    value={shown}
    oninput={(e) => bench.type(row.id, e.currentTarget.value)}
    onfocus={(e) => e.currentTarget.select()}
  />
  <select
    aria-label="{name}: unit"
    class="quiet-select h-11 w-full text-base"
    value={row.unit}
    onchange={(e) => bench.setUnit(row.id, e.currentTarget.value as Unit)}
  >
    {#each unitsFor(row.item) as u (u)}<option value={u}>{UNIT_LABEL[u]}</option>{/each}
  </select>
  <div class="text-[0.8125rem] text-quiet max-sm:hidden" title="sugar it brings">
    {#if sugar > 0.0005}
      <span
        class="block h-2 border-l-2 border-ink"
        style:width="{Math.max(4, (100 * sugar) / mostSugar)}%"
        style:background={colour}
      ></span>
      {sugar >= 0.1 ? `${sugar.toFixed(2)} kg` : `${(sugar * 1000).toFixed(0)} g`}
    {/if}
  </div>
  <div class="flex justify-end">
    {#if follows}
      <button
        class="grid size-9 place-items-center text-quiet max-sm:w-9 max-sm:h-11"
        onclick={() => bench.toggleHeld(row.id)}
        aria-pressed={row.held}
        aria-label="{row.held ? 'Let' : 'Hold'} {name.toLowerCase()}{row.held ? ' follow' : ' as it is'}"
      >
        {#if row.held}<Lock size={16} />{:else}<LockOpen size={16} />{/if}
      </button>
    {/if}
    <button
      class="grid size-9 place-items-center text-quiet max-sm:w-9 max-sm:h-11"
      onclick={() => bench.remove(row.id)}
      aria-label="Take {name.toLowerCase()} off the slip"><X size={16} /></button
    >
  </div>
  {#if row.error}<p class="col-span-full pr-3 pb-1 text-[0.875rem] text-rosehip" role="alert">
      {row.error}
    </p>{/if}
</li>

<style>
  .quiet-select {
    background: transparent;
    color: var(--color-secondary);
    border-radius: 3px;
    cursor: pointer;
  }
  .quiet-select option {
    background: var(--color-base-200);
    color: var(--color-base-content);
  }
</style>
