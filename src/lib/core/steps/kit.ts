import { nameOf } from '../plan/name';
import { amountOf, entryOf, type Ingredient, type Plan } from '../plan/plan';
import { evaluate } from '../must/evaluate';
import { feedText } from '../must/powders';
import { sweetenKg } from '../solve/solve';
import { choiceOf } from '../tables/schools';

/** Things that touch the must on the first day, in the order they are reached for. All common practice. */
export function kitOf(plan: Plan, vesselName: string): string[] {
  const rows = plan.ingredients.filter((i) => amountOf(i) > 0);
  const fruit = rows.filter((i) => i.kind === 'produce');
  const isHot = choiceOf(plan, 'wildYeast') === 'heat' || fruit.some((i) => i.heat && i.heat !== 'raw');
  return [
    vesselName,
    choiceOf(plan, 'cover') === 'airlock' ? 'lid and airlock' : 'lid or clean cloth',
    'long spoon',
    ...(fruit.length > 0 && choiceOf(plan, 'fruitIn') === 'bag' ? ['straining bag'] : []),
    ...(fruit.some((i) => i.pressed) ? ['mill, press and its cloth'] : []),
    ...(fruit.some((i) => !i.pressed) ? ['masher or knife and board'] : []),
    ...(isHot ? ['large pan'] : []),
    'jug',
    'scale and spoons',
    'hydrometer, its jar, a sieve',
    'thermometer',
    ...(choiceOf(plan, 'pitch') !== 'dry' ? ['cup or jar for the yeast'] : [])
  ];
}

/** One line of a shopping list. `need` is what it is for; kg or L, or words when it is counted. */
export type Shopping = {
  name: string;
  amount: number | null;
  unit: 'kg' | 'L' | null;
  text: string;
  group: 'fruit' | 'sugar' | 'powders' | 'yeast';
};

/**
 * What a plan takes, to buy or to look out: ingredients together by kind, powders by dose, yeast in packets.
 * Water is left out. What comes later, to feed or to sweeten with, is counted in.
 */
export function shoppingOf(plan: Plan): Shopping[] {
  const sums = new Map<string, { item: Ingredient; amount: number }>();
  for (const i of plan.ingredients) {
    if (i.kind === 'water' || amountOf(i) <= 0) continue;
    const key = nameOf(i);
    const known = sums.get(key);
    if (known) known.amount += amountOf(i);
    else sums.set(key, { item: i, amount: amountOf(i) });
  }
  const sweet = sweetenKg(plan);
  if (sweet > 0) {
    const sugar = sums.get('White sugar');
    if (choiceOf(plan, 'finish') !== 'non-fermenting' && sugar) sugar.amount += sweet;
    else
      sums.set(
        choiceOf(plan, 'finish') === 'non-fermenting' ? 'Sweetener that does not ferment' : 'White sugar',
        {
          item: { kind: 'sugar', sugarId: 'white', massKg: sweet },
          amount: sweet
        }
      );
  }
  const out: Shopping[] = [...sums].map(([name, { item, amount }]) => ({
    name,
    amount,
    unit: 'volumeL' in item ? 'L' : 'kg',
    text: '',
    group:
      item.kind === 'produce' || item.kind === 'juice'
        ? 'fruit'
        : item.kind === 'acid' || item.kind === 'additive'
          ? 'powders'
          : 'sugar'
  }));
  const { powders, nutrient } = evaluate(plan);
  for (const p of powders)
    out.push({
      name: p.id === 'yeast' ? `${plan.yeast?.name ?? plan.yeast?.yeastId ?? 'wine'} yeast` : p.name,
      amount: null,
      unit: null,
      text: p.id === 'yeast' ? packets(p.massG) : p.amount,
      group: p.id === 'yeast' ? 'yeast' : 'powders'
    });
  if (nutrient && nutrient.feeds.length > 0)
    out.push({ name: 'Nutrient', amount: null, unit: null, text: feedText(nutrient), group: 'powders' });
  if (choiceOf(plan, 'clearing') === 'finings')
    out.push({ name: 'Two-part finings', amount: null, unit: null, text: 'one set', group: 'powders' });
  return out;
}

const packets = (massG: number): string => {
  const n = Math.ceil(massG / 5 - 1e-6);
  return n === 1 ? 'a 5 g packet' : `${n} packets of 5 g`;
};

/**
 * Hours of preparation that the fruit of a plan takes: stoning, peeling, cutting.
 * @example prepareHours({ ingredients: [{ kind: 'produce', produceId: 'plum', massKg: 4 }] }) // 1
 */
export const prepareHours = (plan: Plan): number =>
  plan.ingredients.reduce(
    (sum, i) => sum + (i.kind === 'produce' ? (entryOf(i)?.hoursPerKg ?? 0) * i.massKg : 0),
    0
  );
