import type { StepId } from '../tables/step-id';

/** Waits are constraints: not before `minH` hours after `step`, best within `maxH`. */
export type Wait = { step: StepId; minH: number; maxH: number; why: string };

export type Step = {
  id: StepId;
  title: string;
  /** one or two words, for a tag on the shelf */
  short: string;
  how: string;
  waits: Wait[];
  /** hours between repeats; none for a step done once */
  everyH?: number;
};
