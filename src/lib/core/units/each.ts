import type { Thing } from './amount';
import { InputError } from './input-error';
import { isMassUnit, isVolumeUnit, L_PER, toBase, UNIT_LABEL } from './measure';
import type { AmountUnit, Counted } from './words';

const COUNT_NAME: Record<Counted, string> = {
  piece: 'piece',
  tablet: 'tablet',
  packet: 'packet',
  bag: 'bag',
  'tea-bag': 'tea bag',
  bottle: 'bottle'
};

/** Kilograms or litres (by the thing's basis) in one of a unit of it. @throws InputError where nobody knows */
export function eachOf(unit: AmountUnit, thing: Thing | null): number {
  const name = thing?.name.toLowerCase() ?? 'it';
  if (!isMassUnit(unit) && !isVolumeUnit(unit)) {
    const each = thing?.each?.[unit];
    if (each === undefined)
      throw new InputError(
        unit === 'piece'
          ? `I do not know what a piece of ${name} weighs.`
          : `I do not know how much a ${COUNT_NAME[unit]} of ${name} is.`,
        thing?.basis === 'volume'
          ? 'Measure it: give litres, gallons, pints or cups.'
          : 'Weigh it: give kg, g, lb or oz.'
      );
    return each;
  }
  const base = toBase(1, unit);
  if (!thing || (thing.basis === 'mass') === isMassUnit(unit)) return base;
  if (thing.basis === 'volume') {
    if (!thing.kgPerL)
      throw new InputError(`“${UNIT_LABEL[unit]}” is a weight.`, 'Give litres, gallons, pints or cups.');
    return base / thing.kgPerL;
  }
  const isSpoon = unit === 'tsp' || unit === 'tbsp';
  const litreG =
    (isSpoon && thing.teaspoonG ? thing.teaspoonG / L_PER.tsp : null) ??
    (thing.cupG ? thing.cupG / L_PER.cup : null) ??
    thing.litreG ??
    (thing.teaspoonG ? thing.teaspoonG / L_PER.tsp : null);
  if (!litreG)
    throw new InputError(
      isSpoon
        ? `A spoon of ${name} has no known weight.`
        : `“${UNIT_LABEL[unit]}” is a volume, and I do not know what a litre of ${name} weighs.`,
      'Weigh it: give kg, g, lb or oz.'
    );
  return (base * litreG) / 1000;
}
