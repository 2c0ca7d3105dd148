import { liveTimed, type LedgerEvent } from '../ledger/log';
import type { Deed } from './deed';
import { again, voided, type NewId } from './take-back';

/** Events that are dated after a moment, ms, and count: a clock that ran ahead wrote them. */
export const datedAfter = (log: readonly LedgerEvent[], now: number): LedgerEvent[] =>
  liveTimed(log).flatMap((x) => (x.at > now ? [x.e] : []));

/**
 * Dates what a clock that ran ahead wrote back into what has been: all of it by as much, so that days between stay days
 * between, but nothing before what a right clock wrote before it.
 * @param log all events of one batch
 * @param aheadMs by how much the clock ran ahead
 */
export function dateBack(log: readonly LedgerEvent[], now: number, aheadMs: number, newId: NewId): Deed {
  const ahead = datedAfter(log, now);
  const least = liveTimed(log).findLast((x) => x.at <= now)?.at ?? 0;
  const moved = ahead.map((e) => {
    const at = Math.min(now, Math.max(least, Date.parse(e.at) - aheadMs));
    return { ...e, at: new Date(at).toISOString() };
  });
  return [...ahead.map(voided), ...again(moved, newId)];
}
