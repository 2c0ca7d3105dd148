import type { AmountUnit, Country } from '../units/words';
import { readAmount } from '../units/reckon';
import { sayAmount, type Amount, type Thing } from '../units/amount';
import { explain, InputError } from '../units/input-error';
import { chooseIngredient } from './choose';
import type { Produce } from '../tables/produce';
import { bareUnit, thingOf, YEAST_THING } from './thing';

/** An amount in words: what it comes to, or what to ask back. */
export type ReadAmount = { massKg?: number; volumeL?: number; count?: number; asks?: string[] };

/** The thing of a name, with the unit of its bare numbers. @throws InputError when it is not known, or no food */
function thingNamed(
  name: string,
  units: { mass: AmountUnit; volume: AmountUnit },
  country: Country,
  own: readonly Produce[]
): { thing: Thing; bare: AmountUnit | null } {
  if (/\byeast\b/i.test(name) && !/nutrient|energi|food/i.test(name))
    return { thing: YEAST_THING, bare: 'g' };
  const answer = chooseIngredient(name, country, own);
  if (answer.kind === 'refused') throw new InputError(`Not in a wine: ${answer.why}`, 'Leave it out.');
  const item = answer.choices[0]?.item;
  if (!item) throw new InputError(`I do not know “${name}”.`, 'Name a fruit, a sugar, a powder or water.');
  return { thing: thingOf(item, country), bare: bareUnit(item, units.mass, units.volume) };
}

/**
 * Reads an amount that somebody typed or said, of a named thing or with its name in it.
 * @param of what it is of; without it the name stands in the text, or it is a plain weight or volume
 * @returns kg, litres and how many, as far as each is known; or what to ask. Never throws for a text.
 */
export function readAmountOf(
  text: string,
  of: string | null,
  units: { mass: AmountUnit; volume: AmountUnit },
  country: Country,
  own: readonly Produce[] = []
): ReadAmount {
  try {
    const said = sayAmount(text, country);
    const name = of ?? said.of;
    if (!name) return say(readAmount(text, null, null, country), null);
    const { thing, bare } = thingNamed(name, units, country, own);
    // With its own name a number alone is a count; synonyms of the name are no other thing.
    const plain = of === null ? { ...thing, words: `${thing.words} ${said.of}` } : thing;
    return say(readAmount(text, plain, bare, country), thing);
  } catch (e) {
    if (!(e instanceof InputError)) throw e;
    return { asks: [explain(e)] };
  }
}

function say(a: Amount, thing: Thing | null): ReadAmount {
  const isMass = thing ? thing.basis === 'mass' : a.saidKg !== undefined;
  return {
    ...(isMass ? { massKg: a.base } : a.saidKg !== undefined ? { massKg: a.saidKg } : {}),
    ...(!isMass ? { volumeL: a.base } : a.saidL !== undefined ? { volumeL: a.saidL } : {}),
    ...(a.count !== undefined ? { count: a.count } : {})
  };
}
