import { ferment, YIELD } from '../ferment/convert';
import { ETHANOL_20 } from '../liquid/ethanol';
import { liquidOf } from '../liquid/mix';
import { brixFromSg } from '../liquid/sugar';
import { H_TITRATION, hydrogenAt, TARTARIC_G_PER_EQ, waterCharge, weakCharge } from '../liquid/acid';
import { isStrained, isSweetenedLate, pulpL } from '../must/strain';
import { entryOf, toleranceOf, type Ingredient, type Plan, type Target } from '../plan/plan';
import { contribution, INSOLUBLE_DENSITY, TYPICAL, usableKg } from '../must/contribution';
import { addInto, emptyStock, scaled, type Stock } from '../liquid/stock';
import type { Produce } from '../tables/produce';

/** What ingredients add up to, as far as goals go: every field is a sum over ingredients. */
export type Totals = {
  stock: Stock;
  /** water, with what is strained off before the sugar; and what sugar and honey bring */
  infusion: Stock;
  sweet: Stock;
  strainedKg: number;
  pulpKg: number;
  insolublesKg: number;
  fruitKg: number;
  /** litres of wine the fruit is usually made into */
  usualL: number;
};

export type GoalId =
  'volumeL' | 'fillL' | 'abv' | 'fruit' | 'fruitKgL' | 'taGL' | 'phMax' | 'sgMax' | 'yanMgL';

/** One thing that is asked for. `kind` says which way missing it counts. */
export type Goal = {
  id: GoalId;
  wanted: number;
  kind: 'equal' | 'most' | 'least';
  /** nearer than this, in the goal's own unit, is met */
  tolerance: number;
  /** may be missed by this before anything else gives way for it */
  within: number;
  /** what a miss of one tolerance costs: the more, the later it gives way */
  weight: number;
};

/** Nearer than this is met, and what a miss costs. The amount gives way last, nitrogen first. */
const RANK: Record<GoalId, { kind: Goal['kind']; tolerance: number; weight: number }> = {
  volumeL: { kind: 'equal', tolerance: 0.05, weight: 1000 },
  fillL: { kind: 'equal', tolerance: 0.05, weight: 1000 },
  abv: { kind: 'equal', tolerance: 0.05, weight: 400 },
  sgMax: { kind: 'most', tolerance: 0.0005, weight: 150 },
  fruitKgL: { kind: 'equal', tolerance: 0.005, weight: 60 },
  fruit: { kind: 'equal', tolerance: 0.01, weight: 20 },
  phMax: { kind: 'most', tolerance: 0.02, weight: 15 },
  taGL: { kind: 'equal', tolerance: 0.05, weight: 10 },
  yanMgL: { kind: 'least', tolerance: 2, weight: 0.2 }
};

/** Produce that seasons a wine and does not set its size while there is other fruit: lemons, raisins, ginger. */
export const seasons = (p: Produce): boolean =>
  p.amountKgL[1] < 0.15 && p.family !== 'flower' && p.family !== 'leaf';

/** Whether the plan has fruit that sets its size. */
const hasMain = (plan: Plan): boolean =>
  plan.ingredients.some((i) => i.kind === 'produce' && !i.pressed && !seasons(entryOf(i)!));

/** Litres of wine that a kilogram of a row is usually made into. */
const usualOf = (item: Ingredient, mainOnly: boolean): number => {
  const p = item.kind === 'produce' && !item.pressed ? entryOf(item) : undefined;
  return p && !(mainOnly && seasons(p)) ? 1 / p.amountKgL[1] : 0;
};

/** What `amount` (kg or L) of a row adds to the totals. */
export function totalsOf(plan: Plan, item: Ingredient, amount: number): Totals {
  const one = 'volumeL' in item ? { ...item, volumeL: amount } : { ...item, massKg: amount };
  const { poured, held, pulpKg, insolublesKg } = contribution(one as Ingredient, entryOf(item), TYPICAL);
  const kg = item.kind === 'produce' ? usableKg({ ...item, massKg: amount }, entryOf(item)!) : 0;
  const isOff = isStrained(item);
  const stock = addInto(poured, held);
  return {
    stock,
    infusion: isOff || item.kind === 'water' ? stock : emptyStock(),
    sweet: item.kind === 'sugar' || item.kind === 'honey' ? stock : emptyStock(),
    strainedKg: isOff ? pulpKg : 0,
    pulpKg: isOff ? 0 : pulpKg,
    insolublesKg: isOff ? 0 : insolublesKg,
    fruitKg: kg,
    usualL: amount * usualOf(item, hasMain(plan))
  };
}

export const noTotals = (): Totals => ({
  stock: emptyStock(),
  infusion: emptyStock(),
  sweet: emptyStock(),
  strainedKg: 0,
  pulpKg: 0,
  insolublesKg: 0,
  fruitKg: 0,
  usualL: 0
});

