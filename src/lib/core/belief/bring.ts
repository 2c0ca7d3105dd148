import type { FlowOf } from '../ledger/flow';
import { strongest } from '../ledger/state';
import { titratableAcidity } from '../liquid/acid';
import { acidWater, liquid, type Stock } from '../liquid/stock';
import { drawn, normalQuantile, Z90 } from '../maths/draw';
import { contribution, TYPICAL, type LotDraw } from '../must/contribution';
import { toleranceOf } from '../plan/chosen';
import { entryOf, type Ingredient } from '../plan/plan';
import { cellOf, HELD, normalsFor, randomOf, zeros, type Cell, type Ensemble } from './ensemble';
import type { Running } from './running';
import { BODY_SD } from './spreads';
import { drawStall } from './stall';

/** How sure things are before anything is measured. Ours, after science 12 and common practice. */
const WEIGHED = 0.012;
const POURED = 0.02;
/** So many entries are plainly wrong, and how: half, twice, pounds for kilos, US for UK gallons. */
const SLIPPED = 0.02;
const WEIGHT_SLIPS = [0.5, 2, 0.4536, 2.2046] as const;
const VOLUME_SLIPS = [0.5, 2, 0.8327, 1.2009] as const;
/** How fast fruit gives, and what nitrogen it holds, in their logarithms. */
const PACE = 0.35;
const NITROGEN = 0.3;
/** Lots whose kind is remembered: a must of more kinds teaches nothing of any. */
const MOST_TRAITS = 6;
/** A stalled wine wakes by sugar so often. Ours. */
const WAKES = 0.5;
/** Sugar that comes to a wine whose ferment is over may lie there as well as ferment: nobody knows. Ours. */
const LIES = 0.4;
/** With less than this share of its sugar left, a ferment is over or nearly. */
const NEARLY_OVER = 0.1;

/** How much of an amount truly went in, by member: a little off always, and now and then plainly wrong. */
function written(e: Ensemble, item: Ingredient, random: () => number): Float64Array {
  const isVolume = 'volumeL' in item;
  const z = normalsFor(e.size, random, normalQuantile);
  const [sd, slips] = isVolume ? [POURED, VOLUME_SLIPS] : [WEIGHED, WEIGHT_SLIPS];
  return z.map((x) => {
    const slip = random() < SLIPPED ? slips[Math.floor(random() * slips.length)]! : 1;
    return slip * Math.max(0.2, 1 + sd * x);
  });
}

/** A stock as the members hold it. */
type Bare = Record<(typeof HELD)[number], number>;
const bare = (s: Stock): Bare => ({
  waterKg: s.waterKg,
  hexoseKg: s.hexoseKg,
  boundKg: s.hexoseKg - s.fermentableKg,
  otherKg: s.solidsKg - s.fermentableKg,
  nitrogenMg: s.nitrogenMg,
  acidG: acidOf(s)
});

/** Titratable acid of a stock, g as tartaric; less than none where it takes acid away. */
function acidOf(s: Stock): number {
  const litres = Math.max(LEAST_L, liquid(s)?.volumeL ?? 0);
  const g = titratableAcidity(acidWater(s, litres)) * litres;
  return Number.isFinite(g) ? g : 0;
}
/** A powder is titrated in a litre of water. */
const LEAST_L = 1;

