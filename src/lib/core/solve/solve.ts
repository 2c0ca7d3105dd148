import { BOTTLE_L } from '../tables/bottles';
import { likelyFigures } from '../must/balance';
import { amountOf, withAmount, type Ingredient, type Plan } from '../plan/plan';
import { explainMisses, type GaveWay } from './clash';
import { afterSweetening, sweetenedWith } from './goals';
import { bestPoint, guess, isFree, problemOf, usualVolumeL, type IsOver } from './programme';

export type Solved = {
  plan: Plan;
  /** what could not be kept, and why; empty when every target was met */
  gaveWay: GaveWay[];
  /** the amount aimed for, litres into glass; null when it simply follows */
  aimL: number | null;
};

/**
 * Works out every free row so that the wine comes as near as can be to what is asked for, the weightiest first.
 * @param plan rows with `held: false` are free, up to the most there is of them
 * @param isOver whether the time is up
 * @returns the plan with amounts filled in, and what gave way, each with why
 * @example
 * amountOf(solvePlan({ target: { abv: 12, volumeL: 10 }, ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0, held: false }, { kind: 'water', volumeL: 0, held: false }] }).plan.ingredients[0]!) // 1.9277
 */
export function solvePlan(plan: Plan, isOver?: IsOver): Solved {
  const hasAim = Boolean(plan.target?.volumeL ?? plan.target?.fillL);
  // When nobody says how much, fruit of which there is so much is taken whole.
  const isWhole = (i: Ingredient) => !hasAim && isFree(i) && i.kind === 'produce' && i.most !== undefined;
  const taken = {
    ...plan,
    ingredients: plan.ingredients.map((i) => (isWhole(i) ? { ...withAmount(i, i.most!), held: true } : i))
  };
  const problem = problemOf(taken);
  const waterIsFree = plan.ingredients.some((i) => isFree(i) && i.kind === 'water');
  const aimL = plan.target?.volumeL ?? (hasAim || !waterIsFree ? null : usualVolumeL(taken));
  // Nothing poured, picked or asked for: there is nothing to solve yet.
  if (!hasAim && problem.held.stock.waterKg <= 1e-9) return { plan, gaveWay: [], aimL };
  const point = bestPoint(problem, guess(problem), isOver);
  const ingredients = plan.ingredients.map((item, i) => {
    const j = problem.rows.indexOf(i);
    return j >= 0 && problem.goals.length > 0
      ? withAmount(item, point.amounts[j]!)
      : isWhole(item)
        ? withAmount(item, item.most!)
        : item;
  });
  return { plan: { ...plan, ingredients }, gaveWay: explainMisses(problem, point), aimL };
}

/**
 * Sugar to sweeten the finished wine with, kg of white sugar or of what stands in for it; 0 for dry.
 * @example sweetenKg({ ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 1 }, { kind: 'water', volumeL: 4 }], finish: 'stabilise', target: { sweetGL: 30 } }) // 0.12589
 */
export function sweetenKg(plan: Plan): number {
  const sweetGL = sweetenedWith(plan);
  if (sweetGL <= 0) return 0;
  const { bottles } = likelyFigures(plan);
  return Number.isFinite(bottles) ? (sweetGL * afterSweetening(bottles * BOTTLE_L, sweetGL)) / 1000 : 0;
}

/**
 * The same plan for another amount: fruit, sugar and water in proportion, held or not.
 * @example amountOf(scalePlan({ ingredients: [{ kind: 'water', volumeL: 4 }] }, 2).ingredients[0]!) // 8
 */
export function scalePlan(plan: Plan, factor: number): Plan {
  const ingredients = plan.ingredients.map((i) => ({
    ...withAmount(i, amountOf(i) * factor),
    ...(i.most === undefined ? {} : { most: i.most * factor })
  }));
  const t = plan.target;
  const target = t && {
    ...t,
    volumeL: t.volumeL && t.volumeL * factor,
    ...(t.fillL ? { fillL: t.fillL * factor } : {})
  };
  return { ...plan, ingredients, ...(target ? { target } : {}) };
}
