import type { BatchState, Bottling } from '../ledger/state';
import { USUAL_ROOM_C } from '../units/settings';

const DAY = 86_400_000;

/** At this warmth, °C, the days below are meant; ten degrees less take twice as long. Common practice. */
const MEANT_C = 20;
/** Colder than this nobody waits it out: the yeast sleeps. */
const COLDEST_C = 10;

/**
 * Days until a primed bottle has its fizz, from – to, by how warm it stands.
 * @example fizzDays(20).from // 14
 * @example fizzDays(15).from // 20
 */
export function fizzDays(roomC: number): { from: number; to: number } {
  const slower = 2 ** ((MEANT_C - Math.min(MEANT_C, Math.max(COLDEST_C, roomC))) / 10);
  return { from: Math.round(FIZZ_DAYS.from * slower), to: Math.round(FIZZ_DAYS.to * slower) };
}

/** Days in the warm until a primed bottle has its fizz, from – to; and until the next where the first had none. Common practice. */
const FIZZ_DAYS = { from: 14, to: 21, again: 14 } as const;
/** So many found still show that it will not come: its yeast is spent. Ours. */
const ENOUGH = 3;

/** A bottle of a primed filling that is to be opened: then one knows whether the rest is ready, or too lively. */
export type TestBottle = { bottling: Bottling; dueAt: number; lateAt: number };

/** The next test bottle of each primed filling; none where fizz was found, or never came. */
export function testBottlesOf(s: Pick<BatchState, 'bottled' | 'plan'>): TestBottle[] {
  const days = fizzDays(s.plan.roomC ?? USUAL_ROOM_C);
  return s.bottled.flatMap((bottling): TestBottle[] => {
    const { at, primingGL, left, opened } = bottling;
    const isSettled = opened.some((o) => o.found !== 'still') || opened.length >= ENOUGH;
    if (primingGL <= 0 || left <= 1 || isSettled) return [];
    const last = opened.at(-1);
    const dueAt = last ? last.at + FIZZ_DAYS.again * DAY : at + days.from * DAY;
    return [{ bottling, dueAt, lateAt: dueAt + (days.to - days.from) * DAY }];
  });
}
