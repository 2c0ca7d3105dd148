import { byId } from '../maths/by-id';
import { isNatural } from '../tables/schools';
import { YIELD } from '../ferment/convert';
import { goOn, NOTHING_GL, warmth } from '../ferment/model';
import { BOTTLES, type Flow, type FlowOf } from '../ledger/flow';
import { strongest } from '../ledger/state';
import { ETHANOL_20 } from '../liquid/ethanol';
import { WATER_20 } from '../liquid/water';
import { drawn, normalQuantile, seedOf } from '../maths/draw';
import { coldC as coldOf, toleranceOf } from '../plan/chosen';
import type { Plan } from '../plan/plan';
import { YEASTS } from '../tables/yeasts';
import { USUAL_ROOM_C } from '../units/settings';
import { pour, pourWine } from './bring';
import { movedKin, parted } from './kin';
import { move } from './move';
import {
  cellOf,
  copyOf,
  HELD,
  keepOf,
  litresOf,
  normalsFor,
  randomOf,
  strengthOf,
  turn,
  zeros,
  type Cell,
  type Ensemble,
  type GivingLot
} from './ensemble';
import type { Running } from './running';
import { looksSeen, sugarSeen } from './looks';
import { couldReachGL } from './reach';
import { acidSeen, markSeen, spiritSeen } from './measure';
import { readingSeen } from './observe';
import { PACE_SD } from './spreads';

const HOUR = 3_600_000;

/** What yeast finds that nobody wrote down: a spoon of nutrient, raisins, spent yeast; mg/L. Ours. */
const UNWRITTEN_MG = 60;
const LAG = 0.45;
/** How far a sample's temperature is from the must's, °C. Ours. */
const WARMER_C = 1.8;
/** Hours until yeast works, by how it was pitched. Common practice: dry 12–24, rehydrated 4–12, starter 2–6, wild 2–5 days. */
const LAG_H = { dry: 17, rehydrated: 8, starter: 4 } as const;
const WILD_LAG_H = 78;
/** So many begin long after they should, and so many times later; in the cold all do, up to so slowly. Common practice: a day or two of nothing, three now and then. */
const LATE = 0.1;
const LATER = 3;
const COLDEST = 0.25;
/** What of a sachet lives, but far less in alcohol that it never met; and how much goes in where nobody said, g/L. */
const ALIVE = 0.6;
const PITCHED_GL = 0.25;
const WILD_GL = 0.004;
/** A drop of yeast is in every vessel that wine has stood in, g/L. */
const TRACE_GL = 0.003;
/** A stalled wine wakes by fresh yeast so often. Ours. */
const WAKES = 0.6;

/** Warmed by so much, it wakes so often. Ours. */
const WARMED_C = 3;
const WAKES_WARM = 0.3;

/** Of what stands still with sugar left, so much begins again. */
function wake(e: Ensemble, chance: number): void {
  const random = randomOf(e);
  for (const c of Object.values(e.cells))
    for (let i = 0; i < e.size; i++) if (c.asleep[i] && random() < chance) c.asleep[i] = 0;
}

/** What is known of a batch apart from its liquid. */
export type Setting = {
  id: string;
  startedAt: number;
  plan: Pick<Plan, 'yeast' | 'wildYeast' | 'pitch' | 'roomC' | 'pace'>;
};

/** The members before anything went in. */
export function beginning(setting: Setting, size: number): Running {
  const e: Ensemble = {
    size,
    weight: new Float64Array(size).fill(1 / size),
    cells: byId(),
    lots: [],
    traits: [],
    yieldG: zeros(size),
    wallAbv: zeros(size),
    vigour: zeros(size),
    startsAt: zeros(size),
    stemSg: zeros(size),
    warmerC: zeros(size),
    bubble: zeros(size),
    seed: seedOf(setting.id)
  };
  const random = randomOf(e);
  const isWild = isNatural(setting.plan);
  const z = () => normalsFor(size, random, normalQuantile);
  const [y, v, l, s, w, b, t] = [z(), z(), z(), z(), z(), z(), z()];
  for (let i = 0; i < size; i++) {
    e.yieldG[i] = drawn(YIELD.ethanol, y[i]!);
    e.vigour[i] = (setting.plan.pace ?? 1) * Math.exp(PACE_SD * v[i]!);
    e.startsAt[i] = setting.startedAt + HOUR * WILD_LAG_H * (isWild ? 1 : 1.5) * Math.exp(LAG * l[i]!);
    e.stemSg[i] = 0.0006 * s[i]!;
    e.warmerC[i] = WARMER_C * w[i]!;
    e.bubble[i] = Math.exp(0.6 * b[i]!);
    e.wallAbv[i] = drawn(YEASTS.wild.toleranceAbv, t[i]!);
  }
  const coldC = coldOf(isWild ? { yeastId: 'wild' } : setting.plan.yeast);
  return {
    e,
    startedAt: setting.startedAt,
    at: setting.startedAt,
    tempC: setting.plan.roomC ?? USUAL_ROOM_C,
    roomC: setting.plan.roomC ?? USUAL_ROOM_C,
    isRoomSaid: false,
    coldC,
    seen: [],
    tolerance: YEASTS.wild.toleranceAbv,
    isFedLate: false,
    filledGL: byId(),
    sugared: [],
    kin: []
  };
}

