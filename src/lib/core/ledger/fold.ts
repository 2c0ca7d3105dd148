import { allergensOf } from '../plan/allergens';
import { hexoseGone } from '../ferment/alcohol';
import { abvOf, ferment } from '../ferment/convert';
import { findRoot } from '../maths/root';
import { spiritIndication } from '../liquid/spirit';
import { WATER_20 } from '../liquid/water';
import { isStrained, pulpL } from '../must/strain';
import { priceKey } from '../plan/cost';
import {
  amountOf,
  entryOf,
  isKnown,
  toleranceOf,
  type Ingredient,
  type Plan,
  type Yeast
} from '../plan/plan';
import { contribution, TYPICAL, usableKg } from '../must/contribution';
import { addInto, emptyStock, liquid, scaled, type Stock } from '../liquid/stock';
import { SUCROSE_TO_HEXOSE } from '../liquid/sugar';
import { SWEETENERS, YEASTS, type AdditiveId } from '../tables/substances';
import { ENZYME_PACE, halfGivenH, shareGiven } from '../plan/extraction';
import { liveTimed, type EventData, type LedgerEvent } from './events';
import { canBeRead, forgetReads, givePreserver, isFinished, noteRead, seenOver, SG_PER_GL } from './evidence';
import { A_DREG_L, emptyFill, fillL, keepShare, pourInto, type Fill } from './fill';

export type { Fill } from './fill';

/** Fruit that is still giving: what it holds, how fast it lets go, and what of it stands in the vessel. */
type Lot = {
  vesselId: string;
  held: Stock;
  halfH: number;
  since: number;
  produceKg: number;
  pulpKg: number;
  insolublesKg: number;
  /** the event that hung it in, for what is steeped */
  steepId: string | null;
  /** an infusion's pulp: strained off before the sugar, or the yeast, goes in */
  isInfused?: boolean;
};

export type Reading = {
  eventId: string;
  at: number;
  /** the vessel it was drawn from; null when it was not said and there were several */
  vesselId: string | null;
  sg: number;
  tempC: number | null;
  /** what the ledger expected before it was read; null once it ferments */
  expectedSg: number | null;
};

/** Something that a measurement showed to be other than the sums had it. */
export type Correction =
  | { kind: 'sugar'; at: number; expectedSg: number; sg: number; sugarKg: number }
  | { kind: 'volume'; at: number; expectedL: number; foundL: number };

export type Steep = { id: string; at: number; names: string[]; tasteBy: number | null; outAt: number | null };

/** An event that cannot have been as it was written: it is kept and shown, and applied as far as it can be. */
export type Doubt = { eventId: string; at: number; type: LedgerEvent['type']; code: DoubtCode };
export type DoubtCode =
  | 'not-there'
  | 'more-than-there'
  | 'more-than-measured'
  | 'impossible-figure'
  | 'unknown-produce'
  | 'cannot-be-read';

/** One filling of bottles: the wine as it went in, and what it could do. */
export type Bottling = {
  eventId: string;
  at: number;
  count: number;
  litres: number;
  types: BottleType[];
  /** the wine of that vessel as it was bottled, with what was known of it */
  fill: Fill;
  primingGL: number;
  /** what was said of it; null when nothing was */
  isClear: boolean | null;
  /** pressure that was foreseen at 20 °C, bar; null when it was not judged */
  bar20: number | null;
  /** hexose that fruit in it still held, kg */
  heldKg: number;
  /** bottles that are still closed, as far as is known */
  left: number;
  /** when bottles of it were opened and found without gas */
  stillAt: number[];
};

/** Everything there is to know about a batch at one moment. Pure: the same events give the same state. */
export type BatchState = {
  id: string;
  name: string;
  plan: Plan;
  startedAt: number;
  at: number;
  zone: string;
  fills: Fill[];
  /** what fruit still holds, all lots together */
  held: Stock;
  /** fruit that is in there now, kg */
  produceKg: number;
  /** the same by how much liquid it holds back, as fresh fruit */
  pulpKg: number;
  insolublesKg: number;
  /** when something that ferments last went in */
  fedAt: number;
  fruitInAt: number | null;
  fruitOutAt: number | null;
  readings: Reading[];
  pitches: { at: number; yeast: Yeast; massG: number | null }[];
  stirs: number[];
  rackings: { at: number; lossL: number }[];
  doubts: Doubt[];
  /** grams of each powder that went in, by its id */
  powdersG: Record<string, { massG: number; at: number }>;
  /** each filling, with the wine as it went into the bottles */
  bottled: Bottling[];
  /** when sugar or a sweetener last went into wine that was out of its bucket */
  sweetenedAt: number | null;
  /** sugar and honey that went in, kg as weighed, and when it last did */
  sugarKg: number;
  sugarAt: number | null;
  measured: { ph: number | null; taGL: number | null };
  /** strength by spirit indication, when it was measured */
  spiritAbv: { at: number; abv: number } | null;
  warmestC: number | null;
  /** what measurements showed to be other than the sums had it */
  corrections: Correction[];
  steeps: Steep[];
  /** when the air over a vessel was last taken by gas */
  gassedAt: Record<string, number>;
  allergens: string[];
  tastings: { at: number; text: string; liking: number | null }[];
  cost: number;
  lostL: number;
  steps: { at: number; step: string; outcome: 'done' | 'skipped' | 'snoozed'; until: number | null }[];
  acknowledged: string[];
  startSg: { sg: number; measured: boolean } | null;
  /** when something first went in */
  firstInAt: number | null;
};

type BottleType = EventData<'bottle'>['bottles'][number]['type'];

