<script lang="ts">
  import { household } from '$lib/store/household.svelte';
  import { massText } from '$core/units/format';
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import X from '@lucide/svelte/icons/x';
  import { nameOf } from '$core/plan/name';
  import { entryOf } from '$core/plan/plan';
  import { unitLabel, unitsFor } from '$core/plan/thing';
  import type { AmountUnit } from '$core/units/words';
  import Pop from '../pop/Pop.svelte';
  import { canBeFree, canFollow, rowAmountText, type Bench, type Row } from './bench.svelte';
  import Lot from './Lot.svelte';
  import { lotText } from './lot';

  let { bench, row, index, mostSugar }: { bench: Bench; row: Row; index: number; mostSugar: number } =
    $props();

  const name = $derived(nameOf(row.item));
  const produce = $derived(row.item.kind === 'produce' ? entryOf(row.item) : undefined);
  const hasLot = $derived(row.item.kind !== 'additive');
  const follows = $derived(canFollow(row.item));
  const canFree = $derived(canBeFree(row.item));
  const most = $derived(
    !row.held && row.item.most !== undefined
      ? `up to ${rowAmountText(row.item, row.item.most, row.unit)} ${unitLabel(row.unit, produce)}`
      : ''
  );
  const said = $derived(
    most || lotText(row.item) || (row.held && !follows ? 'weighed' : row.held ? 'held by you' : 'worked out')
  );
  const shown = $derived(row.held ? row.text : rowAmountText(row.item, bench.shown(index), row.unit));
  const sugar = $derived(bench.sugar(index));
  const colour = $derived(produce?.colour.fruit ?? (row.item.kind === 'honey' ? '#d9a441' : '#dfc27e'));
</script>

<li
  data-row={row.id}
  class="dashline grid grid-cols-[minmax(0,1fr)_4.75rem_4.25rem_4.75rem_4.5rem] max-sm:grid-cols-[minmax(0,1fr)_4.5rem_3.75rem_auto] items-center gap-x-1 py-0.5 pl-3"
>
  <div class="min-w-0">
    {#if hasLot}
      <Pop title="{name}: this lot" label="{name}: {said}, change" class="block min-h-11 w-full text-left">
        {#snippet trigger()}<span class="block leading-tight font-semibold break-words">{name}</span><span
            class="small -mt-0.5 block truncate underline decoration-dotted underline-offset-2">{said}</span
          >{/snippet}
        {#snippet children(close: () => void)}<Lot {bench} {row} {close} />{/snippet}
      </Pop>
    {:else}<p class="leading-tight font-semibold break-words">{name}</p>{/if}
  </div>
  <input
    class="h-11 w-full border-b border-transparent bg-transparent text-right text-[1.25rem] font-semibold outline-offset-0 focus:border-ink {row.held
      ? 'text-ink'
      : 'text-greengage'} {row.error ? 'border-rosehip!' : ''}"
    inputmode="decimal"
    autocomplete="off"
    aria-label="{name}: amount in {unitLabel(row.unit, produce)}"
    aria-invalid={row.error !== null}
    placeholder="0"
    value={shown}
    oninput={(e) => bench.type(row.id, e.currentTarget.value)}
    onchange={() => bench.settle(row.id)}
    onfocus={(e) => e.currentTarget.select()}
  />
  <select
    aria-label="{name}: unit"
    class="quiet-select h-11 w-full text-base"
    value={row.unit}
    onchange={(e) => bench.setUnit(row.id, e.currentTarget.value as AmountUnit)}
  >
    {#each unitsFor(row.item) as u (u)}<option value={u}>{unitLabel(u, produce)}</option>{/each}
  </select>
  <div
    class="text-[0.8125rem] text-quiet max-sm:hidden"
    title="as grape sugar, which yeast takes: white sugar becomes a twentieth more of it"
  >
    {#if sugar > 0.0005}
      <span
        class="block h-2 border-l-2 border-ink"
        style:width="{Math.max(4, (100 * sugar) / mostSugar)}%"
        style:background={colour}
      ></span>
      {massText(sugar, household.settings.mass)}
    {/if}
  </div>
  <div class="flex justify-end">
    {#if canFree}
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
