import { ETHANOL_20 } from '../liquid/ethanol';
import { BOTTLES, type Flow } from '../ledger/flow';
import { normalQuantile } from '../maths/draw';
import { litresOf, normalsFor, randomOf, resample, sgOf, turn, type Cell, type Ensemble } from './ensemble';
import { likeOf } from './kin';
import type { Running, Seen } from './running';
import { shift } from './shift';
import { layeredAt, layerOf, type Layer } from './layer';
import { bell } from './likelihood';
import { reweigh, tail } from './weigh';
import { drawStall, goesThrough, stallDensity } from './stall';

/** A stem read at eye level, and what adds to it: no temperature taken, fruit still in, a refractometer. Ours. */
const READ_SG = 0.0011;
const NO_TEMP_SG = 0.0005;
const PULP_SG = 0.0015;
const ROUGH_SG = 0.003;
/** So many readings are slips, and how far off they are. */
const SLIP = 0.03;
const SLIP_SG = 0.03;
/** How far the pace between two readings may be off the sums, in its logarithm. */
const PACE_SD = 0.55;
/** A must that should have begun and reads as it did begins so much later, in the mean: a day and a quarter. Ours. */
const STILL_LAG_MS = 30 * 3_600_000;
/** What a sleeping wine, or one that had not begun, does all the same. */
const WAKES = 0.08;
/** So fast a ferment seldom falls, in gravity a day; more is a slip sooner. Common practice: ten to thirty points in its best days. */
const FAST_SG_DAY = 0.022;
/** Chance that something was not as written, where a reading asks for it, and how far off it is. */
const NOT_WRITTEN = 0.02;
const NOT_WRITTEN_SG = 0.025;
/** So often jars of one wine that still have this share of their sugar stand alike; else each goes its own way. Ours. */
const ALIKE = 0.5;
const HAS_LEFT = 0.05;
/** A wine that woke goes on about half as fast, in its logarithm, give or take. Ours. */
const WOKEN = -0.7;
const WOKEN_SD = 0.6;
/** Where the sums have less than this share left, nobody could say how long ago it ended. Ours. */
const LAST_SHARE = 1e-5;
/** As far as this a ferment has come to its end, and before that it has not begun; by the share that is gone. */
const AT_END = 0.995;
const NOT_BEGUN = 0.002;
/** A reading may lie so far under a wine's end, where its fruit left less behind than the table says. */
const UNDER_SG = 0.004;
/** Places within a reading's error at which what lies between is looked at: equal parts of a normal. */
const LOOK_AT = [-1.38, -0.67, -0.21, 0.21, 0.67, 1.38] as const;
const LOOKS = LOOK_AT.length;

const total = (list: Float64Array): number => {
  let sum = 0;
  for (let k = 0; k < list.length; k++) sum += list[k]!;
  return sum;
};
/** Which of several weights a random number falls on. */
function pickOf(weights: Float64Array, sum: number, random: () => number): number {
  let left = random() * sum;
  let k = 0;
  while (k < weights.length - 1 && (left -= weights[k]!) > 0) k += 1;
  return k;
}

/** What a member takes a reading for. */
const Took = {
  none: 0,
  slip: 1,
  still: 2,
  going: 3,
  sleeps: 4,
  ended: 5,
  woke: 6,
  written: 7,
  layered: 8,
  alike: 9
} as const;

// Written anew for each member: this runs some thousand times for one batch.
const weights = new Float64Array(10);
const [going, sleeps, woke] = [new Float64Array(LOOKS), new Float64Array(LOOKS), new Float64Array(LOOKS)];
const targets = new Float64Array(LOOKS);

type Read = Extract<Flow, { kind: 'read' }>;

