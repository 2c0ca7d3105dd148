import { BOTTLES, type BottleKind, type BottleType } from '../tables/bottles';
import { judgeFill, type BottlingCheck } from './judge';
import type { Belief } from '../belief/believe';
import { fillL, type Fill } from '../ledger/fill';
import type { BatchState } from '../ledger/state';

/** What a siphon leaves under its foot, L: a cupful, or so much of a large vessel. Common practice. */
const LEFT_L = 0.1;
const LEFT_SHARE = 0.012;

/** Litres of a vessel that come into bottles. @example bottledL(5) // 4.9 */
export const bottledL = (volumeL: number): number =>
  Math.max(0, volumeL - Math.max(LEFT_L, LEFT_SHARE * volumeL));

/** So many bottles of a kind; `isHeld` when somebody said how many. */
export type BottleRow = BottleKind & { count: number; isHeld?: boolean };

/**
 * How many bottles to wash: those that were said stand, and the rest go, in turn, into the kinds that are free, as many
 * as are filled to the neck.
 * @returns the rows with their counts, and what is left for the taster, L; below nought where too many were said
 * @example bottlesFor(4.9, [{ sizeL: 0.75, type: 'still', count: 0 }]).rows[0].count // 6
 */
export function bottlesFor(litres: number, rows: readonly BottleRow[]): { rows: BottleRow[]; leftL: number } {
  let leftL = litres - rows.reduce((sum, r) => sum + (r.isHeld ? r.count * r.sizeL : 0), 0);
  const filled = rows.map((r) => {
    if (r.isHeld) return r;
    const count = Math.max(0, Math.floor((leftL + 1e-9) / r.sizeL));
    leftL -= count * r.sizeL;
    return { ...r, count };
  });
  return { rows: filled, leftL };
}

/** Of several kinds the one that bears least. */
export const weakest = (types: readonly BottleType[]): BottleType =>
  types.reduce((a, t) => (BOTTLES[t].ratingBar < BOTTLES[a].ratingBar ? t : a), types[0] ?? 'still');

/**
 * Each vessel of a batch by its own state, in one kind of bottle: the one that is least safe first.
 * @param isClear as it was said of each
 */
export function vesselsToBottle(
  s: BatchState,
  type: BottleType,
  isClear: (fill: Fill) => boolean,
  belief: Pick<Belief, 'vessels'> | null,
  primingGL = 0
): (BottlingCheck & { litres: number })[] {
  return s.fills
    .map((f) => ({
      ...judgeFill(
        s,
        f,
        type,
        primingGL,
        isClear(f),
        s.heldKgIn[f.vesselId] ?? 0,
        belief?.vessels[f.vesselId]?.couldReachGL ?? null
      ),
      litres: fillL(f)
    }))
    .sort((a, b) => b.verdict.bar20 - a.verdict.bar20);
}