type Working = BatchState & { lots: Lot[]; eventId: string; eventType: LedgerEvent['type']; eventAt: number };

/** Writes down that the event at hand cannot have been quite so. */
function doubt(s: Working, code: DoubtCode): void {
  s.doubts.push({ eventId: s.eventId, at: s.eventAt, type: s.eventType, code });
}

const HOUR = 3_600_000;

/** Hours in which half of a layer of sugar at the bottom dissolves by itself. Common practice: days, not hours. */
const LAYER_HALF_H = 30;
/** What marks such a layer among the lots: it is no fruit, and is not taken out. */
const LAYER = 'layer';
const NO_PULP = { produceKg: 0, pulpKg: 0, insolublesKg: 0 };

/** Events that leave the liquid as it is; before all others the fruit's giving is brought up to date. */
const LEAVES_LIQUID = new Set<LedgerEvent['type']>([
  'tasting',
  'pitch',
  'stir',
  'step',
  'caution',
  'planned',
  'note',
  'open',
  'void'
]);

/** Lets every lot give what time has freed since it last gave. */
function advance(s: Working, at: number): void {
  for (const lot of s.lots) {
    // Spent fruit has nothing more to give.
    if (lot.held.waterKg + lot.held.solidsKg < 1e-7) continue;
    const hours = Math.max(0, (at - lot.since) / HOUR);
    const share = shareGiven(lot.halfH, hours);
    const fill = s.fills.find((f) => f.vesselId === lot.vesselId) ?? s.fills[0];
    if (fill && share > 0) {
      addInto(fill.stock, lot.held, share);
      addInto(lot.held, lot.held, -share);
    }
    lot.since = Math.max(lot.since, at);
  }
}

/** The fill of a vessel, made when nothing stands in it yet. */
function fillOf(s: Working, vesselId: string): Fill {
  const there = s.fills.find((f) => f.vesselId === vesselId);
  if (there) return there;
  const made = emptyFill(vesselId);
  s.fills.push(made);
  return made;
}

/** The vessels an event speaks of: the one it names, or all. */
const named = (s: Working, vesselId: string | undefined): Fill[] =>
  vesselId ? s.fills.filter((f) => f.vesselId === vesselId) : s.fills;

/** Each fill's share of what they hold together; the first takes all when they are empty. */
function sharesOf(fills: readonly Fill[]): number[] {
  const litres = fills.map(fillL);
  const total = litres.reduce((sum, l) => sum + l, 0);
  return litres.map((l, i) => (total > 0 ? l / total : i === 0 ? 1 : 0));
}

