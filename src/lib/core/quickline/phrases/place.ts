import { toCelsius } from '../../units/measure';
import type { Ask } from '../command';
import { ask, read, take, type Context, type Piece, type Read } from '../context';

/** Places of a household that are no vessel. */
const NAMED =
  '(?:(?:airing|boiler|heating|linen|under-?stairs|kitchen|warm|cool|cold)\\s+)?(?:cellar|shed|garage|pantry|kitchen|larder|loft|attic|cupboard|fridge|refrigerator|scullery|porch|outhouse|barn|greenhouse|basement|conservatory|utility(?:\\s+room)?|laundry(?:\\s+room)?|boiler\\s+room|(?:spare|back|front|living|dining|sitting|utility|bath|bed|play|box|store|wine|still)[\\s-]?room|bathroom|bedroom|storeroom|hall(?:way)?|landing|wardrobe|workshop|windowsill|closet|(?:warmer|cooler|colder|darker|dark|quiet)\\s+(?:place|room|spot|corner)|stairs|radiator|stove|heat\\s+(?:mat|pad|belt))';
const NUM = '-?\\d+(?:[.,]\\d+)?';
const TEMP = `(?:at\\s+|@\\s*|where\\s+it\\s+is\\s+|it\\s+is\\s+|is\\s+|,\\s*|about\\s+|around\\s+|\\()*(${NUM})\\s*(?:(?:°|degrees?|deg)\\s*(c|f)?(?:elsius|ahrenheit)?|(c|f)\\b)\\)?`;
const WHERE =
  '(?:(?:in(?:to)?|to|out\\s+(?:to|in)|up\\s+(?:to|in)|down\\s+(?:to|in)|under|by|next\\s+to|near|on)\\s+)';
const MOVED =
  '(?:(?:moved|carried|took|brought|put|set|shifted|stored|keep|kept|keeping|stands?|standing|lives?|now|is|was|sits?|sitting|left)\\s+)';
const WHAT =
  '(?:(?:it|them|all|everything|(?:the\\s+)?(?:jars?|buckets?|wine|demijohns?|carboys?|vessels?))\\s+)?';
const THE = '(?:(?:the|my|our|a|its)\\s+)?';

/** `moved it to the shed, 15 c`, `in the cellar at 13`. */
const PLACED = new RegExp(
  `(?:\\b${MOVED}(?:is\\s+|now\\s+|it\\s+)?${WHAT}[\\s,]*)?\\b(${WHERE})${THE}(${NAMED})\\b(?:\\s*${TEMP}|\\s+(?:at|@)\\s*(${NUM})(?![\\w%]|[.,]\\d))?`
);
/** `the cellar is 13 c`, `room 18 °C`. */
const OF_PLACE = new RegExp(
  `\\b${THE}(${NAMED}|room(?:\\s+temp(?:erature)?)?)\\s*(?:is\\s+(?:at\\s+|about\\s+)?|now\\s+|:\\s*|=\\s*)*(?:${TEMP}|(?:at\\s+|@\\s*)?(${NUM})(?![\\w%:]|[.,]\\d|\\s*(?:am|pm|%)))`
);
/** `13 c in the cellar`. */
const THEN_PLACE = new RegExp(`(?:^|\\bit\\s+is\\s+)\\s*${TEMP}\\s+(?:out\\s+)?${WHERE}${THE}(${NAMED})\\b`);

/** What is warm, and is no wine: its temperature is of that moment alone. */
const NOT_WINE =
  /^\W*(?:the\s+)?(?:yeast\s+)?(?:slurry|starter|yeast|water|syrup|sugar\s+water|tea|hydrat\w+|rehydrat\w+(?:\s+water)?|sample\s+jar)\s+(?:is\s+|was\s+|at\s+|of\s+|now\s+)*-?\d+(?:[.,]\d+)?\s*(?:°|degrees?|deg)?\s*[cf]?\b\W*$/;
/** The same beside what was pitched: `rehydrated at 104 f`. */
export const OF_THE_YEAST =
  /(?<=\b(?:re-?hydrated|hydrated|slurry|starter|proofed|yeast)\s+)(?:(?:in\s+)?(?:warm\s+|tepid\s+)?(?:water\s+)?)?(?:at|in|of)\s+-?\d+(?:[.,]\d+)?\s*(?:(?:°|degrees?|deg)\s*[cf]?|[cf])(?![a-z])(?:\s+water)?/;

/** Where a wine stands, and how warm it is there; not into what it was racked. */
export function readPlace(p: Piece, ctx: Context, line: string): Read | null {
  if (NOT_WINE.test(p.text)) {
    const text = p.text.trim();
    p.text = '';
    return read({ kind: 'note', text });
  }
  if (/\b(?:racked|siphoned|syphoned|bottled|strained|poured|lost|spil(?:t|led))\b/.test(p.text)) return null;
  const warm = (figure: string | undefined, scale: string | undefined): Warm | undefined => {
    if (figure === undefined) return undefined;
    const n = Number(figure.replace(',', '.'));
    const isF = scale === 'f' || (scale !== 'c' && ctx.temp === 'F');
    const at = (letter: string) => ({
      label: `${figure} °${letter}`,
      line: line.replace(figure, `${figure} °${letter}`)
    });
    return { tempC: isF ? toCelsius(n, 'F') : n, choices: scale === undefined ? [at('C'), at('F')] : [] };
  };
  const then = take(p, THEN_PLACE);
  if (then) return placed(then[4]!, warm(then[1], then[2] ?? then[3]));
  const m = take(p, PLACED);
  if (!m) {
    const of = take(p, OF_PLACE);
    return of && placed(of[1]!.startsWith('room') ? undefined : of[1]!, warm(of[2] ?? of[5], of[3] ?? of[4]));
  }
  // Under, by and on say more than the name of what it is near to.
  const near = /^(?:under|by|next|near|on)/.test(m[1]!) ? `${m[1]!.trim()} the ` : '';
  return placed(`${near}${m[2]!}`, warm(m[3] ?? m[6], m[4] ?? m[5]));
}

/** A temperature of a place, °C, and how else it may have been meant. */
type Warm = { tempC: number; choices: Ask['choices'] };
/** No place where wine stands is warmer or colder, °C. */
const [LEAST_C, MOST_C] = [-5, 45];

function placed(name: string | undefined, warm: Warm | undefined): Read {
  const tempC = warm?.tempC;
  if (tempC !== undefined && (tempC > MOST_C || tempC < LEAST_C))
    return ask(
      'temperature',
      'No place where wine stands is so warm or so cold. Which scale was it?',
      warm!.choices
    );
  return read({
    kind: 'place',
    ...(name === undefined ? {} : { name: name.replace(/\s+/g, ' ') }),
    ...(tempC === undefined ? {} : { tempC })
  });
}
