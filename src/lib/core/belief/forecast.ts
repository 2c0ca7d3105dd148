import { isNatural } from '../tables/schools';
import { QUIET_SG } from '../ledger/evidence';
import type { Flow } from '../ledger/flow';
import type { LedgerEvent } from '../ledger/log';
import { foldBatch } from '../ledger/run';
import { isBegun, type BatchState } from '../ledger/state';
import { evaluate } from '../must/evaluate';
import type { Feed } from '../must/nitrogen';
import type { Ingredient, Plan, Yeast } from '../plan/plan';
import type { Estimate } from '../units/range';
import { asItIs, believe, CAREFUL, cellsOf } from './believe';
import { columnsOf, estimateOf, meanOf } from './columns';
import { quantiles } from '../maths/quantiles';
import { resample, zeros } from './ensemble';
import type { Running } from './running';
import { follow, goTo } from './follow';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** From the must to the yeast, where it is still to go in. Common practice: a day. */
const BEFORE_YEAST_H = 24;
/** A must without yeast for so long has gone its own way. */
const FORGOTTEN_H = 96;

/** One day ahead: gravity in its half and its 8-in-10 band, strength, and the chance that it is done. */
export type Ahead = {
  d: number;
  sg: Estimate;
  /** between these half of the possible wines lie */
  sgHalf: { low: number; high: number };
  abv: Estimate;
  done: number;
  /** where it stands, °C */
  tempC: number;
};

export type Forecast = {
  days: Ahead[];
  /** days from now until it is done, of those wines that come to it in time, and how many do */
  dry: { inDays: Estimate; chance: number };
  /** days from now until it reads 1.010: the cap falls, and it may go into glass */
  quiet: { inDays: Estimate; chance: number };
  /** chance that it stands still with sugar left by then */
  stuckChance: number;
};

/** What is asked of it: another temperature, sugar in a jar, fresh yeast, nutrient; from now on. */
export type WhatIf = {
  tempC?: number | undefined;
  sugarKg?: number | undefined;
  yeast?: Yeast | undefined;
  nitrogenMgL?: number | undefined;
};

function askWhatIf(r: Running, vesselIds: readonly string[], what: WhatIf): void {
  const at = r.at;
  if (what.tempC !== undefined) {
    follow(r, { at, kind: 'room', tempC: what.tempC });
    r.tempC = what.tempC;
    r.e.warmerC.fill(0);
  }
  if (what.yeast) follow(r, { at, kind: 'pitch', yeast: what.yeast, massG: null, how: 'rehydrated' });
  if (what.sugarKg)
    follow(r, {
      at,
      kind: 'pour',
      eventId: 'what-if',
      item: { kind: 'sugar', sugarId: 'white', massKg: what.sugarKg },
      to: vesselIds.map((vesselId) => ({ vesselId, share: 1 / vesselIds.length })),
      lot: null
    });
  if (what.nitrogenMgL)
    for (const id of vesselIds) {
      const c = r.e.cells[id];
      if (c) for (let i = 0; i < r.e.size; i++) c.nitrogenMg[i]! += what.nitrogenMgL * c.waterKg[i]!;
    }
}

/**
 * What a wine will do: its possible wines run on, day by day.
 * @param r members of the caller's own, at the moment it is asked; they are run on in place
 * @param toCome what is to happen meanwhile, in order
 * @param isOver asked between days: a forecast that nobody waits for any more is broken off
 */
export function runAhead(
  r: Running,
  vesselIds: readonly string[],
  days: number,
  what: WhatIf = {},
  isOver: () => boolean = () => false,
  toCome: readonly Flow[] = []
): Forecast {
  const { e } = r;
  const from = r.at;
  // All count alike from here on: nothing is read any more.
  resample(e, Infinity);
  askWhatIf(r, vesselIds, what);
  const cells = vesselIds.flatMap((id) => e.cells[id] ?? []);
  const out: Ahead[] = [];
  let next = 0;
  const dryAt = zeros(e.size).fill(NaN);
  const quietAt = zeros(e.size).fill(NaN);
  const stuck = zeros(e.size);
  for (let d = 0; d <= days && !isOver(); d++) {
    const until = from + d * DAY;
    while (next < toCome.length && toCome[next]!.at <= until) follow(r, toCome[next++]!);
    goTo(r, until);
    // What has stalled by its own luck stands where it stalled.
    asItIs(r);
    const { sg, abv, isDone } = columnsOf(e, cells);
    for (let i = 0; i < e.size; i++) {
      if (isDone[i] && Number.isNaN(dryAt[i]!)) dryAt[i] = d;
      if (sg[i]! <= QUIET_SG && Number.isNaN(quietAt[i]!)) quietAt[i] = d;
      stuck[i] = cells.some((c) => c.asleep[i] === 1) ? 1 : 0;
    }
    const [low, high] = quantiles(sg, e.weight, [0.25, 0.75]) as [number, number];
    out.push({
      d,
      sg: estimateOf(sg, e.weight),
      sgHalf: { low, high },
      abv: estimateOf(abv, e.weight),
      done: meanOf(isDone, e.weight),
      tempC: r.roomC
    });
  }
  const reached = (when: Float64Array) => ({
    inDays: estimateOf(when, e.weight),
    chance: meanOf(
      when.map((x) => (Number.isNaN(x) ? 0 : 1)),
      e.weight
    )
  });
  return { days: out, dry: reached(dryAt), quiet: reached(quietAt), stuckChance: meanOf(stuck, e.weight) };
}

