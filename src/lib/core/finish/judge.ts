import { ledgerAbv } from '../ferment/alcohol';
import type { Fill } from '../ledger/fill';
import type { BatchState } from '../ledger/state';
import type { BottleType } from '../tables/bottles';
import { pressureCheck, type PressureVerdict } from './pressure';
import { reachableIn, type Reachable } from './reachable';

export type BottlingCheck = { vesselId: string; verdict: PressureVerdict; reachable: Reachable };

/**
 * The pressure check of one vessel of a batch, in one kind of bottle.
 * @param heldKg hexose that fruit may still give to it, kg
 */
export function judgeFill(
  s: Pick<BatchState, 'pitches' | 'plan' | 'readings' | 'warmestC'>,
  fill: Fill,
  bottle: BottleType,
  primingGL: number,
  isClear: boolean,
  heldKg = 0
): BottlingCheck {
  const reachable = reachableIn(s, fill, isClear, heldKg);
  const verdict = pressureCheck({
    reachableGL: reachable.hexoseGL,
    primingGL,
    abv: ledgerAbv(fill.stock).likely,
    warmestC: s.warmestC ?? 20,
    bottle
  });
  return { vesselId: fill.vesselId, verdict, reachable };
}

/** The same for the vessel that is named, or the worst of all of them. */
export function checkBottling(
  s: BatchState,
  bottle: BottleType,
  primingGL: number,
  isClear: boolean,
  vesselId?: string
): BottlingCheck | null {
  const fills = s.fills.filter((f) => !vesselId || f.vesselId === vesselId);
  const all = fills.map((f) => judgeFill(s, f, bottle, primingGL, isClear, s.held.hexoseKg));
  return all.reduce<BottlingCheck | null>(
    (a, b) => (a === null || b.verdict.bar20 > a.verdict.bar20 ? b : a),
    null
  );
}
