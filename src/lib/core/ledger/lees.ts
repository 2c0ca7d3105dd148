import { FIRST_RACKING_LOSS, LATER_RACKING_LOSS, rackingLossL } from '../must/balance';
import { fillL, type Fill } from './fill';
import { beganAt, type BatchState } from './state';

const DAY = 86_400_000;
/** Yeast takes about so many days to make the lees of a first racking. Common practice. */
const LEES_DAYS = 7;

/**
 * Litres that usually stay behind with the lees when a vessel is racked: what lies on its bottom decides. Fresh juice and
 * clear honey must have dropped nothing; without fruit there is yeast alone, which grows with the days it worked.
 * @param litres what is racked, L; what stands in it, if left out
 * @param at when it is racked, ms; the moment of the state, if left out
 * @source `must/balance` for the shares of a first and a later racking (common practice)
 */
export function leesL(
  s: Pick<BatchState, 'pitches' | 'fills' | 'looks' | 'startedAt' | 'plan' | 'fruitInAt' | 'at'>,
  fill: Fill,
  litres = fillL(fill),
  at = s.at
): number {
  if (fill.racked.length > 0) return rackingLossL(litres, false);
  const began = beganAt(s);
  const hadFruit = s.fruitInAt !== null;
  if (began === null) return hadFruit ? litres * LATER_RACKING_LOSS[1] : 0;
  if (hadFruit) return rackingLossL(litres, true);
  const grown = Math.min(1, Math.max(0, at - began) / (LEES_DAYS * DAY));
  return litres * FIRST_RACKING_LOSS[0] * grown;
}
