import { isOfWine, type Ask, type Command } from './command';
import { isFiller, type Asked, type Read } from './context';
import { isDoubtful } from './not-done';

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
  const lot = found.commands.at(-1);
  // What was picked has its own note.
  if (lot?.kind === 'weigh-in' && kept.commands.every((c) => c.kind === 'note'))
    return {
      commands: [
        ...found.commands.slice(0, -1),
        { ...lot, note: kept.commands.map((c) => (c.kind === 'note' ? c.text : '')).join(', ') }
      ],
      asks: [...found.asks, ...kept.asks]
    };
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

type Span = { from: number; to: number };
const WORD = /[^\s,;:.!/@()+&-]+/g;

/** Where words that were left over stand in a line, with nothing between that says anything; null where they do not. */
function spanOf(left: string, line: string): Span | null {
  const wanted = left.split(' ');
  const words = [...line.toLowerCase().matchAll(WORD)];
  for (let start = 0; start < words.length; start++) {
    let [next, at] = [0, start];
    for (; at < words.length && next < wanted.length; at++) {
      if (words[at]![0] === wanted[next]) next++;
      else if (next === 0 || !isFiller(words[at]![0])) break;
    }
    const last = words[at - 1];
    if (next === wanted.length && last) {
      // Words that say little belong to it, where nothing but they follow in its clause.
      const behind =
        /^(?:\s+[a-z']+)+(?=\s*(?:[,;.]|$))/i.exec(line.slice(last.index + last[0].length))?.[0] ?? '';
      const isLittle = behind
        .trim()
        .split(/\s+/)
        .every((w) => isFiller(w.toLowerCase()));
      const to = last.index + last[0].length + (behind && isLittle ? behind.length : 0);
      return { from: words[start]!.index, to };
    }
  }
  return null;
}

/** What stands about a part that was taken out of a line. */
const tidy = (line: string): string =>
  line
    .replace(/(?:\b(?:and|with|but|it|is|was|so|a|an|the|in|of)\b|[\s,;.:–-])+$/i, '')
    .replace(/^(?:[\s,;.:]|\band\b)+/i, '')
    .replace(/\s*,(?:\s*,)+\s*/g, ', ')
    .replace(/\s+/g, ' ')
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
      if (span === whole) own.push(rest.slice(span.from, span.to));
      rest = `${rest.slice(0, span.from)} ${rest.slice(span.to)}`;
    }
    if (!whole) own.push(left);
  }
  return { rest: tidy(rest), own };
}

const withoutLotNote = (c: Command): Command => {
  if (c.kind !== 'weigh-in') return c;
  const { note: _note, ...rest } = c;
  return rest;
};

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
  const apart = found.commands.length > 0 ? apartOf(lefts, plain) : null;
  const line = apart?.rest ? `${apart.rest}; note: ${apart.own.join(', ')}` : null;
  const read = line === null ? null : again(line);
  const isSame =
    read !== null &&
    read.asks.length === 0 &&
    same(found.commands, read.commands.slice(0, found.commands.length).map(withoutLotNote)) &&
    (read.commands.length === found.commands.length + 1 || read.commands.some((c) => c.kind === 'weigh-in'));
  if (!isSame || asks.length > 0 || found.commands.length === 0)
    return {
      commands: found.commands,
      asks: [...asks, bare(isSame ? [{ label: 'keep it as a note', line: line! }] : [whole])]
    };
  return {
    commands: found.commands,
    asks: [bare([{ label: 'keep it as a note', line: line! }], lefts.some(isDoubtful) ? undefined : line!)]
  };
}
