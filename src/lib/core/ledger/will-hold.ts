import { evaluate } from '../must/evaluate';
import { INSOLUBLE_DENSITY } from '../must/contribution';
import { addInto, liquid, type Stock } from '../liquid/stock';
import { contents, type BatchState } from './state';

/**
 * What a batch holds once its fruit has given all: what is liquid now, and what the fruit still keeps.
 * This is what a plan foretells; what a must is dosed and adjusted by.
 */
export const willHold = (s: Pick<BatchState, 'fills' | 'held'>): Stock => addInto(contents(s), s.held);

/** Litres of it; 0 where nothing is liquid. */
export const willHoldL = (s: Pick<BatchState, 'fills' | 'held'>): number => liquid(willHold(s))?.volumeL ?? 0;

/** Litres to the mark in the vessel, fruit and all, once it has given. */
export const markL = (s: Pick<BatchState, 'fills' | 'held' | 'insolublesKg'>): number =>
  willHoldL(s) + s.insolublesKg / INSOLUBLE_DENSITY;

/**
 * Litres that a powder is to be judged by: while the must is being made, all that the plan will hold, and not what is
 * in so far.
 */
export function doseL(s: BatchState): number {
  const now = willHoldL(s);
  const isMade = s.rackings.length > 0 || s.pitches.length > 0 || s.fruitOutAt !== null;
  if (isMade || s.bottled.length > 0) return now;
  const planned = evaluate(s.plan).likely.liquidVolumeL;
  return Number.isFinite(planned) ? Math.max(now, planned) : now;
}
