import { InputError } from '../units/input-error';

/** How an instrument reads, set right by hand: added to its gravity and its warmth; and of a pH meter its two points. */
export type Calibration = {
  sg?: number;
  tempC?: number;
  ph?: { slope: number; offset: number };
  /** when it was done, ms */
  at: number;
};

/** More than this is no offset but another thing that was read. */
const MOST_SG = 0.03;

/**
 * By a hand reading taken at the same time.
 * @param says what the instrument said then; @param isTrue what was read by hand
 * @throws InputError when they lie so far apart that one of them read something else
 * @example offsetOf(1.052, 1.048) // -0.004
 */
export function offsetOf(says: number, isTrue: number): number {
  const by = isTrue - says;
  if (Math.abs(by) > MOST_SG)
    throw new InputError(
      `They lie ${(1000 * Math.abs(by)).toFixed(0)} points apart: that is no matter of setting right.`,
      'Read again by hand; see that it floats freely, and in the right wine.'
    );
  return Number(by.toFixed(4));
}

/** Buffers that two points are set by. Common practice: pH 4 and 7 at 20 °C. */
export const BUFFERS = { low: 4, high: 7 } as const;
/** A glass electrode worn past this share of its span is at its end. Common practice. */
const LEAST_SLOPE = 0.85;

/**
 * A pH meter by two buffers.
 * @param low what it showed in pH 4; @param high in pH 7
 * @throws InputError when the electrode is worn, or they were swapped
 * @example phByTwo(4.1, 7.1).offset // -0.1
 */
export function phByTwo(low: number, high: number): { slope: number; offset: number } {
  const span = (high - low) / (BUFFERS.high - BUFFERS.low);
  if (span < LEAST_SLOPE || span > 1.15)
    throw new InputError(
      span < 0 ? 'The two buffers were swapped.' : `It spans ${(100 * span).toFixed(0)} % of what it should.`,
      span < 0
        ? 'Give what it showed in pH 4 first.'
        : 'Clean the electrode, use fresh buffers, or change it.'
    );
  const slope = 1 / span;
  return { slope: Number(slope.toFixed(4)), offset: Number((BUFFERS.low - slope * low).toFixed(4)) };
}

/** A two-point setting is trusted so long, days. Common practice: a month at most, a day for work that matters. */
export const PH_DAYS = 30;

/** What an instrument said, set right. */
export const setRight = <S extends { sg?: number; tempC?: number; ph?: number }>(
  s: S,
  c: Calibration | null
): S =>
  c === null
    ? s
    : {
        ...s,
        ...(s.sg === undefined ? {} : { sg: s.sg + (c.sg ?? 0) }),
        ...(s.tempC === undefined ? {} : { tempC: s.tempC + (c.tempC ?? 0) }),
        ...(s.ph === undefined || !c.ph ? {} : { ph: c.ph.slope * s.ph + c.ph.offset })
      };
