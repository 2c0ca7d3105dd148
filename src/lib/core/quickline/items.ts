import { chooseIngredient } from '../plan/choose';
import { nameOf } from '../plan/name';
import { amountOf, type Ingredient } from '../plan/plan';
import { thingOf } from '../plan/thing';
import { campdenText, spoonText } from '../tables/doses';
import { figureAt, mayHoldFigure } from '../units/number';
import { tryAmount } from '../units/amount';
import { InputError } from '../units/input-error';
import { isNamed, namesAny } from '../units/reckon';
import type { Ask } from './command';
import { meansSomething } from './spelling';
import { ask, oncePerLine, wordsLeft, type Context, type Read } from './context';

/** One thing with its amount, or what has to be asked of it. */
export type Item = { item: Ingredient } | { wrong: Read };

const BOUNDARY = /\s+(?=(?:\d|[½¼¾]|an?\s|one\s|two\s|three\s|four\s|five\s|six\s|half\s)[^,]*[a-z]{3})/g;

const once = oncePerLine<Item>();
const itemOnce = (piece: string, ctx: Context, line: string, mayBeBare = false): Item =>
  once(ctx, `${mayBeBare ? '?' : ''}${piece}`, () => readItem(piece, ctx, line, mayBeBare));

/** Drops of what is dosed by drops, twenty to a millilitre. Common practice. */
const DROPS =
  /^(\d+(?:[.,]\d+)?|an?|one|two|three|five|ten)\s+drops?\s+(?:of\s+)?(?=.*\b(?:finings?|isinglass|kieselsol|chitosan|gelatine?|enzyme|pectinase)\b)/;
const inMl = (text: string): string =>
  text.replace(DROPS, (_, n: string) => `${(figureAt(n)?.n ?? 1) / 20} ml `);

/** What a piece such as `750 g sugar` is; `line` is what it stands in, for lines that settle what is asked. */
export function readItem(piece: string, ctx: Context, line: string, mayBeBare = false): Item {
  const text = inMl(piece.trim().replace(/^(?:the|my|our|more)\s+/, ''));
  if (
    /\b(?:per|an?|each)\s+(?:us\s+|uk\s+)?(?:gal(?:lon)?|lit(?:re|er)|l|pint|quart)\b/.test(text) &&
    /\b(?:per|each)\b/.test(text)
  )
    return {
      wrong: ask('amount', 'How much in all? I write down what went in, not what it is to a gallon.')
    };
  const answer = chooseIngredient(text, ctx.country, ctx.own);
  if (answer.kind === 'refused') return { wrong: ask('poison', answer.why) };
  const { name } = answer;
  const named = namesAny(name)
    ? answer.choices.filter(
        (c) =>
          isNamed(name, thingOf(c.item, ctx.country)) || (c.item.kind === 'honey' && /\shoney$/.test(name))
      )
    : [];
  const [first] = named;
  if (!first)
    return {
      wrong: answer.ask
        ? ask('amount', answer.ask)
        : /[a-z]{2}/.test(name)
          ? ask('word', `I do not know “${name}”.`)
          : ask('amount', `Of what is “${text}”?`)
    };
  if (first.ask) return { wrong: ask('amount', first.ask) };
  const isBare = !first.amount || amountOf(first.item) <= 0;
  if (isBare && !mayBeBare)
    return {
      wrong: ask(
        'amount',
        `How much ${nameOf(first.item).toLowerCase()}? Say it with its unit.`,
        usualOf(first.item, name, line, ctx)
      )
    };
  const others = named.slice(1).filter((c) => isRival(c.item, first.item, name));
  if (others.length > 0)
    return {
      wrong: ask(
        'word',
        `Which “${name}”?`,
        [first, ...others].slice(0, 4).map((c) => ({
          label: c.label,
          line: line.replace(name, c.label.toLowerCase())
        }))
      )
    };
  return { item: first.item };
}

/** The line with the usual dose for the wine at hand, where a step has one. */
function usualOf(item: Ingredient, name: string, line: string, ctx: Context): Ask['choices'] {
  const here = ctx.wines.find((w) => w.id === ctx.hereId);
  const massG = item.kind === 'additive' ? here?.usualG?.(item.additiveId) : null;
  if (item.kind !== 'additive' || !massG || !line.includes(name)) return [];
  const teaspoonG = thingOf(item, ctx.country).teaspoonG;
  const text =
    item.additiveId === 'campden' ? campdenText(massG) : teaspoonG ? spoonText(massG, teaspoonG) : '';
  return /\d|[⅛¼⅜½⅝¾⅞]/.test(text)
    ? [{ label: `${text}, the usual`, line: line.replace(name, `${text} ${name}`) }]
    : [];
}

/** Whether a piece is an amount of nothing yet. */
function isBareAmount(text: string, { country }: Context): boolean {
  if (!mayHoldFigure(text)) return false;
  const said = tryAmount(text, country);
  return !(said instanceof InputError) && said.of === '';
}

