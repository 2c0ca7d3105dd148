import type { Puzzle } from './likelihood';
import { likelyMix } from '../must/mix';
import { estimateMust } from '../must/balance';
import { isKnown, type Ingredient } from '../plan/plan';
import { liquid } from '../liquid/stock';
import { liveEvents, type LedgerEvent } from '../ledger/log';
import { foldBatch } from '../ledger/run';
import { contents, fermentedOf } from '../ledger/state';
import { expectedFinish } from './standing';

const HOUR = 3_600_000;

/**
 * What the detective needs to judge a reading of a batch, from all that was written down before it.
 * @param events of the batch; those at or after `at` are left out
 * @param reading gravity at 20 °C, and the sample's temperature, °C, when it was taken
 * @param at when it was read, ms
 * @returns null when nothing liquid was in there
 */
export function puzzleOf(
  events: readonly LedgerEvent[],
  reading: { sg: number; tempC: number | null },
  at: number,
  calibratedC: number
): Puzzle | null {
  const before = liveEvents(events).filter((e) => Date.parse(e.at) < at);
  const s = foldBatch(before, at);
  if (!s) return null;
  const items = before.flatMap((e) => (e.type === 'addition' ? e.data.ingredients.filter(isKnown) : []));
  const must = items.length > 0 ? estimateMust({ ingredients: items }) : null;
  const now = liquid(contents(s));
  if (!must?.sgAllGiven || !now) return null;
  const { none, all } = must.likely;
  const couldHold = all.solidsKg - none.solidsKg;
  const isDrySugar = (i: Ingredient) => i.kind === 'sugar' || i.kind === 'honey';
  const bare = items.filter((i) => !isDrySugar(i));
  const ferments = fermentedOf(s) > 1e-6;
  return {
    sg: reading.sg,
    tempC: reading.tempC,
    calibratedC,
    expected: must.sgAllGiven,
    noneGiven: must.sgNoneGiven?.likely ?? null,
    shareGiven: couldHold > 1e-9 ? Math.min(1, 1 - s.held.solidsKg / couldHold) : 1,
    hasFruit: s.fruitInAt !== null && s.fruitOutAt === null,
    withoutSugar:
      bare.length > 0 && bare.length < items.length ? (liquid(likelyMix(bare).all)?.sg ?? null) : null,
    mixedH: (at - s.fedAt) / HOUR,
    pitchedH: s.pitches[0] ? (at - s.pitches[0].at) / HOUR : null,
    wasHeated:
      s.plan.wildYeast === 'heat' || items.some((i) => i.kind === 'produce' && i.heat === 'simmered'),
    finishSg: expectedFinish(s)?.sg.likely,
    before: ferments
      ? {
          sg: now.sg,
          hours: (at - (s.readings.at(-1)?.at ?? s.startedAt)) / HOUR,
          finishSg: expectedFinish(s)?.sg.likely ?? 0.995
        }
      : undefined
  };
}
