import { InputError } from './input-error';
import type { Country } from './words';
import { readAmount } from './reckon';
import { isMassUnit, isVolumeUnit, toCelsius, type Unit } from './measure';
import { parseNumber } from './number';

export { parseNumber } from './number';

/** A plain weight or volume. */
export type Quantity = { amount: number; unit: Unit; base: number };

/**
 * A weight or a volume, such as `4.5 kg`, `9 lb 4 oz`, `2½ us gal` or a bare `3` in `fallback`.
 * @returns amount in its own unit, and `base` in kg (mass) or L (volume)
 * @throws InputError as `readAmount`
 */
export function parseQuantity(text: string, fallback: Unit, country: Country = 'us'): Quantity {
  const { amount, unit, base } = readAmount(text, null, fallback, country);
  return { amount, unit: unit as Unit, base };
}

/** A quantity that must be a weight (`kg`) or a volume (`L`). @throws InputError when it is the other */
export function parseAs(
  kind: 'mass' | 'volume',
  text: string,
  fallback: Unit,
  country: Country = 'us'
): Quantity {
  const quantity = parseQuantity(text, fallback, country);
  if (kind === 'mass' && !isMassUnit(quantity.unit))
    throw new InputError(`“${text}” is a volume.`, 'Weigh it: give kg, g, lb or oz.');
  if (kind === 'volume' && !isVolumeUnit(quantity.unit))
    throw new InputError(`“${text}” is a weight.`, 'Give litres, gallons, pints or cups.');
  return quantity;
}

/**
 * A hydrometer reading as people say it: 1.064, 1,064, 1064, 64, 0.996, 996.
 * @returns specific gravity
 * @throws InputError on a misplaced point (1.64) or anything a hydrometer cannot show
 * @example parseGravity('1085') // 1.085
 */
export function parseGravity(text: string): number {
  const clean = text.trim().replace(',', '.');
  const say = 'Write it like 1.064, 1064 or 64; below water, 0.996 or 996.';
  if (!/^\d*\.?\d+$/.test(clean)) throw new InputError(`“${text}” is not a gravity.`, say);
  const value = Number(clean);
  if (value >= 0.97 && value <= 1.3) return value;
  if (/^\d{3,4}$/.test(clean) && value >= 970 && value <= 1300) return value / 1000;
  if (/^\d{1,3}$/.test(clean) && value >= 0 && value <= 170) return 1 + value / 1000;
  if (value > 1.3 && value < 2) {
    const digits = clean.split('.')[1]!.padEnd(2, '0');
    throw new InputError(`${text} is heavier than any must.`, `Did you mean 1.0${digits}? ${say}`);
  }
  throw new InputError(`${text} is outside what a hydrometer shows.`, say);
}

/**
 * A temperature with or without its scale: `21`, `21c`, `70 F`, `70°F`. @throws InputError
 * @example parseTemperature('70 °F', 'C') // 21.111
 */
