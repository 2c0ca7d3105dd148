import { chooseIngredient } from '../../plan/choose';
import type { Ingredient } from '../../plan/plan';
import type { CommandOf } from '../command';
import { ask, read, take, type Context, type Piece, type Read, type Wine } from '../context';
import { takeVolume, VOLUME } from './volume';

type About = CommandOf<'question'>['about'];

const ASKED =
  /\?\s*$|^\W*(?:how|what|when|why|which|who|is|can|may|should|shall|do|does|has|have|are|will|next|abv|strength|safe|convert)\b/;

/** What is asked of one wine. */
const OF_A_WINE: [About, RegExp][] = [
  ['next', /^\W*(?:when|should)\b.*\b(?:rack|stir|feed|fine|add\s+sugar|take\s+the\s+fruit)\b/],
  ['done', /^\W*(?:when|how\s+long)\b/],
  ['safe', /\b(?:safe\s+to\s+bottle|(?:can|may|should|shall)\s+(?:i|we)\s+bottle(?:\s+(?:it|this|now))*)\b/],
  ['done', /\b(?:done|finished|ready|dry)\b/],
  ['strength', /\b(?:how\s+(?:strong|much\s+alcohol)|strength|abv|alcohol)\b/],
  ['safe', /^\W*safe\W*$/],
  ['next', /\bwhat\s+(?:do|should|shall|must)\s+(?:i|we)\s+do\b|\bnext\b|\bwhat\s+now\b|\bdue\b|\bto\s+do\b/],
  ['volume', /\b(?:how\s+(?:much|many\s+(?:litres|liters|gallons|pints|quarts|bottles))|what\s+volume)\b/],
  [
    'gravity',
    /\b(?:gravity|sg|read\s+last|last\s+read(?:ing)?)\b|^\W*how(?:'s|\s+is)\b|^\W*what(?:'s|\s+is)\b.*\bat\s*$/
  ]
];
/** Words of a question that ask nothing more. */
const WORDS =
  /\b(?:how|what|when|is|it|the|of|in|to|for|with|this|there|are|was|did|does|do|i|we|can|may|should|shall|will|be|has|have|much|many|strong|strength|abv|alcohol|safe|bottle|bottled|now|next|due|done|finished|ready|dry|gravity|sg|read|last|reading|litres|liters|gallons|pints|quarts|bottles|volume|my|a|s|go|get|become|so|far|still|yet|a?bout|fermenting|ferment|long|until|till|rack|stir|feed|fine|add|take|fruit|sugar|should|doing|going|getting|on|at|today|tonight|wine|left|here|up|out|got)\b/g;

const UNIT =
  'kg|g|lbs?|pounds?|oz|ounces?|l|litres?|liters?|ml|(?:us|uk)?\\s*gal(?:lons?)?|(?:us|uk)?\\s*(?:qts?|quarts?|pts?|pints?)|cups?|bx|brix|°bx|sg|pa|potential|c|f|°c|°f|celsius|fahrenheit';
const CONVERT = new RegExp(
  `^\\W*(?:what\\s+is\\s+|convert\\s+|how\\s+much\\s+is\\s+)?(.+?)\\s+(?:in|to|as|into)\\s+(${UNIT})\\W*$`
);
const NEEDS =
  /\b(?:do\s+(?:i|we)\s+)?(?:need|reach|to\s+reach|want|take)\b|\bdose\b|\bfor\b|\bhow\s+(?:much|many)\b/g;

/**
 * A question of the whole line.
 * @param takeWine takes a wine's name out of it
 * @returns null where it asks nothing
 */
