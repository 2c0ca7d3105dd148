import { InputError } from '../units/input-error';
import { isMassUnit, isVolumeUnit, toBase, UNIT_LABEL, type Unit } from '../units/measure';
import { parseNumber, parseQuantity } from '../units/parse';
import type { Produce } from './schema';

/** How produce is measured: weighed, filled into a measure, or counted (pieces, or heads of flowers). */
export type ProduceUnit = Unit | 'piece';

export const unitLabel = (unit: ProduceUnit, produce?: Produce): string =>
  unit !== 'piece' ? UNIT_LABEL[unit] : produce?.family === 'flower' ? 'heads' : 'pieces';

/** The units a kind of produce can be given in: weight always, volume and count where the table knows what they weigh. */
export const unitsOf = (produce: Produce): ProduceUnit[] => [
  'kg',
  'g',
  'lb',
  'oz',
  ...(produce.pieceG ? (['piece'] as const) : []),
  ...(produce.litreG ? (['L', 'us-qt', 'us-gal', 'uk-gal', 'cup'] as const) : [])
];

/**
 * Kilograms in `amount` of `unit` of a kind of produce. A litre is loosely filled, a piece is whole.
 * @throws InputError when the table does not know what a piece or a litre of it weighs
 */
export function kgIn(amount: number, unit: ProduceUnit, produce: Produce): number {
  if (unit === 'piece') {
    if (!produce.pieceG)
      throw new InputError(`${produce.plural} are not counted here.`, 'Weigh them: give kg, g, lb or oz.');
    return (amount * produce.pieceG) / 1000;
  }
  if (isVolumeUnit(unit)) {
    if (!produce.litreG)
      throw new InputError(
        `I do not know what a litre of ${produce.plural.toLowerCase()} weighs.`,
        'Weigh them: give kg, g, lb or oz.'
      );
    return (toBase(amount, unit) * produce.litreG) / 1000;
  }
  return toBase(amount, unit);
}

/** How many of `unit` there are in `massKg`. */
export const amountIn = (massKg: number, unit: ProduceUnit, produce: Produce): number =>
  massKg / kgIn(1, unit, produce);

const COUNT = /^(pieces?|pcs?|heads?|fruits?|whole|of them)$/i;

/**
 * An amount of produce as typed: `3 lb`, `2 L`, `14 heads`, `6` in `fallback`, or a sum such as
 * `2.8 + 2.9 + 1.4 kg` for a scale that stops short, or `jar 1180 - 240 g` weighed by difference.
 * @throws InputError when it cannot be read, or the table has no weight for such a unit
 */
export function parseProduce(
  text: string,
  fallback: ProduceUnit,
  produce: Produce,
  country: 'us' | 'uk' = 'us'
): { amount: number; unit: ProduceUnit; massKg: number } {
  const count = /^([\d.,/½¼¾⅓⅔⅛⅒ ]+)([a-z ]*)$/i.exec(text.trim());
  const isCount = count && (count[2] ? COUNT.test(count[2].trim()) : fallback === 'piece');
  if (isCount) {
    const amount = parseNumber(count[1]!);
    if (amount === null)
      throw new InputError(
        `“${text}” is not a number of ${unitLabel('piece', produce)}.`,
        'Write it like 14.'
      );
    return { amount, unit: 'piece', massKg: kgIn(amount, 'piece', produce) };
  }
  const q = parseQuantity(text, fallback === 'piece' ? 'kg' : fallback, country);
  return {
    amount: q.amount,
    unit: q.unit,
    massKg: isMassUnit(q.unit) ? q.base : kgIn(q.amount, q.unit, produce)
  };
}
