import type { StepId } from '../tables/step-id';
import type { InPlan } from './table/define';

/** Waits are constraints: not before `minH` hours after `step`, best within `maxH`. */
export type Wait = {
  step: StepId;
  minH: number;
  maxH: number;
  why: string;
  /** the wine's own pace, where that is known, decides instead of the hours */
  until?: 'quiet';
};

/** A step of one plan. */
export type Step = InPlan & {
  id: StepId;
  /** what is taken along, where it is done otherwise than planned */
  takes?: readonly string[];
};
