import { likelyMix } from '../must/mix';
import { estimateMust, type MustEstimate } from '../must/balance';
import { acidityOf } from '../liquid/acidity';
import type { Ingredient, Plan } from '../plan/plan';
import { liquid } from '../liquid/stock';
import type { Produce } from '../tables/produce';
import { brixFromSg } from '../liquid/sugar';
import { solvePlan } from './solve';

/** A row of `massKg` of an entry, reckoned by the entry given, the user's own or the table's. */
export const rowOf = (p: Produce, massKg: number): Ingredient => ({
  kind: 'produce',
  produceId: p.id,
  entry: p,
  massKg,
  form: p.forms.find((f): f is 'fresh' | 'frozen' | 'dried' => f === 'fresh' || f === 'dried') ?? 'fresh'
});

export type Juice = { sg: number; brix: number; taGL: number; ph: number };

/** Dried fruit has no juice of its own: it is judged soaked in twice its weight of water. */
export const isSoaked = (p: Produce): boolean => p.family === 'dried';

/** A kilogram of an entry as its juice is judged. */
export const juiceRows = (p: Produce): Ingredient[] => [
  rowOf(p, 1),
  ...(isSoaked(p) ? [{ kind: 'water' as const, volumeL: 2 }] : [])
];

/** The likely juice of a kind of produce: all the water and solubles that it holds. */
export function juiceOf(p: Produce): Juice {
  const { all } = likelyMix(juiceRows(p));
  const sg = liquid(all)?.sg ?? NaN;
  const { taGL, ph } = acidityOf(all);
  return { sg, brix: brixFromSg(Math.min(sg, 1.41)), taGL, ph };
}

/**
 * How sharp a juice is, in a word. Common practice.
 * @example sharpWord(9) // 'sharp'
 */
export const sharpWord = (taGL: number): 'mild' | 'soft' | 'brisk' | 'sharp' | 'very sharp' =>
  taGL < 3 ? 'mild' : taGL < 6 ? 'soft' : taGL < 9 ? 'brisk' : taGL < 18 ? 'sharp' : 'very sharp';

/**
 * How sweet a juice is, in a word. Common practice.
 * @example sweetWord(12) // 'some'
 */
export const sweetWord = (brix: number): 'hardly any' | 'little' | 'some' | 'good' | 'plenty of' =>
  brix < 4 ? 'hardly any' : brix < 8 ? 'little' : brix < 13 ? 'some' : brix < 20 ? 'good' : 'plenty of';

export type UsualWine = { plan: Plan; estimate: MustEstimate; sugarKg: number; waterL: number };

const MADE_L = 10;

/**
 * What 10 L of wine of an entry would be: so much of it a litre, sugar and water to `abv`.
 * @param kgL kilograms of usable produce a litre of wine; null for its pressed juice alone, with nothing added
 */
export function usualWine(p: Produce, kgL: number | null, abv = 12): UsualWine {
  if (kgL === null) {
    const plan: Plan = {
      ingredients: [{ kind: 'juice', produceId: p.id, entry: { ...p, forms: ['juice'] }, volumeL: MADE_L }]
    };
    return { plan, estimate: estimateMust(plan), sugarKg: 0, waterL: 0 };
  }
  const { plan } = solvePlan({
    ingredients: [
      rowOf(p, kgL * MADE_L),
      { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
      { kind: 'water', volumeL: 0, held: false }
    ],
    target: { abv, volumeL: MADE_L }
  });
  const [, sugar, water] = plan.ingredients;
  return {
    plan,
    estimate: estimateMust(plan),
    sugarKg: sugar && 'massKg' in sugar ? sugar.massKg : 0,
    waterL: water && 'volumeL' in water ? water.volumeL : 0
  };
}
