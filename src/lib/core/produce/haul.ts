import type { Ingredient, Plan } from '../must/plan';
import { amountOf } from '../must/plan';
import { nameOf } from '../must/name';
import { KG_PER } from '../units/measure';
import { parseNumber } from '../units/parse';
import { chooseIngredient } from './choose';
import type { Produce } from './schema';

/** A bag of sugar. Common practice: 4 lb in the United States, 1 kg elsewhere. */
export const BAG_KG = { us: 4 * KG_PER.lb, elsewhere: 1 } as const;

export type Haul = {
  ingredients: Ingredient[];
  /** what was taken for granted, in words */
  assumed: string[];
  /** parts that were not understood, or are no food, as they were written, with why */
  unknown: { text: string; why: string }[];
};

/** `a bag of sugar`, `two bags sugar`: how many bags, and of what. */
const BAG = /^(a|an|one|two|three|half a|[\d.,½]+)\s+bags?\s+(?:of\s+)?(.+)$/i;
const WORDS: Record<string, number> = { a: 1, an: 1, one: 1, two: 2, three: 3, 'half a': 0.5 };

/**
 * Reads what somebody has in the kitchen, in a sentence: `3 lb rhubarb and a bag of sugar`.
 * @param own the household's own entries of the produce table
 * @param bagKg what a bag of sugar weighs here, kg
 * @returns what it found, what it took for granted, and what it did not understand: nothing is dropped
 */
export function parseHaul(
  text: string,
  country: 'us' | 'uk' = 'uk',
  own: readonly Produce[] = [],
  bagKg: number = BAG_KG.elsewhere
): Haul {
  const out: Haul = { ingredients: [], assumed: [], unknown: [] };
  const parts = text
    .replace(/^\s*(i('ve| have)( got)?|we have|there (is|are)|got)\s+/i, '')
    .split(/\s*(?:,(?!\d)|;|\+|&|\band\b|\bwith\b|\bplus\b)\s*/i)
    .map((p) =>
      p
        .replace(/^some\s+/i, '')
        .replace(/[.!?]+$/, '')
        .trim()
    )
    .filter(Boolean);
  for (const part of parts) {
    const bag = BAG.exec(part);
    const isSugarBag = bag && /\bsugar\b/i.test(bag[2]!);
    const answer = chooseIngredient(isSugarBag ? bag[2]! : part, country, own);
    if (answer.kind === 'refused') {
      out.unknown.push({ text: part, why: answer.why });
      continue;
    }
    const choice = answer.choices[0];
    if (!choice) {
      out.unknown.push({ text: part, why: 'I do not know it.' });
      continue;
    }
    let item = choice.item;
    if (isSugarBag && 'massKg' in item) {
      const count = WORDS[bag[1]!.toLowerCase()] ?? parseNumber(bag[1]!) ?? 1;
      item = { ...item, massKg: count * bagKg };
      out.assumed.push(`A bag of sugar is taken as ${bagKg === BAG_KG.us ? '4 lb' : `${bagKg} kg`}.`);
    }
    if (item.kind === 'produce' && amountOf(item) <= 0)
      out.assumed.push(`Say how much ${nameOf(item).toLowerCase()} there is.`);
    out.ingredients.push({ ...item, ...(choice.unit && !isSugarBag ? { unit: choice.unit } : {}) });
  }
  return out;
}

const POURED: Ingredient['kind'][] = ['sugar', 'honey'];

/**
 * A first plan from what is there: all the fruit, of the sugar as much as it takes and no more than there is, water
 * to make it the usual strength.
 */
export function planOfHaul(haul: Haul, alkalinityMgL: number, abv = 12): Plan {
  const sweet = haul.ingredients.filter((i) => POURED.includes(i.kind));
  const rest = haul.ingredients.filter((i) => !POURED.includes(i.kind) && i.kind !== 'water');
  const free = (i: Ingredient): Ingredient =>
    ({ ...i, massKg: 0, held: false, ...(amountOf(i) > 0 ? { most: amountOf(i) } : {}) }) as Ingredient;
  return {
    ingredients: [
      ...rest.map((i) => ({ ...i, held: true })),
      ...(sweet.length > 0
        ? sweet.map(free)
        : [{ kind: 'sugar' as const, sugarId: 'white' as const, massKg: 0, held: false }]),
      { kind: 'water', volumeL: 0, alkalinityMgL, held: false }
    ],
    target: { abv, volumeL: null }
  };
}
