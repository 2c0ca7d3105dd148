import type { BatchState, Bottling } from '../ledger/state';

const DAY = 86_400_000;

/** Days in the warm until a primed bottle has its fizz, from – to; and until the next where the first had none. Common practice. */
const FIZZ_DAYS = { from: 14, to: 21, again: 14 } as const;
/** So many found still show that it will not come: its yeast is spent. Ours. */
const ENOUGH = 3;

/** A bottle of a primed filling that is to be opened: then one knows whether the rest is ready, or too lively. */
export type TestBottle = { bottling: Bottling; dueAt: number; lateAt: number };

/** The next test bottle of each primed filling; none where fizz was found, or never came. */
export const testBottlesOf = (s: Pick<BatchState, 'bottled'>): TestBottle[] =>
  s.bottled.flatMap((bottling): TestBottle[] => {
    const { at, primingGL, left, opened } = bottling;
    const isSettled = opened.some((o) => o.found !== 'still') || opened.length >= ENOUGH;
    if (primingGL <= 0 || left <= 1 || isSettled) return [];
    const last = opened.at(-1);
    const dueAt = last ? last.at + FIZZ_DAYS.again * DAY : at + FIZZ_DAYS.from * DAY;
    return [{ bottling, dueAt, lateAt: dueAt + (FIZZ_DAYS.to - FIZZ_DAYS.from) * DAY }];
  });