/** Weighs every member by a gravity, and brings each to where it reads so. */
export function readingSeen(r: Running, flow: Read): Seen | null {
  const { e } = r;
  const ids =
    flow.vesselId !== null ? [flow.vesselId] : Object.keys(e.cells).filter((id) => !id.startsWith(BOTTLES));
  const cells = ids.flatMap((id) => (e.cells[id] ? [{ id, c: e.cells[id] }] : []));
  if (cells.length === 0) return null;
  const random = randomOf(e);
  const error = normalsFor(e.size, random, normalQuantile);
  const hasPulp = e.lots.some(
    (l) => ids.includes(l.vesselId) && (l.waterKg[0]! > 1e-3 || l.hexoseKg[0]! > 1e-4)
  );
  const sd = Math.hypot(
    READ_SG,
    flow.hasTemp ? 0 : NO_TEMP_SG,
    hasPulp ? PULP_SG : 0,
    flow.isRough ? ROUGH_SG : 0
  );
  const layer = layerOf(r, ids);
  const like = cells.length === 1 ? likeOf(r, cells[0]!.id) : null;
  const lastAt = r.seen.findLast((x) => ids.includes(x.vesselId))?.at ?? r.startedAt;
  const fastSg = FAST_SG_DAY * Math.max(0.25, (r.at - lastAt) / 86_400_000);
  const factor = new Float64Array(e.size);
  const took = new Uint8Array(e.size);
  for (let i = 0; i < e.size; i++) {
    const which = cells.length === 1 ? 0 : Math.floor(random() * cells.length);
    const one = weighOne(
      e,
      cells[which]!.c,
      i,
      r.at,
      flow.sg - e.stemSg[i]!,
      sd,
      error[i]!,
      fastSg,
      layer,
      like,
      random
    );
    factor[i] = one.likelihood;
    took[i] = one.took;
  }
  let [slip, written, layered] = [0, 0, 0];
  reweigh(e, factor);
  for (let i = 0; i < e.size; i++) {
    if (took[i] === Took.slip) slip += e.weight[i]!;
    if (took[i] === Took.layered) layered += e.weight[i]!;
    if (took[i] === Took.written) written += e.weight[i]!;
  }
  resample(e, e.size / 2);
  return {
    eventId: flow.eventId,
    at: flow.at,
    vesselId: cells[0]!.id,
    sg: flow.sg,
    slip: slip + layered,
    layered,
    notAsWritten: written
  };
}

/**
 * What one member makes of a gravity: a slip; or a true reading of a wine that stands where it stood, ferments, sleeps,
 * has come to its end, or woke; or a must that was not as written. The member is brought to where it reads so; how
 * likely all of them are together is its factor.
 */