/** A running ensemble that can go its own way. */
export const branch = (r: Running): Running => ({
  ...r,
  e: copyOf(r.e),
  seen: [...r.seen],
  filledGL: byId(Object.entries(r.filledGL))
});

/** A bucket or a jar comes to the warmth of its place in about a day, h. Common practice. */
const ROOM_TAU_H = 15;
/** Until then what is felt is of hot water, thawed fruit and the tap, h. Our estimate. */
const SETTLED_H = 36;
/** How much of a temperature measured in the wine is taken over for its room, if nobody gave that, 0 to 1. Our estimate. */
const SAYS_OF_ROOM = 0.6;

/** Lets time pass in every member: fruit gives, yeast works. */
export function goTo(r: Running, at: number): void {
  const { e } = r;
  const hours = (at - r.at) / HOUR;
  if (hours > 1e-6) {
    const endsC = r.roomC + (r.tempC - r.roomC) * Math.exp(-hours / ROOM_TAU_H);
    // The mean of the while: it comes to the warmth of its place.
    r.tempC = r.roomC + ((r.tempC - endsC) * ROOM_TAU_H) / hours;
    for (const lot of e.lots) give(e, lot, hours);
    for (const cell of Object.values(e.cells)) fermentCell(r, cell, at);
    r.tempC = endsC;
  }
  r.at = Math.max(r.at, at);
}

/** Fruit that has less than this left to give has given all. */
const SPENT_KG = 1e-6;

function give(e: Ensemble, lot: GivingLot, hours: number): void {
  if (lot.waterKg.every((kg, i) => kg + lot.hexoseKg[i]! < SPENT_KG)) return;
  const cell = cellOf(e, lot.vesselId);
  for (let i = 0; i < e.size; i++) {
    const share = 1 - 2 ** (-hours / lot.halfH[i]!);
    cell.everKg[i]! += lot.hexoseKg[i]! * share;
    for (const k of HELD) {
      cell[k][i]! += lot[k][i]! * share;
      lot[k][i]! *= 1 - share;
    }
  }
}

const brew = { yeastGL: 0, nitrogenMgL: 0, sugarGL: 0, ethanolGL: 0 };
const pace = { tempC: 0, coldC: 0, wallGL: 0, vigour: 0 };

function fermentCell(r: Running, c: Cell, at: number): void {
  const { e } = r;
  if (c.isHeld) return;
  pace.coldC = r.coldC;
  for (let i = 0; i < e.size; i++) {
    // A wine that is dry has nothing to do: most of them, most of the time.
    if (c.asleep[i] || !(c.hexoseKg[i]! * 1000 > NOTHING_GL * c.waterKg[i]!)) continue;
    const hours = (at - Math.max(r.at, e.startsAt[i]!)) / HOUR;
    if (hours <= 0) continue;
    const litres = litresOf(c, i);
    if (litres <= 0 || c.hexoseKg[i]! * 1000 < NOTHING_GL * litres) continue;
    brew.yeastGL = Math.max(TRACE_GL, c.yeastG[i]! / litres);
    brew.nitrogenMgL = c.nitrogenMg[i]! / litres;
    brew.sugarGL = (1000 * c.hexoseKg[i]!) / litres;
    brew.ethanolGL = (1000 * c.ethanolKg[i]!) / litres;
    pace.tempC = r.tempC + e.warmerC[i]!;
    pace.vigour = e.vigour[i]!;
    pace.wallGL = c.wallAbv[i]! * 10 * ETHANOL_20;
    const goneKg = (goOn(brew, pace, hours) * litres) / 1000;
    c.yeastG[i] = brew.yeastGL * litres;
    c.nitrogenMg[i] = brew.nitrogenMgL * litres;
    if (goneKg <= 0) continue;
    turn(c, i, goneKg, e.yieldG[i]!);
    c.sinceKg[i]! += goneKg;
  }
}

