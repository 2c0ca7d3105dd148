import { ferment, YIELD } from '../ferment/convert';
import { ETHANOL_20 } from '../liquid/ethanol';
import { liquidOf } from '../liquid/mix';
import { brixFromSg } from '../liquid/sugar';
import { H_TITRATION, hydrogenAt, TARTARIC_G_PER_EQ, waterCharge, weakCharge } from '../liquid/acid';
import { isSweetenedLate, pulpL } from '../must/strain';
import type { Plan } from '../plan/plan';
import { INSOLUBLE_DENSITY } from '../must/contribution';
import { addInto, scaled, type Stock } from '../liquid/stock';
import { type Totals, type Goal, leftSweet, missOf } from './goals';

/** Partial volumes, L per kg of water, alcohol and solids; volume is their sum at the point they were taken. */
type Partials = { water: number; ethanol: number; solids: number };

/** Where nothing is liquid yet. */
const IDEAL: Partials = { water: 1.0018, ethanol: 1.17, solids: 0.62 };

function partialsAt(s: Stock): Partials {
  const at = (dw: number, de: number, ds: number) =>
    liquidOf(s.waterKg + dw, Math.max(0, s.ethanolKg) + de, Math.max(0, s.solidsKg) + ds)?.volumeL;
  const v = at(0, 0, 0);
  const d = 1e-4 * (s.waterKg + s.ethanolKg + s.solidsKg);
  const [w, x] = [at(d, 0, 0), at(0, 0, d)];
  if (v === undefined || w === undefined || x === undefined || !(d > 0)) return IDEAL;
  const water = (w - v) / d;
  const solids = (x - v) / d;
  // Volume is homogeneous in the masses, so the last partial follows from the other two.
  const ethanol =
    s.ethanolKg > 1e-9 ? (v - water * s.waterKg - solids * s.solidsKg) / s.ethanolKg : IDEAL.ethanol;
  return s.ethanolKg > 1e-9
    ? { water, ethanol, solids }
    : { water: (v - solids * s.solidsKg) / s.waterKg, ethanol, solids };
}

const volumeBy = (p: Partials, s: Stock): number =>
  p.water * s.waterKg + p.ethanol * s.ethanolKg + p.solids * s.solidsKg;

/** Equivalents of acid less strong ions at hydrogen ion `h`: nought at the must's own. Linear in what is in it. */
const chargeAt = (s: Stock, h: number, volumeL: number, withCarbonate: boolean): number =>
  waterCharge(h) * volumeL +
  weakCharge({ acids: s.acidsMol, buffer: s.bufferMol, carbonate: s.carbonateMol }, h, withCarbonate) -
  s.strongIonEq;

/** A litre of what is in a stock. */
function litreOf(s: Stock): Stock | null {
  const volumeL = volumeBy(partialsAt(s), s);
  return volumeL > 1e-6 ? scaled(s, 1 / volumeL) : null;
}

/**
 * What is left of totals once pulp that was strained off, and fruit that is out before the sugar goes in, have kept
 * their thin share: straight lines near a point, and exact there.
 */
function drainedAt(plan: Plan, at: Totals): (t: Totals) => { must: Stock; keptL: number } {
  const strainedLitre = at.strainedKg > 1e-9 ? litreOf(at.infusion) : null;
  const strain = (t: Totals): Stock =>
    strainedLitre ? addInto(scaled(t.stock), strainedLitre, -pulpL(plan.press, t.strainedKg)) : t.stock;
  const isLate = isSweetenedLate(plan) && at.pulpKg > 1e-9 && at.sweet.solidsKg > 1e-9;
  const thinLitre = isLate ? litreOf(addInto(scaled(strain(at)), at.sweet, -1)) : null;
  return (t) => {
    const must = strain(t);
    const keptL = pulpL(plan.press, t.pulpKg);
    return thinLitre ? { must: addInto(scaled(must), thinLitre, -keptL), keptL: 0 } : { must, keptL };
  };
}

/** Litres into glass by totals, as a straight line near a point. */
export function glassAt(plan: Plan, at: Totals): (t: Totals) => number {
  const drained = drainedAt(plan, at);
  const p = partialsAt(drained(at).must);
  return (t) => {
    const { must, keptL } = drained(t);
    return volumeBy(p, must) - keptL;
  };
}

/** A straight line by which a goal is judged near a point: the miss, in its own unit, of any totals. */
export type Line = { goal: Goal; constant: number; of: (t: Totals) => number };

