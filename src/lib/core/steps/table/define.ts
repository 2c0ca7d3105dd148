import type { Belief } from '../../belief/believe';
import type { Deed } from '../../commands/deed';
import type { BatchState } from '../../ledger/state';
import type { Ingredient } from '../../plan/plan';
import type { StepId } from '../../tables/step-id';
import type { Wait } from '../step';
import type { PlanFacts } from './facts';

/** What a step is in one plan: its words, and what it waits for. */
export type InPlan = {
  title: string;
  /** one or two words, for a tag on the shelf */
  short: string;
  how: string;
  waits: Wait[];
  /** hours between repeats; none for a step done once */
  everyH?: number;
  /** it is not for a wine that still works */
  wantsDone?: boolean;
  /** it is not for a must that is warmer, °C */
  underC?: number;
  /** it waits until the stem says 1.000 */
  wantsDry?: boolean;
  /** it is not put off once the wine has quietened, but not under so many hours: its cap has fallen */
  withQuietH?: number;
};

/** Into which vessel, or into all, what of it goes. */
export type Put = { vesselId?: string; ingredients: Ingredient[] };

/** The forms that write down what one tap cannot. */
export type StepForm =
  | 'read'
  | 'pitch'
  | 'fruit-out'
  | 'rack'
  | 'bottle'
  | 'add'
  | 'look'
  | 'warmth'
  | 'split'
  | 'open'
  | 'taste'
  | 'top-up'
  | 'stabilise'
  | 'sweeten'
  | 'clear';

/** What a step is to the one who does it. All common practice. */
export type Chore = {
  /** about how long it takes, minutes, beside the cleaning */
  minutes: number;
  /** what is taken along */
  takes: readonly string[];
  /** whether what touches the wine is sanitised for it */
  isClean?: boolean;
  /** what it costs to let it wait */
  ifLate: string;
  /** what shows that it is right to do it now, or was done well: for who does it for the first time */
  lookFor: string;
  /** the same while nothing ferments yet */
  lookForInMust?: string;
};

/** A step as it is done in a batch where it is done otherwise than planned. */
export type Otherwise = {
  title: string;
  short: string;
  how: string;
  form: StepForm;
  /** what shows that it is right, where that is another thing too */
  lookFor?: string;
  /** what is taken along for it */
  takes?: readonly string[];
};

/** All that a step is. One file a step, or a kind of steps; a new one is a new file, and a line in all.ts. */
export type StepDef = {
  /** how it reads in a plan; null where a plan has none of it; left out for what only a wine in trouble wants */
  inPlan?: (plan: PlanFacts) => InPlan | null;
  /**
   * when it was last done, ms, by the events that are its doing; null while it is to do. For a rung of a ladder, when it
   * was first done after `since`
   */
  doneAt: (s: BatchState, since?: number) => number | null | undefined;
  /** how many hours after it was done it is wanted again, where that changes with the wine */
  againH?: (s: BatchState) => number;
  /** whether its time is past, done or not */
  isOver?: (s: BatchState) => boolean;
  /** it may go in at any time: its doing says nothing of the steps before it */
  isAnyTime?: boolean;
  /** nothing that comes later does for it: it stays until it is done or skipped */
  isNeeded?: boolean;
  /** its doing is what went in: a tick never stands in for it */
  isPut?: boolean;
  /** what one tap puts in, with the usual dose; null when it wants a number */
  puts?: (s: BatchState, belief: Belief | null) => Put[] | null;
  /** what else one tap writes; a tick, if nothing is said */
  deed?: (s: BatchState) => Deed;
  /** the word on its button */
  tap?: string;
  /** the form that writes it down with its numbers, on the batch's own page */
  form?: StepForm;
  /** how it is done in a batch where it is done otherwise than planned; null where it is not */
  otherwise?: (s: BatchState) => Otherwise | null;
  /** the form that has to say what went in; null while one tap can do it */
  wantsForm?: (s: BatchState) => StepForm | null;
  /** whether the wine leaves its vessel by it */
  empties?: boolean;
  /** what it is to the one who does it */
  chore: Chore;
  /** the card of the brew day that is its doing */
  card?: string;
};

export const defineStep = (def: StepDef): StepDef => def;

export const DAY = 24;

/** Not before `minH` hours after a step, best within `maxH`. */
export const wait = (step: StepId, minH: number, maxH: number, why: string, until?: Wait['until']): Wait => ({
  step,
  minH,
  maxH,
  why,
  ...(until ? { until } : {})
});
