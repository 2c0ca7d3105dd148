import type { Estimate } from '../units/range';
import type { Told } from './believe';

/** How far a ferment likely is, in one word, and how sure of it one may be. */
export type HowFar = {
  word: 'finished' | 'stuck' | 'not begun' | 'working';
  /** its chance, 0 to 1 */
  chance: number;
};

/** What has come to less than this cannot be told from what has not begun, % vol. */
const NOTHING_YET = 0.1;

/**
 * The likeliest of what a wine may be doing.
 * @param stands whether it waits for its yeast, and nobody saw it work
 */
export function howFar({ chance, abv }: Pick<Told, 'chance' | 'abv'>, stands = false): HowFar {
  const { done, stalled, notBegun } = chance;
  const working = Math.max(0, 1 - done - stalled - notBegun);
  const isNothing = stands && abv.likely < NOTHING_YET;
  const all: HowFar[] = [
    { word: 'finished', chance: done },
    { word: 'stuck', chance: stalled },
    { word: 'not begun', chance: notBegun + (isNothing ? working : 0) },
    { word: 'working', chance: isNothing ? 0 : working }
  ];
  return all.reduce((a, b) => (b.chance > a.chance ? b : a));
}

/** What a stem may be misread by, either way. */
const MISREAD_SG = 0.002;

/**
 * Whether a wine may well stand by now where it was read last; unasked where nothing is believed of it.
 * @example mayStandAt(1.02, { sg: { low: 0.992, likely: 0.996, high: 1.006 } }) // false
 */
export const mayStandAt = (sg: number, told: Pick<Told, 'sg'> | null): boolean =>
  told === null || (sg >= told.sg.low - MISREAD_SG && sg <= told.sg.high + MISREAD_SG);

/** A range that is wider than this is told with its figure. */
const WORTH_TELLING = 0.75;

/**
 * How much a figure may be off either way, to the half; null where that is not worth a word.
 * @example giveOrTake({ low: 11, likely: 12.4, high: 13.2 }) // 1
 */
export function giveOrTake({ low, likely, high }: Estimate): number | null {
  const half = (high - low) / 2;
  // Of what is hardly there yet it says nothing.
  return half < WORTH_TELLING || half > likely / 2 ? null : Math.round(half * 2) / 2;
}