/** What goes in is shared between the vessels by what stands in each, unless one is named; fruit goes into one. */
function add(
  s: Working,
  ingredients: readonly Ingredient[],
  vesselId: string | undefined,
  at: number,
  steepId: string | null = null
): void {
  // An infusion is strained before it is sweetened: its pulp keeps of the water, not of the sugar.
  const sweetens = (i: Ingredient) => ['sugar', 'honey', 'juice', 'wine'].includes(i.kind);
  if (!steepId && ingredients.some(sweetens)) {
    const before = ingredients.filter((i) => !sweetens(i));
    if (before.some(isStrained)) {
      add(s, before, vesselId, at);
      strainOff(s, at, true);
      return add(s, ingredients.filter(sweetens), vesselId, at);
    }
    strainOff(s, at, false);
  }
  if (vesselId) fillOf(s, vesselId);
  else if (s.fills.length === 0) fillOf(s, 'none');
  const fills = named(s, vesselId);
  const shares = sharesOf(fills);
  const first = fills[0]!;
  const each = (job: (fill: Fill, share: number) => void) => fills.forEach((f, i) => job(f, shares[i]!));
  const before = fills.map((f) => ({
    hexoseKg: f.stock.hexoseKg,
    sg: liquid(f.stock)?.sg ?? 1,
    over: seenOver(f)
  }));
  let heldHexoseKg = 0;
  let sweetenedKg = 0;
  for (const item of ingredients) {
    const produce = entryOf(item);
    // A row of produce that nobody has the figures of is shown, not guessed.
    if ('produceId' in item && !produce) {
      doubt(s, 'unknown-produce');
      continue;
    }
    const { poured, held, insolublesKg, pulpKg } = contribution(item, produce, TYPICAL);
    const isLayer = (item.kind === 'sugar' || item.kind === 'honey') && item.layered === true;
    if (item.kind === 'sugar' && SWEETENERS[item.sugarId].kind === 'non-fermenting')
      sweetenedKg += item.massKg;
    heldHexoseKg += held.hexoseKg + (isLayer ? poured.hexoseKg : 0);
    const unsure = unsureKgOf(item, poured.solidsKg + held.solidsKg);
    each((f, share) => (f.unsureKg = Math.hypot(f.unsureKg, unsure * (produce || isLayer ? 0 : share))));
    if (produce || isLayer) first.unsureKg = Math.hypot(first.unsureKg, unsure);
    if (produce) {
      const extract = (x: Stock) => x.solidsKg - x.fermentableKg;
      each((f, share) => (f.extractKg += extract(poured) * share));
      first.extractKg += extract(held);
    }
    if ((item.kind === 'sugar' || item.kind === 'honey') && item.massKg > 0) {
      if (s.rackings.length > 0) s.sweetenedAt = at;
      s.sugarKg += item.massKg;
      s.sugarAt = at;
    }
    if (isLayer)
      s.lots.push({
        ...NO_PULP,
        vesselId: first.vesselId,
        held: poured,
        halfH: LAYER_HALF_H,
        since: at,
        steepId: LAYER
      });
    else each((f, share) => addInto(f.stock, poured, share));
    if (poured.hexoseKg + held.hexoseKg > 1e-6) s.fedAt = Math.max(s.fedAt, at);
    const price = s.plan.prices?.[priceKey(item)] ?? 0;
    each((f, share) => (f.cost += price * amountOf(item) * share));
    s.cost += price * amountOf(item);
    for (const a of allergensOf(item)) if (!s.allergens.includes(a)) s.allergens.push(a);
    if (item.kind === 'produce' && produce && !steepId && isStrained(item)) {
      addInto(first.stock, held);
      s.lots.push({
        ...NO_PULP,
        vesselId: first.vesselId,
        held: emptyStock(),
        halfH: 1,
        since: at,
        pulpKg,
        steepId: null,
        isInfused: true
      });
    } else if (item.kind === 'produce' && produce && !item.pressed) {
      const heat = item.heat ?? (s.plan.wildYeast === 'heat' && !steepId ? 'poured' : 'raw');
      const hasEnzyme = 'pectic-enzyme' in s.powdersG;
      s.lots.push({
        vesselId: first.vesselId,
        held,
        halfH: halfGivenH(produce, { ...item, heat }, hasEnzyme),
        since: at,
        produceKg: usableKg(item, produce),
        pulpKg,
        insolublesKg,
        steepId
      });
      if (!steepId) {
        s.fruitInAt ??= at;
        s.fruitOutAt = null;
      }
    }
    if (item.kind === 'acid' && item.massKg > 0) {
      const massG = item.massKg * 1000;
      s.powdersG[item.acidId] = { massG: (s.powdersG[item.acidId]?.massG ?? 0) + massG, at };
      each((f, share) => (f.powdersG[item.acidId] = (f.powdersG[item.acidId] ?? 0) + massG * share));
    }
    if (item.kind === 'additive') {
      const massG = item.massKg * 1000;
      const before = s.powdersG[item.additiveId]?.massG ?? 0;
      if (item.additiveId === 'pectic-enzyme' && before === 0)
        for (const lot of s.lots) lot.halfH *= ENZYME_PACE;
      s.powdersG[item.additiveId] = { massG: before + massG, at };
      each((f, share) => (f.powdersG[item.additiveId] = (f.powdersG[item.additiveId] ?? 0) + massG * share));
      const which = PRESERVER[item.additiveId];
      if (which) each((f, share) => givePreserver(f, which, massG * share, at, isFinished(f, limitIn(s, f))));
    }
  }
  // What brings sugar makes another wine of it: what was read before speaks of the old one. What brings none moves
  // the gravity by what the sums say, and what was seen still holds.
  fills.forEach((f, i) => {
    const sugarKg = f.stock.hexoseKg - before[i]!.hexoseKg + (f === first ? heldHexoseKg : 0);
    const moved = (liquid(f.stock)?.sg ?? 1) - before[i]!.sg;
    if (sugarKg > SUGAR_ADDED_GL * fillL(f) * 1e-3)
      forgetReads(f, before[i]!.over, s.rackings.length > 0 ? sugarKg : 0);
    else {
      if (sweetenedKg > 0 && s.pitches.length > 0 && before[i]!.over === null)
        f.maskedSg += Math.max(0, moved);
      if (Math.abs(moved) > 1e-5) f.reads = f.reads.map((r) => ({ ...r, sg: r.sg + moved }));
    }
  });
}

const PRESERVER: Partial<Record<AdditiveId, 'sorbate' | 'sulphite'>> = {
  sorbate: 'sorbate',
  campden: 'sulphite',
  metabisulphite: 'sulphite'
};
/** Sugar that is worth seeing again, g/L. */
const SUGAR_ADDED_GL = 0.5;

/** A reading of ±0.002, and how far the table's sugar may be off in the must's gravity, at least. Common practice. */
const READING_SD = 0.002;
const TABLE_SD = 0.004;
/** Marks and jugs, as a share of what they measure. Common practice. */
const VOLUME_SD = 0.02;
/** Clear sugar water reads what it weighs: a reading so many deviations off is the reading's fault until another agrees. */
const ODD_SD = 3;
/** Weights on a kitchen scale, as a share. Common practice. */
const WEIGHT_SD = 0.012;
/** From the 10th to the 90th percentile, in standard deviations. */
const EIGHT_IN_TEN = 2.563;

/** How far the solids of a row may be off, kg, one standard deviation: by the table's spread, or by the scale. */
function unsureKgOf(item: Ingredient, solidsKg: number): number {
  const p = entryOf(item);
  if (!p) return WEIGHT_SD * solidsKg;
  const measured = 'measured' in item ? item.measured?.brix : undefined;
  const share = measured === undefined ? (p.solids[2] - p.solids[0]) / EIGHT_IN_TEN / p.solids[1] : 0.03;
  return Math.hypot(share, WEIGHT_SD) * solidsKg;
}

/** Sugar (kg of sucrose) to put in or take out so that a stock reads `sg`. */
function sugarGap(stock: Stock, sg: number): number {
  const read = (kg: number) => liquid(withSugar(stock, kg))?.sg ?? 1.5;
  return findRoot((kg) => read(kg) - sg, -stock.fermentableKg, stock.waterKg * 0.5, 1e-8);
}

function withSugar(stock: Stock, kg: number): Stock {
  const more = scaled(stock);
  more.solidsKg += kg;
  more.fermentableKg += kg;
  more.hexoseKg += kg * SUCROSE_TO_HEXOSE;
  return more;
}

