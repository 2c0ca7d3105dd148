/** Vulgar fractions as they are typed on a phone. */
const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅒': '1/10'
};

/** Text with its fractions, spaces, dashes and signs written one way. */
export const plainText = (text: string): string =>
  text
    .replace(/[½¼¾⅓⅔⅛⅜⅝⅞⅕⅖⅗⅘⅙⅚⅒]/g, (c) => ` ${VULGAR[c]}`)
    .replace(/\u2044/g, '/')
    .replace(/[\u00a0\u2000-\u200a\u202f\t]/g, ' ')
    .replace(/[\u2010-\u2015\u2212]/g, '-')
    .replace(/[×✕]/g, 'x')
    .replace(/[\u2018\u2019]/g, "'")
    .trim();

/**
 * A figure found at the start of a text. `other` is what it may mean too: `1,500` is one and a half, or fifteen
 * hundred; `mark` is what stands between.
 */
export type Figure = { n: number; other?: { n: number; mark: ',' | '.' }; length: number };

const UNITS =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' '
  );
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
const UNIT = `(?:${UNITS.join('|')})`;
const TEN = `(?:${TENS.join('|')})`;
/** Parts of one, said in words, with what follows them: `half a`, `three quarters of a`. */
const PARTS: [RegExp, number][] = [
  [/^(?:half\s+a\s+dozen|half\s+dozen)\b/, 6],
  [/^half(?:\s+of)?(?:\s+an?)?\b/, 0.5],
  [/^(?:an?|one)\s+half(?:\s+of)?(?:\s+an?)?\b/, 0.5],
  [/^three[\s-]+quarters?(?:\s+of)?(?:\s+an?)?\b/, 0.75],
  [/^(?:an?\s+|one\s+)?quarter(?:\s+of)?(?:\s+an?)?\b/, 0.25],
  [/^two[\s-]+thirds?(?:\s+of)?(?:\s+an?)?\b/, 2 / 3],
  [/^(?:an?\s+|one\s+)?third(?:\s+of)?(?:\s+an?)?\b/, 1 / 3],
  [/^(?:an?\s+|one\s+)?eighth(?:\s+of)?(?:\s+an?)?\b/, 1 / 8],
  [/^an?\s+(?:couple|pair)(?:\s+of)?\b/, 2]
];

const HUNDRED = new RegExp(`^(an?|${UNIT})\\s+hundred(?:\\s+and\\s+(${TEN}(?:[\\s-]+${UNIT})?|${UNIT})\\b)?`);
const IN_WORDS = new RegExp(`^(?:${TEN}(?:[\\s-]+${UNIT})?|${UNIT})\\b`);
const ANYWHERE = new RegExp(`\\d|\\b(?:an?|half|quarter|third|eighth|${TEN}|${UNIT})\\b`, 'i');

/** Whether a plain text could hold a figure at all, in digits or in words. */
export const mayHoldFigure = (text: string): boolean => ANYWHERE.test(text);

/** A number in words at the start: `twelve`, `twenty-five`, `two hundred`, `half a`, `a dozen`, `a`. */
function wordAt(text: string): Figure | null {
  if (!/^[a-z]/.test(text)) return null;
  for (const [pattern, n] of PARTS) {
    const m = pattern.exec(text);
    if (m) return { n, length: m[0].length };
  }
  const small = (word: string) => {
    const [ten, unit] = word.split(/[\s-]+/);
    const t = TENS.indexOf(ten!);
    return t >= 0 ? 20 + 10 * t + (unit ? UNITS.indexOf(unit) : 0) : UNITS.indexOf(word);
  };
  const hundred = HUNDRED.exec(text);
  if (hundred) {
    const many = hundred[1]!.startsWith('a') ? 1 : small(hundred[1]!);
    return { n: 100 * many + (hundred[2] ? small(hundred[2]) : 0), length: hundred[0].length };
  }
  const said = IN_WORDS.exec(text);
  if (said) {
    const dozen = /^\s+dozen\b/.exec(text.slice(said[0].length));
    return { n: small(said[0]) * (dozen ? 12 : 1), length: said[0].length + (dozen?.[0].length ?? 0) };
  }
  const one = /^an?(?:\s+dozen)?\b/.exec(text);
  return one ? { n: one[0].endsWith('dozen') ? 12 : 1, length: one[0].length } : null;
}

