import type { StepId } from '../tables/step-id';
import type { InPlan } from './table/define';

/** Waits are constraints: not before `minH` hours after `step`, best within `maxH`. */
export type Wait = { step: StepId; minH: number; maxH: number; why: string };

/** A step of one plan. */
export type Step = InPlan & { id: StepId };
