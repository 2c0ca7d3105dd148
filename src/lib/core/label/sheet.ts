import { PAPERS, type Grid } from '../units/paper';
import type { Drawn } from './column';
import { group, line, mm, type Box, type Mark } from './mark';
import { sheetsOf } from './sheets';

/** A page to print: its size and what stands on it, mm. */
export type Page = { w: number; h: number; marks: Mark[] };

/** Fine lines at the corners of each label, to cut along. */
const cutMarks = (cells: readonly Box[]): Mark[] => {
  const stroke = { stroke: '#777777', 'stroke-width': 0.15, 'stroke-dasharray': '1 1.5' };
  return cells.flatMap(({ x, y, w, h }) => [
    line(x, y, x + w, y, stroke),
    line(x, y + h, x + w, y + h, stroke),
    line(x, y, x, y + h, stroke),
    line(x + w, y, x + w, y + h, stroke)
  ]);
};

type Lot = { drawn: Pick<Drawn, 'marks'>; count: number };

/**
 * Sheets of drawings that are alike in size: each drawing stands once in a page, and is named where it is printed.
 * @param lots what is to be printed, and how often
 * @param first the label of the first sheet to begin with, from 1
 * @throws {InputError} when the grid does not go on its paper, or has no such label
 */
export function pagesOf(lots: readonly Lot[], grid: Grid, first: number, isToCut: boolean): Page[] {
  const { w, h } = PAPERS[grid.paper];
  const which = lots.flatMap((l, i) => Array<number>(l.count).fill(i));
  let n = 0;
  return sheetsOf(grid, which.length, first).map((cells) => {
    const used = cells.map((cell) => ({ cell, i: which[n++]! }));
    const symbols = [...new Set(used.map((u) => u.i))].map<Mark>((i) =>
      group({ id: `label-${i}` }, lots[i]!.drawn.marks)
    );
    return {
      w,
      h,
      marks: [
        { tag: 'defs', attrs: {}, children: symbols },
        ...used.map<Mark>(({ cell, i }) => ({
          tag: 'use',
          attrs: { href: `#label-${i}`, transform: `translate(${mm(cell.x)} ${mm(cell.y)})` }
        })),
        ...(isToCut ? cutMarks(cells) : [])
      ]
    };
  });
}
