import { nameOf } from '../../plan/name';
import { amountOf, type Ingredient } from '../../plan/plan';
import { ask, read, some, take, type Context, type Piece, type Read } from '../context';
import { readItems } from '../items';
import { JAR, takeVolume, VOLUME } from './volume';

const WEIGHED =
  /\b(?:weigh(?:ed)?(?:\s+in)?|bought|pick(?:ed)?|harvest(?:ed)?|gather(?:ed)?|forag(?:ed|e)|froze)\b/;

/** What was picked: onto the shelf of what is in hand. The whole line is of it. */
export function readWeighIn(p: Piece, ctx: Context, line: string): Read | null {
  const m = take(p, WEIGHED);
  if (!m) return null;
  const isFrozen = m[0] === 'froze' || take(p, /,\s*frozen\b/) !== null || /\bfrozen\b/.test(p.text);
  const text = p.text.replace(/^[\s,:]+|[\s,:.]+$/g, '');
  p.text = '';
  if (!text) return ask('amount', 'What was picked, and how much?');
  const { items, wrong } = readItems(text, ctx, line);
  const other = items.find((i) => i.kind !== 'produce');
  if (other)
    return ask(
      'what',
      'Only fruit, flowers, roots and leaves are kept in hand; sugar and powders are not counted.',
      [{ label: 'keep it as a note', line: `note: ${line}` }]
    );
  const form = isFrozen ? { form: 'frozen' as const } : {};
  const move = m[0] === 'froze' ? { isMove: true as const } : {};
  return some(items.length > 0 ? [{ kind: 'weigh-in', lots: items, ...form, ...move }] : [], wrong);
}

const PLAN =
  /^[\s,]*(?:plan|make|(?:start(?:ed|ing)?\s+)?(?:an?\s+)?new\s+(?:batch|wine|mead|cider)(?:\s+of)?|start(?:ed|ing)?\s+an?\s+(?:batch|wine|mead|cider)(?:\s+of)?|(?:start(?:ed|ing)?|began|begun|making)\s+(?:an?\s+|some\s+)(?=[a-z ]+\s+(?:wine|cider|mead)\b)|what\s+(?:from|of|with)|(?:i|we)(?:'ve|\s+have)(?:\s+got)?)\b/;
const ABV = /(?:\b(?:at|to|of|reach)\s+)?(\d{1,2}(?:[.,]\d)?)\s*%(?:\s*(?:abv|alcohol|vol))?/;
/** A vessel that it is to be made in, by its size. */
const IN_VESSEL = new RegExp(
  `(?:\\b(?:in|into|for|to\\s+fill)\\s+)?(?:\\b(?:an?|my|the)\\s+)?(?<![\\w.,])(${VOLUME})\\s*${JAR}(?!\\w)`
);
const MADE = new RegExp(
  `(?:\\b(?:for|makes?|make|to\\s+make|of)\\s+)?(?<![\\w.,])(${VOLUME})(?=\\s*(?:$|,|;|from\\b|at\\b|with\\b|of\\s+wine\\b|,?\\s*\\d+(?:[.,]\\d)?\\s*%))(?:\\s*(?:from|of\\s+wine|with))?`
);

/**
 * A volume that stands before a fruit: of what one makes, it is wine. Where a plan is asked for, gallons are, and so are
 * litres of what nobody measures so; juice, flowers and water are measured by the litre.
 */
const OF_FRUIT = (isMade: boolean) =>
  new RegExp(
    `^[\\s,]*(${VOLUME})(?=\\s+(?:of\\s+)?(?!.*\\b(?:juice|water|cider|concentrate${isMade ? '' : '|flowers?|petals|heads|blossoms?|elderflower|linden'})\\b)[a-z])`
  );

/**
 * A plan: things, and how much wine of what strength they are to make. Without the word, things with a volume of
 * nothing are one.
 * @param whole the whole line; @param isAlone whether nothing else was done in it
 */
export function readPlan(whole: Piece, ctx: Context, line: string, isAlone = true): Read | null {
  const p: Piece = { text: whole.text };
  const isMade = /^[\s,]*make\b/.test(p.text);
  const isPlan = take(p, PLAN) !== null;
  if (!isPlan && !/^[\s,]*(?:\d|an?\s|half\s|one\s|two\s)/.test(p.text)) return null;
  const abv = take(p, ABV);
  const volumeL =
    takeVolume(p, IN_VESSEL, ctx) ??
    takeVolume(p, MADE, ctx) ??
    (isPlan ? takeVolume(p, OF_FRUIT(isMade), ctx) : null);
  // What else was done with a wine is no plan.
  if (!isPlan && ((volumeL === null && abv === null) || !isAlone)) return null;
  if (isPlan) take(p, /\b(?:wine|mead|cider)\b/);
  const text = p.text.replace(/^(?:[\s,:]|\bfrom\b|\bof\b)+|(?:[\s,:.]|\bfor\b|\bfrom\b)+$/g, '');
  if (!text) {
    if (!isPlan) return null;
    whole.text = '';
    return volumeL === null
      ? read({ kind: 'go', page: 'plan' })
      : ask('amount', 'Of what? Name the fruit with its weight.');
  }
  const { items, wrong } = readItems(text, ctx, line, isPlan);
  const isLeftOver = wrong.every((w) => w.asks.every((a) => a.left !== undefined));
  if (!isPlan && (!isLeftOver || !items.some(isBody))) return null;
  whole.text = '';
  if (items.length === 0) return some([], wrong);
  if (volumeL === null && items.every((i) => amountOf(i) <= 0))
    return ask(
      'amount',
      `How much ${nameOf(items[0]!).toLowerCase()} is there, or how much wine is it to be?`,
      ['5 l', '10 l'].map((size) => ({ label: size, line: `${line}, ${size}` }))
    );
  const wanted = {
    ...(volumeL === null ? {} : { volumeL }),
    ...(abv ? { abv: Number(abv[1]!.replace(',', '.')) } : {})
  };
  return some([{ kind: 'plan', items, ...wanted }], wrong);
}

/** What a wine is made of. */
const isBody = (i: Ingredient): boolean => i.kind === 'produce' || i.kind === 'juice' || i.kind === 'honey';
