import { amountOf, entryOf, withAmount, type Ingredient, type Plan } from '../plan/plan';
import type { CommandOf } from './command';

/** Strength where none was said, % vol. Common practice. */
const USUAL_ABV = 12;
const isFreeWater = (i: Ingredient): boolean => i.kind === 'water' && i.volumeL <= 0;
const isSweet = (i: Ingredient): boolean => i.kind === 'sugar' || i.kind === 'honey';

/**
 * The plan that a line asks for. What was said stands, what was not is solved for: of sugar no more than there is; fruit
 * without an amount as much as is common for so much wine.
 * @param volumeUnit what the household says its wine in
 */
export function planOf(
  c: CommandOf<'plan'>,
  alkalinityMgL: number,
  volumeUnit: 'L' | 'us-gal' | 'uk-gal' = 'L'
): Plan {
  const given = c.items.map((item) =>
    amountOf(item) > 0 || isSweet(item) || c.volumeL === undefined
      ? item
      : withAmount(item, (entryOf(item)?.amountKgL[1] ?? 0) * c.volumeL)
  );
  const sweet = given.filter(isSweet);
  // With so much wine, and no strength, the sugar that was said decides how strong it is.
  const isSugarSaid = c.abv === undefined && c.volumeL !== undefined && sweet.some((i) => amountOf(i) > 0);
  const free = (i: Ingredient): Ingredient =>
    ({ ...i, massKg: 0, held: false, ...(amountOf(i) > 0 ? { most: amountOf(i) } : {}) }) as Ingredient;
  const sugar: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 0, held: false };
  return {
    ingredients: [
      ...given.filter((i) => !isSweet(i) && !isFreeWater(i)).map((i) => ({ ...i, held: true })),
      ...(isSugarSaid
        ? sweet.map((i) => ({ ...i, held: true }))
        : sweet.length > 0
          ? sweet.map(free)
          : [sugar]),
      ...(given.some((i) => i.kind === 'water' && i.volumeL > 0)
        ? []
        : [{ kind: 'water' as const, volumeL: 0, alkalinityMgL, held: false }])
    ],
    target: {
      abv: isSugarSaid ? null : (c.abv ?? USUAL_ABV),
      volumeL: c.volumeL ?? null,
      ...(c.volumeL === undefined ? {} : { volumeUnit })
    }
  };
}
