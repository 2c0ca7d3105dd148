import { InputError } from './input-error';
import { isMassUnit, isVolumeUnit, L_PER, toBase, UNIT_LABEL, type Unit } from './measure';
import { figureAt, partAt, plainText, type Figure } from './number';

/**
 * Whose gallons, pints and bags of sugar: in a metric kitchen a gallon is asked about, for it may be either.
 */
export type Country = 'us' | 'uk' | 'metric';
/** What is counted. */
export type Counted = 'piece' | 'tablet' | 'packet' | 'bag' | 'tea-bag' | 'bottle';
export type AmountUnit = Unit | Counted;

/** What an amount is of: which of its measures have a known weight. */
export type Thing = {
  name: string;
  /** whether it goes by weight (kg) or by volume (L) */
  basis: 'mass' | 'volume';
  /** everything it is called, in small letters */
  words: string;
  /** grams in a litre filled, and where spoons are finer than that, in a level teaspoon */
  litreG?: number | null;
  teaspoonG?: number | null;
  cupG?: number | null;
  /** grams, or litres where it goes by volume, in each that is counted */
  each?: Partial<Record<Counted, number>>;
  /** kg in a litre of what goes by volume */
  kgPerL?: number;
};

/** An amount as it was read: kg or L of the thing, in the unit it was said in. */
export type Amount = {
  amount: number;
  unit: AmountUnit;
  /** kg of what goes by weight, L of what goes by volume */
  base: number;
  /** what was counted */
  count?: number;
  /** litres, where it was filled into a measure; kg, where it was weighed */
  saidL?: number;
  saidKg?: number;
};

type Measure =
  | { kind: 'unit'; unit: Unit; times: number }
  | { kind: 'count'; of: Counted }
  /** something that holds anything: what to ask */
  | { kind: 'vague'; word: string; ask: string };
type Part = { figure: Figure; n: number; measure: Measure | null; sign: 1 | -1; joined: boolean };
export type Said = { parts: Part[]; of: string };

const SAY = 'Write a number and a unit, such as 2.5 kg, 9 lb 4 oz or 1 US gal.';

const unit = (u: Unit, times = 1): Measure => ({ kind: 'unit', unit: u, times });
const count = (of: Counted): Measure => ({ kind: 'count', of });
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
  'handfuls?|pinch(?:es)?|dash(?:es)?|splash(?:es)?|glugs?|bunch(?:es)?|baskets?|punnets?|box(?:es)?|crates?|jars?|tins?|cans?|cartons?|demijohns?|carboys?|buckets?|jugs?|glass(?:es)?|mugs?|bowls?|spoons?|spoonfuls?|drops?|bushels?|pecks?|barrels?|trays?|nets?|sacks?|tonnes?|tons?|cwt|sprigs?|ladles?|scoops?|few|lot'
);
const HEAPED =
  /^(heaped|heaping|rounded|scant|generous|good|big)\s+(?=(?:tea|table|dessert)?spoon|tsp|tbsp|cup)/;