/** Before the ferment, a reading corrects what the table said: by how much each is to be trusted. */
function learnSugar(s: Working, fill: Fill, sg: number, at: number): void {
  const now = liquid(fill.stock);
  if (!now) return;
  const heldSugar = s.lots.reduce((sum, l) => sum + l.held.solidsKg, 0);
  const stillHeld = heldSugar / (heldSugar + fill.stock.solidsKg || 1);
  const timingSd = 0.03 * stillHeld;
  const isClear = fill.extractKg <= 1e-9;
  const weighedSd = (SG_PER_GL * 1000 * fill.unsureKg) / Math.max(0.01, now.volumeL);
  const ownSd = Math.hypot(weighedSd, VOLUME_SD * (now.sg - 1));
  const tableSd = isClear ? ownSd : Math.max(TABLE_SD, ownSd);
  const isOdd =
    isClear &&
    Math.abs(sg - now.sg) > ODD_SD * Math.hypot(tableSd, READING_SD) &&
    !s.readings.slice(0, -1).some((r) => r.expectedSg !== null && Math.abs(r.sg - sg) <= 2 * READING_SD);
  if (isOdd) return doubt(s, 'impossible-figure');
  const trust = tableSd ** 2 / (tableSd ** 2 + timingSd ** 2 + READING_SD ** 2);
  fill.unsureKg *= Math.sqrt(1 - trust);
  const sugarKg = trust * sugarGap(fill.stock, sg);
  fill.stock = withSugar(fill.stock, sugarKg);
  s.corrections.push({ kind: 'sugar', at, expectedSg: now.sg, sg, sugarKg });
}

/** Whether yeast can have been at work: pitched and past a few hours, or left to the wild for two days. */
function mayFerment(s: Working, at: number): boolean {
  const first = s.pitches[0];
  return first ? at - first.at > 6 * HOUR : at - s.startedAt > 48 * HOUR;
}

/** Wines that differ by no more than this in gravity, by the sums, are alike. */
const ALIKE_SG = 0.001;

/** Whether a reading of one of these vessels may stand for the others: the same wine, by the sums. */
export function areAlike(fills: readonly Fill[]): boolean {
  const sgs = fills.flatMap((f) => liquid(f.stock)?.sg ?? []);
  return sgs.length === 0 || Math.max(...sgs) - Math.min(...sgs) <= ALIKE_SG;
}

function read(s: Working, e: Extract<LedgerEvent, { type: 'reading' }>, at: number): void {
  const { sg, tempC, ph, taGL, residueSg, volumeL, vesselId, refractometerBx } = e.data;
  // A refractometer in alcohol is good to three points: it says where the wine is about, and proves nothing gone.
  const isRough = refractometerBx !== undefined;
  if (tempC !== undefined && s.rackings.length > 0) s.warmestC = Math.max(s.warmestC ?? tempC, tempC);
  if (ph !== undefined) s.measured.ph = ph;
  if (taGL !== undefined) s.measured.taGL = taGL;
  if (vesselId && !s.fills.some((f) => f.vesselId === vesselId)) doubt(s, 'not-there');
  if (volumeL !== undefined) correctVolume(s, named(s, vesselId), volumeL, at);
  if (sg !== undefined && residueSg !== undefined) {
    const abv = residueSg >= sg ? spiritOrNull(sg, residueSg) : null;
    if (abv === null) doubt(s, 'impossible-figure');
    else s.spiritAbv = { at, abv };
  }
  if (sg === undefined) return;
  const fills = named(s, vesselId);
  const first = fills[0];
  const before = first && liquid(first.stock);
  // Far below what the sums expect, with yeast in: it is the ferment, whatever the clock says.
  const hasDropped = before && s.pitches.length > 0 && sg < before.sg - 0.008;
  const fermenting = mayFerment(s, at) || hasDropped || s.fills.some((f) => f.fermentedKg > 0);
  const isOfOne = vesselId !== undefined || s.fills.length === 1;
  // Nobody said which of several unlike wines was read: it speaks of none of them.
  if (!isOfOne && !areAlike(fills)) return doubt(s, 'not-there');
  /** What each would have fermented; one that reads under its floor has none left, and more to tell. */
  const gone = fills.map((f) =>
    fermenting && liquid(f.stock) ? hexoseGone(f.stock, f.fermentedKg, sg) : null
  );
  const isUnder = gone.map((g, i) => g !== null && !g.met && g.hexoseKg >= fills[i]!.stock.hexoseKg);
  if (isOfOne && first && isUnder[0] && !canBeRead(first, at, sg)) return doubt(s, 'impossible-figure');
  s.readings.push({
    eventId: e.id,
    at,
    vesselId: vesselId ?? (s.fills.length === 1 ? s.fills[0]!.vesselId : null),
    sg,
    tempC: tempC ?? null,
    expectedSg: fermenting || !before ? null : before.sg
  });
  fills.forEach((fill, i) => {
    if (!liquid(fill.stock)) return;
    const found = gone[i];
    if (!found) learnSugar(s, fill, sg, at);
    else {
      const { hexoseKg, met } = found;
      fill.stock = ferment(fill.stock, hexoseKg).stock;
      fill.fermentedKg += hexoseKg;
      // Denser than all that went in: the table's sugar was too low, or the ferment has not begun.
      if (!met && fill.fermentedKg <= 1e-9) learnSugar(s, fill, sg, at);
      // One reading may be a slip: what it takes away counts as there until the next one agrees.
      fill.unshownKg = isOfOne && !isRough ? Math.max(0, hexoseKg) : Math.max(0, fill.unshownKg + hexoseKg);
    }
    if (isOfOne && !(isRough && found)) noteRead(fill, at, sg, isUnder[i]!);
  });
}

