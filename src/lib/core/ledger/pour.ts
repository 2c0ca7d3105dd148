import { priceKey } from '../plan/cost';
import { allergensOf } from '../plan/allergens';
import { ENZYME_PACE, halfGivenH } from '../plan/extraction';
import { amountOf, entryOf, type Ingredient } from '../plan/plan';
import { addInto, emptyStock, liquid, type Stock } from '../liquid/stock';
import { contribution, TYPICAL, usableKg } from '../must/contribution';
import { isStrained, pulpL } from '../must/strain';
import { SWEETENERS } from '../tables/sweeteners';
import type { AdditiveId } from '../tables/substances';
import { forgetReads, isFinished, seenOver } from './evidence';
import { givePreserver } from './preserved';
import { fillL, type Fill } from './fill';
import { fillOf, named, sharesOf, takeOut } from './operations';
import { doubt, limitIn, type Working } from './state';

/** Hours in which half of a layer of sugar at the bottom dissolves by itself. Common practice: days, not hours. */
const LAYER_HALF_H = 30;
/** What marks such a layer among the lots: it is no fruit, and is not taken out. */
const LAYER = 'layer';
const NO_PULP = { produceKg: 0, pulpKg: 0, insolublesKg: 0 };

/** What goes in is shared between the vessels by what stands in each, unless one is named; fruit goes into one. */
export function pour(
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
      pour(s, before, vesselId, at);
      strainOff(s, at, true);
      return pour(s, ingredients.filter(sweetens), vesselId, at);
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
  const to = fills.map((f, i) => ({ vesselId: f.vesselId, share: shares[i]! }));
  const firstOnly = [{ vesselId: first.vesselId, share: 1 }];
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
    const lotId = `${s.eventId}:${s.flows.length}`;
    /** Tells the possible wines of it: what gives in its time, or, as null, what is there at once. */
    const tell = (at_: typeof to, halfH: number | null, isLayer = false): void =>
      void s.flows.push({
        at,
        kind: 'pour',
        eventId: s.eventId,
        item,
        to: at_,
        lot: halfH === null ? null : { id: lotId, halfH, isLayer }
      });
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
    if (isLayer) {
      tell(firstOnly, LAYER_HALF_H, true);
      s.lots.push({
        id: lotId,
        ...NO_PULP,
        vesselId: first.vesselId,
        held: poured,
        halfH: LAYER_HALF_H,
        since: at,
        steepId: LAYER
      });
    } else each((f, share) => addInto(f.stock, poured, share));
    if (poured.hexoseKg + held.hexoseKg > 1e-6) s.fedAt = Math.max(s.fedAt, at);
    const price = s.plan.prices?.[priceKey(item)] ?? 0;
    each((f, share) => (f.cost += price * amountOf(item) * share));
    s.cost += price * amountOf(item);
    for (const a of allergensOf(item)) if (!s.allergens.includes(a)) s.allergens.push(a);
    if (item.kind === 'produce' && produce && !steepId && isStrained(item)) {
      addInto(first.stock, held);
      tell(firstOnly, null);
      s.lots.push({
        id: lotId,
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
      const halfH = halfGivenH(produce, { ...item, heat }, hasEnzyme);
      tell(firstOnly, halfH);
      s.lots.push({
        id: lotId,
        vesselId: first.vesselId,
        held,
        halfH,
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
    } else if (!isLayer) tell(to, null);
    if (item.kind === 'acid' && item.massKg > 0) {
      const massG = item.massKg * 1000;
      s.powdersG[item.acidId] = { massG: (s.powdersG[item.acidId]?.massG ?? 0) + massG, at };
      each((f, share) => (f.powdersG[item.acidId] = (f.powdersG[item.acidId] ?? 0) + massG * share));
    }
    if (item.kind === 'additive') {
      const massG = item.massKg * 1000;
      const before = s.powdersG[item.additiveId]?.massG ?? 0;
      if (item.additiveId === 'pectic-enzyme' && before === 0) {
        for (const lot of s.lots) lot.halfH *= ENZYME_PACE;
        s.flows.push({ at, kind: 'pace', factor: ENZYME_PACE });
      }
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

/**
 * Strains off what was infused. While next to nothing but its own juice is there, the water is still to come.
 * @param isSure whether it is strained whatever is there, as when the yeast goes in
 */
export function strainOff(s: Working, at: number, isSure: boolean): void {
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
