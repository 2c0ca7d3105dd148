import { ownYeastCalled, packetG, type OwnYeast } from '../../plan/own-yeast';
import { YEAST_THING } from '../../plan/thing';
import type { YeastId } from '../../tables/yeasts';
import { InputError } from '../../units/input-error';
import { readAmount } from '../../units/reckon';
import type { Command, CommandOf } from '../command';
import { ask, leftOf, read, take, type Context, type Piece, type Read } from '../context';
import { OF_THE_YEAST } from './place';

const TYPES: [YeastId, RegExp][] = [
  ['champagne', /\bchampagne(?:\s+type)?\b|\bsparkling(?=\s+yeast)/],
  ['red-fruit', /\bred[\s-]*fruit(?:\s+type)?\b|\bred(?=\s+(?:wine\s+)?yeast)/],
  ['ale', /\b(?:ale|beer)(?:\s+type)?\b/],
  ['wild', /\bwild\b/],
  ['wine', /\bgeneral(?:\s+wine)?(?:\s+type)?\b/]
];
const PITCH =
  /\b(?:pitch(?:ed|ing)?(?:\s+(?:again|more|fresh))?|re-?pitch(?:ed)?|sprinkled(?:\s+(?:on|over|in))?|put(?:\s+in)?(?=\s+(?:the\s+)?yeast\b)|yeast\s+(?:is\s+)?(?:in|pitched)|starter\s+(?:is\s+)?in)\b/;
const IS_YEAST = /\byeast\b(?!\s+(?:nutrient|food|energi[sz]er|hulls|ghosts|mix|extract))|\bstarter\b/;
const ADDED =
  /\b(?:add(?:ed|ing)?|put\s+in|stirred\s+in|threw\s+in|gave\s+it|in\s+went|went\s+in)\b|^[\s,]*\+/;

/** A number of packets or spoons of yeast, in figures, fractions or words. */
const FEW =
  '(?:\\d+(?:[.,]\\d+|\\s*[½¼¾]|\\s+\\d/\\d|/\\d)?|[.,]\\d+|[½¼¾]|(?:one\\s+and\\s+)?(?:a\\s+)?(?:half|quarter)(?:\\s+(?:of\\s+)?an?)?|an?|one|two|three|four)';
const AMOUNT = new RegExp(
  `${FEW}\\s*(?:g|gr|grams?|grammes?|packets?|sachets?|packs?|(?:(?:level|heaped)\\s+)?(?:tsps?|teaspoons?|tbsps?|tablespoons?))\\b(?:\\s+of\\b)?`
);
const SCALE = '(?!(?:sg|og|fg|ph|ta|pa|bx|brix|day|no)[\\s-]*\\d)';
/** A code as packets bear it: letters, a dash, figures. */
const CODE = new RegExp(`(?<![\\w-])${SCALE}([a-z]{1,4}\\d{0,2}-[a-z]{0,2}\\d{1,4})(?![\\w]|[.,]\\d)`);
/** The same without its dash, where yeast is spoken of. */
const BARE_CODE = new RegExp(`(?<![\\w-])${SCALE}([a-z]{1,3}\\d{2,4}|\\d{2}[a-z])(?![\\w]|[.,]\\d)`);
const BARE_UNIT = /^\d{2}[cfglb]$/;

/** Takes the household's own name for a yeast out of a piece. */
function takeOwn(p: Piece, own: readonly OwnYeast[]): OwnYeast | undefined {
  for (const y of [...own].sort((a, b) => b.name.length - a.name.length)) {
    const words = y.name
      .toLowerCase()
      .split(/[^a-z0-9]+/)
      .filter(Boolean);
    if (take(p, new RegExp(`(?<![\\w])${words.join('[\\s-]*')}(?![\\w])`))) return y;
  }
  return undefined;
}

const TYPE_NAMES = ['general wine type', 'champagne type', 'red-fruit type', 'ale type'];

/** What a code is that nobody has said yet. */
const askType = (code: string, ctx: Context, line: string, isPitch: boolean): Read => {
  const name = asWritten(code, ctx);
  return ask(
    'word',
    isPitch
      ? `What type of yeast is ${name}? Its packet says.`
      : `Is ${name} a yeast? Name its type, and it is pitched.`,
    TYPE_NAMES.map((type) => ({
      label: type,
      line: `${isPitch ? line : `pitched ${line}`}`.replace(code, `${code} ${type}`)
    }))
  );
};

/** A name with the capitals it was written with; a code without any gets them. */
function asWritten(code: string, { plain = '' }: Pick<Context, 'plain'>): string {
  const at = plain.toLowerCase().indexOf(code);
  const text = at < 0 ? code : plain.slice(at, at + code.length);
  return text === text.toLowerCase() ? text.toUpperCase() : text;
}

