import { waterDensity } from '../liquid/water';

/** What people meet when a gravity makes no sense. */
export type CauseId =
  'plain' | 'fruit' | 'layered' | 'pulp' | 'temperature' | 'scale' | 'volume' | 'fermenting' | 'typed';

/** All there is to know about a reading that is to be judged. */
export type Puzzle = {
  /** gravity as it would count: corrected where a temperature is known */
  sg: number;
  /** temperature of the sample, °C; null when nobody took it */
  tempC: number | null;
  /** what the stem is marked for, °C */
  calibratedC: number;
  /** what the sums say once the fruit has given everything, with its 8-in-10 range */
  expected: { low: number; likely: number; high: number };
  /** before the fruit has given anything; null when nothing was poured */
  noneGiven: number | null;
  /** share of what the fruit holds that should be out by now; 1 without fruit */
  shareGiven: number;
  /** whether fruit or pulp stands in the must */
  hasFruit: boolean;
  /** gravity of the must if no dry sugar, honey or syrup had dissolved at all; null when none went in */
  withoutSugar: number | null;
  /** hours since the must was mixed, and since the yeast; null when it has none */
  mixedH: number;
  pitchedH: number | null;
  /** made with boiling water or simmered, so the sample may be warm */
  wasHeated: boolean;
  /** the reading before, while it ferments, and where the ferment should end */
  before?: { sg: number; hours: number; finishSg: number } | undefined;
  /** where it should end, for a wine that was never read while it fermented */
  finishSg?: number | undefined;
  /**
   * what its possible wines say of it, once it may ferment: what it should read, with its 8-in-10 range; where each
   * equal share of them has it; and how likely they take this reading for no true one
   */
  believed?:
    | { sg: { low: number; likely: number; high: number }; truths: readonly number[]; doubt: number }
    | undefined;
  /** what the reader says of the sample */
  strained?: boolean | undefined;
  stirred?: boolean | undefined;
  from?: 'top' | 'bottom' | undefined;
};

/** A reading's own error, points. Common practice: ±0.002. */
export const READING_SD = 1.6;

/** After so many hours of yeast a fall is no surprise; after so many it may have ended. Common practice. */
export const FERMENTS_H = 48;

export const DONE_H = 240;

/**
 * How likely a value is about a mean: the normal density.
 * @example bell(1, 0, 1) // 0.24197
 */
export const bell = (x: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * 2.5066);

/**
 * Even between two ends, softened by the reading's error.
 * @example between(5, 0, 10) // 0.099019
 */
export const between = (x: number, a: number, b: number, sd = READING_SD): number => {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  if (high - low < 1e-9) return bell(x, low, sd);
  const step = (t: number) => 1 / (1 + Math.exp((-1.7 * t) / sd));
  return (step(x - low) - step(x - high)) / (high - low);
};

/**
 * Always upward from `x0`, seldom far.
 * @example above(3, 0, 6) // 0.10109
 */
export const above = (x: number, x0: number, mean: number): number =>
  x < x0 ? bell(x, x0, READING_SD) * 0.3 : Math.exp(-(x - x0) / mean) / mean;

/**
 * Points of gravity: thousandths above water.
 * @example points(1.05) // 50
 */
export const points = (sg: number): number => (sg - 1) * 1000;

/**
 * A gravity as it is written, from its points.
 * @example gravity(50) // '1.050'
 */
export const gravity = (pts: number): string => (1 + pts / 1000).toFixed(3);

/**
 * What a stem shows, in points, in a sample of true gravity `pts` at `tempC`.
 * @example stemAt(50, 30, 20) // 47.31
 */
export const stemAt = (pts: number, tempC: number, calibratedC: number): number =>
  points((1 + pts / 1000) * (waterDensity(tempC) / waterDensity(calibratedC)));

/**
 * The temperature at which a stem would show `sg` in a sample of `trueSg`, °C; null outside 0–60.
 * @example tempThatShows(1.047, 1.05, 20) // 30.5
 */
export function tempThatShows(sg: number, trueSg: number, calibratedC: number): number | null {
  for (let t = 0; t <= 60; t += 0.5) {
    const shown = stemAt(points(trueSg), t, calibratedC);
    const next = stemAt(points(trueSg), t + 0.5, calibratedC);
    if ((shown - points(sg)) * (next - points(sg)) <= 0) return t;
  }
  return null;
}

/** Points a day that the fastest ferment falls. Common practice. */
const FASTEST = 24;

/** Whether a wine that was never read while it fermented could read so by now: from where it began to where it ends. */
export function couldBe(p: Puzzle, x: number): boolean {
  const since = p.pitchedH ?? p.mixedH - 40;
  if (since < FERMENTS_H) return false;
  const start = Math.max(points(p.expected.high), points(p.noneGiven ?? p.expected.high));
  const floor = points(p.finishSg ?? 0.995) - 1.5 * NOTABLE;
  const fastest = points(p.expected.low) - (FASTEST * (since - 8)) / 24;
  return x <= start && x >= Math.max(floor, fastest);
}

/**
 * A gravity with two neighbouring figures the wrong way round, in points.
 * @example swapped(46) // [64]
 */
export function swapped(pts: number): number[] {
  const text = Math.round(pts).toString().padStart(3, '0');
  const out: number[] = [];
  for (let i = 0; i + 1 < text.length; i++) {
    const other = Number(text.slice(0, i) + text[i + 1]! + text[i]! + text.slice(i + 2));
    if (other !== Number(text) && other < 200) out.push(other);
  }
  return out;
}

/** Points over or under which a reading is worth a word. */
export const NOTABLE = 4;