/** The measure that stands at the start, its length, or null. `raw` keeps the capitals. */
function measureAt(text: string, raw: string, country: Country): { measure: Measure; length: number } | null {
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

/** What a measure amounts to, for the order of `9 lb 4 oz`: kg or L; null where it is not a unit. */
const sizeOf = (m: Measure | null): number | null =>
  m?.kind === 'unit' ? m.times * toBase(1, m.unit) : null;

const ROUND = /^(?:about|approximately|approx\.?|roughly|around|circa|ca\.?|exactly|~|≈)\s*/;
const BOUND =
  /^(?:just\s+)?(?:over|under|nearly|almost|at\s+(?:least|most)|more\s+than|less\s+than|up\s+to|no\s+more\s+than|max(?:imum)?|min(?:imum)?)\b/;
const SOME = /^(?:some|several|lots?|plenty|loads|a\s+lot|a\s+few|a\s+little|a\s+bit)\b/;

/**
 * Splits what was said into its figures with their measures, and what it is of.
 * @throws InputError that asks, when it could mean two things or holds no amount
 */
export function sayAmount(text: string, country: Country = 'us'): Said {
  const clean = plainText(text)
    .replace(/[!?]+$/, '')
    .replace(/\s*\b(?:or so|approx\.?|each)\s*$/i, '');
  if (!clean) throw new InputError('There is no amount here.', SAY);
  let raw = clean.replace(/^i(?:'ve| have)?(?: got)?\s+/i, '');
  raw = raw.slice(ROUND.exec(raw.toLowerCase())?.[0].length ?? 0);
  let rest = raw.toLowerCase();
  const ask = (why: string, todo = SAY): never => {
    throw new InputError(why, todo);
  };
  if (BOUND.test(rest))
    ask(`“${text.trim()}” is a bound, not an amount.`, 'Say how much it is, as near as you know.');
  if (/^between\b/.test(rest)) ask(`“${text.trim()}” is two amounts.`, 'Say the one that is nearer.');
  if (SOME.test(rest)) ask(`“${text.trim()}” is no amount.`, 'How much is there? Weigh it, or count it.');

  const parts: Part[] = [];
  let [sign, joined]: [1 | -1, boolean] = [1, true];
  const skip = (n: number) => {
    raw = raw.slice(n);
    rest = rest.slice(n);
  };
  const eat = (pattern: RegExp): string | null => {
    const m = pattern.exec(rest);
    if (m) skip(m[0].length);
    return m?.[0] ?? null;
  };
  const number = (): Figure | null => {
    const found = figureAt(rest);
    if (found) skip(found.length);
    return found;
  };
  const measure = (): Measure | null => {
    const found = measureAt(rest, raw, country);
    if (found) skip(found.length);
    return found?.measure ?? null;
  };
  const starts = () => figureAt(rest.trimStart()) !== null;
  const isHolder = (m: Measure | null) =>
    m !== null && (m.kind === 'vague' || (m.kind === 'count' && m.of !== 'piece' && m.of !== 'tablet'));

  for (;;) {
    const first = number();
    if (!first) break;
    let figure = first;
    let times = 1;
    let of: Measure | null;
    if (/^\s*(?:x|\*|times)\s*/.test(rest) && !/^\s*x\s*(?:$|[^\d\s.,])/.test(rest)) {
      eat(/^\s*(?:x|\*|times)\s*/);
      times = first.n;
      if (!(times > 0)) ask(`“${text.trim()}” is nothing.`, 'Say how many there are.');
      figure = number() ?? ask(`“${text.trim()}” stops short.`, 'Give what is taken so many times.');
      of = measure();
    } else {
      of = measure();
      if (of === null && starts() && /^\s/.test(rest)) {
        // `two 5 lb bags`
        const [keepRaw, keepRest] = [raw, rest];
        eat(/^\s+/);
        const each = number()!;
        const what = measure();
        const holder = what && measure();
        if (isHolder(holder)) [times, figure, of] = [first.n, each, what];
        else [raw, rest] = [keepRaw, keepRest];
      } else if (isHolder(of) && /^\s*(?:of|at|with|,)?\s*(?=[\d.])/.test(rest)) {
        // `2 bags of 1 kg`
        eat(/^\s*(?:of|at|with|,)?\s*/);
        const each = number();
        const what = each && measure();
        if (!each || what?.kind !== 'unit') ask(`“${text.trim()}” is not clear.`, 'Write it as 2 x 1 kg.');
        [times, figure, of] = [first.n, each!, what!];
      } else if (of?.kind === 'unit') {
        const more = partAt(rest);
        if (more && !measureAt(rest.slice(more.length), raw.slice(more.length), country)) {
          skip(more.length);
          figure = { n: figure.n + more.part, length: 0 };
        }
      }
    }
    if (of?.kind === 'unit') {
      // What it came in says nothing more.
      const holder = measureAt(rest, raw, country);
      if (holder && isHolder(holder.measure) && /^\s/.test(rest)) skip(holder.length);
      const more = /^\s*(?:x|\*|times)\s*(\d+)(?![\d.,])/.exec(rest);
      if (more) {
        times *= Number(more[1]);
        skip(more[0].length);
      }
    }
    parts.push({ figure, n: figure.n * times, measure: of, sign, joined });
    if (times !== 1 && figure.other)
      parts.at(-1)!.figure = { ...figure, other: { ...figure.other, n: figure.other.n * times } };

    if (eat(/^\s*(?:\+|plus\b|&)\s*/) !== null) {
      if (!starts()) ask(`“${text.trim()}” stops short.`, 'Give what is added or taken off.');
      [sign, joined] = [1, true];
    } else if (
      /^\s*(?:-|minus\b|less\b)\s*/.test(rest) &&
      figureAt(rest.replace(/^\s*(?:-|minus|less)\s*/, ''))
    ) {
      eat(/^\s*(?:-|minus\b|less\b)\s*/);
      [sign, joined] = [-1, true];
    } else if (/^\s*(?:-|\+)\s*$/.test(rest))
      ask(`“${text.trim()}” stops short.`, 'Give what is added or taken off.');
    else if (/^\s*(?:to|or)\s+/.test(rest) && figureAt(rest.replace(/^\s*(?:to|or)\s+/, '')))
      ask(`“${text.trim()}” is two amounts.`, 'Say the one that is nearer.');
    else if (/^\s*and\s+/.test(rest) && figureAt(rest.replace(/^\s*and\s+/, ''))) {
      eat(/^\s*and\s+/);
      [sign, joined] = [1, true];
    } else if (/^\s*,?\s*[\d.]/.test(rest)) {
      eat(/^\s*,?\s*/);
      [sign, joined] = [1, false];
    } else break;
  }
  if (parts.length === 0) {
    // The name first: `rhubarb 3 lb`, `zest of 2 lemons`.
    const named = /^([a-z][a-z' -]*?)[\s,:]+(?=[\d.])(.*)$/.exec(rest);
    if (!named) return ask(`“${text.trim()}” is not an amount.`);
    const tail = sayAmount(raw.slice(raw.length - named[2]!.length), country);
    return { parts: tail.parts, of: `${named[1]!.replace(/\s+of$/, '')} ${tail.of}`.trim() };
  }
  const last = parts.at(-1)!;
  // A unit is one word; what stands behind it is the name of the thing.
  const of = rest
    .replace(/^[\s,.]+/, '')
    .replace(/^of\s+/, '')
    .replace(/[\s.]+$/, '');
  const isTea = parts.some((p) => p.measure?.kind === 'count' && p.measure.of === 'tea-bag');
  if (of && !/^[a-z]/.test(of)) ask(`“${text.trim()}” is not an amount.`);
  if (of && last.measure === null && last.joined === false) ask(`“${text.trim()}” is not clear.`);
  for (const [i, p] of parts.entries()) {
    if (p.measure?.kind === 'vague')
      throw new InputError(`“${p.measure.word}” holds anything.`, p.measure.ask);
    if (i === 0 || p.joined) continue;
    const [before, now] = [sizeOf(parts[i - 1]!.measure), sizeOf(p.measure)];
    if (now === null) ask(`“${text.trim()}” has a ${p.n} without its unit.`);
    const isPart =
      before !== null &&
      now! < before &&
      parts[i - 1]!.measure!.kind === 'unit' &&
      isMassUnit((parts[i - 1]!.measure as { unit: Unit }).unit) ===
        isMassUnit((p.measure as { unit: Unit }).unit);
    if (!isPart) ask(`“${text.trim()}” is two amounts.`, 'Put + between them if they belong together.');
  }
  // A tea bag names itself.
  return { parts, of: of || (isTea ? 'tea' : '') };
}

/** Which of the two `1,500` means, in this unit. @throws InputError that asks where either could be */
function settled(p: Part, unit: AmountUnit, text: string): number {
  const { other } = p.figure;
  if (!other) return p.n;
  const small = unit === 'g' || unit === 'mL';
  if (other.mark === ',' && small) return other.n * (p.n / p.figure.n || 1);
  if (other.mark === '.' ? !small : unit === 'kg' || unit === 'L') return p.n;
  throw new InputError(
    `“${text.trim()}” can be ${p.n} or ${other.n}.`,
    `Write ${String(p.n).replace(/0+$/, '')} or ${other.n}, with its unit.`
  );
}

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

/** Whether every word of `of` is a word of the thing, or only says how it is. */
export function isNamed(of: string, thing: Thing): boolean {
  const words = ` ${thing.words} `;
  return of
    .split(/[^a-z0-9'-]+/)
    .filter((w) => w && !HOW.has(w))
    .every((w) => words.includes(` ${w}`) || words.includes(` ${w.replace(/(ies|es|s)$/, '')}`));
}

/** Words that say how a thing is, or what part of it one has in hand, and change no weight. */
export const HOW: ReadonlySet<string> = new Set(
  'of the my own blood sour sweet unripe sharp fresh frozen thawed dried tinned canned ripe trimmed chopped sliced mashed crushed wild yellow golden red green white black blue purple dark large small medium big little whole peeled stoned pitted seedless washed foraged picked home-grown garden organic loose packed mixed old young good petals petal blossoms blossom flowers flower heads head flowerheads florets stalks stalk sticks stick fruit fruits berries leaves pieces piece tablets tablet tabs packets packet sachets sachet'.split(
    ' '
  )
);

/**
 * Reads an amount of a thing: `4.5 kg`, `9 lb 4 oz`, `2½ us gal`, `4 cups`, `3 tablets`, `2 x 5 L`, `1180 − 240 g`, or
 * a bare `3` in the unit that stands beside the field. Its own name may stand with it.
 * @param thing what it is of; null for a plain weight or volume
 * @param bare the unit of a number that has none; null asks
 * @param country of a bare gallon, quart, pint or fluid ounce
 * @returns the amount in the unit it was said in, and kg or L
 * @throws InputError that asks, wherever it is not sure
 * @example readAmount('9 lb 4 oz', null, 'kg').base // 4.196
 */
export function readAmount(
  text: string,
  thing: Thing | null,
  bare: AmountUnit | null,
  country: Country = 'us'
): Amount {
  return reckon(sayAmount(text, country), text, thing, bare);
}

/** The same from what was said already. @throws InputError as `readAmount` */
export function reckon(said: Said, text: string, thing: Thing | null, bare: AmountUnit | null): Amount {
  const { parts, of } = said;
  if (of && !(thing && isNamed(of, thing)))
    throw new InputError(
      thing
        ? `“${of}” is no unit, and not ${thing.name.toLowerCase()}.`
        : `“${of}” is not a unit of weight or volume.`,
      thing ? `Give an amount of ${thing.name.toLowerCase()} here.` : SAY
    );
  // In a sum, a bare number takes the unit said next, else the one before; with a name alone, it is counted.
  const counted: AmountUnit | null =
    of && thing?.each?.piece ? 'piece' : of && thing?.each?.tablet ? 'tablet' : null;
  const unitOf = (p: Part): { unit: AmountUnit; times: number } | null =>
    p.measure?.kind === 'unit'
      ? { unit: p.measure.unit, times: p.measure.times }
      : p.measure?.kind === 'count'
        ? { unit: p.measure.of, times: 1 }
        : null;
  const unitAt = (i: number) => {
    const found =
      unitOf(parts[i]!) ??
      parts
        .slice(i + 1)
        .map(unitOf)
        .find((u) => u) ??
      parts
        .slice(0, i)
        .map(unitOf)
        .findLast((u) => u) ??
      (counted || bare ? { unit: (counted ?? bare)!, times: 1 } : null);
    if (!found)
      throw new InputError(
        `“${text.trim()}” has no unit.`,
        thing?.each?.piece ? 'Are they counted, or is it a weight? Write pieces, kg or lb with it.' : SAY
      );
    if (of && !parts[i]!.measure && !counted && parts.length === 1)
      throw new InputError(
        `I do not know what a piece of ${thing!.name.toLowerCase()} weighs.`,
        'Weigh it: give kg, g, lb or oz.'
      );
    return found;
  };
  let [base, saidKg, saidL, n] = [0, 0, 0, 0];
  const kinds = new Set<string>();
  const units = parts.map((_, i) => unitAt(i));
  for (const [i, p] of parts.entries()) {
    const { unit, times } = units[i]!;
    const amount = p.sign * settled(p, unit, text) * times;
    kinds.add(isMassUnit(unit) ? 'mass' : isVolumeUnit(unit) ? 'volume' : unit);
    if (!thing && kinds.size > 1)
      throw new InputError(`“${text.trim()}” mixes weight and volume.`, 'Enter them as two lines.');
    base += amount * eachOf(unit, thing);
    if (isMassUnit(unit)) saidKg += toBase(amount, unit);
    else if (isVolumeUnit(unit)) saidL += toBase(amount, unit);
    else n += amount;
  }
  if (base < 0 || !Number.isFinite(base))
    throw new InputError(
      `“${text.trim()}” comes to less than nothing.`,
      'Give the fuller weighing first, or say which of the two it is.'
    );
  const unit = units[0]!.unit;
  return {
    amount: base / eachOf(unit, thing),
    unit,
    base,
    ...(kinds.size === 1 && n ? { count: n } : {}),
    ...(kinds.size === 1 && saidL ? { saidL } : {}),
    ...(kinds.size === 1 && saidKg ? { saidKg } : {})
  };
}
