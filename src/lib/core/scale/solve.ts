import { abvOf, ferment } from '../ferment/convert';
import { findRoot } from '../liquid/root';
import { likelyMix, pulpL } from '../must/balance';
import { addInto, contribution, liquid, scaled, TYPICAL, type Stock } from '../must/stock';
import type { Produce } from '../produce/schema';
import { entryOf, toleranceOf, type Ingredient, type Plan } from '../must/plan';

export type Solved = {
  plan: Plan;
  /** what could not be kept, and why, in plain words; empty when every target was met */
  gaveWay: string[];
  /** the amount aimed for, litres into glass; null when it simply follows */
  aimL: number | null;
};

const isFree = (i: Ingredient): boolean => i.held === false;

/** The sweetener row that strength is solved with, and the water row that amount is solved with: -1 when held. */
export const freeRows = (plan: Plan): { sugar: number; water: number } => ({
  sugar: plan.ingredients.findIndex((i) => isFree(i) && (i.kind === 'sugar' || i.kind === 'honey')),
  water: plan.ingredients.findIndex((i) => isFree(i) && i.kind === 'water')
});

/** Produce that seasons a wine and does not set its size while there is other fruit: lemons, raisins, ginger. */
const seasons = (p: Produce): boolean =>
  p.amountKgL[1] < 0.15 && p.family !== 'flower' && p.family !== 'leaf';

/** Litres the fruit is usually made into, when nobody says how much: its common amount per litre. */
export function usualVolumeL(plan: Plan): number | null {
  const fruit = plan.ingredients.flatMap((i) => {
    const p = i.kind === 'produce' && i.massKg > 0 && !i.pressed ? entryOf(i) : undefined;
    return p && i.kind === 'produce' ? [{ p, kg: i.massKg }] : [];
  });
  const main = fruit.filter(({ p }) => !seasons(p));
  const litres = (main.length > 0 ? main : fruit).reduce((sum, { p, kg }) => sum + kg / p.amountKgL[1], 0);
  return litres > 0 ? litres : null;
}

const fill = (i: Ingredient, amount: number): Ingredient =>
  i.kind === 'water' ? { ...i, volumeL: amount } : ({ ...i, massKg: amount } as Ingredient);

/** 1 kg of the sweetener, or 1 L of the water, as stock. */
const unitStock = (i: Ingredient): Stock => contribution(fill(i, 1), undefined, TYPICAL).poured;

/**
 * Works out the free sugar and the free water so that the wine reaches its strength and amount.
 * Strength is solved inside amount; both rise with what is added, so each has one answer or none.
 * @param plan rows with `held: false` are free; at most one sweetener and one water are solved
 * @returns the plan with amounts filled in, and what gave way
 */
export function solvePlan(plan: Plan): Solved {
  const { sugar, water } = freeRows(plan);
  const aimL = plan.target?.volumeL ?? (water >= 0 ? usualVolumeL(plan) : null);
  const aimAbv = plan.target?.abv ?? null;
  const gaveWay: string[] = [];
  const others = likelyMix(plan.ingredients.filter((_, i) => i !== sugar && i !== water));
  const sugarStock = sugar >= 0 ? unitStock(plan.ingredients[sugar]!) : null;
  const waterStock = water >= 0 ? unitStock(plan.ingredients[water]!) : null;
  const lostL = pulpL(plan.press, others.pulpKg);

  // Nothing poured, picked or asked for: there is nothing to solve yet.
  if (others.all.waterKg <= 0 && aimL === null) return { plan, gaveWay, aimL };

  const must = (sugarKg: number, waterL: number): Stock => {
    const stock = scaled(others.all);
    if (sugarStock) addInto(stock, sugarStock, sugarKg);
    if (waterStock) addInto(stock, waterStock, waterL);
    return stock;
  };
  const strength = (stock: Stock) => abvOf(ferment(stock, stock.hexoseKg).stock);
  const litres = (stock: Stock) => Math.max(0, (liquid(stock)?.volumeL ?? 0) - lostL);
  const mostSugar = (waterL: number) => 1.6 * (others.all.waterKg + waterL) + 1e-6;

  const sugarFor = (waterL: number): number => {
    if (!sugarStock || aimAbv === null) return 0;
    if (strength(must(0, waterL)) >= aimAbv) return 0;
    return findRoot((kg) => strength(must(kg, waterL)) - aimAbv, 0, mostSugar(waterL), 1e-7);
  };

  let waterL = 0;
  if (waterStock && aimL !== null) {
    const miss = (w: number) => litres(must(sugarFor(w), w)) - aimL;
    if (miss(0) > 1e-6) {
      if (miss(0) > 0.05)
        gaveWay.push(
          `Without any water the fruit and sugar already make ${litres(must(sugarFor(0), 0)).toFixed(1)} L, more than ${aimL.toFixed(1)} L.`
        );
    } else waterL = findRoot(miss, 0, aimL + lostL + 1, 1e-6);
  }
  const sugarKg = sugarFor(waterL);
  const end = must(sugarKg, waterL);

  if (aimAbv !== null) {
    const reached = strength(end);
    const tolerance = toleranceOf(plan.yeast);
    if (!sugarStock && Math.abs(reached - aimAbv) > 0.05)
      gaveWay.push(`The sugar is held, so strength follows: ${reached.toFixed(1)} %.`);
    else if (reached > aimAbv + 0.05)
      gaveWay.push(
        `The fruit alone brings ${reached.toFixed(1)} %, above ${aimAbv} %. More water would lower it.`
      );
    else if (reached < aimAbv - 0.05)
      gaveWay.push(`No more sugar dissolves: ${reached.toFixed(1)} % is the most.`);
    if (aimAbv > tolerance[1] + 0.05)
      gaveWay.push(
        `This yeast stops near ${tolerance[1]} %: the rest stays sweet. Choose a stronger yeast for ${aimAbv} %.`
      );
  }
  if (!waterStock && plan.target?.volumeL && Math.abs(litres(end) - plan.target.volumeL) > 0.05)
    gaveWay.push(`The water is held, so the amount follows: ${litres(end).toFixed(1)} L into glass.`);

  const ingredients = plan.ingredients.map((item, i) => {
    if (i === sugar && aimAbv !== null) return fill(item, sugarKg);
    if (i === water && aimL !== null) return fill(item, waterL);
    return item;
  });
  return { plan: { ...plan, ingredients }, gaveWay, aimL };
}

/** The same plan for another amount: fruit, sugar and water in proportion, held or not. */
export function scalePlan(plan: Plan, factor: number): Plan {
  const ingredients = plan.ingredients.map((i) =>
    'volumeL' in i ? { ...i, volumeL: i.volumeL * factor } : { ...i, massKg: i.massKg * factor }
  );
  const target = plan.target && {
    ...plan.target,
    volumeL: plan.target.volumeL && plan.target.volumeL * factor
  };
  return { ...plan, ingredients, ...(target ? { target } : {}) };
}
