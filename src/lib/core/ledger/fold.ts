import { ferment } from '../ferment/convert';
import { hexoseGone } from '../ferment/alcohol';
import { findRoot } from '../liquid/root';
import { pulpL } from '../must/balance';
import type { Plan, Yeast } from '../must/plan';
import { entryOf, toleranceOf } from '../must/plan';
import {
  addInto,
  contribution,
  emptyStock,
  liquid,
  scaled,
  TYPICAL,
  usableKg,
  type Stock
} from '../must/stock';
import { SUCROSE_TO_HEXOSE, YEASTS } from '../must/substances';
import { ENZYME_PACE, halfGivenH, shareGiven } from '../produce/extraction';
import { liveEvents, type EventData, type LedgerEvent } from './events';

/** A vessel's share of the batch. */
export type Fill = { vesselId: string; stock: Stock; fermentedKg: number };

/** Fruit that is still giving: what it holds, and how fast it lets go. */
type Lot = { vesselId: string; held: Stock; halfH: number; since: number };

export type Reading = {
  eventId: string;
  at: number;
  sg: number;
  tempC: number | null;
  /** what the ledger expected before it was read; null once it ferments */
  expectedSg: number | null;
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
  /** grams of each powder that went in, by its id */
  powdersG: Record<string, { massG: number; at: number }>;
  /** each filling, with the wine as it went into the bottles */
  bottled: { at: number; count: number; litres: number; types: string[]; stock: Stock }[];
  measured: { ph: number | null; taGL: number | null };
  warmestC: number | null;
  /** sugar that readings say the table had wrong, kg, by reading */
  corrections: { at: number; expectedSg: number; sg: number; sugarKg: number }[];
  lostL: number;
  steps: { at: number; step: string; outcome: 'done' | 'skipped' | 'snoozed'; until: number | null }[];
  acknowledged: string[];
  startSg: { sg: number; measured: boolean } | null;
};

type Working = BatchState & { lots: Lot[] };

const HOUR = 3_600_000;

/** Events before which the fruit's giving must be brought up to date. */
const TOUCHES_LIQUID = new Set<LedgerEvent['type']>([
  'addition',
  'reading',
  'fruit-out',
  'transfer',
  'bottle'
]);