const grouped = (text: string, mark: RegExp): number => Number(text.replace(mark, '').replace(',', '.'));

/** A figure at the start, in digits: fractions, points or commas, thousands by comma, point, space or apostrophe. */
function digitsAt(text: string): Figure | null {
  const mixed = /^(?:(\d+)(?:\s+|-))?(\d+)\s*\/\s*(\d+)/.exec(text);
  if (mixed) {
    const [whole, whole1, top, bottom] = mixed;
    return Number(bottom) === 0
      ? null
      : { n: Number(whole1 ?? 0) + Number(top) / Number(bottom), length: whole.length };
  }
  const as = (pattern: RegExp, n: (s: string) => number): Figure | null => {
    const m = pattern.exec(text);
    return m ? { n: n(m[0]), length: m[0].length } : null;
  };
  const long =
    as(/^\d{1,3}(?:,\d{3})+\.\d+/, (s) => Number(s.replace(/,/g, ''))) ??
    as(/^\d{1,3}(?:,\d{3}){2,}(?![\d.,])/, (s) => Number(s.replace(/,/g, ''))) ??
    as(/^\d{1,3}(?:\.\d{3})+,\d+/, (s) => grouped(s, /\./g)) ??
    as(/^\d{1,3}(?:\.\d{3}){2,}(?![\d.,])/, (s) => Number(s.replace(/\./g, ''))) ??
    as(/^[1-9]\d{0,2}(?:[ ']\d{3})+(?:[.,]\d+)?(?!\d)/, (s) => grouped(s, /[ ']/g));
  if (long) return long;
  const either = /^([1-9]\d{0,2})([.,])(\d{3})(?!\d)/.exec(text);
  const plain = /^(?:\d+(?:[.,]\d+)?|[.,]\d+)/.exec(text);
  if (!plain) return null;
  const dangling = /^\.(?=\s|$)/.exec(text.slice(plain[0].length)) ? 1 : 0;
  if (!dangling && /^[.,]*\d|^[.,]{2}|^\.[^\s]/.test(text.slice(plain[0].length))) return null;
  return {
    n: Number(plain[0].replace(',', '.')),
    length: plain[0].length + dangling,
    ...(either ? { other: { n: Number(either[1]! + either[3]!), mark: either[2] as ',' | '.' } } : {})
  };
}

/** `and a half`, `and a quarter` behind a number or its unit: the part, and how long it is; null when none stands there. */
export function partAt(text: string): { part: number; length: number } | null {
  const m = /^\s+and\s+(?:a\s+)?(half|quarter|third)\b(?!\s+(?:of|an?)\b)/.exec(text);
  return m ? { part: { half: 0.5, quarter: 0.25, third: 1 / 3 }[m[1] as 'half'], length: m[0].length } : null;
}

/**
 * The figure at the start of a plain, lower-case text, in digits or in words, with `and a half` behind it.
 * @returns null when no number stands there
 */
export function figureAt(text: string): Figure | null {
  const found = digitsAt(text) ?? wordAt(text);
  if (!found) return null;
  const more = partAt(text.slice(found.length));
  return more ? { n: found.n + more.part, length: found.length + more.length } : found;
}

/**
 * A number as people write it: `1.5`, `1,5`, `.5`, `1/2`, `2 1/2`, `2½`, `1-1/2`.
 * @returns the number, or null when the text is something else
 * @example parseNumber('1½') // 1.5
 */
export function parseNumber(text: string): number | null {
  const plain = plainText(text);
  const found = digitsAt(plain);
  return found?.length === plain.length && plain !== '' ? found.n : null;
}