/** Strength by spirit indication; null where no spirit has such a density. */
function spiritOrNull(sg: number, residueSg: number): number | null {
  try {
    const abv = spiritIndication(sg, residueSg);
    return abv <= MAX_ABV ? abv : null;
  } catch {
    return null;
  }
}
/** No yeast makes more. Common practice: eighteen to twenty. */
export const MAX_ABV = 23;

/** What the mark shows stands; the wine in there stays what it was. */
function correctVolume(s: Working, fills: readonly Fill[], foundL: number, at: number): void {
  const expectedL = fills.reduce((sum, f) => sum + fillL(f), 0);
  if (expectedL <= 0 || foundL <= 0) return;
  if (foundL > (1 + FAR_OVER) * expectedL + 0.5) return doubt(s, 'more-than-measured');
  for (const f of fills) keepShare(f, foundL / expectedL);
  if (Math.abs(foundL - expectedL) > 0.02 * expectedL)
    s.corrections.push({ kind: 'volume', at, expectedL, foundL });
}

/**
 * Strains off what was infused. While next to nothing but its own juice is there, the water is still to come.
 * @param isSure whether it is strained whatever is there, as when the yeast goes in
 */
function strainOff(s: Working, at: number, isSure: boolean): void {
  const lots = s.lots.filter((l) => l.isInfused);
  if (lots.length === 0) return;
  const heldL = pulpL(
    s.plan.press,
    lots.reduce((sum, l) => sum + l.pulpKg, 0)
  );
  const thereL = s.fills
    .filter((f) => lots.some((l) => l.vesselId === f.vesselId))
    .reduce((sum, f) => sum + fillL(f), 0);
  if (!isSure && thereL < 2 * heldL) return;
  takeOut(s, lots, s.plan.press, undefined, at);
}

/** Takes lots out of their vessels, with the liquid that their pulp keeps. */
function takeOut(
  s: Working,
  lots: readonly Lot[],
  press: Plan['press'],
  leftL: number | undefined,
  at: number
): void {
  const vessels = new Set(lots.map((l) => l.vesselId));
  const fills = s.fills.filter((f) => lots.length === 0 || vessels.has(f.vesselId));
  const total = fills.reduce((sum, f) => sum + fillL(f), 0);
  const pulpKg = lots.reduce((sum, l) => sum + l.pulpKg, 0);
  const foundL = leftL === undefined ? null : Math.min(leftL, (1 + FAR_OVER) * total + 0.5);
  if (leftL !== undefined && foundL! < leftL) doubt(s, 'more-than-measured');
  const afterL = Math.max(0, total - pulpL(press, pulpKg));
  const keep = total > 0 ? (foundL ?? afterL) / total : 1;
  for (const f of fills) keepShare(f, keep);
  s.lostL += Math.max(0, total * (1 - keep));
  if (foundL !== null && Math.abs(foundL - afterL) > 0.02 * total)
    s.corrections.push({ kind: 'volume', at, expectedL: afterL, foundL });
  s.lots = s.lots.filter((l) => !lots.includes(l));
}

function fruitOut(s: Working, data: EventData<'fruit-out'>, at: number): void {
  const lots = s.lots.filter((l) => !l.steepId && (!data.vesselId || l.vesselId === data.vesselId));
  takeOut(s, lots, data.press, data.volumeL, at);
  if (!s.lots.some((l) => !l.steepId)) s.fruitOutAt = at;
}

/** A measure may lie so far over what the sums have, and stand; beyond that it is asked about. */
export const FAR_OVER = 0.15;
/**
 * What is left in a vessel is sediment, unless it was said, up to this share: a racking is of all there is, as a
 * rule, and its litres are by eye; where it is asked, lees are up to an eighth; bottles are counted. Half a litre always is. Common practice.
 */
const SEDIMENT = { rack: 0.25, lees: 0.13, bottle: 0.08, litres: 0.5 } as const;

/** Whether so much left behind would be taken for sediment. */
export const isSediment = (leftL: number, ofL: number, at: 'rack' | 'lees' | 'bottle'): boolean =>
  leftL <= Math.max(SEDIMENT.litres, SEDIMENT[at] * ofL);

/**
 * Takes litres out of a vessel, and leaves the rest there unless it is sediment.
 * @returns the share of what was there that each litre is worth: what is measured stands, within reason
 */
function takeFrom(s: Working, source: Fill, outL: number, at: 'rack' | 'bottle', emptied?: boolean): number {
  const thereL = fillL(source);
  if (thereL <= 0) return 0;
  if (outL > (1 + FAR_OVER) * thereL + 0.3) doubt(s, 'more-than-there');
  const perL = 1 / Math.max(thereL, outL / (1 + FAR_OVER));
  const leftL = Math.max(0, thereL - outL);
  const isEmpty = emptied ?? isSediment(leftL, thereL, at);
  if (isEmpty) {
    s.lostL += leftL;
    s.fills = s.fills.filter((f) => f !== source);
  }
  return perL;
}

