import { lastReading } from '../ledger/last-read';
import { classroomAbv, ledgerAbv } from '../ferment/alcohol';
import { abvOf, finish, YIELD } from '../ferment/convert';
import { addInto, liquid } from '../liquid/stock';
import { coldC } from '../plan/chosen';
import { sweetnessWord } from '../units/format';
import type { Estimate } from '../units/range';
import { dayOf } from '../units/zone';
import { readsDry, stillnessOf, type Stillness } from '../ledger/evidence';
import type { Read } from '../ledger/fill';
import { beliefOf, type Belief } from './believe';
import { byBelief } from './on-course';
import {
  batchTolerance,
  isBegun,
  contents,
  lastWarmth,
  standingFills,
  timesRacked,
  volumeOf,
  type BatchState
} from '../ledger/state';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

export type Stage = 'must' | 'fermenting' | 'in glass' | 'clearing' | 'bottled' | 'gone';

/** Where a batch stands: the figures its sentence speaks of. */
export type Standing = {
  stage: Stage;
  day: number;
  /** gravity now: the last reading, or what the ledger expects when there is none */
  sg: { sg: number; at: number; measured: boolean } | null;
  volumeL: number;
  abv: Estimate;
  /** strength by what went in and what the last reading said, on the day it was read */
  ledgerAbv: number;
  classroom: number | null;
  /** points a day over the last readings; positive when it falls */
  pointsPerDay: number | null;
  residualGL: number;
  sweetness: ReturnType<typeof sweetnessWord>;
  expectedSg: Estimate | null;
  expectedAbv: number | null;
  steady: Stillness;
  /** whether the readings of every vessel show that its sugar is gone */
  isDry: boolean;
  /** what the possible wines say of it, once something has gone in; null in lists that were kept by an older version */
  belief: Belief | null;
  /** sugar in kg of hexose: turned to alcohol, dissolved, still in the fruit */
  sugarKg: { turned: number; dissolved: number; held: number };
};

/**
 * How long a batch has not moved: no longer than the least still of its vessels.
 * Once all of it is in bottle, as it was then.
 */
export function steadiness(s: BatchState): Stillness {
  const all = standingFills(s).map(stillnessOf);
  return {
    steady: all.length > 0 && all.every((x) => x.steady),
    days: all.length > 0 ? Math.min(...all.map((x) => x.days)) : 0
  };
}

/** What fruit leaves unfermented varies by some 6 g/L, and a reading by a point or two. Common practice. */
const EXTRACT_SG = 0.0025;

/** Final gravity if it goes on: yield and tolerance at their ends, and a reading's error. */
export function expectedFinish(
  s: BatchState
): { sg: Estimate; abv: number; stoppedByAlcohol: boolean } | null {
  const stock = addInto(contents(s), s.held);
  if (!liquid(stock)) return null;
  const tolerance = batchTolerance(s);
  const end = (t: number, y: number) => finish(stock, t, y);
  const likely = end(tolerance[1], YIELD.ethanol[1]);
  const sg = (x: ReturnType<typeof finish>) => liquid(x.stock)?.sg ?? NaN;
  const [low, mid, high] = [
    sg(end(tolerance[2], YIELD.ethanol[2])),
    sg(likely),
    sg(end(tolerance[0], YIELD.ethanol[0]))
  ];
  // A syrup has no end that the sums could tell.
  if (![low, mid, high].every(Number.isFinite)) return null;
  return {
    sg: { low: Math.min(low, mid) - EXTRACT_SG, likely: mid, high: Math.max(high, mid) + EXTRACT_SG },
    abv: ledgerAbv(likely.stock).likely,
    stoppedByAlcohol: likely.stoppedByAlcohol
  };
}

/** Too cold for its yeast, by the last temperature taken: it may stop short of where it should end; null when not. */
export function tooCold(s: BatchState): { tempC: number; wantsC: number } | null {
  const last = lastWarmth(s);
  if (!last || s.pitches.length === 0) return null;
  const wantsC = Math.min(...s.pitches.map((p) => coldC(p.yeast)));
  return last.tempC < wantsC ? { tempC: last.tempC, wantsC } : null;
}

function stageOf(s: BatchState): Stage {
  if (s.fills.length === 0) return s.bottled.length > 0 ? 'bottled' : 'gone';
  const racked = timesRacked(s);
  if (racked > 1) return 'clearing';
  if (racked === 1) return 'in glass';
  return isBegun(s) ? 'fermenting' : 'must';
}