/** Lets every lot give what time has freed since it last gave. */
function advance(s: Working, at: number): void {
  for (const lot of s.lots) {
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

const liquidL = (stock: Stock): number => liquid(stock)?.volumeL ?? 0;

/** What goes in is shared between the vessels by what stands in each, unless one is named; fruit goes into one. */
function add(s: Working, data: EventData<'addition'>, at: number): void {
  if (data.vesselId && !s.fills.some((f) => f.vesselId === data.vesselId))
    s.fills.push({ vesselId: data.vesselId, stock: emptyStock(), fermentedKg: 0 });
  if (s.fills.length === 0) s.fills.push({ vesselId: 'none', stock: emptyStock(), fermentedKg: 0 });
  const fills = data.vesselId ? s.fills.filter((f) => f.vesselId === data.vesselId) : s.fills;
  const total = fills.reduce((sum, f) => sum + liquidL(f.stock), 0);
  const shares = fills.map((f, i) => (total > 0 ? liquidL(f.stock) / total : i === 0 ? 1 : 0));
  const { vesselId } = fills[0]!;
  for (const item of data.ingredients) {
    const produce = entryOf(item);
    const { poured, held, insolublesKg, pulpKg } = contribution(item, produce, TYPICAL);
    fills.forEach((f, i) => addInto(f.stock, poured, shares[i]));
    if (poured.hexoseKg + held.hexoseKg > 1e-6) s.fedAt = Math.max(s.fedAt, at);
    if (item.kind === 'produce' && produce && !item.pressed) {
      const heat = item.heat ?? (s.plan.wildYeast === 'heat' ? 'poured' : 'raw');
      const hasEnzyme = 'pectic-enzyme' in s.powdersG;
      s.lots.push({ vesselId, held, halfH: halfGivenH(produce, { ...item, heat }, hasEnzyme), since: at });
      s.produceKg += usableKg(item, produce);
      s.pulpKg += pulpKg;
      s.insolublesKg += insolublesKg;
      s.fruitInAt ??= at;
      s.fruitOutAt = null;
    }
    if (item.kind === 'additive') {
      const before = s.powdersG[item.additiveId]?.massG ?? 0;
      if (item.additiveId === 'pectic-enzyme' && before === 0)
        for (const lot of s.lots) lot.halfH *= ENZYME_PACE;
      s.powdersG[item.additiveId] = { massG: before + item.massKg * 1000, at };
    }
  }
}

/** A reading of ±0.002, and how far the table's sugar may be off in the must's gravity. Common practice. */
const READING_SD = 0.002;
const TABLE_SD = 0.004;

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
  const trust = TABLE_SD ** 2 / (TABLE_SD ** 2 + timingSd ** 2 + READING_SD ** 2);
  const sugarKg = trust * sugarGap(fill.stock, sg);
  fill.stock = withSugar(fill.stock, sugarKg);
  s.corrections.push({ at, expectedSg: now.sg, sg, sugarKg });
}

/** Whether yeast can have been at work: pitched and past a few hours, or left to the wild for two days. */
function mayFerment(s: Working, at: number): boolean {
  const first = s.pitches[0];
  return first ? at - first.at > 6 * HOUR : at - s.startedAt > 48 * HOUR;
}

function read(s: Working, e: Extract<LedgerEvent, { type: 'reading' }>, at: number): void {
  const { sg, tempC, ph, taGL, vesselId } = e.data;
  if (tempC !== undefined && s.rackings.length > 0) s.warmestC = Math.max(s.warmestC ?? tempC, tempC);
  if (ph !== undefined) s.measured.ph = ph;
  if (taGL !== undefined) s.measured.taGL = taGL;
  if (sg === undefined) return;
  const fills = s.fills.filter((f) => !vesselId || f.vesselId === vesselId);
  const first = fills[0];
  const before = first && liquid(first.stock);
  // Far below what the sums expect, with yeast in: it is the ferment, whatever the clock says.
  const hasDropped = before && s.pitches.length > 0 && sg < before.sg - 0.008;
  const fermenting = mayFerment(s, at) || hasDropped || s.fills.some((f) => f.fermentedKg > 0);
  s.readings.push({
    eventId: e.id,
    at,
    sg,
    tempC: tempC ?? null,
    expectedSg: fermenting || !before ? null : before.sg
  });
  for (const fill of fills) {
    const now = liquid(fill.stock);
    if (!now) continue;
    if (!fermenting) {
      learnSugar(s, fill, sg, at);
      continue;
    }
    const { hexoseKg, met } = hexoseGone(fill.stock, fill.fermentedKg, sg);
    fill.stock = ferment(fill.stock, hexoseKg).stock;
    fill.fermentedKg += hexoseKg;
    // Denser than all that went in: the table's sugar was too low, or the ferment has not begun.
    if (!met && fill.fermentedKg <= 1e-9) learnSugar(s, fill, sg, at);
  }
}

function fruitOut(s: Working, data: EventData<'fruit-out'>, at: number): void {
  const total = s.fills.reduce((sum, f) => sum + liquidL(f.stock), 0);
  const lost = data.volumeL !== undefined ? Math.max(0, total - data.volumeL) : pulpL(data.press, s.pulpKg);
  const keep = total > 0 ? Math.max(0, 1 - lost / total) : 1;
  for (const fill of s.fills) {
    fill.stock = scaled(fill.stock, keep);
    fill.fermentedKg *= keep;
  }
  s.lostL += Math.min(lost, total);
  s.lots = [];
  s.produceKg = 0;
  s.pulpKg = 0;
  s.insolublesKg = 0;
  s.fruitOutAt = at;
}

/** What comes out is what was measured; the composition is what was in there. The lees stay behind. */
function transfer(s: Working, data: EventData<'transfer'>, at: number): void {
  const source = s.fills.find((f) => f.vesselId === data.from);
  if (!source) return;
  const volume = liquidL(source.stock);
  const rest = s.fills.filter((f) => f !== source);
  for (const to of data.to) {
    const share = volume > 0 ? to.volumeL / volume : 0;
    const there = rest.find((f) => f.vesselId === to.vesselId);
    if (there) {
      addInto(there.stock, source.stock, share);
      there.fermentedKg += source.fermentedKg * share;
    } else
      rest.push({
        vesselId: to.vesselId,
        stock: scaled(source.stock, share),
        fermentedKg: source.fermentedKg * share
      });
  }
  const [mainTarget] = data.to;
  for (const lot of s.lots) if (lot.vesselId === data.from && mainTarget) lot.vesselId = mainTarget.vesselId;
  s.fills = rest;
  s.lostL += data.lossL;
  s.rackings.push({ at, lossL: data.lossL });
}

function bottle(s: Working, data: EventData<'bottle'>, at: number): void {
  const litres = data.bottles.reduce((sum, b) => sum + b.count * b.sizeL, 0);
  const count = data.bottles.reduce((sum, b) => sum + b.count, 0);
  const source = s.fills.find((f) => f.vesselId === data.from);
  const stock = scaled(source?.stock ?? emptyStock());
  s.bottled.push({ at, count, litres, types: data.bottles.map((b) => b.type), stock });
  if (!source) return;
  const volume = liquidL(source.stock);
  const keep = volume > 0 ? Math.max(0, 1 - litres / volume) : 0;
  // What is left in the vessel after bottling is sediment and a glass for the cook.
  if (keep < 0.2) s.fills = s.fills.filter((f) => f !== source);
  else {
    source.stock = scaled(source.stock, keep);
    source.fermentedKg *= keep;
  }
}

/**
 * The state of a batch at a moment: a pure fold over its events in order.
 * @param events of one batch, in any order, voids included
 * @param at ms since 1970; events after it are left out, fruit has given until then
 * @returns null when the batch has not been planned
 */
export function foldBatch(events: readonly LedgerEvent[], at: number): BatchState | null {
  const live = liveEvents(events).filter((e) => Date.parse(e.at) <= at);
  const planned = live.find((e) => e.type === 'planned');
  if (!planned || planned.type !== 'planned') return null;
  const s: Working = {
    id: planned.batchId,
    name: planned.data.name,
    plan: planned.data.plan,
    startedAt: Date.parse(planned.at),
    at,
    zone: planned.zone,
    fills: [{ vesselId: planned.data.vesselId, stock: emptyStock(), fermentedKg: 0 }],
    held: emptyStock(),
    produceKg: 0,
    pulpKg: 0,
    insolublesKg: 0,
    fedAt: Date.parse(planned.at),
    fruitInAt: null,
    fruitOutAt: null,
    readings: [],
    pitches: [],
    stirs: [],
    rackings: [],
    powdersG: {},
    bottled: [],
    measured: { ph: null, taGL: null },
    warmestC: null,
    corrections: [],
    lostL: 0,
    steps: [],
    acknowledged: [],
    startSg: null,
    lots: []
  };
  for (const e of live) {
    const when = Date.parse(e.at);
    if (TOUCHES_LIQUID.has(e.type)) advance(s, when);
    switch (e.type) {
      case 'addition':
        add(s, e.data, when);
        break;
      case 'pitch':
        s.pitches.push({ at: when, yeast: e.data.yeast, massG: e.data.massG ?? null });
        break;
      case 'stir':
        s.stirs.push(when);
        break;
      case 'reading':
        read(s, e, when);
        break;
      case 'fruit-out':
        fruitOut(s, e.data, when);
        break;
      case 'transfer':
        transfer(s, e.data, when);
        break;
      case 'bottle':
        bottle(s, e.data, when);
        break;
      case 'step':
        s.steps.push({
          at: when,
          step: e.data.step,
          outcome: e.data.outcome,
          until: e.data.until ? Date.parse(e.data.until) : null
        });
        break;
      case 'caution':
        s.acknowledged.push(e.data.cautionId);
        break;
      case 'planned':
      case 'note':
      case 'void':
        break;
    }
  }
  advance(s, at);
  const { lots, ...state } = s;
  for (const lot of lots) addInto(state.held, lot.held);
  state.startSg = startGravity(state);
  return state;
}

/** The classroom's start: the highest reading before the yeast, else what all the sugar would have read. */
function startGravity(s: BatchState): BatchState['startSg'] {
  const before = s.readings.filter((r) => r.expectedSg !== null).map((r) => r.sg);
  if (before.length > 0) return { sg: Math.max(...before), measured: true };
  const total = addInto(contents(s), s.held);
  const now = liquid(ferment(total, -fermentedOf(s)).stock);
  return now ? { sg: now.sg, measured: false } : null;
}

/** All vessels of the batch together. */
export function contents(s: BatchState): Stock {
  return s.fills.reduce((sum, f) => addInto(sum, f.stock), emptyStock());
}

/** Litres of liquid in the batch. */
export const volumeOf = (s: BatchState): number => s.fills.reduce((sum, f) => sum + liquidL(f.stock), 0);

/** Hexose that has fermented, kg. */
export const fermentedOf = (s: BatchState): number => s.fills.reduce((sum, f) => sum + f.fermentedKg, 0);

/** The most tolerant yeast pitched, low–usual–high; the plan's own when none is pitched yet. */
export function batchTolerance(s: BatchState): readonly [number, number, number] {
  const all = s.pitches.map((p) => toleranceOf(p.yeast));
  if (all.length === 0)
    return s.plan.wildYeast === 'wild' ? YEASTS.wild.toleranceAbv : toleranceOf(s.plan.yeast);
  return all.reduce((best, t) => (t[1] > best[1] ? t : best));
}
