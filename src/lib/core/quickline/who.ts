import { once } from '../maths/once';
import { remembered } from '../units/remembered';
import { startsWithUnit, type Context, type Piece, type Wine } from './context';
import { isNear } from './spelling';

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9 ]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Words before and after a name that only say that it is one. */
const BEFORE = '(?:\\b(?:in|into|to|of|for|with|from|on|at)\\s+)?(?:\\b(?:the|my|our)\\s+)?';
const AFTER = "(?:'s)?(?:\\s+(?:wine|batch|must|mead|cider))?\\s*:?";
/** Names of one word that are shorter are not looked for when misspelt. */
const LEAST = 6;
/** Words of a name that name nothing alone. */
const COMMON = new Set(['the', 'and', 'wine', 'mead', 'cider', 'with', 'of', 'my', 'first', 'second']);

/** Patterns that are kept; names come and go. */
const kept = remembered((source) => new RegExp(source), 2000);

/** An amount that is weighed, right before a name. */
const OF_A_THING =
  /[\d½¼¾]\s*(?:kgs?|kilos?|g|grams?|lbs?|pounds?|oz|ounces?)\s+(?:of\s+)?(?:(?:frozen|fresh|ripe|dried|wild|red|black|white|my|the)\s+)*$/;

/** Takes a word or a name out, with what stands about it. */
function cut(p: Piece, name: string): boolean {
  if (!p.text.includes(name)) return false;
  const m = kept(`${BEFORE}\\b${escaped(name)}(?:s|es)?\\b${AFTER}`).exec(p.text);
  // So much of it is a thing, and no wine.
  if (!m || OF_A_THING.test(p.text.slice(0, m.index + (/^of\s/.exec(m[0])?.[0].length ?? 0)))) return false;
  p.text = `${p.text.slice(0, m.index)} , ${p.text.slice(m.index + m[0].length)}`;
  return true;
}

const longestFirst = once((vessels: Context['vessels']) =>
  [...vessels].sort((a, b) => b.name.length - a.name.length)
);

/** Takes a vessel of the household that a piece names out of it; undefined where it names none. */
export function takeVessel(
  p: Piece,
  { vessels }: Pick<Context, 'vessels'>
): Context['vessels'][number] | undefined {
  return longestFirst(vessels).find(({ name }) => {
    const text = name.toLowerCase();
    if (text.length < 3 || !p.text.includes(text)) return false;
    const m = kept(
      `(?:\\b(?:in|into|to|of|for|from|on|at|out of)\\s+)?(?:\\b(?:the|my|our)\\s+)?(?<![\\d.,])\\b${escaped(text)}(?![\\w])\\s*:?`
    ).exec(p.text);
    if (!m) return false;
    p.text = `${p.text.slice(0, m.index)} , ${p.text.slice(m.index + m[0].length)}`;
    return true;
  });
}

/** Wines with their names in plain letters and the words that name them alone, the longest name first. */
const namedWines = once((wines: readonly Wine[]) =>
  wines
    .map((wine) => ({ wine, name: plain(wine.name) }))
    .filter((w) => w.name !== '')
    .map((w) => ({ ...w, words: w.name.split(' ').filter((x) => !COMMON.has(x) && x.length >= 3) }))
    .sort((a, b) => b.name.length - a.name.length)
);

/**
 * Takes the wine that a piece names out of it: by its whole name, else by a word that is in the names of few.
 * @returns those it can be; none where it names none
 */
export function takeWho(p: Piece, { wines }: Pick<Context, 'wines'>): Wine[] {
  const names = namedWines(wines);
  const ofName = (name: string) => names.filter((w) => w.name === name).map((w) => w.wine);
  // One that stands first is spoken of, whatever else is named.
  const first = names.find(({ name }) =>
    kept(`^\\W*(?:the\\s+|my\\s+|our\\s+)?${escaped(name)}(?:s|es)?\\b`).test(p.text)
  )?.name;
  if (first && cut(p, first)) return ofName(first);
  for (const { name } of names) if (cut(p, name)) return ofName(name);
  for (const word of p.text.match(/[a-z]{3,}/g) ?? []) {
    if (COMMON.has(word)) continue;
    const bare = word.replace(/(es|s)$/, '');
    const those = names.filter((n) => n.words.some((w) => w === word || w === bare));
    const near =
      those.length > 0
        ? those
        : names.filter((n) => n.words.some((w) => w.length >= LEAST && isNear(w, word)));
    if (near.length > 0 && cut(p, word)) return near.map((n) => n.wine);
  }
  return [];
}

