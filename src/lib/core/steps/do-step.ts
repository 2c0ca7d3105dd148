import type { Belief } from '../belief/believe';
import type { Deed } from '../commands/deed';
import { put } from '../commands/put';
import { tick } from '../commands/tick';
import { isBegun, type BatchState } from '../ledger/state';
import type { StepId } from '../tables/step-id';
import { InputError } from '../units/input-error';
import { STEPS } from './table/all';
import type { Put, StepForm } from './table/define';

/**
 * What one tap of a step puts into each vessel, with the usual dose; null when it puts nothing in.
 * @param belief what is believed of the batch now; null goes by the ledger alone
 */
export const stepPuts = (s: BatchState, step: StepId, belief: Belief | null = null): Put[] | null =>
  STEPS[step].puts?.(s, belief) ?? null;

/** The form in which a step is written down with its numbers; null when it has none. */
export const formOf = (s: BatchState, step: StepId): StepForm | null =>
  STEPS[step].wantsForm?.(s) ?? STEPS[step].otherwise?.(s)?.form ?? STEPS[step].form ?? null;

/** Whether one tap can do a step: nothing that went in, or was read, has to be said. */
export const isOneTap = (s: BatchState, step: StepId): boolean =>
  formOf(s, step) === null || STEPS[step].deed !== undefined;

/**
 * Does a step with the usual dose: one tap.
 * @throws InputError when what went in has to be said
 */
export function doStep(s: BatchState, step: StepId, belief: Belief | null = null): Deed {
  const def = STEPS[step];
  const puts = stepPuts(s, step, belief);
  if (puts) return puts.flatMap(({ vesselId, ingredients }) => put(s.id, ingredients, vesselId));
  if (def.wantsForm?.(s))
    throw new InputError('What went in has to be said.', 'Open the wine, and write down what you added.');
  return def.deed?.(s) ?? tick(s.id, step);
}

/** What shows that a step is right to do now in this batch, or was done well. */
export function lookForOf(s: BatchState, id: StepId): string {
  const { otherwise, chore } = STEPS[id];
  const inMust = isBegun(s) ? undefined : chore.lookForInMust;
  return otherwise?.(s)?.lookFor ?? inMust ?? chore.lookFor;
}
