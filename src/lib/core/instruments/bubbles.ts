import { median } from '../maths/quantiles';

/** How long one counts, ms. */
export const COUNT_MS = 60_000;

/** Fewer intervals than this have no middle to speak of: then what was counted counts. */
const FEW = 3;

/**
 * What a minute of taps comes to, as bubbles in seconds: by the middle of the intervals, so that one that was missed, or
 * tapped twice, moves nothing.
 * @param taps moments of the bubbles from the beginning, ms
 * @param elapsedMs how long was listened
 * @returns null where nothing was listened to yet
 * @example bubblesOf([0, 4000, 8000, 9000, 12000, 16000], 20000) // { count: 5, seconds: 20 }
 */
export function bubblesOf(
  taps: readonly number[],
  elapsedMs: number
): { count: number; seconds: number } | null {
  if (elapsedMs <= 0) return null;
  const gaps = taps.slice(1).map((t, i) => t - taps[i]!);
  const middle = median(gaps);
  if (gaps.length < FEW || middle <= 0)
    return { count: taps.length, seconds: Math.round(elapsedMs / 100) / 10 };
  const seconds = (gaps.length * middle) / 1000;
  return { count: gaps.length, seconds: Math.max(0.1, Math.round(10 * seconds) / 10) };
}
