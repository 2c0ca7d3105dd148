import { PAPERS, type Grid, type PaperId } from '../units/paper';
import { InputError } from '../units/input-error';
import type { Box } from './mark';

const grid = (
  paper: PaperId,
  cols: number,
  rows: number,
  wMm: number,
  hMm: number,
  gapXMm = 0,
  gapYMm = 0
): Grid => {
  const { w, h } = PAPERS[paper];
  // In the middle of the paper, as sheets are made.
  const leftMm = (w - cols * wMm - (cols - 1) * gapXMm) / 2;
  const topMm = (h - rows * hMm - (rows - 1) * gapYMm) / 2;
  return { paper, cols, rows, wMm, hMm, leftMm, topMm, gapXMm, gapYMm };
};

const IN = 25.4;

/** Sheets that stationers sell, by how many labels stand on one. Common practice; sizes from memory. */
export const GRIDS: Readonly<Record<string, Grid>> = {
  'a4-4': grid('a4', 2, 2, 99.1, 139, 2.5),
  'a4-8': grid('a4', 2, 4, 99.1, 67.7, 2.5),
  'a4-12': grid('a4', 3, 4, 63.5, 72, 2.5),
  'a4-18': grid('a4', 3, 6, 63.5, 46.6, 2.5),
  'a4-21': grid('a4', 3, 7, 63.5, 38.1, 2.5),
  'a4-24': grid('a4', 3, 8, 64, 33.9, 2),
  'a4-65': grid('a4', 5, 13, 38.1, 21.2, 2.5),
  'letter-4': grid('letter', 2, 2, 4 * IN, 5 * IN, 0.15 * IN),
  'letter-6': grid('letter', 2, 3, 4 * IN, (10 / 3) * IN, 0.16 * IN),
  'letter-10': grid('letter', 2, 5, 4 * IN, 2 * IN, 0.16 * IN),
  'letter-20': grid('letter', 2, 10, 4 * IN, IN, 0.16 * IN),
  'letter-30': grid('letter', 3, 10, 2.625 * IN, IN, 0.125 * IN)
};

/**
 * Labels on a sheet.
 * @example countOf({ cols: 3, rows: 8 }) // 24
 */
export const countOf = ({ cols, rows }: Pick<Grid, 'cols' | 'rows'>): number => cols * rows;

/**
 * Where the labels of a sheet stand, row by row, mm.
 * @throws {InputError} when they do not go on the paper
 */
export function cellsOf(g: Grid): Box[] {
  const { w, h, name } = PAPERS[g.paper];
  const wide = g.leftMm + g.cols * g.wMm + (g.cols - 1) * g.gapXMm;
  const high = g.topMm + g.rows * g.hMm + (g.rows - 1) * g.gapYMm;
  if (wide > w + 0.05)
    throw new InputError(
      `${g.cols} of these labels side by side are wider than ${name}.`,
      'Make them fewer or narrower.',
      'grid'
    );
  if (high > h + 0.05)
    throw new InputError(
      `${g.rows} of these labels one under another are higher than ${name}.`,
      'Make them fewer or lower.',
      'grid'
    );
  return Array.from({ length: countOf(g) }, (_, i) => ({
    x: g.leftMm + (i % g.cols) * (g.wMm + g.gapXMm),
    y: g.topMm + Math.floor(i / g.cols) * (g.hMm + g.gapYMm),
    w: g.wMm,
    h: g.hMm
  }));
}

/**
 * Places of so many labels, sheet by sheet; the first sheet begins at its label `first`, as some of it were used before.
 * @param first 1 or more
 * @example sheetsOf(GRIDS['a4-8']!, 10, 7).map((s) => s.length) // [2, 8]
 */
export function sheetsOf(g: Grid, count: number, first: number): Box[][] {
  const cells = cellsOf(g);
  if (!Number.isInteger(first) || first < 1 || first > cells.length)
    throw new InputError(`A sheet has labels 1 to ${cells.length}.`, 'Begin at one of them.', 'first');
  const sheets: Box[][] = [];
  for (let i = first - 1; i < first - 1 + count; i++) {
    const n = Math.floor(i / cells.length);
    (sheets[n] ??= []).push(cells[i % cells.length]!);
  }
  return sheets;
}
