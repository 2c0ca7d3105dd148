import type { Puzzle } from './likelihood';
import { likelyMix } from '../must/mix';
import { estimateMust } from '../must/balance';
import { isKnown, type Ingredient } from '../plan/plan';
import { liquid } from '../liquid/stock';
import { liveEvents, type LedgerEvent } from '../ledger/log';
import { foldBatch } from '../ledger/run';
import { contents, fermentedOf, type BatchState } from '../ledger/state';
import { cellsOf, followed } from './believe';
import { columnsOf, estimateOf, sharesOf } from './columns';
import { follow, goTo } from './follow';
import { expectedFinish } from './standing';

const HOUR = 3_600_000;

/** Yeast that went in so long ago may have begun, and wild yeast in a must that stands, hours. Common practice. */
const BEGINS_H = 12;
const WILD_BEGINS_H = 48;

/** So many possible wines are asked, each for an equal share of them. */
const TRUTHS = 24;

const mayFerment = (s: BatchState, at: number): boolean =>
  at - (s.pitches[0]?.at ?? Infinity) > BEGINS_H * HOUR || at - s.startedAt > WILD_BEGINS_H * HOUR;

/** What the possible wines make of a reading that is not written down yet. */
function believedOf(s: BatchState, reading: Asked, at: number): Puzzle['believed'] {
  if (s.flows.length === 0) return undefined;
  // As it will be judged once it is written down.
  const r = followed(s);
  goTo(r, at);
  const cells = cellsOf(s, r.e);
  if (cells.length === 0) return undefined;
  const { sg } = columnsOf(r.e, cells);
  const expected = estimateOf(sg, r.e.weight);
  const truths = sharesOf(sg, r.e.weight, TRUTHS);
  const vesselId = reading.vesselId ?? (s.fills.length === 1 ? s.fills[0]!.vesselId : null);
  const hasTemp = reading.tempC !== null;
  follow(r, { at, kind: 'read', eventId: 'asked', vesselId, sg: reading.sg, isRough: false, hasTemp });
  const seen = r.seen.at(-1);
  return seen && Number.isFinite(expected.likely)
    ? { sg: expected, truths, doubt: seen.slip + seen.notAsWritten }
    : undefined;
}

type Asked = { sg: number; tempC: number | null; vesselId?: string | null | undefined };

/**
 * What the detective needs to judge a reading of a batch, from all that was written down before it.
 * @param events of the batch; those at or after `at` are left out
 * @param reading gravity at 20 °C, and the sample's temperature, °C, when it was taken
 * @param at when it was read, ms
 * @returns null when nothing liquid was in there
 */
export function puzzleOf(
  events: readonly LedgerEvent[],
  reading: Asked,
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
    believed: mayFerment(s, at) || ferments ? believedOf(s, reading, at) : undefined,
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