/** Adds `share` of some totals to others, in place. */
export function addTotals(to: Totals, other: Totals, share = 1): Totals {
  addInto(to.stock, other.stock, share);
  addInto(to.infusion, other.infusion, share);
  addInto(to.sweet, other.sweet, share);
  to.strainedKg += other.strainedKg * share;
  to.pulpKg += other.pulpKg * share;
  to.insolublesKg += other.insolublesKg * share;
  to.fruitKg += other.fruitKg * share;
  to.usualL += other.usualL * share;
  return to;
}

/** Share of the wine's volume that a gram of sugar a litre takes up once it is sweetened. */
const SWEET_L_PER_G = 0.00062;

/** The strength to ferment to, so that `abv` is left once the wine is sweetened with `sweetGL`. */
export const beforeSweetening = (abv: number, sweetGL: number): number => abv / (1 - SWEET_L_PER_G * sweetGL);

/** Litres of `volumeL` of wine once it holds `sweetGL` more sugar. */
export const afterSweetening = (volumeL: number, sweetGL: number): number =>
  volumeL / (1 - SWEET_L_PER_G * sweetGL);

/** Sugar, g/L, that is to stay because the yeast cannot take it; 0 when sweetness comes later or not at all. */
const leftSweet = (plan: Plan): number => (plan.finish === 'limit' ? (plan.target?.sweetGL ?? 0) : 0);

/** Sugar, g/L, to sweeten with once the wine is finished. */
export const sweetenedWith = (plan: Plan): number =>
  plan.finish === 'limit' || !plan.finish || plan.finish === 'dry' ? 0 : (plan.target?.sweetGL ?? 0);

/** What a plan asks for, weightiest first. */
export function goalsOf(plan: Plan): Goal[] {
  const t: Partial<Target> = plan.target ?? {};
  const isFree = (i: Ingredient) => i.held === false;
  const waterIsFree = plan.ingredients.some((i) => isFree(i) && i.kind === 'water');
  const fruitIsFree = plan.ingredients.some((i) => isFree(i) && usualOf(i, hasMain(plan)) > 0);
  // Strength that nothing free can lift follows what is held, rather than the amount following it.
  const canLift = plan.ingredients.some(
    (i) => isFree(i) && ['sugar', 'honey', 'produce', 'juice'].includes(i.kind)
  );
  const weightOf = (id: GoalId) => (id === 'abv' && !canLift ? RANK.fruit.weight / 10 : RANK[id].weight);
  const asked: [GoalId, number | null | undefined][] = [
    ['volumeL', t.fillL ? null : t.volumeL],
    ['fillL', t.fillL],
    [
      'abv',
      leftSweet(plan) > 0
        ? toleranceOf(plan.yeast)[1]
        : t.abv === null || t.abv === undefined
          ? null
          : beforeSweetening(t.abv, sweetenedWith(plan))
    ],
    ['sgMax', plan.sugar === undefined || plan.sugar === 'start' ? t.sgMax : null],
    ['fruitKgL', t.fruitKgL],
    // As much as the fruit usually makes, when nobody says how much; as much fruit as usual, when it is free.
    ['fruit', t.fruitKgL ? null : fruitIsFree || (!t.volumeL && !t.fillL && waterIsFree) ? 1 : null],
    ['phMax', t.phMax],
    ['taGL', t.taGL],
    ['yanMgL', t.yanMgL]
  ];
  return asked.flatMap(([id, wanted]) =>
    wanted === null || wanted === undefined
      ? []
      : [
          {
            id,
            wanted,
            ...RANK[id],
            weight: weightOf(id),
            within: t.within?.[id as keyof NonNullable<typeof t.within>] ?? 0
          }
        ]
  );
}

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

/** How far a goal is missed, in its own unit; 0 when it lies on its good side. */
export const missOf = (goal: Goal, value: number): number =>
  goal.kind === 'most' ? Math.max(0, value) : goal.kind === 'least' ? Math.min(0, value) : value;

/** The misses of all goals at a point. */
export const missesAt = (plan: Plan, goals: readonly Goal[], at: Totals): number[] =>
  linesAt(plan, goals, at).map((l) => missOf(l.goal, l.of(at) + l.constant));

/** What all misses cost together: what the solver makes least. */
export const costOfMisses = (goals: readonly Goal[], misses: readonly number[]): number =>
  misses.reduce((sum, m, i) => sum + costOfMiss(goals[i]!, m), 0);

/** What a miss inside the leeway that was given costs, against one beyond it. */
export const EASE = 1e-4;

const costOfMiss = (g: Goal, miss: number): number => {
  const beyond = Math.max(0, Math.abs(miss) - g.within);
  return (g.weight / g.tolerance) * (beyond + EASE * (Math.abs(miss) - beyond));
};