function weighOne(
  e: Ensemble,
  c: Cell,
  i: number,
  at: number,
  sg: number,
  sd: number,
  error: number,
  fastSg: number,
  layer: Layer | null,
  like: Cell | null,
  random: () => number
): { likelihood: number; took: number } {
  const now = sgOf(c, i);
  if (!Number.isFinite(now)) return { likelihood: 1e-9, took: Took.none };
  const litres = litresOf(c, i);
  const y = e.yieldG[i]!;
  const since = c.sinceKg[i]!;
  // The must of this member as it was last seen, and as it can end.
  const room = Math.max(0, ((c.wallAbv[i]! / 100) * litres * ETHANOL_20 - c.ethanolKg[i]!) / y);
  const whole = since + Math.min(c.hexoseKg[i]!, room);
  const ever = Math.max(1e-9, c.everKg[i]!);
  const asleep = c.asleep[i] === 1;
  const hasYeast = at >= e.startsAt[i]!;
  const asIs = [c.waterKg[i]!, c.ethanolKg[i]!, c.hexoseKg[i]!, c.boundKg[i]!, c.otherKg[i]!] as const;
  turn(c, i, -since, y);
  const start = sgOf(c, i);
  turn(c, i, whole, y);
  const end = sgOf(c, i);
  // As it was, to the last grain: what is turned right out and back has lost the water its sugar had yet to take up.
  [c.waterKg[i], c.ethanolKg[i], c.hexoseKg[i], c.boundKg[i], c.otherKg[i]] = asIs;
  const perSg = whole > 1e-9 && start - end > 1e-6 ? whole / (start - end) : 0;

  const honest = 1 - SLIP;
  weights.fill(0);
  weights[Took.slip] = SLIP * bell(sg - now, 0, SLIP_SG);
  if (layer) weights[Took.layered] = layeredAt(layer, sg, now, litres, sd);
  const startShare = (c.hexoseKg[i]! + since) / ever;
  const isEnded = whole <= 1e-9 || start - end < 2e-4;
  const f = whole > 1e-9 ? Math.min(1, since / whole) : 1;
  // What nobody saw may have gone on a little even where the sums say nothing.
  const tau = Math.max(-Math.log(Math.max(LAST_SHARE, 1 - f)), 1e-9);
  const zOf = (share: number) => Math.log(-Math.log(1 - share) / tau) / PACE_SD;
  if (asleep) weights[Took.still] = honest * (1 - WAKES) * bell(sg - start, 0, sd);
  else {
    weights[Took.still] = honest * (isEnded ? 1 : tail(zOf(NOT_BEGUN))) * bell(sg - start, 0, sd);
    if (!isEnded)
      weights[Took.ended] =
        honest *
        (1 - tail(zOf(AT_END))) *
        goesThrough(startShare, (c.hexoseKg[i]! + since - whole) / ever) *
        bell(sg - end, 0, sd);
  }
  // What lies between is looked at in a few places of the reading's own error.
  if (!isEnded) {
    const canWake = asleep || !hasYeast || f < NOT_BEGUN;
    const perWoke = canWake ? (honest * WAKES) / Math.max(0.002, start - end) / LOOKS : 0;
    for (let k = 0; k < LOOKS; k++) {
      const target = (targets[k] = sg - sd * LOOK_AT[k]! - sd * 0.3 * error);
      going[k] = sleeps[k] = woke[k] = 0;
      const gone = perSg > 0 ? (start - target) * perSg : -1;
      if (!(gone > NOT_BEGUN * whole && gone < AT_END * whole)) continue;
      woke[k] = perWoke * Math.exp(-0.5 * ((start - target) / fastSg) ** 2);
      if (asleep) continue;
      const share = gone / whole;
      const left = (c.hexoseKg[i]! + since - gone) / ever;
      const staysOf = -Math.log(1 - share);
      const z = Math.log(staysOf / tau) / PACE_SD;
      const perHexose = bell(z, 0, 1) / (PACE_SD * staysOf * (1 - share) * whole);
      going[k] = (honest * perHexose * perSg * goesThrough(startShare, left)) / LOOKS;
      sleeps[k] = (honest * (stallDensity(left) / ever) * perSg * (1 - tail(z))) / LOOKS;
    }
    weights[Took.going] = total(going);
    weights[Took.sleeps] = total(sleeps);
    weights[Took.woke] = total(woke);
  }
  // Above all that it can be, or a must that has not begun: then something was not as written. Fruit may leave less
  // behind than the table has it; far under its end is no wine.
  const isFresh = since <= 1e-9 && c.ethanolKg[i]! < 1e-6;
  if (isFresh || sg > start + 2 * sd)
    weights[Took.written] = NOT_WRITTEN * bell(sg - start, 0, NOT_WRITTEN_SG);
  else if (sg < end - 2 * sd) weights[Took.written] = NOT_WRITTEN * bell(sg - end, 0, UNDER_SG);

  // Of jars that have come to their end each is judged by itself.
  if (like && like.hexoseKg[i]! > HAS_LEFT * like.everKg[i]!) {
    for (let k = 0; k < weights.length; k++)
      if (k !== Took.slip && k !== Took.layered) weights[k]! *= 1 - ALIKE;
    weights[Took.alike] = honest * ALIKE * bell(sg - sgOf(like, i), 0, sd);
  }
  const likelihood = total(weights);
  if (!(likelihood > 0)) return { likelihood: 1e-30, took: Took.none };
  const took = pickOf(weights, likelihood, random);
  const at_ = took === Took.going ? going : took === Took.sleeps ? sleeps : took === Took.woke ? woke : null;
  const target = at_ ? targets[pickOf(at_, total(at_), random)]! : sg - 0.5 * sd * error;
  const gone = perSg > 0 ? (start - target) * perSg : 0;

  const settle = (hexoseKg: number) => {
    turn(c, i, hexoseKg - since, y);
    c.sinceKg[i] = 0;
  };
  const learnPace = (share: number) => {
    const f = Math.min(1 - 1e-9, Math.max(1e-6, since / whole));
    const ratio = Math.log(1 - share) / Math.log(1 - f);
    e.vigour[i]! *= Math.exp(0.6 * Math.max(-1.2, Math.min(1.2, Math.log(ratio))));
  };
  switch (took) {
    case Took.still:
      // What should have begun and has not takes a while yet: nobody knows how long.
      if (hasYeast && c.ethanolKg[i]! - since * y < 1e-6)
        e.startsAt[i] = at - STILL_LAG_MS * Math.log(1 - random());
      settle(0);
      break;
    case Took.going:
      learnPace(gone / whole);
      settle(gone);
      c.stall[i] = drawStall(c.hexoseKg[i]! / ever, random);
      break;
    case Took.woke:
      e.startsAt[i] = Math.min(e.startsAt[i]!, at);
      // How brisk it is once it works again has little to do with before.
      if (asleep) e.vigour[i]! *= Math.exp(WOKEN + WOKEN_SD * normalQuantile(random()));
      c.asleep[i] = 0;
      settle(gone);
      c.stall[i] = drawStall(c.hexoseKg[i]! / ever, random);
      break;
    case Took.sleeps:
      settle(gone);
      c.asleep[i] = 1;
      c.stall[i] = -1;
      break;
    case Took.alike:
      // It stands as likely there as its twin does; where, it says itself, and how it goes on is its own luck.
      settle(Math.max(0, Math.min(whole, gone)));
      c.asleep[i] = like!.asleep[i]!;
      c.stall[i] = c.asleep[i] ? -1 : drawStall(c.hexoseKg[i]! / ever, random);
      break;
    case Took.ended:
      settle(whole);
      c.stall[i] = -1;
      break;
    case Took.written:
      settle(target < end ? whole : 0);
      shift(c, i, target);
      break;
  }
  return { likelihood, took };
}
