import type { BatchState } from '../ledger/state';
import type { Due } from './schedule';

const DAY = 86_400_000;
/** Nobody has written of it for so long, and something has been late for so long. Ours. */
const SILENT = 60 * DAY;
const LATE = 30 * DAY;

/**
 * When a wine was last written of that has been forgotten, or is no more: nobody has for two months, while something
 * it needs is a month late. What lies by itself and needs nothing is not forgotten.
 * @returns ms; null for any other wine
 */
export const silentSince = (
  s: Pick<BatchState, 'lastAt' | 'fills'>,
  due: readonly Pick<Due, 'lateAt'>[],
  now: number
): number | null =>
  s.fills.length > 0 && now - s.lastAt > SILENT && due.some((d) => now - d.lateAt > LATE) ? s.lastAt : null;