/**
 * The goals as straight lines near a point: what is there less what is asked, by totals.
 * Most are one sum over another, so much a litre. A sum less what is asked of the other is straight all the way to
 * where the goal is met; where it cannot be, `isStuck` draws the line along what there is, which is its true slope.
 * @param at the totals there
 */
export function linesAt(
  plan: Plan,
  goals: readonly Goal[],
  totals: Totals,
  isStuck: (goal: Goal) => boolean = () => false
): Line[] {
  const drained = drainedAt(plan, totals);
  const left = (t: Totals): Drained => {
    const { must, keptL } = drained(t);
    return { ...t, stock: must, keptL };
  };
  const lines = drainedLines(plan, goals, left(totals), isStuck);
  return lines.map((l) => ({ ...l, of: (t) => l.of(left(t)) }));
}

/** Totals with what pulp keeps taken off, and the litres it still will. */
type Drained = Totals & { keptL: number };

type DrainedLine = { goal: Goal; constant: number; of: (t: Drained) => number };

function drainedLines(
  plan: Plan,
  goals: readonly Goal[],
  at: Drained,
  isStuck: (goal: Goal) => boolean
): DrainedLine[] {
  const must = partialsAt(at.stock);
  const left = leftSweet(plan) / 1000;
  const dryOf = (s: Stock) => ferment(s, s.hexoseKg - Math.min(s.hexoseKg, left * volumeBy(must, s))).stock;
  const end = partialsAt(dryOf(at.stock));
  const litres = (t: Drained) => volumeBy(must, t.stock);
  const glass = (t: Drained) => litres(t) - t.keptL;
  /** One sum over another. */
  const ratio = (
    goal: Goal,
    num: (t: Drained) => number,
    den: (t: Drained) => number,
    wanted = goal.wanted
  ): DrainedLine => {
    const below = Math.max(1e-6, den(at));
    const there = num(at) / below;
    const along = isStuck(goal) ? there : wanted;
    return { goal, constant: along - wanted, of: (t) => (num(t) - along * den(t)) / below };
  };
  /** Hexose less what stays, which is so much a litre of must. */
  const fermented = (t: Drained) => t.stock.hexoseKg - left * litres(t);
  const ethanolKg = (t: Drained) => t.stock.ethanolKg + YIELD.ethanol[1] * fermented(t);
  const endL = (t: Drained) => {
    const hexoseKg = fermented(t);
    const sugarKg = t.stock.hexoseKg > 0 ? (hexoseKg * t.stock.fermentableKg) / t.stock.hexoseKg : hexoseKg;
    return (
      end.water * (t.stock.waterKg - (hexoseKg - sugarKg)) +
      end.ethanol * ethanolKg(t) +
      end.solids * (t.stock.solidsKg + hexoseKg * YIELD.byproducts - sugarKg)
    );
  };
  return goals.map((g): DrainedLine => {
    switch (g.id) {
      case 'volumeL':
        return { goal: g, of: glass, constant: -g.wanted };
      case 'fillL':
        return { goal: g, of: (t) => litres(t) + t.insolublesKg / INSOLUBLE_DENSITY, constant: -g.wanted };
      case 'abv':
        return ratio(g, (t) => (100 * ethanolKg(t)) / ETHANOL_20, endL);
      case 'sgMax':
        // By percent of solids, each some 4.4 points of gravity.
        return ratio(
          g,
          (t) => 0.44 * t.stock.solidsKg,
          (t) => t.stock.waterKg + t.stock.solidsKg,
          0.0044 * brixFromSg(g.wanted)
        );
      case 'fruitKgL':
        return ratio(g, (t) => t.fruitKg, glass);
      case 'fruit':
        return ratio(g, (t) => t.usualL, glass);
      case 'taGL':
        return ratio(g, (t) => chargeAt(t.stock, H_TITRATION, litres(t), false) * TARTARIC_G_PER_EQ, litres);
      case 'phMax': {
        // By the acid that is missing at that pH, over what moves the must by one.
        const charge = (t: Drained, ph: number) => chargeAt(t.stock, hydrogenAt(ph), litres(t), true);
        return ratio(
          g,
          (t) => -charge(t, g.wanted),
          (t) => (charge(t, g.wanted + 0.05) - charge(t, g.wanted - 0.05)) / 0.1 + 1e-4 * litres(t),
          0
        );
      }
      case 'yanMgL':
        return ratio(g, (t) => t.stock.nitrogenMg, litres);
    }
  });
}

/** The misses of all goals at a point. */
export const missesAt = (plan: Plan, goals: readonly Goal[], at: Totals): number[] =>
  linesAt(plan, goals, at).map((l) => missOf(l.goal, l.of(at) + l.constant));
