import { liveEvents, type LedgerEvent } from '$core/ledger/events';
import type { BatchState } from '$core/ledger/fold';

/** Whether a batch is in the middle of its brew day: begun as one, and neither pitched, racked nor tagged. */
export function isBrewing(events: readonly LedgerEvent[], s: BatchState): boolean {
  if (s.pitches.length + s.rackings.length + s.bottled.length > 0) return false;
  if (s.steps.some((x) => x.step === 'tag')) return false;
  const live = liveEvents(events);
  const planned = live.find((e) => e.type === 'planned');
  const firstIn = live.find((e) => e.type === 'addition');
  // A batch that was started whole has everything in at the moment it was planned.
  return planned !== undefined && firstIn?.at !== planned.at;
}
