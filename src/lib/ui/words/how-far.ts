import type { Belief } from '$core/belief/believe';
import { giveOrTake, howFar, type HowFar } from '$core/belief/how-far';
import type { BottlingCheck } from '$core/finish/judge';
import type { BatchState } from '$core/ledger/state';
import type { Estimate } from '$core/units/range';
import { abvText } from '$core/units/format';

/** Above this nobody would bet against it. */
const SURE = 0.95;
/** Up to this it may as well be otherwise. */
const EVEN = 0.5;

/** How far a ferment likely is, as it is said, with its chance where that is no certainty. */
export function howFarText({ word, chance }: HowFar): string {
  const percent = ` (${Math.round(100 * chance)}\u00a0%)`;
  const likely = chance > EVEN ? 'likely' : 'perhaps';
  switch (word) {
    case 'finished':
      return chance >= SURE ? 'almost certainly finished' : `${likely} finished${percent}`;
    case 'stuck':
      return chance >= SURE
        ? 'almost certainly stuck with sugar left'
        : `${likely} stuck with sugar left${percent}`;
    case 'not begun':
      return `its yeast has ${likely} not begun`;
    default:
      return chance >= SURE ? 'still working' : `${likely} still working${percent}`;
  }
}

/** How a wine is called that nobody read since its ferment may have begun: a must that was read is not one that never was. */
export const unreadWord = (s: Pick<BatchState, 'readings'>): string =>
  s.readings.length > 0 ? 'Read only as must' : 'Never read';

/** What can be said of a wine that nobody has read, and why that is not enough to bottle it; nothing where it was read. */
export const unreadText = (
  check: BottlingCheck | null,
  belief: Belief | null,
  vesselId: string | undefined
): string => {
  const told = belief?.vessels[vesselId ?? ''] ?? belief;
  return check?.reachable.needsReading && told
    ? `By all that went in and was seen it is ${howFarText(howFar(told))}; a guess fills no bottle; a stem settles it.`
    : '';
};

/** A range whose half is more than this part of its figure is told as a range. */
const WIDE = 0.5;

/** A strength, from – to where nobody could name one figure; and what it may be off, where that is worth a word. */
export function abvParts(abv: Estimate): { figure: string; off: string } {
  const half = (abv.high - abv.low) / 2;
  if (half > WIDE * abv.likely && abv.high >= 1)
    return { figure: `${abv.low.toFixed(0)} to ${abv.high.toFixed(0)} %`, off: '' };
  const by = giveOrTake(abv);
  return { figure: `${abvText(abv.likely)} %`, off: by === null ? '' : `, give or take ${by}` };
}

/** Both in one. */
export const aboutAbv = (abv: Estimate): string => {
  const { figure, off } = abvParts(abv);
  return figure + off;
};