/** What of a batch its forecast turns on: little enough to be sent to a worker. */
export type Foreseen = Pick<
  BatchState,
  | 'id'
  | 'startedAt'
  | 'plan'
  | 'flows'
  | 'at'
  | 'fills'
  | 'bottled'
  | 'looks'
  | 'pitches'
  | 'powdersG'
  | 'rackings'
>;

/** Nothing but what is needed, so that it can be sent to a thread. */
export const foreseenOf = (s: BatchState): Foreseen => ({
  id: s.id,
  startedAt: s.startedAt,
  plan: s.plan,
  flows: s.flows,
  at: s.at,
  fills: s.fills,
  bottled: s.bottled,
  looks: s.looks,
  pitches: s.pitches,
  powdersG: s.powdersG,
  rackings: s.rackings
});

/** Days after the yeast in which what was planned of nutrient may still go in. Common practice. */
const FED_DAYS = 6;

/** What was planned and is still to come: yeast, and what of its nutrient is not in yet. */
export function plannedAhead(s: Foreseen): Flow[] {
  const isForgotten = s.at - s.startedAt > FORGOTTEN_H * HOUR;
  const hasYeast = isBegun(s) || isNatural(s.plan);
  const yeastAt = Math.max(s.at + HOUR, s.startedAt + BEFORE_YEAST_H * HOUR);
  const out: Flow[] = [];
  if (!hasYeast && !isForgotten)
    out.push({
      at: yeastAt,
      kind: 'pitch',
      yeast: s.plan.yeast ?? { yeastId: 'wine' },
      massG: null,
      how: null
    });
  const began = s.pitches[0]?.at ?? (hasYeast ? s.startedAt : yeastAt);
  const isPast = s.rackings.length > 0 || s.at - began > FED_DAYS * DAY || (!hasYeast && isForgotten);
  const feeds = isPast ? [] : evaluate(s.plan).feeds;
  const left = (id: 'nutrient' | 'dap', planned: number) =>
    Math.max(0, planned - (s.powdersG[id]?.massG ?? 0));
  const items = foodOf({
    mixG: left(
      'nutrient',
      feeds.reduce((sum, f) => sum + f.mixG, 0)
    ),
    dapG: left(
      'dap',
      feeds.reduce((sum, f) => sum + f.dapG, 0)
    )
  });
  const to = s.fills.map((f) => ({ vesselId: f.vesselId, share: 1 / s.fills.length }));
  for (const item of items)
    out.push({ at: Math.max(s.at, began) + DAY, kind: 'pour', eventId: 'planned', item, to, lot: null });
  return out;
}

/** What a batch will do from the moment of its state. */
export function forecastOf(
  s: Foreseen,
  days: number,
  what: WhatIf = {},
  size = CAREFUL,
  isOver?: () => boolean
): Forecast | null {
  if (s.flows.length === 0 || s.fills.length === 0) return null;
  const r = believe(s, size);
  if (cellsOf(s, r.e).length === 0) return null;
  const toCome = what.yeast ? [] : plannedAhead(s);
  return runAhead(
    r,
    s.fills.map((f) => f.vesselId),
    days,
    what,
    isOver,
    toCome
  );
}

const foodOf = ({ mixG, dapG }: Pick<Feed, 'mixG' | 'dapG'>): Ingredient[] =>
  ([['nutrient', mixG] as const, ['dap', dapG] as const] as const).flatMap(([additiveId, g]) =>
    g > 0 ? [{ kind: 'additive' as const, additiveId, massKg: g / 1000 }] : []
  );

/** What a plan will do, begun at a moment: the same as a batch that was begun from it then. */
export function forecastPlan(
  plan: Plan,
  at: number,
  days: number,
  what: WhatIf = {},
  size = CAREFUL,
  isOver?: () => boolean
): Forecast | null {
  const moment = new Date(at).toISOString();
  const event = (type: string, data: unknown) =>
    ({
      id: `plan-${type}`,
      batchId: 'plan',
      type,
      v: 1,
      at: moment,
      zone: 'UTC',
      recordedAt: moment,
      device: 'plan',
      data
    }) as LedgerEvent;
  const s = foldBatch(
    [
      event('planned', { name: 'plan', plan, vesselId: 'bucket' }),
      event('addition', { ingredients: plan.ingredients })
    ],
    at
  );
  return s && forecastOf(s, days, what, size, isOver);
}
