import { remembered } from './remembered';
import { InputError } from './input-error';
import { isMassUnit, toBase, type Unit } from './measure';
import { figureAt, partAt, plainText, type Figure } from './number';
import { type Country, type Counted, type AmountUnit, type Measure, SAY, measureAt } from './words';

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

export type Part = { figure: Figure; n: number; measure: Measure | null; sign: 1 | -1; joined: boolean };

export type Said = { parts: readonly Part[]; of: string };

/** What a measure amounts to, for the order of `9 lb 4 oz`: kg or L; null where it is not a unit. */
const sizeOf = (m: Measure | null): number | null =>
  m?.kind === 'unit' ? m.times * toBase(1, m.unit) : null;

const ROUND = /^(?:(?:about|approximately|approx\.?|roughly|around|circa|ca\.?|exactly)(?![a-z])|~|≈)\s*/;

const BOUND =
  /^(?:just\s+)?(?:over|under|nearly|almost|at\s+(?:least|most)|more\s+than|less\s+than|up\s+to|no\s+more\s+than|max(?:imum)?|min(?:imum)?)\b/;

const SOME = /^(?:some|several|lots?|plenty|loads|a\s+lot|a\s+few|a\s+little|a\s+bit)\b/;

/** What was said of each of the last texts, or why it is no amount: a line's pieces are tried in many ways. */
const tried = remembered((key): Said | InputError => {
  const end = key.indexOf('\n');
  const [country, text] = [key.slice(0, end) as Country, key.slice(end + 1)];
  try {
    return splitAmount(text, country);
  } catch (e) {
    if (e instanceof InputError) return e;
    throw e;
  }
}, 200);

/** As `sayAmount`, with the error handed back. */
export const tryAmount = (text: string, country: Country = 'us'): Said | InputError =>
  tried(`${country}\n${text}`);

/**
 * Splits what was said into its figures with their measures, and what it is of.
 * @throws InputError that asks, when it could mean two things or holds no amount
 */
export function sayAmount(text: string, country: Country = 'us'): Said {
  const said = tryAmount(text, country);
  if (said instanceof InputError) throw said;
  return said;
}

function splitAmount(text: string, country: Country): Said {
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
