import type { BatchState, Bottling } from '../ledger/state';
import { MONTH } from './window';

/** Months from its start at which a wine in bottle is tasted. Common practice. */
export const MILESTONES = [6, 9, 12, 18] as const;
/** Not sooner after filling: a bottle is shaken up by it. Common practice. */
const REST = MONTH;
/** It can be tasted so long before; and is asked for so long after, then let go. Ours. */
const [EARLY, FOR] = [0.5 * MONTH, 2 * MONTH];

export type TastingDue = { bottling: Bottling; months: number; dueAt: number; lateAt: number };

/** The fillings one can taste: bottles are left, and one beyond the last. */
const tasteable = (s: Pick<BatchState, 'bottled'>): Bottling[] => s.bottled.filter((b) => b.left > 1);

/**
 * The tasting that a wine is waiting for, or the next that comes: at so many months, if it was not tasted since shortly
 * before. None of a wine of which one bottle is left: that one is for its best month.
 */
export function tastingDueOf(
  s: Pick<BatchState, 'bottled' | 'startedAt' | 'tastings' | 'at' | 'steps'>
): TastingDue | null {
  const bottling = tasteable(s)[0];
  if (!bottling) return null;
  const left = s.steps.findLast((x) => x.step === 'taste' && x.outcome === 'skipped')?.at ?? -Infinity;
  const last = Math.max(left, s.tastings.at(-1)?.at ?? -Infinity);
  for (const months of MILESTONES) {
    const dueAt = Math.max(s.startedAt + months * MONTH, bottling.at + REST);
    const lateAt = dueAt + FOR;
    const isTasted = last >= dueAt - EARLY;
    // Two that fall together, of a wine that stood long in glass, are one.
    const isOverrun = MILESTONES.some((m) => m > months && s.startedAt + m * MONTH - EARLY <= dueAt);
    if (!isTasted && !isOverrun && s.at <= lateAt) return { bottling, months, dueAt, lateAt };
  }
  return null;
}
