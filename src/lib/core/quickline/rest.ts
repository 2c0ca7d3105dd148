import { isOfWine, type Ask, type Command } from './command';
import { isFiller, type Asked, type Read } from './context';
import { isDoubtful } from './not-done';

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** A line, and what is kept beside it in its own words: `sg 1.008; note: gorgeous colour`. */
const BESIDE =
  /^(.*?[^\s;,.:])(?:\s*[;,.]\s*|\s+(?:and|with)\s+(?:an?\s+)?)((?:note\s*:|(?:note|remember|memo|next\s+(?:time|year)|tasted|tasting|tastes)\b).*)$/i;

/** The part of a line that is read, and the part behind it that is kept as it is written; null where there is none. */
export function beside(plain: string): { head: string; tail: string } | null {
  const m = BESIDE.exec(plain);
  return m ? { head: m[1]!, tail: m[2]! } : null;
}

/** Commands of the line, and what is kept beside them: of the same wine, at the same moment. */
export function joinedTo(found: Read, kept: Read): Read {
  const of = found.commands.filter(isOfWine).at(-1);
  const about = of && {
    ...(of.batchId === undefined ? {} : { batchId: of.batchId }),
    ...(of.at === undefined ? {} : { at: of.at })
  };
  return {
    commands: [...found.commands, ...kept.commands.map((c) => ({ ...c, ...about }) as Command)],
    asks: [...found.asks, ...kept.asks]
  };
}

/** Words that were left over, as they stand in a line: what says nothing may stand between them. */
function spanOf(left: string, plain: string): RegExpExecArray | null {
  const gap = `(?:[^\\p{L}\\p{N}]+(?:[\\p{L}']+[^\\p{L}\\p{N}]+)*?)`;
  const words = left.split(' ').map(escaped);
  const m = new RegExp(`(?<![\\p{L}\\p{N}])${words.join(gap)}(?![\\p{L}\\p{N}])`, 'iu').exec(plain);
  if (!m) return null;
  const between = m[0]
    .toLowerCase()
    .split(/[^\p{L}\p{N}']+/u)
    .filter((w) => w && !left.split(' ').includes(w));
  return between.every(isFiller) ? m : null;
}

/** What stands about a part that was taken out of a line. */
const tidy = (line: string): string =>
  line
    .replace(/(?:\s*\b(?:and|with|but|it|is|was|so|a|an|the|in|of)\b|[\s,;.:–-])+$/i, '')
    .replace(/^(?:[\s,;.:]|\band\b)+/i, '')
    .replace(/[\s,]*,(?:\s*,)+\s*/g, ', ')
    .trim();

/** A line without what was left over, and that in its own words; null where it does not stand in it. */
function apartOf(lefts: readonly string[], plain: string): { rest: string; own: string[] } | null {
  let rest = plain;
  const own: string[] = [];
  for (const left of lefts) {
    const whole = spanOf(left, rest);
    // Scattered over the line they are taken out one by one, and kept in their order.
    const spans = whole ? [whole] : left.split(' ').map((w) => spanOf(w, rest));
    for (const span of spans) {
      if (!span) return null;
      rest = `${rest.slice(0, span.index)} , ${rest.slice(span.index + span[0].length)}`;
    }
    own.push(whole ? whole[0] : left);
  }
  return { rest: tidy(rest), own };
}

const same = (a: readonly Command[], b: readonly Command[]): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/**
 * What was understood, and a line that writes it and keeps the rest as a note in the person's own words: offered only
 * where that line, read again, is just so. Words that may turn the meaning of the rest are always asked about.
 * @param again reads a line
 */
export function withRest(found: Read, plain: string, again: (line: string) => Read): Read {
  const asks: Asked[] = found.asks.filter((a) => a.left === undefined);
  const lefts = found.asks.flatMap((a) => a.left ?? []);
  if (lefts.length === 0) return found;
  const texts = found.asks.filter((a) => a.left !== undefined).map((a) => a.text);
  const bare = (choices: Ask['choices'], keeps?: string): Ask => ({
    about: found.asks.find((a) => a.left !== undefined)!.about,
    text: texts.join(' '),
    choices,
    ...(keeps === undefined ? {} : { keeps })
  });
  const whole = { label: 'keep all of it as a note', line: `note: ${plain}` };
  const apart = apartOf(lefts, plain);
  const line = apart?.rest ? `${apart.rest}; note: ${apart.own.join(', ')}` : null;
  const read = line === null ? null : again(line);
  const isSame =
    read !== null &&
    read.asks.length === 0 &&
    same(found.commands, read.commands.slice(0, found.commands.length)) &&
    read.commands.length === found.commands.length + 1;
  if (!isSame || asks.length > 0 || found.commands.length === 0)
    return { commands: found.commands, asks: [...asks, bare(isSame ? [{ label: 'keep it as a note', line: line! }] : [whole])] };
  return {
    commands: found.commands,
    asks: [
      bare([{ label: 'keep it as a note', line: line! }], lefts.some(isDoubtful) ? undefined : line!)
    ]
  };
}
