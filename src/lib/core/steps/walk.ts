import type { BatchState } from '../ledger/state';
import type { Due } from './schedule';
import { STEPS } from './table/all';

/** One wine of a walk, with what is to do to it now. */
export type Stop = { id: string; state: Pick<BatchState, 'fills'>; due: readonly Due[]; isDanger: boolean };

/** What takes longer than this, minutes, is done on an evening of its own. Ours. */
const EVENING_MIN = 60;
/** Minutes to clean what is taken along, once for all of it. Ours. */
const CLEANING_MIN = 10;

/** How a walk goes: how long it takes, what is taken along, and what of it wants cleaning. */
export type Outing = {
  jobs: number;
  /** without what takes an evening of its own */
  minutes: number;
  /** what takes an evening of its own, by its title, and how many of each */
  evenings: Map<string, number>;
  takes: string[];
  isClean: boolean;
};

/** @param due what is to do on it */
export function outingOf(due: readonly Due[]): Outing {
  const evenings = new Map<string, number>();
  for (const d of due)
    if (STEPS[d.step.id].chore.minutes >= EVENING_MIN)
      evenings.set(d.step.title, (evenings.get(d.step.title) ?? 0) + 1);
  const chores = due
    .map(({ step }) => ({ ...STEPS[step.id].chore, ...(step.takes ? { takes: step.takes } : {}) }))
    .filter((c) => c.minutes < EVENING_MIN);
  const isClean = chores.some((c) => c.isClean);
  return {
    jobs: due.length,
    evenings,
    minutes: chores.reduce((sum, c) => sum + c.minutes, isClean ? CLEANING_MIN : 0),
    takes: [...new Set(chores.flatMap((c) => c.takes))],
    isClean
  };
}

/** Where a wine stands in a household's own order of vessels: the first of its vessels; after all others where it has none. */
export const placeOf = (fills: Stop['state']['fills'], order: readonly string[]): number =>
  Math.min(Infinity, ...fills.map((f) => order.indexOf(f.vesselId)).filter((n) => n >= 0));

/**
 * A walk in the order it is gone: what is dangerous first, then vessel by vessel as they stand.
 * @param order vessel ids as the household put them; those it did not come last, as they came
 */
export const inOrder = <T extends Stop>(stops: readonly T[], order: readonly string[]): T[] =>
  stops
    .map((stop, n) => ({ stop, n, at: placeOf(stop.state.fills, order) }))
    .sort(
      (a, b) =>
        Number(b.stop.isDanger) - Number(a.stop.isDanger) ||
        (a.at === b.at ? a.n - b.n : a.at < b.at ? -1 : 1)
    )
    .map((x) => x.stop);
