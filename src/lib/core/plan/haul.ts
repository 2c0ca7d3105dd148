import { type Ingredient, type Plan, amountOf } from './plan';
import { nameOf } from './name';
import type { Country } from '../units/words';
import { apart, bagKgIn } from './thing';
import { chooseIngredient, type Choice } from './choose';
import type { Produce } from '../tables/produce';

export type Haul = {
  ingredients: Ingredient[];
  /** the parts that were understood, as they were written, each with its likeliest meaning */
  found: { text: string; choice: Choice }[];
  /** what was taken for granted, in words */
  assumed: string[];
  /** parts that were not understood, or are no food, as they were written, with why */
  unknown: { text: string; why: string; isRefused?: true }[];
};

/**
 * Reads what somebody has in the kitchen, in a sentence: `3 lb rhubarb and a bag of sugar`.
 * @param own the household's own entries of the produce table
 * @returns what it found, what it took for granted, and what it did not understand: nothing is dropped
 */
export function parseHaul(text: string, country: Country = 'uk', own: readonly Produce[] = []): Haul {
  const out: Haul = { ingredients: [], found: [], assumed: [], unknown: [] };
  const parts = apart(text)
    .replace(/^\s*(i('ve| have)( got)?|we have|there (is|are)|got)\s+/i, '')
    .split(
      /\s*(?:,(?!\d)|(?<=[a-z)]),|;|\+|&|\band\b(?!\s+a\s+(?:half|quarter|third))|\bwith\b|\bplus\b)\s*/i
    )
    .map((p) => p.replace(/[.!?]+$/, '').trim())
    .filter(Boolean);
  for (const part of parts) {
    const answer = chooseIngredient(part, country, own);
    if (answer.kind === 'refused') {
      out.unknown.push({ text: part, why: answer.why, isRefused: true });
      continue;
    }
    const choice = answer.choices[0];
    if (!choice) {
      out.unknown.push({ text: part, why: answer.ask ?? 'I do not know it.' });
      continue;
    }
    const { item } = choice;
    if (choice.unit === 'bag') {
      const bag = `A bag of sugar is taken as ${country === 'us' ? '4 lb' : `${bagKgIn(country)} kg`}.`;
      if (!out.assumed.includes(bag)) out.assumed.push(bag);
    }
    const others = alike(answer.choices, item);
    if (others.length > 0)
      out.assumed.push(`Taken as ${nameOf(item).toLowerCase()}; there are ${others.join(' and ')} too.`);
    if (item.kind === 'produce' && amountOf(item) <= 0)
      out.assumed.push(choice.ask ?? `Say how much there is of the ${nameOf(item).toLowerCase()}.`);
    out.ingredients.push(item);
    out.found.push({ text: part, choice });
  }
  return out;
}

/** Other kinds that the same word names, where it names none of them wholly: sour and sweet cherries. */
function alike(choices: readonly Choice[], item: Ingredient): string[] {
  const last = (name: string) => name.toLowerCase().split(' ').at(-1);
  const name = choices[0]!.label;
  if (item.kind !== 'produce' || !name.includes(' ')) return [];
  return choices
    .slice(1)
    .filter((c) => c.item.kind === 'produce' && c.label.includes(' ') && last(c.label) === last(name))
    .map((c) => nameOf(c.item).toLowerCase());
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
