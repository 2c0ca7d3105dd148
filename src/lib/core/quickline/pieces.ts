import { OF_NO_WINE, type Command } from './command';
import { ask, leftOf, oncePerLine, read, type Context, type Piece, type Read, type Wine } from './context';
import { readOdd, readStep, readStir } from './phrases/deeds';
import { readLook } from './phrases/look';
import { BOTTLED, readBottle, readOpen } from './phrases/bottle';
import { isPriming, isSugarBeside } from './phrases/prime';
import { readFruitOut, readGone, readRack } from './phrases/move';
import { readPitch } from './phrases/yeast';
import { readHappening } from './phrases/happening';
import { readPlace } from './phrases/place';
import { readAddition, readBlend, readMakeUp, readSteep, readTopUp, readTopUpFrom } from './phrases/put';
import { readReading } from './phrases/reading';
import { GOES_IN, maySayVessel, ofWine, takeLoosely, whichOf } from './loose-vessel';
import { isStillToDo, NOT_DONE, saysNotDone } from './not-done';
import { takeWhen, type When } from './when';
import { nameAtHead, takeVessel, takeWho } from './who';

/** What one piece came to, and of whom and when it was said. */
export type Part = { found: Read; who: Wine[]; when: When | null };

const VERB =
  '(?:stirred|racked|siphoned|bottled|pitched|tast(?:ed|es)|smells|bubbles?|cap|foam|sg|gravity|ph|ta|free\\s+so2|sugar\\s+test|bx|brix|pa|temp|added|add|topped|made\\s+up|poured(?!\\s+(?:it\\s+)?back)|fed|gave|sweetened|stabili[sz]ed|fined|primed|pushed|punched|degassed|spilt|fruit|strained|opened|hung|steeped|blended|skip|crushed|clear|cloudy|hazy)';
/** Where a new thing begins that has nothing to do with what stands before it. */
const BREAK = new RegExp(
  `\\s*(?:;|\\.(?=\\s)|\\bthen\\b|,?\\s+and\\s+then\\b|,?\\s*(?<!\\b(?:all|nothing)\\s+)\\bbut\\b|(?:,|\\band\\b)\\s*(?:then\\s+|i\\s+)?(?=${VERB}\\b|${NOT_DONE}))\\s*`
);

/** A line in its pieces. Lists of things stay together. */
export const pieces = (line: string): string[] =>
  withPriming(
    withNotDone(
      line
        .split(BREAK)
        .map((x) => x.trim())
        .filter((x) => x !== '' && x !== ',')
    )
  );

/** `forgot to stir and add nutrient` is one thing that was not done. */
const GOES_ON =
  /^(?:stir|rack|add|pitch|bottle|top|feed|strain|press|fine|sweeten|stabili[sz]e|read|check|taste|put)\b/;
const withNotDone = (parts: readonly string[]): string[] =>
  parts.reduce<string[]>((out, part) => {
    const before = out.at(-1);
    if (before !== undefined && saysNotDone(before) && GOES_ON.test(part))
      return [...out.slice(0, -1), `${before} and ${part}`];
    return [...out, part];
  }, []);

/** Sugar that is said beside a bottling is for the bottles: it belongs to that piece. */
function withPriming(parts: readonly string[]): string[] {
  const at = parts.findIndex((x) => BOTTLED.test(x));
  if (at < 0) return [...parts];
  const isFor = (x: string, i: number) => i !== at && (isPriming(x) || (i > at && isSugarBeside(x)));
  const sugar = parts.filter(isFor);
  return parts.flatMap((x, i) => (i === at ? [[x, ...sugar].join(', ')] : isFor(x, i) ? [] : [x]));
}

/** Phrases in the order they are tried. */
const PHRASES = [
  (p: Piece, ctx: Context) => readOdd(p, false, ctx),
  readHappening,
  readStep,
  readStir,
  readPlace,
  readRack,
  readBottle,
  readOpen,
  (p: Piece, ctx: Context) => readBlend(p, ctx, (x) => takeWho(x, ctx)),
  readMakeUp,
  readTopUpFrom,
  readTopUp,
  readSteep,
  readPitch,
  readFruitOut,
  readGone,
  readLook,
  readReading,
  readAddition
] as const;

