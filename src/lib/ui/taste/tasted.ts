import { stoodAs, wishesOf, type Stood, type Wishes } from '$core/cellar/wishes';
import { factsOf } from '$core/label/facts';
import { liveEvents } from '$core/ledger/log';
import type { Tasted } from '$core/ledger/state';
import type { OpenBatch } from '$lib/store/household.svelte';

/**
 * A wine as it stands: in the bottles that are meant, else those filled last, else the first of its vessels.
 * @returns null where there is none
 */
export function stoodNow(
  { state, standing }: Pick<OpenBatch, 'state' | 'standing'>,
  bottleId: string | null = null
): Stood | null {
  const bottling =
    state.bottled.find((b) => b.eventId === bottleId) ??
    state.bottled.findLast((b) => b.left > 0) ??
    state.bottled.at(-1);
  const fill = state.fills[0];
  if (bottling && (state.fills.length === 0 || bottleId !== null))
    return stoodAs(
      bottling,
      factsOf(state, { bottling, sizeL: bottling.bottles[0]!.sizeL }, standing.belief)
    );
  return fill ? stoodAs({ fill }, factsOf(state, { fill }, standing.belief)) : null;
}

/** What changes the taste of a wine: what was said of it before is answered, or out of date. */
const CHANGES: ReadonlySet<string> = new Set(['addition', 'blend', 'top-up', 'steep-out']);

/** What the last tasting asks for, of the wine as it still is; null where none asks for anything. */
export function lastWishes(batch: OpenBatch): { wishes: Wishes; stood: Stood; tasted: Tasted } | null {
  const changedAt = Math.max(
    0,
    ...liveEvents(batch.events).flatMap((e) => (CHANGES.has(e.type) ? [Date.parse(e.at)] : []))
  );
  const tasted = batch.state.tastings.findLast(
    (t) => t.at >= changedAt && (t.words.length > 0 || t.wanted !== null)
  );
  const stood = tasted ? stoodNow(batch, tasted.bottleId) : null;
  return stood && tasted ? { wishes: wishesOf(tasted, stood), stood, tasted } : null;
}
