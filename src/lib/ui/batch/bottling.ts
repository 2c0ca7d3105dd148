import type { BatchState } from '$core/ledger/fold';
import { standingOf } from '$core/ledger/standing';
import { pressureCheck, type BottleType, type PressureVerdict } from '$core/finish/pressure';
import { reachableAtBottling, type Reachable } from '$core/finish/reachable';

/** The pressure check of a batch as it stands, in one kind of bottle. */
export function checkBottling(
  s: BatchState,
  bottle: BottleType,
  primingGL: number,
  isClear: boolean,
  vesselId?: string
): { verdict: PressureVerdict; reachable: Reachable } {
  const reachable = reachableAtBottling(s, isClear, vesselId);
  const verdict = pressureCheck({
    reachableGL: reachable.hexoseGL,
    primingGL,
    abv: standingOf(s).abv.likely,
    warmestC: s.warmestC ?? 20,
    bottle
  });
  return { verdict, reachable };
}
