import { hasWoken } from './evidence';
import type { Fill } from './fill';
import { isStable } from './preserved';
import type { BatchState, Working } from './state';

/** No yeast came since a vessel was stabilised, and nothing was read to fall in it. */
export const isUndisturbed = (s: Pick<BatchState, 'pitches'>, fill: Fill): boolean =>
  !s.pitches.some((p) => p.at > (fill.stable?.at ?? Infinity)) && !hasWoken(fill);

/** Whether sulphite and sorbate hold a vessel: enough of both, given when it was finished, and nothing disturbed it since. */
export const isHeld = (s: Pick<BatchState, 'pitches'>, fill: Fill): boolean =>
  fill.stable !== null && isStable(fill) && isUndisturbed(s, fill);

/** Tells the possible wines of each vessel that is held from now on, or no more. @param told what they were told last */
export function tellHeld(s: Working, told: Map<string, boolean>): void {
  for (const fill of s.fills) {
    const is = isHeld(s, fill);
    if (is === (told.get(fill.vesselId) ?? false)) continue;
    told.set(fill.vesselId, is);
    s.flows.push({ at: s.eventAt, kind: 'hold', vesselId: fill.vesselId, isHeld: is });
  }
}
