import { killsYeast, type Heat } from '../ferment/heat';
import { inC } from '../units/say';
import { ledgerAbv } from '../ferment/alcohol';
import type { Belief } from '../belief/believe';
import { isSeenAtRest } from '../ledger/evidence';
import type { Fill } from '../ledger/fill';
import { clarityOf, type BatchState } from '../ledger/state';
import type { BottleType } from '../tables/bottles';
import { pressureCheck, type PressureVerdict } from './pressure';
import { reachableIn, type Reachable } from './reachable';

export type BottlingCheck = { vesselId: string; verdict: PressureVerdict; reachable: Reachable };

/**
 * The pressure check of one vessel of a batch, in one kind of bottle.
 * @param heldKg hexose that fruit may still give to it, kg
 * @param couldReachGL what the possible wines say that its yeast could reach, where they were asked
 * @param heat how it was heated through in the bottle, with no sugar for fizz in it
 */
export function judgeFill(
  s: Pick<BatchState, 'pitches' | 'plan' | 'readings' | 'warmestC'>,
  fill: Fill,
  bottle: BottleType,
  primingGL: number,
  isClear: boolean,
  heldKg = 0,
  couldReachGL: number | null = null,
  heat: Heat | null = null
): BottlingCheck {
  const judge = (reachable: Reachable): BottlingCheck => ({
    vesselId: fill.vesselId,
    verdict: pressureCheck({
      reachableGL: reachable.hexoseGL,
      primingGL,
      abv: ledgerAbv(fill.stock).likely,
      warmestC: s.warmestC ?? 20,
      bottle
    }),
    reachable
  });
  if (heat && primingGL === 0 && killsYeast(heat))
    return judge({
      hexoseGL: 0,
      why: `Heated through in the bottle, ${inC(heat.coreC)} for ${heat.minutes} min: no yeast lives in it.`,
      needsReading: false,
      clearsAtSg: null,
      needsClear: false
    });
  const byLedger = judge(reachableIn(s, fill, isClear, heldKg));
  if (byLedger.verdict.level !== 'stop' || couldReachGL === null || !isSeenAtRest(fill, heldKg))
    return byLedger;
  // Its readings lie off the floor that the table gives; what all of them and the log say together may clear it still.
  const byBelief = judge({
    hexoseGL: couldReachGL,
    why: `By all that went in and was read, its yeast could take at most ${couldReachGL.toFixed(1)} g/L of sugar, thirty-nine chances in forty.`,
    needsReading: false,
    clearsAtSg: null,
    needsClear: false
  });
  return byBelief.verdict.level === 'stop' ? byLedger : byBelief;
}

/** Jars that are nearer than this come to the same: the first of them is named, today and tomorrow. */
const ALIKE_BAR = 0.05;

/**
 * The same for the vessel that is named, or the worst of all of them.
 * @param isClear whether it is clear; null: as it was last seen, and not where nobody looked
 * @param belief what its possible wines say; null where nobody asked them, and then the ledger's rules stand alone
 */
export function checkBottling(
  s: BatchState,
  bottle: BottleType,
  primingGL: number,
  isClear: boolean | null,
  vesselId?: string,
  belief: Pick<Belief, 'vessels'> | null = null,
  heat: Heat | null = null
): BottlingCheck | null {
  const fills = s.fills.filter((f) => !vesselId || f.vesselId === vesselId);
  const all = fills.map((f) =>
    judgeFill(
      s,
      f,
      bottle,
      primingGL,
      isClear ?? clarityOf(s, f.vesselId) === 'clear',
      s.heldKgIn[f.vesselId] ?? 0,
      belief?.vessels[f.vesselId]?.couldReachGL ?? null,
      heat
    )
  );
  return all.reduce<BottlingCheck | null>((a, b) => {
    if (a === null) return b;
    const alike = a.verdict.level === b.verdict.level ? ALIKE_BAR : 0;
    return b.verdict.bar20 > a.verdict.bar20 + alike ? b : a;
  }, null);
}
