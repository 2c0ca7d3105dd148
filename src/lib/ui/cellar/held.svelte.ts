import type { CellarWine } from '$core/cellar/stock';
import { freeFrom } from '$core/cellar/racks';
import { shelve } from '$core/commands/cellar';
import { cellKey, type Cell } from '$core/ledger/events/cell';
import { looseOf } from '$core/ledger/bottles';
import type { Rack } from '$core/vessels/rack';
import { counted } from '$core/units/format';
import { tell } from '../nav/said.svelte';

/** What one has in hand: a bottle out of a place, or all of a kind that stand in no rack. */
export type Held = { wine: CellarWine; kind: number; from: Cell | null; isDragged?: boolean };

/** One hand for the page: taken up by a tap, a key or a drag, and put down by the same. */
export function createHand() {
  let held = $state.raw<Held | null>(null);
  return {
    get held() {
      return held;
    },
    take(next: Held) {
      held = next;
    },
    drop() {
      held = null;
    },
    /** Puts it down: one bottle at a place; of loose ones as many as fit from there on. */
    async put(rack: Rack, at: { row: number; col: number }, taken: ReadonlySet<string>) {
      const h = held;
      if (!h) return;
      const b = h.wine.bottling;
      const from = h.from ? [h.from] : [];
      const cell = { rackId: rack.id, ...at };
      if (h.from && cellKey(h.from) === cellKey(cell)) return void (held = null);
      const many = h.from ? 1 : looseOf(b, h.kind);
      const cells = freeFrom(rack, at, many, taken);
      const ok = await tell(
        `${h.wine.name}: ${counted(cells.length, 'bottle')} in ${rack.name}, row ${at.row + 1}, place ${at.col + 1}${cells.length < many ? `; ${many - cells.length} found no place after it` : ''}.`,
        () => shelve(h.wine.batchId, b, h.kind, cells, from)
      );
      if (ok) held = null;
    },
    /** Takes it out of its rack. */
    async out() {
      const h = held;
      if (!h?.from) return;
      const ok = await tell(`${h.wine.name}: one taken out of the rack.`, () =>
        shelve(h.wine.batchId, h.wine.bottling, h.kind, [], [h.from!])
      );
      if (ok) held = null;
    }
  };
}
export type Hand = ReturnType<typeof createHand>;
