import type { Amount } from '../units/amount';
import { readAmount } from '../units/reckon';
import type { AmountUnit, Country } from '../units/words';
import type { Ingredient } from './plan';
import { thingOf, withRead } from './thing';

/**
 * An ingredient with its amount as typed, in any measure that is known for it.
 * @param bare the unit of a number that has none; null asks
 * @throws InputError as `readAmount`, or when it comes to nothing
 */
export const readItem = (
  text: string,
  item: Ingredient,
  bare: AmountUnit | null,
  country: Country
): { item: Ingredient; amount: Amount } => {
  const amount = readAmount(text, thingOf(item, country), bare, country);
  return { item: withRead(item, amount), amount };
};
