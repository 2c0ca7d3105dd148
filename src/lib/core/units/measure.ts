import { InputError } from './input-error';

export type MassUnit = 'kg' | 'g' | 'lb' | 'oz';
export type VolumeUnit =
  | 'L'
  | 'mL'
  | 'us-gal'
  | 'uk-gal'
  | 'us-qt'
  | 'uk-qt'
  | 'us-pt'
  | 'uk-pt'
  | 'us-floz'
  | 'uk-floz'
  | 'cup'
  | 'tbsp'
  | 'tsp';
export type Unit = MassUnit | VolumeUnit;

/**
 * Kilograms in a unit of mass. International avoirdupois pound, exact.
 * @source NIST Handbook 44, appendix C
 */
export const KG_PER: Record<MassUnit, number> = { kg: 1, g: 1e-3, lb: 0.45359237, oz: 0.028349523125 };

/**
 * Litres in a unit of volume. Cup, tablespoon and teaspoon are the US kitchen measures.
 * US gallon 231 cubic inches, imperial gallon 4.54609 L, both exact.
 * @source NIST Handbook 44, appendix C; UK Units of Measurement Regulations 1995
 */
export const L_PER: Record<VolumeUnit, number> = {
  L: 1,
  mL: 1e-3,
  'us-gal': 3.785411784,
  'uk-gal': 4.54609,
  'us-qt': 0.946352946,
  'uk-qt': 1.1365225,
  'us-pt': 0.473176473,
  'uk-pt': 0.56826125,
  'us-floz': 0.0295735295625,
  'uk-floz': 0.0284130625,
  cup: 0.2365882365,
  tbsp: 0.01478676478125,
  tsp: 0.00492892159375
};

/** What each unit is called on screen. Gallons always carry their country. */
export const UNIT_LABEL: Record<Unit, string> = {
  kg: 'kg',
  g: 'g',
  lb: 'lb',
  oz: 'oz',
  L: 'L',
  mL: 'mL',
  'us-gal': 'US gal',
  'uk-gal': 'UK gal',
  'us-qt': 'US qt',
  'uk-qt': 'UK qt',
  'us-pt': 'US pt',
  'uk-pt': 'UK pt',
  'us-floz': 'US fl oz',
  'uk-floz': 'UK fl oz',
  cup: 'cup',
  tbsp: 'tbsp',
  tsp: 'tsp'
};

/**
 * Whether a household that weighs and pours in `own` does not use `unit`. Grams, cups and spoons are everybody's.
 * @example isForeign('kg', { mass: 'lb', volume: 'L' }) // true
 */
export const isForeign = (unit: string, own: { mass: MassUnit; volume: VolumeUnit }): boolean =>
  isMassUnit(unit)
    ? unit !== 'g' && (unit === 'kg') !== (own.mass === 'kg')
    : unit[2] === '-'
      ? !own.volume.startsWith(unit.slice(0, 3))
      : /^m?L$/.test(unit) && own.volume !== 'L';

export const isMassUnit = (unit: string): unit is MassUnit => unit in KG_PER;
export const isVolumeUnit = (unit: string): unit is VolumeUnit => unit in L_PER;

/**
 * Kilograms or litres in `amount` of `unit`.
 * @example toBase(2, 'lb') // 0.90718
 */
export const toBase = (amount: number, unit: Unit): number =>
  amount * (isMassUnit(unit) ? KG_PER[unit] : L_PER[unit]);

/**
 * How many of `unit` there are in `base` kilograms or litres.
 * @example fromBase(4.546, 'uk-gal') // 0.99998
 */
export const fromBase = (base: number, unit: Unit): number =>
  base / (isMassUnit(unit) ? KG_PER[unit] : L_PER[unit]);

/**
 * Celsius from a temperature in °F or °C.
 * @throws InputError when not finite
 * @example toCelsius(68, 'F') // 20
 */
export function toCelsius(degrees: number, scale: 'C' | 'F'): number {
  if (!Number.isFinite(degrees))
    throw new InputError(`${degrees} is not a temperature.`, 'Give degrees as a number.');
  return scale === 'F' ? ((degrees - 32) * 5) / 9 : degrees;
}

/**
 * Degrees of a scale, from °C.
 * @example fromCelsius(20, 'F') // 68
 */
export const fromCelsius = (tempC: number, scale: 'C' | 'F'): number =>
  scale === 'F' ? tempC * 1.8 + 32 : tempC;