/** The composition is what was in there; what is measured stands, and what nobody poured stays where it was. */
function transfer(s: Working, data: EventData<'transfer'>, at: number): void {
  const source = s.fills.find((f) => f.vesselId === data.from);
  if (!source || fillL(source) <= 0) return doubt(s, 'not-there');
  const volume = fillL(source);
  const pouredL = data.to.reduce((sum, t) => sum + t.volumeL, 0);
  const outL = pouredL + data.lossL;
  const perL = takeFrom(s, source, outL, 'rack', data.emptied);
  const isEmptied = !s.fills.includes(source);
  const before = { ...source, cost: source.cost };
  // Into itself: what stays is poured back when all else is out.
  for (const to of data.to)
    if (to.vesselId !== data.from || isEmptied) pourInto(fillOf(s, to.vesselId), before, to.volumeL * perL);
  const [main] = data.to;
  const gone = isEmptied ? 1 : Math.min(1, outL / volume);
  // What was spilt or left behind was paid for: the wine that is left carries it.
  if (main) fillOf(s, main.vesselId).cost += before.cost * Math.max(0, gone - pouredL * perL);
  if (!isEmptied) {
    const stays = data.to.find((t) => t.vesselId === data.from)?.volumeL ?? 0;
    keepShare(source, 1 - gone + stays * perL);
    source.cost *= 1 - gone;
  } else for (const lot of s.lots) if (lot.vesselId === data.from && main) lot.vesselId = main.vesselId;
  s.lostL += data.lossL;
  s.rackings.push({ at, lossL: data.lossL });
  if (Math.abs(outL - volume) > Math.max(0.2, 0.04 * volume) && (isEmptied || outL > volume))
    s.corrections.push({ kind: 'volume', at, expectedL: volume, foundL: outL });
}

function bottle(s: Working, e: Extract<LedgerEvent, { type: 'bottle' }>, at: number): void {
  const { bottles, from, primingGL, clear, bar20, emptied } = e.data;
  const litres = bottles.reduce((sum, b) => sum + b.count * b.sizeL, 0);
  const count = bottles.reduce((sum, b) => sum + b.count, 0);
  const source = s.fills.find((f) => f.vesselId === from);
  const thereL = source ? fillL(source) : 0;
  const held = s.lots.reduce((sum, l) => sum + l.held.hexoseKg, 0);
  const fill = { ...(source ?? emptyFill(from)) };
  keepShare(fill, 1);
  s.bottled.push({
    eventId: e.id,
    at,
    count,
    litres,
    types: bottles.map((b) => b.type),
    fill,
    primingGL: primingGL ?? 0,
    isClear: clear ?? null,
    bar20: bar20 ?? null,
    heldKg: held,
    left: count,
    stillAt: []
  });
  if (!source || thereL <= 0) return doubt(s, 'not-there');
  takeFrom(s, source, litres, 'bottle', emptied);
  if (s.fills.includes(source)) keepShare(source, Math.max(0, 1 - litres / thereL));
}

/** Bottles that were opened: so many fewer that could burst, and what was seen. */
function open(s: Working, data: EventData<'open'>, at: number): void {
  const of = s.bottled.find((b) => b.eventId === data.bottleId);
  if (!of) return doubt(s, 'not-there');
  if (data.count > of.left) doubt(s, 'more-than-there');
  of.left = Math.max(0, of.left - data.count);
  if (data.found === 'still') of.stillAt.push(at);
}

/** Takes so many litres out of the vessels an event names, from each by what stands in it. */
function draw(s: Working, vesselId: string | undefined, volumeL: number): void {
  const fills = named(s, vesselId);
  const total = fills.reduce((sum, f) => sum + fillL(f), 0);
  if (total <= 0) return doubt(s, 'not-there');
  if (volumeL > 1.02 * total + 0.05) doubt(s, 'more-than-there');
  for (const f of fills) keepShare(f, Math.max(0, 1 - volumeL / total));
  s.lostL += Math.min(volumeL, total);
  s.fills = s.fills.filter((f) => !fills.includes(f) || fillL(f) > A_DREG_L);
}

function lose(s: Working, data: EventData<'loss'>): void {
  if (data.how === 'spilt') return draw(s, data.vesselId, data.volumeL);
  // Boiled off: water alone goes, and what it held stays.
  const fills = named(s, data.vesselId);
  const total = fills.reduce((sum, f) => sum + fillL(f), 0);
  if (total <= 0 || data.volumeL > total) return doubt(s, total <= 0 ? 'not-there' : 'more-than-there');
  const shares = sharesOf(fills);
  fills.forEach((f, i) => {
    f.stock.waterKg = Math.max(
      0.05 * f.stock.waterKg,
      f.stock.waterKg - shares[i]! * data.volumeL * WATER_20
    );
  });
}

/** Wine from another batch, or wine of this one that went into another. */
function blend(s: Working, e: Extract<LedgerEvent, { type: 'blend' }>, at: number): void {
  const { from, to, volumeL, wine } = e.data;
  if (e.batchId !== s.id) {
    // What it cost goes along with it, and is counted once.
    const giver = s.fills.find((f) => f.vesselId === from.vesselId);
    const cost = Math.min(wine.cost, giver?.cost ?? 0);
    if (giver) giver.cost -= cost;
    s.cost -= cost;
    return draw(s, from.vesselId, volumeL);
  }
  const { yeasts, stable, extractKg, allergens: _, ...held } = wine;
  const into = fillOf(s, to);
  const over = fillL(into) > A_DREG_L ? seenOver(into) : null;
  const wasThere = fillL(into) > A_DREG_L;
  pourInto(into, {
    ...emptyFill(to),
    ...held,
    stock: wine.stock as Stock,
    extractKg: extractKg ?? Math.max(0, 0.5 * (wine.stock.solidsKg - wine.stock.fermentableKg)),
    peakAbv: abvOf(wine.stock as Stock),
    // A wine whose yeast nobody wrote down may hold the strongest.
    yeasts: yeasts ?? [{ yeastId: 'champagne' }],
    stable: stable ?? null
  });
  if (wasThere) forgetReads(into, over, wine.stock.hexoseKg);
  s.cost += wine.cost;
  for (const a of wine.allergens) if (!s.allergens.includes(a)) s.allergens.push(a);
  if (wine.stock.hexoseKg > 1e-6) s.fedAt = Math.max(s.fedAt, at);
}

