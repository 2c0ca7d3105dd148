import { hasMust, type BatchState } from '../ledger/state';

/** After so long, what was begun stands by itself, tagged or not, ms. */
const OVER_MS = 4 * 86_400_000;

/** Whether a batch is in the middle of its brew day: begun as one, and neither pitched, racked nor tagged. */
export function isBrewing(s: BatchState): boolean {
  if (s.pitches.length + s.rackings.length + s.bottled.length > 0) return false;
  if (s.steps.some((x) => x.step === 'tag' && x.outcome === 'done')) return false;
  // A batch that was started whole has everything in at the moment it was planned.
  if (s.firstInAt === s.startedAt) return false;
  return !hasMust(s) || s.firstInAt === null || s.at - s.firstInAt < OVER_MS;
}