/** Whether a word may mean the other as well: two kinds of cherry, two sulphites; one sugar is the usual. */
function isRival(other: Ingredient, first: Ingredient, name: string): boolean {
  if (nameOf(first).toLowerCase() === name) return false;
  const starts = (i: Ingredient) => nameOf(i).toLowerCase().startsWith(`${name} `);
  if (other.kind !== first.kind) return other.kind === 'additive' && starts(other) && starts(first);
  if (other.kind === 'additive') return /^sulph?f?ite$/.test(name);
  if (other.kind === 'acid') return name === 'acid';
  if (other.kind !== 'produce') return false;
  const last = (i: Ingredient) => nameOf(i).toLowerCase().split(' ').at(-1);
  return last(other) === last(first) && name.split(' ').length === 1 && nameOf(first).includes(' ');
}

/** How a thing was cut, said behind it. */
const HOW_CUT =
  /^(?:(?:roughly|finely|thinly|well)\s+)?(?:chopped|sliced|diced|grated|peeled|minced|halved|quartered|shredded|blitzed|cut(?:\s+up)?)$/;

/** What several pieces are: `1 kg sugar in 2 l water`, `3 campden`, `9 lb plums 6 lb sugar`. */
export function readItems(
  text: string,
  ctx: Context,
  line: string,
  mayBeBare = false
): { items: Ingredient[]; wrong: Read[] } {
  const out = { items: [] as Ingredient[], wrong: [] as Read[] };
  const parts = text
    .split(
      /\s*(?:(?<!\d),|,(?!\d)|[;&]|\+|\bwith\b|:|\bin\b(?=\s+(?:\d|an?\b|one\b|half\b))|\band\b(?!\s+a\s+(?:half|quarter|third)))\s*/
    )
    .map((x) => x.trim())
    .filter(Boolean);
  for (let i = 0; i < parts.length; i++) {
    let part = parts[i]!;
    if (HOW_CUT.test(part)) continue;
    // Or to what stands before it: `sugar, 1.2 kg`.
    if (parts[i + 1] !== undefined && !mayHoldFigure(part) && isBareAmount(parts[i + 1]!, ctx))
      part = `${parts[++i]!} ${part.replace(/^(?:the|my|our)\s+/, '')}`;
    // An amount alone belongs to what follows: `1 kg + 500 g sugar`.
    if (parts[i + 1] !== undefined && isBareAmount(part, ctx)) part = `${part} + ${parts[++i]!}`;
    const whole = itemOnce(part, ctx, line, mayBeBare);
    if ('item' in whole) {
      out.items.push(whole.item);
      continue;
    }
    const split = splitItem(part, ctx, line);
    if (split) out.items.push(...split);
    else {
      const known = withoutTail(part, whole.wrong, ctx, line);
      if (known) out.items.push(known.item);
      out.wrong.push(leftOver(whole.wrong, known?.tail ?? part));
    }
  }
  return out;
}

/** Behind the name of a thing these make it another thing. */
const ANOTHER =
  /\b(?:jams?|jell(?:y|ies)|marmalade|pies?|syrups?|vinegar|substitutes?|free|balm|milk|extract|essence|spirits?|liqueur|brandy|gin|vodka|oil|butter|cake|bread|seeds?|kernels?|stones?|pips?|lea(?:f|ves)|bark|roots?|stems?|powder|flour|sauce|chutney|pickled?|cordial|squash|soda|tea|cream|flavou?r\w*|sweeteners?|skins?|peels?)\b/;
/** So many words behind a thing are looked at. */
const MOST_TAIL = 4;

/** A thing that is known, with words behind it that are not: `2 kg plums, lovely ones`; null where there is none. */
function withoutTail(
  part: string,
  wrong: Read,
  ctx: Context,
  line: string
): { item: Ingredient; tail: string } | null {
  if (!wrong.asks.every((a) => a.about === 'word' && a.choices.length === 0)) return null;
  const words = part.split(/\s+/);
  if (!words.some(meansSomething)) return null;
  for (let n = 1; n <= Math.min(MOST_TAIL, words.length - 1); n++) {
    const tail = words.slice(-n).join(' ');
    const head = words.slice(0, -n).join(' ');
    if (ANOTHER.test(tail)) return null;
    const found = itemOnce(head, ctx, line);
    if ('item' in found) return { item: found.item, tail };
  }
  return null;
}

/** Of what is not known at all it is told that it was left over: the rest stands. */
const leftOver = (wrong: Read, part: string): Read => ({
  ...wrong,
  asks: wrong.asks.map((a) =>
    a.about === 'word' && a.choices.length === 0
      ? { ...a, text: `I do not know “${part}”.`, left: wordsLeft(part) }
      : a
  )
});

/** So many things, with nothing between, are told apart. */
const MOST_SPLIT = 5;

/** Things that follow one another with nothing between; null where they are not all known. */
function splitItem(part: string, ctx: Context, line: string, most = MOST_SPLIT): Ingredient[] | null {
  for (const m of [...part.matchAll(BOUNDARY)].slice(0, most)) {
    const first = part.slice(0, m.index);
    // No amount, or an amount of nothing, is no thing.
    if (!/[a-z]{2}/.test(first) || !mayHoldFigure(first)) continue;
    const head = itemOnce(first, ctx, line);
    if (!('item' in head)) continue;
    const rest = part.slice(m.index);
    const tail = itemOnce(rest, ctx, line);
    const more = 'item' in tail ? [tail.item] : splitItem(rest, ctx, line, most - 1);
    if (more) return [head.item, ...more];
  }
  return null;
}
