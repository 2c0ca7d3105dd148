import { BOTTLE_TYPES, COMMON_BOTTLES, type BottleKind, type BottleType } from '$core/tables/bottles';
import type { BottleRow } from '$core/finish/bottling';

/** What of a bottling day outlives its tab, as text: which vessel, which bottles, how many are full. */
export const DAY = {
  card: 'vessel',
  from: '',
  clear: '',
  /** counts that were said, by kind: `0.75 still 6` */
  rows: '',
  fizz: '0',
  filled: ''
};
export const CARDS = ['vessel', 'bottles', 'kit', 'fill'] as const;
export type CardId = (typeof CARDS)[number];

/** Gas that people want, gauge pressure at 20 °C, bar. Common practice. */
export const FIZZ: { bar: number; name: string }[] = [
  { bar: 0, name: 'still' },
  { bar: 1.5, name: 'a prickle' },
  { bar: 2.5, name: 'fizzy' },
  { bar: 4.5, name: 'sparkling' }
];

const isType = (t: string | undefined): t is BottleType => BOTTLE_TYPES.includes(t as BottleType);

/** `0.75 still 6|0.33 crown` back to rows; one without a count is free. */
export function rowsOf(text: string): BottleRow[] {
  return text.split('|').flatMap((line): BottleRow[] => {
    const [size, type, count] = line.split(' ');
    const sizeL = Number(size);
    if (!(sizeL > 0) || !isType(type)) return [];
    return [
      count === undefined ? { sizeL, type, count: 0 } : { sizeL, type, count: Number(count), isHeld: true }
    ];
  });
}
export const textOf = (rows: readonly BottleRow[]): string =>
  rows.map((r) => `${r.sizeL} ${r.type}${r.isHeld ? ` ${r.count}` : ''}`).join('|');

export const keyOf = (k: BottleKind): string => `${k.sizeL} ${k.type}`;

/** Counts by kind: `0.75 still:3|0.33 crown:12`. */
export const countsOf = (text: string): Map<string, number> =>
  new Map(
    text
      .split('|')
      .filter(Boolean)
      .map((p) => [p.slice(0, p.lastIndexOf(':')), Number(p.slice(p.lastIndexOf(':') + 1))])
  );
export const countsText = (counts: Map<string, number>): string =>
  [...counts].map(([k, n]) => `${k}:${n}`).join('|');

/** Kinds that are not in use yet, to add. */
export const otherKinds = (rows: readonly BottleRow[]): BottleKind[] =>
  COMMON_BOTTLES.filter((k) => !rows.some((r) => keyOf(r) === keyOf(k)));