export function readQuestion(whole: Piece, ctx: Context, takeWine: (p: Piece) => Wine[]): Read | null {
  const text = whole.text.replace(/[?\s]+$/, '');
  const isAsked = ASKED.test(whole.text);
  const convert = CONVERT.exec(text);
  if (convert && /^\W*[-\d½¼¾.]/.test(convert[1]!)) {
    whole.text = '';
    return read({ kind: 'question', about: 'convert', from: convert[1]!.trim(), to: unitNamed(convert[2]!) });
  }
  const dose = readDose(text, ctx, isAsked);
  if (dose) {
    whole.text = '';
    return dose;
  }
  const p: Piece = { text };
  const wines = takeWine(p);
  const found = OF_A_WINE.find(([, pattern]) => pattern.test(p.text) || pattern.test(text));
  // A wine's name with one word of a question, and nothing that is written down.
  const rest = p.text
    .replace(WORDS, ' ')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
  if (
    !isAsked &&
    !(
      found &&
      rest === '' &&
      !/\d/.test(text) &&
      /^\W*(?:what|how|when|is)\b|\b(?:abv|strength|what\s+next|what's\s+(?:next|due)|sg|gravity)\b/.test(
        p.text
      )
    )
  )
    return null;
  whole.text = '';
  if (!found || (rest !== '' && !/^\d+$/.test(rest)))
    return ask(
      'question',
      rest && found ? `I do not know “${rest}”.` : 'That I cannot answer.',
      ['how strong is it', 'is it safe to bottle', 'what next'].map((line) => ({ label: line, line }))
    );
  if (wines.length > 1)
    return ask(
      'batch',
      'Which wine?',
      wines.map((w) => ({ label: w.name, line: `${w.name.toLowerCase()}: ${text}` }))
    );
  return read({ kind: 'question', about: found[0], ...(wines[0] ? { batchId: wines[0].id } : {}) });
}

/** What people call a unit or a scale, in one word for each. */
const CALLED: [string, RegExp][] = [
  ['bx', /brix|bx/],
  ['pa', /potential|pa/],
  ['°C', /^(?:°?c|celsius)$/],
  ['°F', /^(?:°?f|fahrenheit)$/],
  ['lb', /^(?:lbs?|pounds?)$/],
  ['oz', /^(?:oz|ounces?)$/],
  ['l', /^(?:l|litres?|liters?)$/]
];
const unitNamed = (said: string): string =>
  CALLED.find(([, pattern]) => pattern.test(said.trim()))?.[0] ?? said.trim();

/** How much sugar, or of a powder, for so much wine. */
function readDose(text: string, ctx: Context, isAsked: boolean): Read | null {
  if (!isAsked && !/\bfor\b.*(?:%|dose)|\bdose\b/.test(text)) {
    // `sugar for 5 us gal 12 %`
    if (!/^\W*sugar\s+for\b/.test(text)) return null;
  }
  const p: Piece = { text };
  const abv = take(p, /(?:\b(?:at|to|of|reach)\s+)?(\d{1,2}(?:[.,]\d)?)\s*%(?:\s*(?:abv|alcohol|vol))?/);
  const volumeL = takeVolume(p, new RegExp(`(?:\\bfor\\s+)?(${VOLUME})`), ctx);
  const name = p.text
    .replace(NEEDS, ' ')
    .replace(/\b(?:tablets?|do|i|we|to|the|a|an|abv|of|add|should|more|put|in|go|goes)\b/g, ' ')
    .replace(/[^a-z -]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  if (!name || /\b(?:is|strong|alcohol|safe|bottle|when)\b/.test(name)) return null;
  if (name === 'acid') return null;
  if (name === 'sugar' || name === 'honey') {
    if (volumeL === null)
      return ask('amount', 'Sugar for how much, and how strong? Such as: how much sugar for 10 l at 12 %.');
    return read({
      kind: 'question',
      about: 'sugar',
      volumeL,
      ...(name === 'honey' ? { item: { kind: 'honey' as const, massKg: 0 } } : {}),
      abv: abv ? Number(abv[1]!.replace(',', '.')) : 12
    });
  }
  const answer = chooseIngredient(name, ctx.country, ctx.own);
  const item: Ingredient | undefined = answer.kind === 'choices' ? answer.choices[0]?.item : undefined;
  if (!item || (item.kind !== 'additive' && item.kind !== 'acid')) return null;
  return read({ kind: 'question', about: 'dose', item, ...(volumeL === null ? {} : { volumeL }) });
}