/** Yeast: what is pitched, and how. Two that are named are two. */
export function readPitch(p: Piece, ctx: Context, line: string): Read | null {
  const own = ctx.yeasts ?? [];
  const isChampagne = /\bchampagne\b/.test(p.text) && !/\bbottle/.test(p.text);
  const names = (text: string) =>
    CODE.test(text) ||
    takeOwn({ text }, own) !== undefined ||
    TYPES.some(([, pattern]) => pattern.test(text));
  const isPitch = PITCH.test(p.text) || IS_YEAST.test(p.text);
  if (!isPitch && !(isChampagne && /\d|packet|sachet/.test(p.text))) {
    const code = CODE.exec(p.text);
    const isOwn = takeOwn({ text: p.text }, own) !== undefined;
    if (!isOwn && !code) return null;
    if (!isOwn) {
      // Alone, or with what one pitches of yeast: anything else that bears a code is none of it.
      const rest: Piece = { text: p.text };
      take(rest, CODE);
      take(rest, AMOUNT);
      take(rest, ADDED);
      for (const [, pattern] of TYPES) take(rest, pattern);
      if (leftOf(rest)) return null;
      if (!TYPES.some(([, pattern]) => pattern.test(p.text))) {
        p.text = '';
        return askType(code![1]!, ctx, line, false);
      }
    }
  }
  const parts = p.text.split(/\s*(?:\band\b|,|&|\+)\s*/);
  const naming = parts.filter(names);
  if (naming.length < 2) return onePitch(p, ctx, line);
  const how: Piece = { text: p.text };
  const all = naming.map((x) => onePitch({ text: x }, ctx, line));
  const rest = parts.filter((x) => !names(x)).join(', ');
  p.text = rest;
  const shared = howOf(how);
  return {
    commands: all.flatMap((r) => r.commands.map((c) => ({ ...shared, ...c }) as Command)),
    asks: all.flatMap((r) => r.asks)
  };
}

/** How it was pitched, taken out of a piece. */
function howOf(p: Piece): Pick<CommandOf<'pitch'>, 'how'> {
  if (take(p, /\b(?:and\s+)?re-?hydrated\b/)) return { how: 'rehydrated' };
  if (take(p, /\b(?:the\s+|a\s+)?starter\b(?:\s+(?:is\s+)?in\b)?/)) return { how: 'starter' };
  if (take(p, /\b(?:sprinkled\s+)?dry\b(?!\s+yeast)/)) return { how: 'dry' };
  return {};
}

function onePitch(p: Piece, ctx: Context, line: string): Read {
  // How warm the water of the yeast was says nothing of the wine: it is kept in its own words.
  const ofYeast = take(p, OF_THE_YEAST);
  const kept = ofYeast ? [{ kind: 'note' as const, text: `the yeast ${ofYeast[0].trim()}` }] : [];
  const out: Omit<CommandOf<'pitch'>, 'kind'> = howOf(p);
  take(p, PITCH);
  const own = takeOwn(p, ctx.yeasts ?? []);
  const code = own ? null : (take(p, CODE) ?? bareCode(p));
  for (const [id, pattern] of TYPES) if (!out.yeastId && take(p, pattern)) out.yeastId = id;
  if (own) [out.yeastId, out.name] = [own.yeastId, own.name];
  take(p, ADDED);
  take(p, /\b(?:(?:the|of|general|white|dry|dried|fresh|more)\s+)*(?:wine\s+)?yeast\b/);
  const amount = take(p, AMOUNT);
  if (amount)
    try {
      const thing = { ...YEAST_THING, each: { packet: packetG(own) / 1000 } };
      const massG = 1000 * readAmount(amount[0].replace(/\s+of$|\b(?:level|heaped)\b/g, ''), thing, 'g').base;
      if (massG > 0) out.massG = Number(massG.toPrecision(12));
    } catch (e) {
      if (!(e instanceof InputError)) throw e;
      return ask('amount', `${e.message} ${e.todo}`);
    }
  if (code) {
    if (out.yeastId === undefined) return askType(code[1]!, ctx, line, true);
    out.name = ownYeastCalled(code[1]!, ctx.yeasts ?? [])?.name ?? asWritten(code[1]!, ctx);
  }
  return read({ kind: 'pitch', ...out }, ...kept);
}

/** A code without its dash, such as letters with figures; not what is an amount with its unit. */
function bareCode(p: Piece): RegExpExecArray | null {
  const m = BARE_CODE.exec(p.text);
  return m && !BARE_UNIT.test(m[1]!) ? take(p, BARE_CODE) : null;
}