/** Over a longer time a mean pace is nobody's: a ferment falls fast and then slowly. */
const PACE_WITHIN = 8 * DAY;

/**
 * Points a day between the last two readings at least half a day apart, of the vessel that was read last:
 * a jar does not fall to its twin's reading, nor across sugar that went in between. Null with fewer, or a week and more apart.
 */
function fall(s: BatchState): number | null {
  const newest = (reads: readonly Read[]) => reads.at(-1)?.at ?? -Infinity;
  const reads = standingFills(s)
    .map((f) => f.reads)
    .reduce((a, b) => (newest(b) > newest(a) ? b : a), []);
  const last = reads.at(-1);
  const before = last && reads.findLast((r) => last.at - r.at >= DAY / 2);
  return before && last.at - before.at <= PACE_WITHIN
    ? ((before.sg - last.sg) * 1000) / ((last.at - before.at) / DAY)
    : null;
}

/** All of it in bottle, and read dry before: nothing is left to guess at, and a cellar of thousands is summed up soon. */
export const isSettled = (s: BatchState): boolean =>
  s.fills.length === 0 && s.bottled.length > 0 && s.bottled.every((b) => readsDry(b.fill).isDry);

export function standingOf(s: BatchState): Standing {
  // Once bottled, the wine is what went into the bottles.
  const stock = contents({ fills: standingFills(s) });
  const now = liquid(stock);
  const last = lastReading(s);
  const end = expectedFinish(s);
  const belief = isSettled(s) ? null : beliefOf(s);
  return {
    stage: stageOf(s),
    day: dayOf(s.at, s.startedAt, s.zone),
    sg: last
      ? { sg: last.sg, at: last.at, measured: true }
      : now
        ? { sg: now.sg, at: s.at, measured: false }
        : null,
    volumeL: volumeOf(s),
    ledgerAbv: abvOf(stock),
    classroom: canSubtract(s) ? classroomAbv(s.startSg!.sg, last!.sg) : null,
    pointsPerDay: fall(s),
    expectedSg: end?.sg ?? null,
    expectedAbv: end?.abv ?? null,
    steady: steadiness(s),
    isDry: s.fills.length > 0 && s.fills.every((f) => readsDry(f).isDry),
    ...byBelief(s, belief)
  };
}

/** The classroom's sum wants two that were measured: the must before the yeast, and the wine since. */
function canSubtract(s: BatchState): boolean {
  const last = lastReading(s);
  return last !== undefined && last.expectedSg === null && s.startSg?.measured === true;
}

/** The strength that is told and the ledger's chain of readings are one figure, if they lie no further apart, % vol. */
const AGREE_ABV = 0.4;

/** Why the strength that is told and the classroom sum differ, in one sentence; null when they agree. */
export function whyAbvDiffers(s: BatchState, standing: Standing): string | null {
  const { classroom, ledgerAbv, abv } = standing;
  const last = lastReading(s);
  if (classroom === null || !last) return null;
  // Both are of the moment it was read: a wine that works goes on by the hour.
  const isFresh = s.at - last.at < HOUR;
  const told = isFresh ? abv.likely : ledgerAbv;
  if (Math.abs(classroom - told) < 0.15) return null;
  const head = `Start less ${isFresh ? 'now' : 'the last reading'}, times 131.25, says ${classroom.toFixed(1)} %; all that went in and was read says ${told.toFixed(1)} %${isFresh ? '' : ' then'}`;
  if (isFresh && Math.abs(abv.likely - ledgerAbv) > AGREE_ABV)
    return `${head}: what went in and what the stem showed do not agree on how much sugar there was.`;
  const first = s.readings[0]!;
  if ((s.sugarAt ?? 0) > first.at && classroom < told)
    return `${head}: sugar went in after the first reading.`;
  if (s.fruitInAt !== null && (s.fruitOutAt === null || first.at < s.fruitOutAt) && classroom < told)
    return `${head}: the fruit gave sugar after the first reading.`;
  if (s.fruitInAt !== null && classroom > told)
    return `${head}: the first reading was taken before the fruit let its water go.`;
  return `${head}: it counts the sugar by weight, and the short sum is made for beer-strength worts.`;
}
