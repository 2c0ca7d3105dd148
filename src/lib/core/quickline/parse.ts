import { reasonOf } from '../units/problem';
import { apart } from '../plan/thing';
import { plainText } from '../units/number';
import { commandSchema, type Ask, type Command } from './command';
import { ask, leftOf, read, take, wordsLeft, type Context, type Piece, type Read } from './context';
import { readOdd } from './phrases/deeds';
import { readPlan, readWeighIn } from './phrases/produce';
import { readQuestion } from './phrases/question';
import { readWords } from './phrases/words';
import { ceased, saysNotDone } from './not-done';
import { byNames, pieces, readPiece, withUnknown } from './pieces';
import { beside, joinedTo, withRest } from './rest';
import { readSet, withSets } from './sets';
import { AHEAD_MS, joined, settle } from './settle';
import { spelt } from './spelling';
import { takeWhen } from './when';
import { takeWho, withNumberedNames } from './who';

/** What a line means, or what has to be settled first. */
export type Parsed = { commands: Command[]; asks: Ask[] };

const MOST_CHARS = 500;
/** `strained it into the demijohn` is two things: the fruit is out, and the wine stands in glass. */
const STRAINED_INTO =
  /\b((?:strained|pressed)\b(?:(?!\b(?:onto|over|and|then|rack|racked)\b)[^,;:])*?)\s+(?=(?:\d+(?:[.,]\d+)?\s*(?:l|litres?|liters?|gal|gallons?)\s+)?into\s+)/;