/** What an event does to a batch, in place. */
function apply(s: Working, e: LedgerEvent, when: number): void {
  switch (e.type) {
    case 'addition':
      s.firstInAt ??= when;
      return add(s, e.data.ingredients, e.data.vesselId, when);
    case 'top-up':
      if (e.data.ingredient) return add(s, [e.data.ingredient], e.data.vesselId, when);
      s.gassedAt[e.data.vesselId] = when;
      return;
    case 'steep':
      add(s, e.data.ingredients, e.data.vesselId, when, e.id);
      s.steeps.push({
        id: e.id,
        at: when,
        names: e.data.ingredients.map((i) => entryOf(i)?.plural ?? priceKey(i)),
        tasteBy: e.data.tasteBy ? Date.parse(e.data.tasteBy) : null,
        outAt: null
      });
      return;
    case 'steep-out': {
      const steep = s.steeps.find((x) => x.id === e.data.steepId);
      if (!steep) return doubt(s, 'not-there');
      steep.outAt = when;
      return takeOut(
        s,
        s.lots.filter((l) => l.steepId === steep.id),
        'drip',
        undefined,
        when
      );
    }
    case 'sample':
      if (!e.data.returned) draw(s, e.data.vesselId, e.data.volumeL);
      return;
    case 'loss':
      return lose(s, e.data);
    case 'blend':
      return blend(s, e, when);
    case 'pitch':
      strainOff(s, when, true);
      s.pitches.push({ at: when, yeast: e.data.yeast, massG: e.data.massG ?? null });
      return;
    case 'stir':
      s.stirs.push(when);
      return;
    case 'reading':
      return read(s, e, when);
    case 'fruit-out':
      return fruitOut(s, e.data, when);
    case 'transfer':
      return transfer(s, e.data, when);
    case 'bottle':
      return bottle(s, e, when);
    case 'open':
      return open(s, e.data, when);
    case 'step':
      s.steps.push({
        at: when,
        step: e.data.step,
        outcome: e.data.outcome,
        until: e.data.until ? Date.parse(e.data.until) : null
      });
      return;
    case 'caution':
      s.acknowledged.push(e.data.cautionId);
      return;
    case 'tasting':
      s.tastings.push({ at: when, text: e.data.text, liking: e.data.liking ?? null });
      return;
    case 'planned':
    case 'note':
    case 'void':
      return;
  }
}

/** What a wine is at a moment, for telling what an event did to it. */
export type Figures = {
  volumeL: number;
  sg: number | null;
  abv: number;
  /** kg of hexose: turned to alcohol, dissolved, and still in fruit or in a layer */
  sugarKg: { turned: number; dissolved: number; held: number };
};

const figuresOf = (s: Working): Figures => {
  const stock = contents(s);
  const now = liquid(stock);
  return {
    volumeL: now?.volumeL ?? 0,
    sg: now?.sg ?? null,
    abv: abvOf(stock),
    sugarKg: {
      turned: fermentedOf(s),
      dissolved: stock.hexoseKg,
      held: s.lots.reduce((sum, l) => sum + l.held.hexoseKg, 0)
    }
  };
};

/** What each event did to the wine: the figures just before it, and just after. */
export type Effect = { event: LedgerEvent; before: Figures; after: Figures };

/** Every event that counts with what it did, in order. */
export function historyOf(events: readonly LedgerEvent[], at: number): Effect[] {
  const out: Effect[] = [];
  let before: Figures | null = null;
  run(
    events,
    at,
    (s) => (before = figuresOf(s)),
    (s, event) => out.push({ event, before: before!, after: figuresOf(s) })
  );
  return out;
}

/**
 * The state of a batch at a moment: a pure fold over its events in order.
 * @param events of one batch, in any order, voids included
 * @param at ms since 1970; events after it are left out, fruit has given until then
 * @returns null when the batch has not been planned
 */
export function foldBatch(events: readonly LedgerEvent[], at: number): BatchState | null {
  const s = run(events, at);
  if (!s) return null;
  advance(s, at);
  const { lots, eventId: _id, eventType: _type, eventAt: _at, ...state } = s;
  for (const lot of lots) {
    addInto(state.held, lot.held);
    state.produceKg += lot.produceKg;
    state.pulpKg += lot.pulpKg;
    state.insolublesKg += lot.insolublesKg;
  }
  state.startSg = startGravity(state);
  return state;
}

/**
 * The state of a batch as it is to be shown: one that begins later, by a clock that was wrong or by plan, as it will
 * begin. What else is still to come counts from its time on.
 */
export function batchAt(events: readonly LedgerEvent[], now: number): BatchState | null {
  const planned = liveTimed(events).find((x) => x.e.type === 'planned');
  return planned ? foldBatch(events, Math.max(now, planned.at)) : null;
}

