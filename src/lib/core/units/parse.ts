import { InputError } from './input-error';
import { isMassUnit, isVolumeUnit, toBase, type Unit } from './measure';

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅒': '1/10'
};
const PLAIN = String.raw`\d+(?:[.,]\d+)?|[.,]\d+`;
const NUMBER = String.raw`(?:\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|${PLAIN})`;

/**
 * A number as people write it: `1.5`, `1,5`, `.5`, `1/2`, `2 1/2`, `2½`.
 * @returns the number, or null when the text is something else
 */
export function parseNumber(text: string): number | null {
  const plain = text.replace(/[½¼¾⅓⅔⅛⅒]/g, (c) => ` ${VULGAR[c]}`).trim();
  const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(plain);
  if (fraction) {
    const [, whole, top, bottom] = fraction;
    return Number(bottom) === 0 ? null : Number(whole ?? 0) + Number(top) / Number(bottom);
  }
  return new RegExp(`^(?:${PLAIN})$`).test(plain) ? Number(plain.replace(',', '.')) : null;
}

const COUNTRY: [RegExp, 'us' | 'uk'][] = [
  [/^(us|u\.s\.|american)\b\.?\s*/, 'us'],
  [/^(uk|u\.k\.|imp|imperial|british)\b\.?\s*/, 'uk']
];
const SIMPLE: [RegExp, Unit][] = [
  [/^(kg|kgs|kilo|kilos|kilogram|kilograms|kilogramme|kilogrammes)$/, 'kg'],
  [/^(g|gr|gm|gms|gram|grams|gramme|grammes)$/, 'g'],
  [/^(lb|lbs|pound|pounds)$/, 'lb'],
  [/^(oz|ounce|ounces)$/, 'oz'],
  [/^(l|lt|ltr|litre|litres|liter|liters)$/, 'L'],
  [/^(ml|millilitre|millilitres|milliliter|milliliters|cc)$/, 'mL'],
  [/^(cup|cups)$/, 'cup'],
  [/^(tbsp|tbs|tablespoon|tablespoons)$/, 'tbsp'],
  [/^(tsp|teaspoon|teaspoons)$/, 'tsp']
];
const COUNTRIED: [RegExp, 'gal' | 'qt' | 'pt' | 'floz'][] = [
  [/^(gal|gals|gallon|gallons)$/, 'gal'],
  [/^(qt|qts|quart|quarts)$/, 'qt'],
  [/^(pt|pts|pint|pints)$/, 'pt'],
  [/^(fl\s*oz|floz|fluid\s+ounces?)$/, 'floz']
];

/**
 * A unit from its spoken or written name. A bare gallon, quart, pint or fluid ounce takes `country`.
 * @returns null when the word is no unit
 */
export function parseUnit(word: string, country: 'us' | 'uk' = 'us'): Unit | null {
  let rest = word.trim().toLowerCase().replace(/\.$/, '');
  let land = country;
  for (const [pattern, code] of COUNTRY) {
    if (pattern.test(rest)) {
      rest = rest.replace(pattern, '');
      land = code;
    }
  }
  const simple = SIMPLE.find(([p]) => p.test(rest));
  if (simple) return simple[1];
  const countried = COUNTRIED.find(([p]) => p.test(rest));
  return countried ? (`${land}-${countried[1]}` as Unit) : null;
}

export type Quantity = { amount: number; unit: Unit; base: number };

/**
 * An amount with its unit, such as `4.5 kg`, `9 lb 4 oz`, `2½ us gal` or a bare `3` in `fallback`.
 * Weighings add and subtract: `2.8 + 2.9 kg`, or a jar before and after, `1180 - 240 g`.
 * @param text what was typed
 * @param fallback the unit of a bare number
 * @returns amount in its own unit, and `base` in kg (mass) or L (volume)
 * @throws InputError when there is no number, an unknown unit, mass and volume together, or less than nothing
 * @example parseQuantity('9 lb 4 oz', 'kg').base // 4.196
 */
