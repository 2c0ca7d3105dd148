import type { BatchState } from '../ledger/state';
import { following } from './believe';
import { reckoningCourse } from './course';
import { isSettled } from './standing';

/**
 * All that pages and lists ask of the possible wines of a batch, a part of a few milliseconds at a time. Once it is
 * through, `standingOf` and `courseOf` answer from what it kept.
 */
export function* reckoning(s: BatchState): Generator<void> {
  if (s.flows.length === 0 || isSettled(s)) return;
  yield* following(s);
  yield;
  yield* reckoningCourse(s);
}
