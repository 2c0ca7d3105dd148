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
  /** it is not put off once the wine has quietened, but not under so many hours: its cap has fallen */
  withQuietH?: number;
};

/** Into which vessel, or into all, what of it goes. */
export type Put = { vesselId?: string; ingredients: Ingredient[] };

/** The forms that write down what one tap cannot. */
export type StepForm =
  'read' | 'pitch' | 'fruit-out' | 'rack' | 'bottle' | 'add' | 'look' | 'warmth' | 'split' | 'top-up';

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
  /** its doing is what went in: a tick never stands in for it */
  isPut?: boolean;
  /** what one tap puts in, with the usual dose; null when it wants a number */
  puts?: (s: BatchState) => Put[] | null;
  /** what else one tap writes; a tick, if nothing is said */
  deed?: (s: BatchState) => Deed;
  /** the word on its button */
  tap?: string;
  /** the form that writes it down with its numbers, on the batch's own page */
  form?: StepForm;
  /** how it is done in a batch where it is done otherwise than planned; null where it is not */
  otherwise?: (s: BatchState) => { title: string; short: string; how: string; form: StepForm } | null;
  /** whether nothing but that form can write it down */
  wantsForm?: (s: BatchState) => boolean;
  /** whether the wine leaves its vessel by it */
  empties?: boolean;
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