/** One thing that is said in a piece; null where nothing is understood. */
function readOne(p: Piece, ctx: Context, line: string): Read | null {
  for (const phrase of PHRASES) {
    const own: Piece = { text: p.text };
    const found = phrase(own, ctx, line);
    if (!found) continue;
    p.text = own.text;
    return found;
  }
  return null;
}

type All = { found: Read; left: string };

/** A piece is tried with its wine, and without. */
const once = oncePerLine<All>();
const readAll = (text: string, ctx: Context, line: string): All =>
  once(ctx, `${line}\n${text}`, () => readAllOnce(text, ctx, line));

/** All that a piece says: what is left of it is tried again. */
function readAllOnce(text: string, ctx: Context, line: string): All {
  const p: Piece = { text };
  const out: Read = { commands: [], asks: [] };
  for (let i = 0; i < 6 && leftOf(p); i++) {
    const found = readOne(p, ctx, line);
    if (!found) break;
    out.commands.push(...found.commands);
    out.asks.push(...found.asks);
    p.text = p.text.replace(/^[\s,]*(?:and\s+)?/, '').replace(/(?:\s|,|\band\b)+$/, '');
  }
  return { found: out, left: leftOf(p) };
}

const isGood = ({ found, left }: All): boolean =>
  left === '' && found.asks.length === 0 && found.commands.length > 0;

/** What speaks of a day to come. */
const AHEAD = /\b(?:put\s+off|postpone|delay|can\s+wait|snooze|remind|timer)/;

/**
 * A line cut where another wine is named and something is said of it: a name holds until the next one.
 * `elderberry 1.012, parsnip stirred and nutrient in` is two.
 */
export function byNames(line: string, ctx: Context): string[] {
  const out: string[] = [];
  let from = 0;
  for (const m of line.matchAll(/\s*[,;.]\s+|\s+and\s+/g)) {
    const at = m.index + m[0].length;
    // What is said up to the next cut, without its time: a wine with nothing said of it is one of several.
    const p: Piece = { text: line.slice(at).split(/\s*[,;.]\s+|\s+and\s+/)[0]! };
    takeWhen(p, ctx);
    const text = p.text.replace(/^[\s,]+/, '');
    const head = nameAtHead(text, ctx);
    if (head === 0) continue;
    const [before, said] = [line.slice(from, m.index), text.slice(head)];
    // Before the first name something is said too: of whom, is settled with the rest.
    if (takeWho({ text: before }, ctx).length === 0 && !isGood(readAll(before, ctx, line))) continue;
    if (!leftOf({ text: said }) || !(saysNotDone(said) || isGood(readAll(said, ctx, line)))) continue;
    out.push(before);
    from = at;
  }
  return [...out, line.slice(from)];
}

/** A piece with its time and its wine: as it stands first, for `2 kg plums` may be no wine's name. */
export function readPiece(text: string, ctx: Context, line: string): Part[] {
  if (saysNotDone(text)) return notDone(text, ctx, line);
  const days = byDays(text, ctx, line);
  if (days) return days;
  const p: Piece = { text };
  const when = AHEAD.test(text) ? null : takeWhen(p, ctx);
  const bare = readAll(p.text, ctx, line);
  // `in the carboy` says where, though it would be understood without.
  const inVessel =
    isGood(bare) && !maySayVessel(p.text) ? null : ofVessel(p.text, ctx, line, when, isGood(bare));
  if (inVessel) return [inVessel];
  const inEach = isGood(bare) ? null : bySeveralVessels(p.text, ctx, line, when);
  if (inEach) return inEach;
  if (isGood(bare)) return [{ found: bare.found, who: [], when }];
  const named: Piece = { text: p.text };
  const who = takeWho(named, ctx);
  if (who.length > 0) {
    const rest = readAll(named.text, ctx, line);
    if (isGood(rest)) return [{ found: rest.found, who, when }];
    const many = bySeveral(p.text, ctx, line, when) ?? ofSeveral(p.text, ctx, line, when);
    if (many) return many;
    if (leftOf(named) === '') return [{ found: read(), who, when }];
    if (rest.found.asks.length > 0 && !rest.left) return [{ found: rest.found, who, when }];
    return [{ found: rest.left ? withUnknown(rest.found, rest.left) : rest.found, who, when }];
  }
  if (leftOf(p) === '' && when) return [{ found: read(), who: [], when }];
  return [{ found: bare.left ? withUnknown(bare.found, bare.left) : bare.found, who: [], when }];
}

