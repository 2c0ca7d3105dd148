/** Low, likely and high: 10th, 50th and 90th percentile of what is known. */
export type Estimate = { low: number; likely: number; high: number };

/** A table entry's spread, written `[low, typical, high]`. */
export type Spread = readonly [low: number, typical: number, high: number];

/**
 * An estimate with no width: a measured or exact figure.
 * @example exact(5).likely // 5
 */
export const exact = (value: number): Estimate => ({ low: value, likely: value, high: value });

/**
 * The 10th–90th percentile of a sample around a likely value, always ordered.
 * @param sample at least one finite number; sorted in place
 * @example rangeOf(Float64Array.of(1, 2, 3, 4, 5), 3) // { low: 1, likely: 3, high: 5 }
 */
export function rangeOf(sample: Float64Array, likely: number): Estimate {
  sample.sort();
  // Between the two order statistics on either side of the percentile.
  const at = (q: number) => {
    const place = Math.min(sample.length - 1, Math.max(0, q * sample.length - 0.5));
    const below = Math.floor(place);
    const above = Math.min(below + 1, sample.length - 1);
    return sample[below]! + (place - below) * (sample[above]! - sample[below]!);
  };
  return { low: Math.min(at(0.1), likely), likely, high: Math.max(at(0.9), likely) };
}
