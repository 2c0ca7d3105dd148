<script lang="ts">
  import type { Lying } from '$core/cellar/racks';
  import { cellKey } from '$core/ledger/events/cell';
  import { mustColour } from '$core/plan/colour';
  import type { Ingredient } from '$core/plan/plan';
  import type { Rack } from '$core/vessels/rack';
  import type { Hand } from './held.svelte';
  import { endWord, yearOf } from './words';

  /** A rack as one stands before it: the ends of its bottles. Tap or drag one, then its new place; or by arrow keys. */
  type Props = {
    rack: Rack;
    lying: ReadonlyMap<string, Lying[]>;
    coloursOf: (batchId: string) => readonly Ingredient[];
    hand: Hand;
    /** the wine that is looked for: the others step back */
    shown: string | null;
  };
  let { rack, lying, coloursOf, hand, shown }: Props = $props();

  const taken = $derived(new Set(lying.keys()));
  let focus = $state({ row: 0, col: 0 });
  let grid = $state<HTMLDivElement>();
  const rows = $derived(Array.from({ length: rack.rows }, (_, r) => r));
  const cols = $derived(Array.from({ length: rack.cols }, (_, c) => c));
  const at = (row: number, col: number) => lying.get(cellKey({ rackId: rack.id, row, col })) ?? [];

  function tap(row: number, col: number) {
    const [here] = at(row, col);
    const isMine = hand.held?.from && cellKey(hand.held.from) === cellKey({ rackId: rack.id, row, col });
    if (isMine) return hand.drop();
    if (here) return hand.take({ ...here, from: { rackId: rack.id, row, col } });
    if (hand.held) void hand.put(rack, { row, col }, taken);
  }
  function key(e: KeyboardEvent) {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[e.key];
    if (e.key === 'Escape') return hand.drop();
    if (!step) return;
    e.preventDefault();
    const row = Math.max(0, Math.min(rack.rows - 1, focus.row + step[0]!));
    const col = Math.max(0, Math.min(rack.cols - 1, focus.col + step[1]!));
    focus = { row, col };
    grid?.querySelector<HTMLElement>(`[data-cell="${row}:${col}"]`)?.focus();
  }
  const nameOf = (row: number, col: number): string => {
    const here = at(row, col);
    const place = `row ${row + 1}, place ${col + 1}`;
    if (here.length === 0) return `${place}: free`;
    return `${place}: ${here.map((l) => `${l.wine.name} ${yearOf(l.wine.startedAt, l.wine.zone)}`).join(' and ')}`;
  };
</script>

<div class="max-w-full overflow-x-auto pb-1">
  <div
    bind:this={grid}
    role="grid"
    tabindex="-1"
    aria-label={rack.name}
    class="inline-grid border-[6px] border-wood bg-board"
    style:grid-template-columns="repeat({rack.cols}, minmax(44px, 1fr))"
    onkeydown={key}
  >
    {#each rows as row (row)}
      <div role="row" class="contents">
        {#each cols as col (col)}
          {@const here = at(row, col)}
          {@const first = here[0]}
          {@const key = cellKey({ rackId: rack.id, row, col })}
          {@const isHeld = hand.held?.from && cellKey(hand.held.from) === key}
          <div role="gridcell" class="border-r border-b border-rule">
            <button
              type="button"
              data-cell="{row}:{col}"
              tabindex={focus.row === row && focus.col === col ? 0 : -1}
              class="grid size-11 place-items-center {shown && first && first.wine.batchId !== shown
                ? 'opacity-25'
                : ''}"
              aria-label={nameOf(row, col)}
              aria-pressed={first ? Boolean(isHeld) : undefined}
              title={nameOf(row, col)}
              draggable={first !== undefined}
              onfocus={() => (focus = { row, col })}
              onclick={() => tap(row, col)}
              ondragstart={(e) => {
                e.dataTransfer?.setData('text/plain', key);
                hand.take({ ...first!, from: { rackId: rack.id, row, col }, isDragged: true });
              }}
              ondragend={() => hand.held?.from && cellKey(hand.held.from) === key && hand.drop()}
              ondragover={(e) => hand.held && !first && e.preventDefault()}
              ondrop={(e) => {
                e.preventDefault();
                if (!first) void hand.put(rack, { row, col }, taken);
              }}
            >
              {#if first}
                <span
                  class="grid size-9 place-items-center rounded-full border-2 {here.length > 1
                    ? 'border-rosehip'
                    : isHeld
                      ? 'border-greengage outline-3 outline-greengage'
                      : 'border-ink'}"
                  style:background={mustColour(coloursOf(first.wine.batchId)).must}
                  ><span class="rounded-[2px] bg-slip px-0.5 text-[0.75rem] leading-tight font-bold text-ink"
                    >{here.length > 1 ? '2!' : endWord(first.wine.name)}</span
                  ></span
                >
              {:else}<span class="size-2 rounded-full bg-rule"></span>{/if}
            </button>
          </div>
        {/each}
      </div>
    {/each}
  </div>
</div>