/**
 * What was not done, as a note in the words of the line: it is no deed. What stands beside it and is understood by
 * itself is one.
 */
function notDone(text: string, ctx: Context, line: string): Part[] {
  const parts = text.split(/\s*(?:,|\band\b)\s*/).filter(Boolean);
  const isDeed = (part: string) => !saysNotDone(part) && isGood(readAll(part, ctx, line));
  const [done, not] = [parts.filter(isDeed), parts.filter((x) => !isDeed(x))];
  const p: Piece = { text: not.join(' and ') };
  const when = isStillToDo(p.text) ? null : takeWhen(p, ctx);
  const who = takeWho(p, ctx);
  const words = ownWords(not.length === parts.length ? text : not.join(', '), ctx);
  return [
    ...done.flatMap((part) => readPiece(part, ctx, line)),
    { found: read({ kind: 'note', text: words }), who, when }
  ];
}

/** Words of a line as they were written, with their capitals. */
export function ownWords(words: string, { plain = '' }: Pick<Context, 'plain'>): string {
  const at = plain.toLowerCase().indexOf(words);
  return at < 0 ? words : plain.slice(at, at + words.length);
}

/** Kinds that tell of a whole wine, and of no one vessel. */
const OF_ALL: ReadonlySet<string> = new Set([
  'stir',
  'note',
  'tasting',
  'step',
  'no-stem',
  'timer',
  'transfer',
  'open'
]);

/**
 * Something that is said of one vessel: `2 campden in the green jar`.
 * @param isClear whether it is understood without: then only what goes in is asked about, for it would go into all
 */
function ofVessel(text: string, ctx: Context, line: string, when: When | null, isClear = false): Part | null {
  const p: Piece = { text };
  const exact = takeVessel(p, ctx);
  const loose = exact ? undefined : takeLoosely(p, ctx);
  if (!exact && !loose) return null;
  const own = exact && alsoHere(text, exact, ctx);
  if (own) return { found: whichVessel(exact, own, line, ctx), who: [], when };
  const named: Piece = { text: p.text };
  const who = takeWho(named, ctx);
  const tries = [
    { all: readAll(p.text, ctx, line), who: [] as Wine[] },
    { all: readAll(named.text, ctx, line), who }
  ];
  const good = tries.find(({ all }) => isGood(all));
  if (!good) return null;
  const { commands: found } = good.all.found;
  if (found.some((c) => OF_ALL.has(c.kind) || loose?.fits(c.kind) === false)) return null;
  // A reading of one of several is asked about where it is written, with “each of them”.
  if (loose && loose.vessels.length > 1 && isClear && !found.some((c) => GOES_IN.has(c.kind))) return null;
  const wineId = who.length === 1 ? who[0]!.id : ctx.hereId;
  const [vessel, ...others] = exact ? [exact] : ofWine(loose!.vessels, wineId);
  if (others.length > 0) return { found: whichOf([vessel!, ...others], loose!.words, line), who: [], when };
  const stands = ctx.wines.filter((w) => w.id === vessel!.wineId);
  const commands = found.map((c) =>
    OF_NO_WINE.has(c.kind) ? c : ({ ...c, vesselId: vessel!.id } as Command)
  );
  return { found: { commands, asks: [] }, who: good.who.length > 0 ? good.who : stands, when };
}

const inParts = (text: string) => text.split(/\s*(?:,|\band\b)\s*/).filter(Boolean);

type Vessel = Context['vessels'][number];