/** Runs through the events that count up to `at`, with a look before and after each. */
function run(
  events: readonly LedgerEvent[],
  at: number,
  before?: (s: Working, e: LedgerEvent) => void,
  after?: (s: Working, e: LedgerEvent) => void,
  unread: Set<string> = new Set()
): Working | null {
  const live = liveTimed(events);
  const first = live.find((x) => x.e.type === 'planned' && x.at <= at);
  if (!first || first.e.type !== 'planned') return null;
  const planned = first.e;
  const s: Working = {
    id: planned.batchId,
    name: planned.data.name,
    plan: knownPlan(planned.data.plan),
    startedAt: first.at,
    at,
    zone: planned.zone,
    fills: [emptyFill(planned.data.vesselId)],
    held: emptyStock(),
    produceKg: 0,
    pulpKg: 0,
    insolublesKg: 0,
    fedAt: first.at,
    fruitInAt: null,
    fruitOutAt: null,
    readings: [],
    pitches: [],
    stirs: [],
    rackings: [],
    firstInAt: null,
    powdersG: {},
    bottled: [],
    measured: { ph: null, taGL: null },
    spiritAbv: null,
    warmestC: null,
    corrections: [],
    steeps: [],
    gassedAt: {},
    allergens: [],
    tastings: [],
    cost: 0,
    lostL: 0,
    steps: [],
    acknowledged: [],
    startSg: null,
    doubts: [],
    sweetenedAt: null,
    sugarKg: 0,
    sugarAt: null,
    lots: [],
    eventId: planned.id,
    eventType: 'planned',
    eventAt: first.at
  };
  if (s.plan !== planned.data.plan) doubt(s, 'unknown-produce');
  for (const { e, at: when } of live) {
    if (when > at) break;
    if (unread.has(e.id)) continue;
    [s.eventId, s.eventType, s.eventAt] = [e.id, e.type, when];
    if (!LEAVES_LIQUID.has(e.type)) advance(s, when);
    before?.(s, e);
    try {
      apply(s, e, when);
      if (!s.fills.every(isSound)) throw new RangeError('A figure of the wine is not finite.');
    } catch (error) {
      if (unread.size >= MOST_UNREAD) throw error;
      // It may have been half done: all of it again, without the event that cannot be.
      unread.add(e.id);
      return run(events, at, undefined, undefined, unread);
    }
    after?.(s, e);
  }
  for (const { e, at: when } of live)
    if (unread.has(e.id)) s.doubts.push({ eventId: e.id, at: when, type: e.type, code: 'cannot-be-read' });
  return s;
}

/** A plan without rows of produce that nobody has the figures of any more; itself when there are none. */
function knownPlan(plan: Plan): Plan {
  const ingredients = plan.ingredients.filter(isKnown);
  return ingredients.length === plan.ingredients.length ? plan : { ...plan, ingredients };
}

/** So many events that cannot be applied, and the log itself cannot be. */
const MOST_UNREAD = 60;

const isSound = ({ stock: x }: Fill): boolean =>
  Number.isFinite(x.waterKg + x.ethanolKg + x.solidsKg + x.hexoseKg + x.strongIonEq + x.nitrogenMg) &&
  x.waterKg >= -1e-6;

/** The classroom's start: the highest reading before the yeast, else what all the sugar would have read. */
function startGravity(s: BatchState): BatchState['startSg'] {
  const before = s.readings.filter((r) => r.expectedSg !== null).map((r) => r.sg);
  if (before.length > 0) return { sg: Math.max(...before), measured: true };
  const sg = wholeSg(s);
  return sg === null ? null : { sg, measured: false };
}

/** What all the sugar of a batch would read if none had fermented; null without liquid. */
export function wholeSg(s: Pick<BatchState, 'fills' | 'held'>): number | null {
  const total = addInto(contents(s), s.held);
  return liquid(ferment(total, -fermentedOf(s)).stock)?.sg ?? null;
}

/** All vessels of the batch together. */
export function contents(s: Pick<BatchState, 'fills'>): Stock {
  return s.fills.reduce((sum, f) => addInto(sum, f.stock), emptyStock());
}

/** Litres of liquid in the batch. */
export const volumeOf = (s: BatchState): number => s.fills.reduce((sum, f) => sum + fillL(f), 0);

/** Hexose that has fermented, kg. */
export const fermentedOf = (s: Pick<BatchState, 'fills'>): number =>
  s.fills.reduce((sum, f) => sum + f.fermentedKg, 0);

type Tolerance = readonly [number, number, number];

/** Of several yeasts, the most that any of them stands, at each end. */
const strongest = (all: readonly Tolerance[]): Tolerance =>
  all.reduce((a, t) => [Math.max(a[0], t[0]), Math.max(a[1], t[1]), Math.max(a[2], t[2])]);

/** The most tolerant yeast pitched, low–usual–high; the plan's own when none is pitched yet. */
export function batchTolerance(s: Pick<BatchState, 'pitches' | 'plan'>): Tolerance {
  const all = s.pitches.map((p) => toleranceOf(p.yeast));
  if (all.length > 0) return strongest(all);
  return s.plan.wildYeast === 'wild' ? YEASTS.wild.toleranceAbv : toleranceOf(s.plan.yeast);
}

/** The same for one vessel, with the yeast that other wine brought, and with what wild yeast can do when none is pitched. */
export function toleranceIn(s: Pick<BatchState, 'pitches' | 'plan'>, fill: Pick<Fill, 'yeasts'>): Tolerance {
  const wild = s.pitches.length === 0 ? [YEASTS.wild.toleranceAbv] : [];
  return strongest([batchTolerance(s), ...fill.yeasts.map(toleranceOf), ...wild]);
}

/** The strength at which a vessel's yeast usually stops, % vol; Infinity where wild yeast is all there is. */
export const limitIn = (s: Pick<BatchState, 'pitches' | 'plan'>, fill: Pick<Fill, 'yeasts'>): number =>
  s.pitches.some((p) => p.yeast.yeastId !== 'wild') ? toleranceIn(s, fill)[1] : Infinity;

/** The yeasts that live in a batch: what was pitched, or what the plan says when nothing was. */
export const yeastsOf = (s: Pick<BatchState, 'pitches' | 'plan'>): Yeast[] =>
  s.pitches.length > 0
    ? s.pitches.map((p) => p.yeast)
    : [s.plan.yeast ?? { yeastId: 'wine' }, { yeastId: 'wild' }];
