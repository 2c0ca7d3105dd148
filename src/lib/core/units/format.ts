import type { Estimate } from './range';
import {
  fromBase,
  fromCelsius,
  isMassUnit,
  UNIT_LABEL,
  type MassUnit,
  type Unit,
  type VolumeUnit
} from './measure';

/**
 * `value` to `digits` significant figures, never in exponent form, trailing zeros after a point dropped.
 * @example significant(0.5, 2) // '0.5'
 */
export function significant(value: number, digits: number): string {
  if (value === 0 || !Number.isFinite(value)) return '0';
  const places = Math.max(0, digits - 1 - Math.floor(Math.log10(Math.abs(value))));
  const step = 10 ** (Math.floor(Math.log10(Math.abs(value))) + 1 - digits);
  const rounded = places > 0 ? value : Math.round(value / step) * step;
  return rounded
    .toFixed(Math.min(places, 12))
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');
}

/** The amount alone, in `unit`, as precisely as one weighs or pours in it. */
export function amountText(base: number, unit: Unit): string {
  const amount = fromBase(base, unit);
  if (unit === 'g') return significant(amount, amount >= 100 ? 3 : 2);
  if (unit === 'mL') return amount.toFixed(0);
  if (isMassUnit(unit)) return amount.toFixed(unit === 'oz' ? 1 : 2);
  return amount.toFixed(['L', 'us-gal', 'uk-gal'].includes(unit) ? (amount < 10 ? 2 : 1) : 1);
}

/** An amount with its unit: `4.10 kg`, `2.5 US gal`. */
export const quantityText = (base: number, unit: Unit): string =>
  `${amountText(base, unit)} ${UNIT_LABEL[unit]}`;

/**
 * A figure to type back in: short, with no loss that could be weighed. Of grams and millilitres a third place is left
 * off, for `1.234 g` could be read as twelve hundred.
 */
export function entryFigure(amount: number, unit: string): string {
  const text = significant(amount, 6);
  return (unit === 'g' || unit === 'mL') && /^[1-9]\d{0,2}\.\d{3}$/.test(text)
    ? significant(Number(amount.toFixed(2)), 6)
    : text;
}

/** The amount to type back in. `parseQuantity` reads it again. */
export const entryText = (base: number, unit: Unit): string => entryFigure(fromBase(base, unit), unit);

/**
 * A mass in grams to two significant figures, in kg above 1000 g.
 * @example gramsText(5.58) // '5.6 g'
 */
export const gramsText = (massG: number): string =>
  massG >= 1000 ? `${(massG / 1000).toFixed(2)} kg` : `${significant(massG, 2)} g`;

/**
 * A list as it is said.
 * @example listText(['plum', 'quince', 'pear']) // 'plum, quince and pear'
 */
export const listText = (words: readonly string[]): string =>
  [words.slice(0, -1).join(', '), ...words.slice(-1)].filter(Boolean).join(' and ');

/** So many of something: `1 day`, `3 days`. */
export const counted = (n: number, one: string): string =>
  `${Math.round(n)} ${Math.round(n) === 1 ? one : `${one}s`}`;

/**
 * A gravity as it is written.
 * @example sgText(1.0804) // '1.080'
 */
export const sgText = (sg: number): string => sg.toFixed(3);
/**
 * A strength, % vol, as it is written.
 * @example abvText(12.04) // '12.0'
 */
export const abvText = (abv: number): string => abv.toFixed(1);

/** The smaller measure that is reached for below so much of a greater one. */
const SMALLER: Partial<Record<VolumeUnit, [below: number, unit: VolumeUnit][]>> = {
  L: [[0.995, 'mL']],
  'us-gal': [
    [0.03, 'tsp'],
    [0.6, 'us-floz'],
    [3.5, 'us-qt']
  ],
  'uk-gal': [
    [0.03, 'tsp'],
    [0.6, 'uk-floz'],
    [4.3, 'uk-pt']
  ]
};

/** The measure one would reach for, where the greater one is `unit`: millilitres for less than a litre. */
export const volumeUnitFor = (volumeL: number, unit: VolumeUnit): VolumeUnit =>
  (volumeL > 0 ? SMALLER[unit]?.find(([below]) => volumeL < below)?.[1] : undefined) ?? unit;

/** A volume in words, in the measure one would reach for: `2.1 L`, `250 mL`, `3.62 US gal`, `12 US fl oz`. */
export function volumeText(volumeL: number, unit: VolumeUnit): string {
  const used = volumeUnitFor(volumeL, unit);
  if (used === 'L') return `${volumeL.toFixed(1)} L`;
  if (used === unit) return quantityText(volumeL, unit);
  const n = fromBase(volumeL, used);
  return `${significant(n, n >= 100 ? 3 : 2)} ${UNIT_LABEL[used]}`;
}

/**
 * The household's unit for wine in the singular, as in a price per litre.
 * @example greatUnit('us-gal') // 'US gal'
 */
export const greatUnit = (unit: VolumeUnit): string => (unit === 'L' ? 'litre' : UNIT_LABEL[unit]);

/** The same for a weight: grams for less than a kilogram, ounces for less than a pound or so. */
export const massUnitFor = (kg: number, unit: MassUnit): MassUnit =>
  unit === 'kg' ? (kg < 1 ? 'g' : 'kg') : unit === 'lb' && kg < 0.4 ? 'oz' : unit;

/** Below this many of a unit an amount is told in the next smaller one: scales and jugs show no hundredth of a pound. */
const FEW = 0.05;

/**
 * The unit for an amount that nobody gave a unit: the household's, or a smaller one where there is little of it.
 * @param base kg or L
 */
export const unitOfLittle = <U extends MassUnit | VolumeUnit>(
  base: number,
  unit: U
): U | MassUnit | VolumeUnit =>
  fromBase(base, unit) >= FEW || base <= 0
    ? unit
    : isMassUnit(unit)
      ? massUnitFor(base, unit)
      : volumeUnitFor(base, unit as VolumeUnit);

/** A weight in words, in the measure one would reach for: `2.05 kg`, `50 g`, `1.10 lb`. */
export function massText(kg: number, unit: MassUnit): string {
  const used = massUnitFor(kg, unit);
  const n = fromBase(kg, used);
  const isGreat = used === 'kg' || used === 'lb';
  return `${isGreat ? n.toFixed(n < 10 ? 2 : 1) : significant(n, n >= 100 ? 3 : 2)} ${UNIT_LABEL[used]}`;
}

/**
 * A temperature in a household’s scale.
 * @example temperatureText(20, 'F') // '68 °F'
 */
export const temperatureText = (tempC: number, scale: 'C' | 'F'): string =>
  `${fromCelsius(tempC, scale).toFixed(0)} °${scale}`;

/** `low – high` with `show` applied to both ends; one figure when they read the same. */
export function rangeText(range: Estimate, show: (value: number) => string): string {
  const [low, high] = [show(range.low), show(range.high)];
  return low === high ? low : `${low} – ${high}`;
}

/**
 * The words people use for what sugar is left, by grams of hexose a litre. Common practice.
 * @example sweetnessWord(25) // 'medium'
 */
export function sweetnessWord(residualGL: number): 'dry' | 'off-dry' | 'medium' | 'medium-sweet' | 'sweet' {
  if (residualGL < 9) return 'dry';
  if (residualGL < 18) return 'off-dry';
  if (residualGL < 35) return 'medium';
  if (residualGL < 60) return 'medium-sweet';
  return 'sweet';
}
