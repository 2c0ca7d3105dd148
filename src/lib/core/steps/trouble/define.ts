import type { Belief } from '../../belief/believe';
import type { WhatIf } from '../../belief/forecast';
import type { BatchState } from '../../ledger/state';
import type { StepId } from '../../tables/step-id';

/** What a trouble is recognised by. */
export type Facts = {
  s: BatchState;
  belief: Belief | null;
  /** the share of its sugar that is gone */
  goneShare: number;
};

/** One thing to try: in order, each after the one before it has had its time. */
export type Rung = {
  step: StepId;
  title: string;
  /** one or two words, for a tag on the shelf */
  short: string;
  /** by how many litres there are of it, where that matters */
  how: string | ((litres: number) => string);
  /** hours that the one before it is given to show */
  afterH: number;
  /** what is done sooner than this after the trouble began, hours, does not count: a second reading on the same day */
  notBeforeH?: number;
  /** whether it is of any use in this wine now */
  helps?: (f: Facts) => boolean;
  /** what it comes to in a forecast */
  whatIf?: WhatIf;
};

/** All that a trouble is; a new one is a line in all.ts too. What it looks like, and when to give up, stands in words.ts, as lists need none of it. */
export type TroubleDef = {
  /** in two or three words */
  name: string;
  /** how sure it is, 0 to 1, and since when, ms; null where there is none of it */
  seen: (f: Facts) => { chance: number; since: number } | null;
  rungs: readonly Rung[];
  /** what is lost, or dangerous: said at once */
  grave?: boolean;
};

export const defineTrouble = (def: TroubleDef): TroubleDef => def;

export const HOUR = 3_600_000;
export const DAY = 24;

/** Air is a friend for so long, and yeast takes food for so long: by the share of the sugar that is gone. Common practice. */
export const EARLY = 1 / 3;
export const FED_UNTIL = 2 / 3;

export const isEarly = (f: Facts) => f.goneShare < EARLY;
export const takesFood = (f: Facts) => f.goneShare < FED_UNTIL;

/** The last look that says something of one thing, and what it says; null where nobody looked. */
export function lastSeen<K extends 'foam' | 'smell' | 'surface' | 'clarity'>(
  { s }: Facts,
  what: K
): { at: number; is: NonNullable<BatchState['looks'][number][K]>; since: number } | null {
  const all = s.looks.filter((l) => l[what] !== undefined);
  const last = all.at(-1);
  if (!last) return null;
  // As long as it was the same each time.
  const before = all.findLastIndex((l) => l[what] !== last[what]);
  return { at: last.at, is: last[what]!, since: all[before + 1]!.at };
}
