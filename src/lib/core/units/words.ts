import { InputError } from './input-error';
import type { Unit } from './measure';

/**
 * Whose gallons, pints and bags of sugar: in a metric kitchen a gallon is asked about, for it may be either.
 */
export type Country = 'us' | 'uk' | 'metric';

/** What is counted. */
export type Counted = 'piece' | 'tablet' | 'packet' | 'bag' | 'tea-bag' | 'bottle';

export type AmountUnit = Unit | Counted;

export type Measure =
  | { kind: 'unit'; unit: Unit; times: number }
  | { kind: 'count'; of: Counted }
  /** something that holds anything: what to ask */
  | { kind: 'vague'; word: string; ask: string };

export const SAY = 'Write a number and a unit, such as 2.5 kg, 9 lb 4 oz or 1 US gal.';

export const unit = (u: Unit, times = 1): Measure => ({ kind: 'unit', unit: u, times });

export const count = (of: Counted): Measure => ({ kind: 'count', of });

/** A word at the start, not the start of a longer one. */
const word = (pattern: string) => new RegExp(`^(?:${pattern})\\.?(?![a-z²³])`);

const SIMPLE: [RegExp, Measure][] = [
  [word('kgs?|kilos?|kilogram(?:me)?s?'), unit('kg')],
  [word('g|grs?|gms?|gram(?:me)?s?'), unit('g')],
  [word('mgs?|milligram(?:me)?s?'), unit('g', 1e-3)],
  [/^#/, unit('lb')],
  [word('lbs?|pounds?'), unit('lb')],
  [word('st|stones?'), unit('lb', 14)],
  [word('l|lt|lts|ltrs?|lit(?:re|er)s?'), unit('L')],
  [word('mls?|millilit(?:re|er)s?|cc'), unit('mL')],
  [word('cls?|centilit(?:re|er)s?'), unit('mL', 10)],
  [word('dls?|decilit(?:re|er)s?'), unit('mL', 100)],
  [word('hls?|hectolit(?:re|er)s?'), unit('L', 100)],
  [word('c|cups?|cupfuls?|cupsful'), unit('cup')],
  [word('tbsps?|tbs|tblsps?|tablespoons?|tablespoonfuls?'), unit('tbsp')],
  [word('dsps?|dstsps?|dsrtsps?|dessertspoons?|dessertspoonfuls?'), unit('tsp', 2)],
  [word('tsps?|teaspoons?|teaspoonfuls?'), unit('tsp')],
  [word('tea[\\s-]*bags?'), count('tea-bag')],
  [word('tablets?|tabs?'), count('tablet')],
  [word('packets?|pkts?|pkgs?|packages?|sachets?|packs?'), count('packet')],
  [word('bags?'), count('bag')],
  [word('bottles?'), count('bottle')],
  [word('pieces?|pcs?|(?:flower[\\s-]*)?heads?|umbels?|whole|of\\s+them|stalks?|cobs?|ears?'), count('piece')]
];

const COUNTRIED: [RegExp, 'gal' | 'qt' | 'pt' | 'floz'][] = [
  [word('gals?|gallons?'), 'gal'],
  [word('qts?|quarts?'), 'qt'],
  [word('pts?|pints?'), 'pt'],
  [/^(?:fl\.?\s*oz|floz|fl\.?\s+ounces?|fluid\s+(?:ounces?|oz))\.?(?![a-z])/, 'floz']
];

const OUNCE = word('oz|ozs|ounces?');

const LAND: [RegExp, Country][] = [
  [/^(?:us|u\.s\.?|american)(?=[\s.-])[\s.-]*/, 'us'],
  [/^(?:uk|u\.k\.?|imp|imperial|british)(?=[\s.-])[\s.-]*/, 'uk']
];

const LAND_AFTER = /^\s*\(?\s*(us|u\.s\.|american|uk|u\.k\.|imp|imperial|british)\s*\)?(?![a-z])/;

/** Words for what holds anything. */
const VAGUE = word(
  '(?:carrier|shopping|plastic|paper)[\\s-]*bags?|bagfuls?|squirts?|handfuls?|pinch(?:es)?|dash(?:es)?|splash(?:es)?|glugs?|bunch(?:es)?|baskets?|punnets?|box(?:es)?|crates?|jars?|tins?|cans?|cartons?|demijohns?|carboys?|buckets?|jugs?|glass(?:es)?|mugs?|bowls?|spoons?|spoonfuls?|drops?|bushels?|pecks?|barrels?|trays?|nets?|sacks?|tonnes?|tons?|cwt|sprigs?|ladles?|scoops?|few|lot'
);

const HEAPED =
  /^(heaped|heaping|rounded|scant|generous|good|big)\s+(?=(?:tea|table|dessert)?spoon|tsp|tbsp|cup)/;

/** The measure that stands at the start, its length, or null. `raw` keeps the capitals. */
export function measureAt(
  text: string,
  raw: string,
  country: Country
): { measure: Measure; length: number } | null {
  const lead = /^\s*-?\s*(?:(?:level|flat|struck)\s+)?/.exec(text)![0].length;
  let rest = text.slice(lead);
  const heaped = HEAPED.exec(rest);
  if (heaped)
    throw new InputError(
      `A ${heaped[1]} spoon or cup holds more or less.`,
      'Level it and count again, or weigh it.'
    );
  // In recipes a capital T is a tablespoon; too many a wine was spoilt by taking it so.
  if (/^[Tt](?![a-zA-Z])/.test(raw.slice(lead)))
    throw new InputError(
      '“t” can be a teaspoon or a tablespoon, which is three of them.',
      'Write tsp or tbsp.'
    );
  let at = lead;
  let land: Country = country;
  for (const [pattern, code] of LAND) {
    const m = pattern.exec(rest);
    if (m) {
      at += m[0].length;
      rest = rest.slice(m[0].length);
      land = code;
    }
  }
  for (const [pattern, which] of COUNTRIED) {
    const m = pattern.exec(rest);
    if (!m) continue;
    const after = LAND_AFTER.exec(rest.slice(m[0].length));
    if (after) land = /^(us|u\.s|am)/.test(after[1]!) ? 'us' : 'uk';
    if (land === 'metric')
      throw new InputError(
        `A ${{ gal: 'gallon', qt: 'quart', pt: 'pint', floz: 'fluid ounce' }[which]} is not the same everywhere.`,
        'Write US or UK with it, such as 1 US gal.'
      );
    return { measure: unit(`${land}-${which}` as Unit), length: at + m[0].length + (after?.[0].length ?? 0) };
  }
  const ounce = OUNCE.exec(rest);
  if (ounce) return { measure: unit('oz'), length: at + ounce[0].length };
  for (const [pattern, measure] of SIMPLE) {
    const m = pattern.exec(rest);
    if (m) return { measure, length: at + m[0].length };
  }
  const vague = VAGUE.exec(rest);
  if (!vague) return null;
  const said = vague[0].replace(/\.$/, '');
  const ask = /^spoon/.test(said)
    ? 'A teaspoon or a tablespoon? Write tsp or tbsp, level.'
    : `How much is that? Weigh it, or say how much one ${said.replace(/(?<=x|ch|sh|ss)es$|s$/, '')} holds, such as 2 x 500 g.`;
  return { measure: { kind: 'vague', word: said, ask }, length: at + vague[0].length };
}
