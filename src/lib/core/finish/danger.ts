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
  /** what was found in one that was opened, where that is why; null where the sums are */
  found: 'fizzy' | 'gushing' | null;
};

/** The weakest bottles of a filling. */
const worstOf = (b: Bottling): BottleType => weakest(b.bottles.map((x) => x.type));

/** Bottles that hold fizz wanted in them: made for this much at least, bar. */
const FOR_FIZZ_BAR = 2;

/** Gas where there should be none, or more of it than a bottle pours in peace; null where what was found is as it should be. */
function badlyFound(b: Bottling): Danger['found'] {
  const worst = b.opened.reduce<Danger['found']>(
    (w, o) => (o.found === 'gushing' || w === 'gushing' ? 'gushing' : o.found === 'fizzy' ? 'fizzy' : w),
    null
  );
  const isWanted = b.primingGL > 0 && BOTTLES[worstOf(b)].ratingBar >= FOR_FIZZ_BAR;
  return worst === 'fizzy' && isWanted ? null : worst;
}

/**
 * Two bottles opened a fortnight apart and found without gas, the later two months after filling, show that the rest
 * is safe: a ferment that wakes in warmth does so by then. Ours, on the safe side of common practice.
 */
const SHOWN_SAFE = { bottles: 2, apartDays: 14, afterDays: 60 } as const;

function isShownSafe(b: Bottling): boolean {
  // Gas in one says that the others may have it, whatever was found before.
  const alive = b.opened.findLast((o) => o.found !== 'still')?.at ?? -Infinity;
  const still = b.opened.filter((o) => o.found === 'still' && o.at > alive).map((o) => o.at);
  const [first, last] = [still[0], still.at(-1)];
  return (
    first !== undefined &&
    last !== undefined &&
    still.length >= SHOWN_SAFE.bottles &&
    last - first >= SHOWN_SAFE.apartDays * DAY &&
    last - b.at >= SHOWN_SAFE.afterDays * DAY
  );
}

/** Fillings of a batch that went against the pressure check, or were found with gas in them, until they are opened or shown to be safe. */
export function dangersOf(
  s: Pick<BatchState, 'bottled' | 'pitches' | 'plan' | 'readings' | 'warmestC'>,
  belief: Pick<Belief, 'filledGL'> | null
): Danger[] {
  return s.bottled.flatMap((b) => {
    if (b.left <= 0 || isShownSafe(b)) return [];
    const worst = worstOf(b);
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
    const found = badlyFound(b);
    if (verdict.level !== 'stop' && found === null) return [];
    return [
      {
        bottlingId: b.eventId,
        at: b.at,
        left: b.left,
        bar20: verdict.bar20,
        ratingBar,
        type: worst,
        why: reachable.why,
        found: verdict.level === 'stop' ? null : found
      }
    ];
  });
}
