import type { BatchState, Bottling } from '../ledger/state';
import type { Belief } from '../belief/believe';
import { weakest } from './bottling';
import { judgeFill } from './judge';
import { BOTTLES, type BottleType } from '../tables/bottles';

const DAY = 86_400_000;

/** Bottles that could burst, and are still closed. */
export type Danger = {
  bottlingId: string;
  at: number;
  left: number;
  bar20: number;
  ratingBar: number;
  type: BottleType;
  why: string;
};

/**
 * Two bottles opened a fortnight apart and found without gas, the later two months after filling, show that the rest
 * is safe: a ferment that wakes in warmth does so by then. Ours, on the safe side of common practice.
 */
const SHOWN_SAFE = { bottles: 2, apartDays: 14, afterDays: 60 } as const;

function isShownSafe(b: Bottling): boolean {
  const [first, last] = [b.stillAt[0], b.stillAt.at(-1)];
  return (
    first !== undefined &&
    last !== undefined &&
    b.stillAt.length >= SHOWN_SAFE.bottles &&
    last - first >= SHOWN_SAFE.apartDays * DAY &&
    last - b.at >= SHOWN_SAFE.afterDays * DAY
  );
}

/** Fillings of a batch that went against the pressure check, until they are opened or shown to be safe. */
export function dangersOf(
  s: Pick<BatchState, 'bottled' | 'pitches' | 'plan' | 'readings' | 'warmestC'>,
  belief: Pick<Belief, 'filledGL'> | null
): Danger[] {
  return s.bottled.flatMap((b) => {
    if (b.left <= 0 || isShownSafe(b)) return [];
    const worst = weakest(b.types);
    const { ratingBar } = BOTTLES[worst];
    // What nobody wrote down of an older filling: it was let through then, so it was said to be clear.
    const isClear = b.isClear ?? (b.bar20 !== null && b.bar20 <= ratingBar);
    const { verdict, reachable } = judgeFill(
      s,
      b.fill,
      worst,
      b.primingGL,
      isClear,
      b.heldKg,
      belief?.filledGL[b.eventId] ?? null,
      b.heat
    );
    if (verdict.level !== 'stop') return [];
    return [
      {
        bottlingId: b.eventId,
        at: b.at,
        left: b.left,
        bar20: verdict.bar20,
        ratingBar,
        type: worst,
        why: reachable.why
      }
    ];
  });
}
