import { isStrained } from '../must/strain';
import { toleranceOf } from '../plan/chosen';
import { juiceLPerKg } from '../plan/extraction';
import { hasHoney, seasons } from '../plan/main-produce';
import { entryOf, type Ingredient, type Plan, type Goals } from '../plan/plan';
import { contribution, TYPICAL, usableKg } from '../must/contribution';
import { addInto, emptyStock, type Stock } from '../liquid/stock';

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

/** Whether the plan has fruit or honey that sets its size. */
const hasMain = (plan: Plan): boolean =>
  hasHoney(plan.ingredients) ||
  plan.ingredients.some((i) => i.kind === 'produce' && !i.pressed && !seasons(entryOf(i)!));

const isFree = (i: Ingredient): boolean => i.held === false;

/** Litres of wine that a kilogram of a row is usually made into. */
const usualOf = (item: Ingredient, mainOnly: boolean): number => {
  // Juice that follows is the wine itself: as much of it as there is to be.
  if (isFree(item) && item.kind === 'produce' && item.pressed)
    return juiceLPerKg(item.pressed.press, item.pressed.mill);
  if (isFree(item) && item.kind === 'juice' && item.form !== 'concentrate' && !seasons(entryOf(item)!))
    return 1;
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

/**
 * The strength to ferment to, so that `abv` is left once the wine is sweetened with `sweetGL`.
 * @example beforeSweetening(12, 25) // 12.189
 */
export const beforeSweetening = (abv: number, sweetGL: number): number => abv / (1 - SWEET_L_PER_G * sweetGL);

/**
 * Litres of `volumeL` of wine once it holds `sweetGL` more sugar.
 * @example afterSweetening(10, 25) // 10.157
 */
export const afterSweetening = (volumeL: number, sweetGL: number): number =>
  volumeL / (1 - SWEET_L_PER_G * sweetGL);

/**
 * Sugar, g/L, that is to stay because the yeast cannot take it; 0 when sweetness comes later or not at all.
 * @example leftSweet({ ingredients: [], finish: 'limit', target: { abv: 14, sweetGL: 30 } }) // 30
 */
export const leftSweet = (plan: Plan): number => (plan.finish === 'limit' ? (plan.target?.sweetGL ?? 0) : 0);

/**
 * Sugar, g/L, to sweeten with once the wine is finished.
 * @example sweetenedWith({ ingredients: [], finish: 'stabilise', target: { abv: 12, sweetGL: 30 } }) // 30
 */
export const sweetenedWith = (plan: Plan): number =>
  plan.finish === 'limit' || !plan.finish || plan.finish === 'dry' ? 0 : (plan.target?.sweetGL ?? 0);

/** What a plan asks for, weightiest first. */
export function goalsOf(plan: Plan): Goal[] {
  const t: Partial<Goals> = plan.target ?? {};
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

/** How far a goal is missed, in its own unit; 0 when it lies on its good side. */
export const missOf = (goal: Goal, value: number): number =>
  goal.kind === 'most' ? Math.max(0, value) : goal.kind === 'least' ? Math.min(0, value) : value;

/** What all misses cost together: what the solver makes least. */
export const costOfMisses = (goals: readonly Goal[], misses: readonly number[]): number =>
  misses.reduce((sum, m, i) => sum + costOfMiss(goals[i]!, m), 0);

/** What a miss inside the leeway that was given costs, against one beyond it. */
export const EASE = 1e-4;

const costOfMiss = (g: Goal, miss: number): number => {
  const beyond = Math.max(0, Math.abs(miss) - g.within);
  return (g.weight / g.tolerance) * (beyond + EASE * (Math.abs(miss) - beyond));
};