/** An ingredient goes into every member: into its vessel at once, or into a lot that gives in its time. */
export function pour(r: Running, flow: FlowOf<'pour'>): void {
  const { e } = r;
  const { item, lot } = flow;
  const produce = entryOf(item);
  const random = randomOf(e);
  const amount = written(e, item, random);
  const partsAt = (draw: Partial<LotDraw>) => {
    const c = contribution(item, produce, { ...TYPICAL, ...draw });
    return { poured: bare(c.poured), held: bare(c.held), ethanolKg: c.poured.ethanolKg };
  };
  const mid = partsAt({});
  const [low, high] = produce
    ? [partsAt({ ripeness: -Z90, acids: -Z90 }), partsAt({ ripeness: Z90, acids: Z90 })]
    : [mid, mid];
  const z = () => (produce ? normalsFor(e.size, random, normalQuantile) : zeros(e.size));
  const [ripe, body, slow, food, acid] = [z(), z(), z(), z(), z()];
  if (produce && 'produceId' in item && e.traits.length < MOST_TRAITS)
    e.traits.push({
      produceId: item.produceId,
      solids: produce.solids,
      isMeasured: item.measured !== undefined,
      ripe,
      body,
      acid
    });
  /** What member `i` finds of one figure: along the table's spread by ripeness. */
  const found = (which: 'poured' | 'held', k: keyof Bare, i: number): number => {
    const [a, b, c] = [low[which][k], mid[which][k], high[which][k]];
    const t = (k === 'acidG' ? acid[i]! : ripe[i]!) / Z90;
    if (k === 'acidG') return (b + t * (t < 0 ? b - a : c - b)) * amount[i]!;
    const x = Math.max(0.2 * b, b + t * (t < 0 ? b - a : c - b));
    if (k === 'otherKg') return x * Math.max(0.3, 1 + BODY_SD * body[i]!) * amount[i]!;
    if (k === 'nitrogenMg') return x * Math.exp(NITROGEN * food[i]!) * amount[i]!;
    return x * amount[i]!;
  };
  let overs = 0;
  const bringsSugar = mid.poured.hexoseKg + mid.held.hexoseKg > 1e-6;
  for (const { vesselId, share } of flow.to) {
    const c = cellOf(e, vesselId);
    for (let i = 0; i < e.size; i++) {
      const wasOver = isNearlyOver(c, i);
      // What gives in its time waits in its lot: a layer all of it, fruit what it holds.
      for (const which of ['poured', 'held'] as const) {
        if (lot && (lot.isLayer || which === 'held')) continue;
        for (const k of HELD) c[k][i]! += found(which, k, i) * share;
        c.everKg[i]! += found(which, 'hexoseKg', i) * share;
      }
      c.ethanolKg[i]! += mid.ethanolKg * amount[i]! * share;
      // A wine already in the must was read by nobody.
      if (bringsSugar) newSugar(c, i, wasOver, random);
      if (bringsSugar && wasOver) overs += e.weight[i]! * share;
    }
  }
  if (overs > 0.5) r.isFedLate = true;
  if ((item.kind === 'sugar' || item.kind === 'honey') && bringsSugar && !lot)
    r.sugared = [
      ...r.sugared,
      ...flow.to.map(({ vesselId, share }) => ({ at: r.at, vesselId, hexoseKg: mid.poured.hexoseKg * share }))
    ].slice(-MOST_SUGARED);
  if (!lot) return;
  const which = lot.isLayer ? 'poured' : 'held';
  const columns = HELD.map((k) => [k, Float64Array.from({ length: e.size }, (_, i) => found(which, k, i))]);
  e.lots.push({
    id: lot.id,
    vesselId: flow.to[0]!.vesselId,
    halfH: slow.map((x) => lot.halfH * Math.exp(PACE * x)),
    ...(Object.fromEntries(columns) as Record<keyof Bare, Float64Array>)
  });
}

/** So many of the last are looked at. */
const MOST_SUGARED = 8;

const isNearlyOver = (c: Cell, i: number): boolean =>
  c.ethanolKg[i]! > 0 && c.hexoseKg[i]! < NEARLY_OVER * c.everKg[i]!;

/** Sugar has come: what slept may wake, what was over may not, and whether it stalls is open once more. */
function newSugar(c: Cell, i: number, wasOver: boolean, random: () => number): void {
  const luck = random();
  if (c.asleep[i]) c.asleep[i] = luck < WAKES ? 0 : 1;
  else if (wasOver) c.asleep[i] = luck < LIES ? 1 : 0;
  c.stall[i] = drawStall(c.hexoseKg[i]! / Math.max(1e-9, c.everKg[i]!), random);
}

/** Other wine comes, with its yeast. */
export function pourWine(r: Running, flow: FlowOf<'wine'>): void {
  const { e } = r;
  for (const y of flow.yeasts) r.tolerance = strongest([r.tolerance, toleranceOf(y)]);
  const c = cellOf(e, flow.to);
  const s = bare(flow.stock);
  const random = randomOf(e);
  const z = normalsFor(e.size, random, normalQuantile);
  const t = normalsFor(e.size, random, normalQuantile);
  for (let i = 0; i < e.size; i++) {
    const amount = Math.max(0.2, 1 + POURED * z[i]!);
    const wasOver = isNearlyOver(c, i);
    for (const k of HELD) c[k][i]! += s[k] * amount;
    c.everKg[i]! += (s.hexoseKg + flow.stock.ethanolKg / e.yieldG[i]!) * amount;
    c.ethanolKg[i]! += flow.stock.ethanolKg * amount;
    for (const y of flow.yeasts) c.wallAbv[i] = Math.max(c.wallAbv[i]!, drawn(toleranceOf(y), t[i]!));
    if (flow.stock.hexoseKg > 1e-6) newSugar(c, i, wasOver, random);
  }
}
