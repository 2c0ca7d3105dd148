import { cellKey, type Cell } from './events/cell';
import type { Bottling } from './state';

/** Bottles of one kind of a filling that stand in no rack. */
export const looseOf = (b: Bottling, kind: number): number =>
  Math.max(0, (b.bottles[kind]?.left ?? 0) - b.cells.filter((c) => c.kind === kind).length);

/** Takes so many bottles of one kind out of a filling, in place; from their cells, else loose ones first. */
function takeKind(b: Bottling, kind: number, count: number, from: readonly Cell[]): number {
  const of = b.bottles[kind];
  if (!of) return 0;
  const taken = Math.min(count, of.left);
  const named = new Set(from.map(cellKey));
  b.cells = b.cells.filter((c) => c.kind !== kind || !named.has(cellKey(c)));
  of.left -= taken;
  b.left -= taken;
  const over = b.cells.filter((c) => c.kind === kind).length - of.left;
  // Nobody said which: the last that was laid down is the nearest to hand.
  for (let i = b.cells.length - 1, n = over; i >= 0 && n > 0; i--)
    if (b.cells[i]!.kind === kind) {
      b.cells.splice(i, 1);
      n -= 1;
    }
  return taken;
}

/**
 * Takes bottles out of a filling, in place, as far as there are any.
 * @param kind which of its kinds; left out, those of the cells named, else those of which most stand loose
 */
export function takeBottles(
  b: Bottling,
  count: number,
  kind: number | undefined,
  from: readonly Cell[]
): void {
  let rest = count;
  const named = new Set(from.map(cellKey));
  const first = kind ?? b.cells.find((c) => named.has(cellKey(c)))?.kind;
  if (first !== undefined) rest -= takeKind(b, first, rest, from);
  const others = b.bottles
    .map((_, i) => i)
    .filter((i) => i !== first)
    .sort((x, y) => looseOf(b, y) - looseOf(b, x) || x - y);
  for (const i of others) if (rest > 0) rest -= takeKind(b, i, rest, []);
}
