import type { LedgerEvent } from '$core/ledger/events';
import type { BatchState } from '$core/ledger/fold';

/** Whether a batch is in the middle of its brew day: begun as one, and neither pitched, racked nor left for days. */
export function isBrewing(events: readonly LedgerEvent[], s: BatchState): boolean {
  if (s.rackings.length > 0 || s.bottled.length > 0 || s.steps.some((x) => x.step === 'tag')) return false;
  const planned = events.find((e) => e.type === 'planned');
  const firstIn = events.find((e) => e.type === 'addition');
  // A batch that was started whole has everything in at the moment it was planned.
  return planned !== undefined && (!firstIn || firstIn.at !== planned.at);
}