/** The length of a wine's whole name at the head of a text, with what stands before and behind it; 0 where none is. */
export function nameAtHead(text: string, { wines }: Pick<Context, 'wines'>): number {
  for (const { name } of namedWines(wines)) {
    const m = kept(`^\\W*(?:the\\s+|my\\s+|our\\s+)?${escaped(name)}(?:s|es)?\\b${AFTER}\\s*`).exec(text);
    if (m) return m[0].length;
  }
  return 0;
}

/**
 * Wines of one name, told apart by a number, the oldest first: *plum 1*, *plum 2*. The name alone is then asked about.
 * @example numbered([{ name: 'Plum' }, { name: 'Plum' }, { name: 'Quince' }]).map((w) => w.name) // ['Plum 1', 'Plum 2', 'Quince']
 */
export function numbered<T extends { name: string }>(wines: readonly T[]): T[] {
  const taken = new Set(wines.map((w) => plain(w.name)));
  const isTwice = (w: T) => wines.filter((x) => plain(x.name) === plain(w.name)).length > 1;
  return wines.map((w) => {
    if (!isTwice(w)) return w;
    let n = 1;
    while (taken.has(plain(`${w.name} ${n}`))) n += 1;
    const name = `${w.name} ${n}`;
    taken.add(plain(name));
    return { ...w, name };
  });
}

/** Each wine once, though a line may call it by two names. */
export const eachOnce = (wines: readonly Wine[]): Wine[] =>
  wines.filter((w, i) => wines.findIndex((x) => x.id === w.id) === i);

/** Behind a number: it counts or measures something, and is no part of a name. */
const COUNTS = /^\s*(?:bottles?|days?|weeks?|months?|[x%°cf](?![a-z]))/;

/**
 * A line in which names with a number in them, *Plum 2025*, stand as one word: their number is no amount.
 * @returns the line, the context that knows those words, and what puts the names back into what was found
 */
export function withNumberedNames<C extends Pick<Context, 'wines'>>(
  line: string,
  ctx: C
): { line: string; ctx: C; asWritten: <T>(found: T) => T } {
  const words = new Map<string, string>();
  const wines: Wine[] = [];
  let out = line;
  for (const { wine, name } of namedWines(ctx.wines)) {
    if (!/\d/.test(name) || !/\d/.test(out)) continue;
    const m = kept(`\\b${escaped(name).replace(/ /g, '\\W+')}\\b(?![.,]\\d)`).exec(out.toLowerCase());
    if (!m) continue;
    const behind = out.slice(m.index + m[0].length).toLowerCase();
    if (COUNTS.test(behind) || startsWithUnit(behind)) continue;
    // A word of the line alone, which is no slip of any other.
    const word = `zq${'bcdfghjklm'[wines.length % 10]!.repeat(1 + Math.floor(wines.length / 10))}v`;
    words.set(word, out.slice(m.index, m.index + m[0].length));
    wines.push({ ...wine, name: word });
    out = `${out.slice(0, m.index)}${word}${out.slice(m.index + m[0].length)}`;
  }
  if (wines.length === 0) return { line, ctx, asWritten: (found) => found };
  const back = (text: string) => text.replace(/zq[a-z]+v\b/gi, (w) => words.get(w.toLowerCase()) ?? w);
  const asWritten = <T>(x: T): T =>
    (typeof x === 'string'
      ? back(x)
      : Array.isArray(x)
        ? x.map(asWritten)
        : x && typeof x === 'object'
          ? Object.fromEntries(Object.entries(x).map(([k, v]) => [k, asWritten(v)]))
          : x) as T;
  return { line: out, ctx: { ...ctx, wines: [...ctx.wines, ...wines] }, asWritten };
}
