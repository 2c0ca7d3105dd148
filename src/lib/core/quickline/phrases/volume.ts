import { InputError } from '../../units/input-error';
import { L_PER } from '../../units/measure';
import { parseAs } from '../../units/parse';
import type { Context, Piece } from '../context';

/**
 * Litres in words such as `half a litre`, `2 us gal`; null where they are no volume, or ask.
 * @example litresIn('half a litre', { volume: 'L', country: 'metric' }) // 0.5
 */
export function litresIn(text: string, ctx: Pick<Context, 'volume' | 'country'>): number | null {
  try {
    const { base } = parseAs('volume', text.trim(), ctx.volume, ctx.country);
    return base > 0 ? base : null;
  } catch (e) {
    if (!(e instanceof InputError)) throw e;
    return null;
  }
}

const OUNCES = /(?<![\w.,])(\d+(?:\.\d+)?)[\s-]*(?:(?:us\s+)?(?:fl\.?|fluid)\s*)?(?:oz|ounces?)\b\.?/g;

/** Bottles are sold by fluid ounces, and called by ounces: their text with millilitres instead. */
export const fluid = (text: string): string =>
  text.replace(OUNCES, (_, n: string) => `${Math.round(Number(n) * 1000 * L_PER['us-floz'])} ml`);

/** What a volume in a text has to be asked about, such as whose gallon it is; null where there is nothing to ask. */
export function askedOf(text: string, ctx: Pick<Context, 'volume' | 'country'>): string | null {
  const volume = new RegExp(VOLUME).exec(text)?.[0];
  try {
    if (volume) parseAs('volume', volume.replace(/-/g, ' '), ctx.volume, ctx.country);
    return null;
  } catch (e) {
    if (!(e instanceof InputError)) throw e;
    return `${e.message} ${e.todo}`;
  }
}

/** A measure that a volume is said in, with its figure before it. */
const UNIT =
  '(?:l|ltrs?|lit(?:re|er)s?|mls?|millilit(?:re|er)s?|cl|dl|(?:us|uk|imperial)?\\s*(?:gal(?:lon)?s?|qts?|quarts?|pts?|pints?)|fl\\.?\\s*oz|cups?|bottles?)';
const FIGURE =
  '(?:\\d+(?:[.,]\\d+)?(?:\\s+\\d+\\/\\d+)?|\\d+\\/\\d+|[.,]\\d+|[½¼¾]|half(?:\\s+an?)?|quarter(?:\\s+of)?(?:\\s+an?)?|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve)';
/** What people call a vessel, in small letters. */
export const JAR = '(?:jars?|bottles?|carboys?|demijohns?|buckets?|vessels?|jugs?)';
/** A volume anywhere in a text. */
export const VOLUME = `(?<![a-z])${FIGURE}[\\s-]*${UNIT}\\b`;

/**
 * Takes a volume that stands where `pattern` has its group; litres, or null.
 * @param pattern with the amount in its first group that is given
 */
export function takeVolume(p: Piece, pattern: RegExp, ctx: Context): number | null {
  const m = pattern.exec(p.text);
  const text = m?.slice(1).find((x) => x !== undefined);
  if (!m || text === undefined) return null;
  const volume = new RegExp(`^\\W*(${VOLUME})`).exec(text)?.[1] ?? text;
  const litres = litresIn(volume.replace(/-/g, ' '), ctx);
  if (litres === null) return null;
  const end = m.index + m[0].indexOf(text) + text.indexOf(volume) + volume.length;
  const tail = m.index + m[0].length;
  // What stands behind the amount within the match, such as `lost`, is part of it.
  const after = p.text.slice(end, tail);
  p.text = `${p.text.slice(0, m.index)} , ${m[0].endsWith(text) ? after : ''} ${p.text.slice(tail)}`;
  return litres;
}