export function parseTemperature(text: string, scale: 'C' | 'F'): number {
  const match = /^(-?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i.exec(text.trim());
  if (!match) throw new InputError(`“${text}” is not a temperature.`, 'Write it like 21 °C or 70 °F.');
  const degrees = Number(match[1]!.replace(',', '.'));
  const used = (match[2]?.toUpperCase() ?? scale) as 'C' | 'F';
  const tempC = toCelsius(degrees, used);
  if (tempC < -5 || tempC > 105)
    throw new InputError(
      `${text} ${used} is no temperature for a must.`,
      'Check whether °C or °F was meant.'
    );
  return tempC;
}

/**
 * Titratable acid as people say it: `6.2`, `6.2 g/L`, `0.62 %`, `4.1 g/L as sulphuric`. Said with its unit it
 * is taken as it stands; a bare number that looks ten times out is asked about.
 * @param most the highest that is no surprise, g/L: 20 for a must or wine, more for a sour juice
 * @returns g/L as tartaric
 * @throws InputError when it cannot be read, or asks which was meant
 * @example parseTitratable('0.62 %') // 6.2
 */
export function parseTitratable(text: string, most = 20): number {
  const say = 'Write it like 6.2 g/L or 0.62 %, and “as sulphuric” where it is.';
  const match = /^([\d.,]+)\s*(%|g\s*\/\s*l|g\/100\s*ml)?\s*(?:as\s+)?(tartaric|sulphuric|sulfuric)?$/i.exec(
    text.trim()
  );
  const value = match ? parseNumber(match[1]!) : null;
  if (!match || value === null) throw new InputError(`“${text}” is not an acid.`, say);
  const isPercent = match[2] && !/^g\s*\/\s*l$/i.test(match[2]);
  const asSulphuric = /^sul/i.test(match[3] ?? '');
  const gL = value * (isPercent ? 10 : 1) * (asSulphuric ? SULPHURIC_TO_TARTARIC : 1);
  if (gL > 100) throw new InputError(`${text} is more acid than any juice holds.`, say);
  if (!match[2] && value > 0 && gL < 1.5)
    throw new InputError(
      `${match[1]} g/L is next to no acid.`,
      `Did you mean ${match[1]} %, which is ${(gL * 10).toFixed(1)} g/L? Write the unit with it.`
    );
  if (!match[2] && gL > most)
    throw new InputError(
      `${match[1]} g/L is sharper than any wine.`,
      `Did you mean ${(gL / 10).toFixed(1)} g/L? Write the unit with it.`
    );
  return gL;
}

/** Grams as tartaric in a gram as sulphuric acid: 75.04 / 49.04. */
const SULPHURIC_TO_TARTARIC = 1.53;

/**
 * A pH, 1.5 to 9.
 * @throws InputError
 * @example parsePh('pH 3.4') // 3.4
 */
export function parsePh(text: string): number {
  const value = parseNumber(text.trim().replace(/^ph\s*/i, ''));
  if (value === null || value < 1.5 || value > 9)
    throw new InputError(
      `“${text}” is no pH of a must.`,
      value !== null && value >= 15 && value <= 90
        ? `Did you mean ${(value / 10).toFixed(1)}?`
        : 'Write it like 3.4.'
    );
  return value;
}

/**
 * A hydrometer or refractometer reading on any scale of the stem: `1.064`, `64`, `22 bx`, `12.5 %` potential
 * with `scale`, or a scale said with the number (`bx 22`, `pa 12.5`). A dry wine reads below nothing: `-1.5 bx`.
 * @param scale what a bare number is read on
 * @returns the scale and the figure on it; a gravity is already 1.xxx
 * @throws InputError as `parseGravity`, or when it is off the scale
 */
export function parseStem(
  text: string,
  scale: 'sg' | 'brix' | 'potential' = 'sg'
): { scale: 'sg' | 'brix' | 'potential'; reading: number } {
  const match =
    /^(?:(sg|°?\s*bx|°?\s*brix|pa|potential)\s*)?([-−–]?\s*[\d.,]+)\s*(°?\s*(?:bx|brix|b)|%(?:\s*(?:pa|potential))?|pa|potential|sg)?$/i.exec(
      text.trim()
    );
  if (!match) return { scale: 'sg', reading: parseGravity(text) };
  const said = `${match[1] ?? ''}${match[3] ?? ''}`.toLowerCase();
  const used = /b/.test(said) ? 'brix' : /pa|pot|%/.test(said) ? 'potential' : /sg/.test(said) ? 'sg' : scale;
  const figure = match[2]!.replace(/[−–]/, '-').replace(/\s/g, '');
  if (used === 'sg') return { scale: 'sg', reading: parseGravity(figure) };
  const size = parseNumber(figure.replace('-', ''));
  const reading = size === null ? null : figure.startsWith('-') ? -size : size;
  const [least, most] = used === 'brix' ? [-6, 80] : [-3, 25];
  const name = used === 'brix' ? '°Bx' : 'potential';
  if (reading === null)
    throw new InputError(`“${text}” is no reading.`, `Write ${name} as a number, such as 12.5.`);
  // A gravity on another scale is a slip of the eye, or of the scale that is chosen.
  if (reading > 0.97 && reading < 1.2 && /[.,]\d{3}$/.test(figure))
    throw new InputError(`${text} looks like a gravity.`, `Choose the gravity scale, or give ${name}.`);
  if (reading > most || reading < least)
    throw new InputError(
      `${text} is off the ${name} scale.`,
      `It runs from ${String(least).replace('-', '−')} to ${most}.`
    );
  return { scale: used, reading };
}