/** Follows one flow: time passes, then it happens in every member. */
export function follow(r: Running, flow: Flow): void {
  goTo(r, flow.at);
  const { e } = r;
  switch (flow.kind) {
    case 'pour':
      r.kin = parted(
        e,
        r.kin,
        flow.to.map((t) => t.vesselId)
      );
      return pour(r, flow);
    case 'wine':
      r.kin = parted(e, r.kin, [flow.to]);
      return pourWine(r, flow);
    case 'pace':
      for (const lot of e.lots) for (let i = 0; i < e.size; i++) lot.halfH[i]! *= flow.factor;
      return;
    case 'out':
      e.lots = e.lots.filter((l) => !flow.lotIds.includes(l.id));
      return;
    case 'keep':
      return keepOf(cellOf(e, flow.vesselId), flow.share);
    case 'move':
      r.kin = movedKin(r.kin, flow, (id) => !(id in e.cells));
      move(e, flow);
      for (const { vesselId } of flow.to)
        if (vesselId.startsWith(BOTTLES)) r.filledGL[vesselId] = couldReachGL(r, cellOf(e, vesselId));
      return;
    case 'boil': {
      const c = cellOf(e, flow.vesselId);
      for (let i = 0; i < e.size; i++)
        c.waterKg[i] = Math.max(0.05 * c.waterKg[i]!, c.waterKg[i]! - flow.waterKg);
      return;
    }
    case 'pitch':
      return pitch(r, flow);
    case 'warmth':
      if (flow.tempC >= r.tempC + WARMED_C) wake(e, WAKES_WARM);
      r.tempC = flow.tempC;
      if (!r.isRoomSaid && flow.at - r.startedAt > SETTLED_H * HOUR)
        r.roomC += SAYS_OF_ROOM * (flow.tempC - r.roomC);
      return;
    case 'room':
      if (flow.tempC >= r.tempC + WARMED_C) wake(e, WAKES_WARM);
      [r.roomC, r.isRoomSaid] = [flow.tempC, true];
      return;
    case 'mark':
      return markSeen(e, flow.vesselIds, flow.foundL);
    case 'read': {
      const seen = readingSeen(r, flow);
      if (seen) r.seen.push(seen);
      return;
    }
    case 'look':
      return looksSeen(r, flow.vesselId, flow.look);
    case 'acid':
      return acidSeen(e, flow);
    case 'spirit':
      return spiritSeen(e, flow.vesselId, flow.abv);
    case 'sugar':
      return sugarSeen(r, flow.vesselId, flow.sugarGL);
    case 'hold':
      cellOf(e, flow.vesselId).isHeld = flow.isHeld;
  }
}

function pitch(r: Running, { at, yeast, massG, how }: FlowOf<'pitch'>): void {
  const { e } = r;
  const random = randomOf(e);
  const [t, l, w] = [
    normalsFor(e.size, random, normalQuantile),
    normalsFor(e.size, random, normalQuantile),
    normalsFor(e.size, random, normalQuantile)
  ];
  const isWild = yeast.yeastId === 'wild';
  const spread = toleranceOf(yeast);
  const lagH = isWild ? WILD_LAG_H : LAG_H[how ?? 'dry'];
  r.coldC = Math.min(r.coldC, coldOf(yeast));
  // What is cold takes longer to begin, too.
  const cold = Math.max(COLDEST, Math.min(1, warmth(r.tempC, r.coldC)));
  r.tolerance = strongest([r.tolerance, spread]);
  const isFirst = Object.values(e.cells).every((c) => c.yeastG[0] === 0);
  for (let i = 0; i < e.size; i++) {
    const wall = drawn(spread, t[i]!);
    e.wallAbv[i] = isFirst ? wall : Math.max(e.wallAbv[i]!, wall);
    const late = random() < LATE ? LATER * (0.6 + random()) : 1;
    e.startsAt[i] = Math.min(e.startsAt[i]!, at + ((HOUR * lagH) / cold) * late * Math.exp(LAG * l[i]!));
    for (const c of Object.values(e.cells)) {
      if (isFirst) c.nitrogenMg[i]! += (UNWRITTEN_MG * c.waterKg[i]!) / WATER_20;
      c.wallAbv[i] = isFirst ? wall : Math.max(c.wallAbv[i]!, wall);
      const litres = c.waterKg[i]! / WATER_20;
      const given =
        massG === null ? PITCHED_GL * Math.exp(0.3 * w[i]!) * litres : massG / Object.keys(e.cells).length;
      const full = Math.min(1, strengthOf(c, i) / c.wallAbv[i]!);
      const lives = ALIVE * (1 - full) ** (how === 'starter' ? 1 : 3);
      c.yeastG[i]! += isWild ? WILD_GL * litres : lives * given;
      if (c.asleep[i] && random() < WAKES) c.asleep[i] = 0;
    }
  }
}