/** On a wine's page its own vessel may be meant, though another wine's is called just so; not where that wine is named. */
function alsoHere(text: string, exact: Vessel, ctx: Context): Vessel | undefined {
  if (ctx.hereId === null || exact.wineId === undefined || exact.wineId === ctx.hereId) return undefined;
  if (takeWho({ text }, ctx).some((w) => w.id === exact.wineId)) return undefined;
  const vessels = ctx.vessels.filter((v) => v.wineId === ctx.hereId);
  const own = takeLoosely({ text }, { ...ctx, vessels })?.vessels ?? [];
  return own.length === 1 ? own[0] : undefined;
}

const whichVessel = (other: Vessel, own: Vessel, line: string, ctx: Context): Read => {
  const wine = ctx.wines.find((w) => w.id === other.wineId)?.name ?? '';
  const name = other.name.toLowerCase();
  return ask('vessel', `Which one is meant?`, [
    { label: `the ${own.name} of this wine`, line: line.replace(name, own.name.toLowerCase()) },
    { label: `the ${other.name}: ${wine}`, line: `${wine.toLowerCase()}: ${line}` }
  ]);
};

/** Several vessels in a row: `1.012 in the 3 gal carboy and 1.010 in the 2 gal jar`. */
function bySeveralVessels(text: string, ctx: Context, line: string, when: When | null): Part[] | null {
  const parts = inParts(text).map((part) => ofVessel(part, ctx, line, when));
  return parts.length > 1 && parts.every((x) => x !== null) ? parts : null;
}

/** Several days in a row, each with what was of it: `1.050 on monday and 1.040 today`. */
function byDays(text: string, ctx: Context, line: string): Part[] | null {
  const parts: Piece[] = [];
  // The days first, which cost little: what has none belongs to what stands before it.
  const days: When[] = [];
  for (const part of inParts(text)) {
    const p: Piece = { text: part };
    const when = takeWhen(p, ctx);
    if (when) {
      days.push(when);
      parts.push(p);
    } else if (parts.length > 0) parts.at(-1)!.text += `, ${part}`;
    else return null;
  }
  if (parts.length < 2) return null;
  const out: Part[] = [];
  for (const [i, p] of parts.entries()) {
    const bare = readAll(p.text, ctx, line);
    const who = isGood(bare) ? [] : takeWho(p, ctx);
    const all = who.length > 0 ? readAll(p.text, ctx, line) : bare;
    if (!isGood(all) && (all.found.commands.length === 0 || all.found.asks.some((a) => a.left === undefined)))
      return null;
    out.push({ found: all.left ? withUnknown(all.found, all.left) : all.found, who, when: days[i]! });
  }
  return out;
}

/** Several wines in a row: `quince 1.040, elderberry 1.018`. */
function bySeveral(text: string, ctx: Context, line: string, when: When | null): Part[] | null {
  const parts = inParts(text);
  if (parts.length < 2) return null;
  const out: Part[] = [];
  for (const part of parts) {
    const p: Piece = { text: part };
    const who = takeWho(p, ctx);
    const all = readAll(p.text, ctx, line);
    if (who.length === 0 || !isGood(all)) return null;
    out.push({ found: all.found, who, when });
  }
  return out;
}

/** Several wines, and one thing that was done to each: `stirred quince and elderberry`. */
function ofSeveral(text: string, ctx: Context, line: string, when: When | null): Part[] | null {
  const p: Piece = { text };
  const wines: Wine[] = [];
  for (let i = 0; i < 8; i++) {
    const [one, ...more] = takeWho(p, ctx);
    if (!one || more.length > 0) break;
    wines.push(one);
  }
  const all = readAll(p.text, ctx, line);
  return wines.length > 1 && isGood(all) && all.found.commands.every((c) => c.kind === 'stir')
    ? wines.map((w) => ({ found: all.found, who: [w], when }))
    : null;
}

/** What is not understood may be kept as a note: of a whole line all of it, else what is left, beside what is understood. */
export const unknown = (left: string, line = left): Read =>
  ask('what', `I do not know “${left}”.`, [{ label: 'keep it as a note', line: `note: ${line}` }]);
export const withUnknown = (found: Read, left: string): Read =>
  found.asks.length > 0
    ? found
    : { commands: found.commands, asks: unknown(left).asks.map((a) => ({ ...a, left })) };
