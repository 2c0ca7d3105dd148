import { looseOf } from '../ledger/bottles';
import { cellKey, type Cell } from '../ledger/events/cell';
import type { Rack } from '../vessels/rack';
import type { CellarWine } from './stock';

/** A bottle in a rack: of which wine, and which of its kinds. */
export type Lying = { wine: CellarWine; kind: number };

/** What lies where. Two wines in one place came from two devices: each is kept, and both are told. */
export function lyingIn(wines: readonly CellarWine[]): Map<string, Lying[]> {
  const out = new Map<string, Lying[]>();
  for (const wine of wines)
    for (const c of wine.bottling.cells) {
      const key = cellKey(c);
      out.set(key, [...(out.get(key) ?? []), { wine, kind: c.kind }]);
    }
  return out;
}

/** Places where two wines lie at once. */
export const clashes = (lying: ReadonlyMap<string, Lying[]>): string[] =>
  [...lying].filter(([, l]) => l.length > 1).map(([key]) => key);

/** Bottles that lie in a place that no rack has any more. */
export const astray = (wine: CellarWine, racks: readonly Rack[]): Cell[] =>
  wine.bottling.cells.filter((c) => {
    const rack = racks.find((r) => r.id === c.rackId);
    return !rack || c.row >= rack.rows || c.col >= rack.cols;
  });

/** Free places of a rack from one on, row by row, as many as are wanted; fewer where it is full. */
export function freeFrom(
  rack: Rack,
  from: { row: number; col: number },
  count: number,
  taken: ReadonlySet<string>
): Cell[] {
  const out: Cell[] = [];
  const start = from.row * rack.cols + from.col;
  for (let i = start; i < rack.rows * rack.cols && out.length < count; i++) {
    const cell = { rackId: rack.id, row: Math.floor(i / rack.cols), col: i % rack.cols };
    if (!taken.has(cellKey(cell))) out.push(cell);
  }
  return out;
}

/** Bottles of a wine that lie in no rack, by kind. */
export const loose = (wine: CellarWine): { kind: number; count: number }[] =>
  wine.bottling.bottles
    .map((_, kind) => ({ kind, count: looseOf(wine.bottling, kind) }))
    .filter((x) => x.count > 0);

/** Where a wine lies, as one says it: racks, and how many in each; the rest stands loose. */
export function whereOf(wine: CellarWine, racks: readonly Rack[]): { name: string; count: number }[] {
  const by = new Map<string, number>();
  for (const c of wine.bottling.cells) {
    const name = racks.find((r) => r.id === c.rackId)?.name ?? 'a rack that is gone';
    by.set(name, (by.get(name) ?? 0) + 1);
  }
  return [...by].map(([name, count]) => ({ name, count }));
}