/** `the cap's down`. */
const IS_SHORT = /\b(gravity|sg|ph|ta|cap|foam|temp(?:erature)?|must|wine|fruit)['’]s\b/g;

/**
 * Reads a line as people say it.
 * @param text one line: `sg 1064 21c`, `quince: 3 campden and 1 tsp nutrient`, `is it safe to bottle`
 * @returns commands, none of which is sure while `asks` holds anything; never throws for a text
 */
export function parse(text: string, by: Context): Parsed {
  const plain = plainText(text).replace(/\s+/g, ' ');
  if (!plain) return { commands: [], asks: [] };
  if (plain.length > MOST_CHARS)
    return ask('text', `A line has ${MOST_CHARS} letters at most: write a note on its page.`);
  const { line, ctx, asWritten } = withNumberedNames(plain, by);
  return asWritten(possible(withRest(readLine(line, ctx), line, (x) => readLine(x, ctx))));
}

/** A line as it is written, without what makes its figures possible. */
function readLine(plain: string, by: Context): Read {
  const ctx = { ...by, plain };
  // A tasting ends where something else was done; a note does not.
  const [said, after] = cutTasting(plain);
  const noted = words(said, ctx);
  if (noted) return after ? joinedTo(noted, readLine(after, by)) : noted;
  const two = beside(said);
  const tail = two && readWords(two.tail);
  if (two && tail) {
    const head = readLine(after ? `${two.head}; ${after}` : two.head, by);
    if (head.commands.length + head.asks.length > 0) return joinedTo(head, tail);
  }
  const line = apart(spelt(plain.toLowerCase().replace(IS_SHORT, '$1 is'), ctx))
    .replace(/\bre-?hydrated\s+and\s+pitched\b/, 'pitched rehydrated')
    .replace(/\b(?:poured|tipped|sieved)\b(?=[^,;]*\bthrough\b)/, 'strained')
    .replace(/\bk\s+meta\b/g, 'k-meta')
    .replace(/\bpur[eé]{1,2}(d?)\b/g, 'puree$1')
    .replace(STRAINED_INTO, '$1, racked ');
  const found = readSet(line, ctx) ?? whole(withSets(ceased(line), ctx), ctx);
  return found.asks.some((a) => a.left) ? asSpelt(found, plain, ctx) : found;
}

/** What holds a figure that cannot be is asked about. */
function possible({ commands, asks }: Read): Parsed {
  const wrong = commands.flatMap((c) => commandSchema.safeParse(c).error?.issues[0] ?? []);
  if (wrong.length === 0) return { commands, asks };
  return {
    commands: [],
    asks: [...asks, ...ask('amount', `That cannot be: a figure ${reasonOf(wrong[0]!).toLowerCase()}.`).asks]
  };
}

/** What was left over, in the spelling in which it was written: it was no slip of a word that is known. */
function asSpelt(found: Read, plain: string, ctx: Context): Read {
  const written = plain.toLowerCase().replace(IS_SHORT, '$1 is');
  const [own, put] = [written.match(/[a-z]+/g) ?? [], spelt(written, ctx).match(/[a-z]+/g) ?? []];
  const back = new Map(
    put.flatMap((w, i) => (own.length === put.length && w !== own[i] ? [[w, own[i]!]] : []))
  );
  if (back.size === 0) return found;
  const again = (text: string) => text.replace(/[a-z]+/g, (w) => back.get(w) ?? w);
  const asks = found.asks.flatMap((a) => {
    if (a.left === undefined) return [a];
    const left = wordsLeft(again(a.left));
    return left ? [{ ...a, left, text: a.text.replace(/“.*”/, `“${again(a.left)}”`) }] : [];
  });
  return { commands: found.commands, asks };
}

/** What was tasted, and what of the line was done after it. */
function cutTasting(plain: string): [said: string, after: string] {
  const m = /\btast(?:ed|ing|es)\b.*?(?=[,;.]\s|\s+and\s)/i.exec(plain);
  if (!m || /\b(?:note|memo|remember)\b/i.test(plain.slice(0, m.index))) return [plain, ''];
  const end = m.index + m[0].length;
  const [, ...later] = pieces(plain.slice(m.index).toLowerCase());
  const rest = later[0] ? plain.toLowerCase().indexOf(later[0], end) : -1;
  return rest < 0
    ? [plain, '']
    : [plain.slice(0, rest).replace(/[\s,;.]+(?:and|then)?\s*$/i, ''), plain.slice(rest)];
}

/** Notes and tastings, which are kept as they were written; a name and a time may stand before them. */
function words(plain: string, ctx: Context): Read | null {
  const LEAD = /\b(?:note|remember|memo|next\s+(?:time|year)|tasted|tasting|tastes)\b/i;
  const m = LEAD.exec(plain);
  if (!m) return null;
  const before: Piece = { text: plain.slice(0, m.index).toLowerCase() };
  const when = takeWhen(before, ctx);
  const who = takeWho(before, ctx);
  if (leftOf(before)) return null;
  const found = readWords(plain.slice(m.index));
  return found && settle([{ found, who, when }], plain.toLowerCase(), ctx);
}

function whole(line: string, ctx: Context): Read {
  const takeWine = (p: Piece) => takeWho(p, ctx);
  const isHaul = /^\W*what\s+(?:from|of|with)\b/.test(line);
  // `should have stirred` asks nothing: it tells what was not done.
  const isAsked = !isHaul && (/\?\s*$/.test(line) || !saysNotDone(line));
  const asked = isAsked ? readQuestion({ text: line }, ctx, takeWine) : null;
  if (asked) return settle([{ found: asked, who: [], when: null }], line, ctx);
  const went: Piece = { text: line };
  if (take(went, /^\W*(?:open|show|go\s+to|look\s+at)\b/)) {
    const who = takeWine(went);
    if (who.length > 0 && !leftOf(went)) return settle([{ found: read(), who, when: null }], line, ctx);
  }
  const odd: Piece = { text: line };
  const found = readOdd(odd, true, ctx);
  if (found && !leftOf(odd)) return settle([{ found, who: [], when: null }], line, ctx);
  const p: Piece = { text: line };
  const alone = readWeighInLine(p, ctx, line) ?? readPlan(p, ctx, line, pieces(line).length === 1);
  if (alone) {
    const left = leftOf(p);
    return left ? withUnknown(alone, left) : alone;
  }
  // A time or a name alone is of all that follows.
  const parts = byNames(line, ctx).flatMap((of) =>
    pieces(of).flatMap((piece) => readPiece(piece, ctx, line))
  );
  return settle(joined(parts), line, ctx);
}

/** What was picked, with its day. */
function readWeighInLine(p: Piece, ctx: Context, line: string): Read | null {
  const own: Piece = { text: p.text };
  const when = takeWhen(own, ctx);
  const found = readWeighIn(own, ctx, line);
  if (!found) return null;
  p.text = own.text;
  if (when && 'day' in when) return ask('when', 'Which date was that?');
  if (when && when.at > ctx.now + AHEAD_MS) return ask('when', 'That is still to come.');
  const at = when ? { at: new Date(Math.min(when.at, ctx.now)).toISOString() } : {};
  return { ...found, commands: found.commands.map((c) => ({ ...c, ...at })) };
}