export function parseQuantity(text: string, fallback: Unit, country: 'us' | 'uk' = 'us'): Quantity {
  const say = 'Write a number and a unit, such as 2.5 kg, 9 lb 4 oz or 1 US gal.';
  const clean = text.replace(/[½¼¾⅓⅔⅛⅒]/g, (c) => ` ${VULGAR[c]}`).trim();
  if (!clean) throw new InputError('There is no amount here.', say);
  const part = new RegExp(`(${NUMBER})\\s*([a-zA-Z][a-zA-Z. ]*)?`, 'gy');
  const found: { amount: number; unit: Unit | null; sign: 1 | -1; joined: boolean }[] = [];
  let [at, sign, joined] = [0, 1 as 1 | -1, true];
  while (at < clean.length) {
    part.lastIndex = at;
    const match = part.exec(clean);
    const amount = match && parseNumber(match[1]!);
    if (!match || amount === null) throw new InputError(`“${text}” is not an amount.`, say);
    const word = match[2]?.trim();
    const unit = word ? parseUnit(word, country) : null;
    if (word && !unit) throw new InputError(`“${word}” is not a unit of weight or volume.`, say);
    found.push({ amount, unit, sign, joined });
    at = part.lastIndex;
    const between = /^[\s,+\-−–]*/.exec(clean.slice(at))![0];
    at += between.length;
    sign = /[-−–]/.test(between) ? -1 : 1;
    joined = /[-−–+]/.test(between);
    if (at >= clean.length && joined && between.trim())
      throw new InputError(`“${text}” stops short.`, 'Give what is added or taken off.');
  }
  const bare = found.find((f, i) => i > 0 && f.unit === null && !f.joined);
  if (bare) throw new InputError(`“${text}” has a ${bare.amount} without its unit.`, say);
  // In a sum, a bare number takes the unit said next, else the one before.
  const said = (i: number): Unit =>
    found[i]!.unit ??
    found.slice(i + 1).find((f) => f.unit)?.unit ??
    found.slice(0, i).findLast((f) => f.unit)?.unit ??
    fallback;
  const parts = found.map((f, i) => ({ ...f, unit: said(i) }));
  const first = parts[0]!;
  const kinds = new Set(parts.map((f) => isMassUnit(f.unit)));
  if (kinds.size > 1) throw new InputError(`“${text}” mixes weight and volume.`, 'Enter them as two lines.');
  const base = parts.reduce((sum, f) => sum + f.sign * toBase(f.amount, f.unit), 0);
  if (base < 0)
    throw new InputError(`“${text}” comes to less than nothing.`, 'Give the fuller weighing first.');
  return parts.length === 1
    ? { amount: first.amount, unit: first.unit, base }
    : { amount: base / toBase(1, first.unit), unit: first.unit, base };
}

/** A quantity that must be a weight (`kg`) or a volume (`L`). @throws InputError when it is the other */
export function parseAs(
  kind: 'mass' | 'volume',
  text: string,
  fallback: Unit,
  country: 'us' | 'uk' = 'us'
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

/** A temperature with or without its scale: `21`, `21c`, `70 F`, `70°F`. @throws InputError */
export function parseTemperature(text: string, scale: 'C' | 'F'): number {
  const match = /^(-?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i.exec(text.trim());
  if (!match) throw new InputError(`“${text}” is not a temperature.`, 'Write it like 21 °C or 70 °F.');
  const degrees = Number(match[1]!.replace(',', '.'));
  const used = (match[2]?.toUpperCase() ?? scale) as 'C' | 'F';
  const tempC = used === 'F' ? ((degrees - 32) * 5) / 9 : degrees;
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

/** A pH, 1.5 to 9. @throws InputError */
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
 * with `scale`, or a scale said with the number (`bx 22`, `pa 12.5`).
 * @param scale what a bare number is read on
 * @returns the scale and the figure on it; a gravity is already 1.xxx
 * @throws InputError as `parseGravity`, or when it is off the scale
 */
export function parseStem(
  text: string,
  scale: 'sg' | 'brix' | 'potential' = 'sg'
): { scale: 'sg' | 'brix' | 'potential'; reading: number } {
  const match = /^(?:(sg|bx|brix|pa|potential)\s*)?([\d.,]+)\s*(°?\s*(?:bx|brix)|%|pa|sg)?$/i.exec(
    text.trim()
  );
  if (!match) return { scale: 'sg', reading: parseGravity(text) };
  const said = `${match[1] ?? ''}${match[3] ?? ''}`.toLowerCase();
  const used = /b/.test(said) ? 'brix' : /pa|pot|%/.test(said) ? 'potential' : /sg/.test(said) ? 'sg' : scale;
  if (used === 'sg') return { scale: 'sg', reading: parseGravity(match[2]!) };
  const reading = parseNumber(match[2]!);
  const most = used === 'brix' ? 80 : 25;
  if (reading === null || reading > most)
    throw new InputError(
      `${text} is off the ${used === 'brix' ? '°Bx' : 'potential'} scale.`,
      `It runs from 0 to ${most}.`
    );
  return { scale: used, reading };
}
