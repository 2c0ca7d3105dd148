import { SUCROSE_TO_HEXOSE } from '../../liquid/sugar';
import { amountOf } from '../../plan/plan';
import { SWEETENERS } from '../../tables/sweeteners';
import { figureAt, parseNumber } from '../../units/number';
import { ask, take, type Context, type Piece, type Read } from '../context';
import { readItem } from '../items';

/**
 * Priming sugar as it was said, in grams of white sugar: in each bottle, in a litre, in all the bottles together, or so
 * many lumps of a weight.
 */
export type Primed =
  { eachG: number } | { gL: number } | { allG: number; isSaid: boolean } | { lumps: number; lumpG: number };

const NUM = '(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)';
const FEW = `(?:${NUM}(?:\\s*[½¼¾]|\\s+\\d\\/\\d|\\/\\d)?|[½¼¾]|(?:half|quarter)(?:\\s+an?)?|an?|one|two|three|four|five|six|ten|twelve)`;
const MASS = '(?:g|gr|grams?|grammes?|kg|oz|ounces?|lbs?|pounds?)';
const SPOON = '(?:(?:level\\s+)?(?:tsps?|teaspoons?|tbsps?|tablespoons?)|cups?)';
const SUGAR =
  '(?:(?:white|cane|table|caster|granulated|brown|corn|priming|brewing|the)\\s+)*(?:sugar|dextrose|glucose|honey)';
/** What stands before the sugar and adds nothing to it. */
const LEAD =
  '(?:\\b(?:and|with|plus|at|then|having|after|primed|priming|dosed|sweetened|added|add|put(?:\\s+in)?|fed|using|of|it|them)\\b|[+,:])\\s*';
/** What says that it goes into each bottle. */
const EACH =
  /\b(?:(?:in|in\s*to|to|for)\s+(?:each|every)(?:\s+(?:bottle|one))?|each(?:\s+(?:bottle|one))?|every\s+(?:bottle|one)|per\s+bottle|a\s+bottle|apiece)\b/;
const IN_ALL =
  /\b(?:in\s+all|all\s+told|altogether|in\s+total|total|(?:in|to|for)\s+(?:all|the\s+(?:lot|batch|whole\s+(?:lot|batch)))|in\s+bulk|between\s+them)\b/;

const PER_LITRE = new RegExp(
  `(?:${LEAD})*(${NUM})\\s*(?:g|grams?)\\b\\s*(?:of\\s+)?(?:${SUGAR}\\s*)?(?:\\/\\s*|(?:per|an?)\\s+)(?:l|lit(?:re|er))\\b(?:\\s+(?:of\\s+)?${SUGAR})?`
);
/** Lumps that are counted. A tablet alone may be sulphite: it is sugar where it is called so, or is for priming. */
const COUNTED = new RegExp(
  `(?:${LEAD})*(${FEW})\\s+(?:(?:(?:carbonation|sugar|priming|fizz)\\s+)(drops?|tablets?|lumps?|cubes?)|(cubes?|lumps?|drops?)(?:\\s+of\\s+sugar)?)(?:\\s*\\(?(?:of|at)?\\s*(${NUM})\\s*(?:g|grams?)\\)?)?`
);
const WEIGHED = new RegExp(`(?:${LEAD})*(${FEW}\\s*(?:${MASS}|${SPOON})\\b(?:\\s+of)?\\s+${SUGAR})\\b`);
/** Grams of nothing, where it is said to be priming or goes into each. */
const BARE = new RegExp(`(?:${LEAD})*(${NUM})\\s*(?:g|grams?)\\b`);
const SAID = /\b(?:primed|priming)\b/;

/** Whether a piece speaks of sugar for the bottles, and of nothing else that is done. */
export const isPriming = (text: string): boolean =>
  SAID.test(text) ||
  (EACH.test(text) && new RegExp(`\\b${SUGAR}\\b|\\b(?:drop|cube|tablet|lump)s?\\b`).test(text));

/** Whether sugar is said that may go with a bottling; not where the rest of the wine takes it. */
export const isSugarBeside = (text: string): boolean =>
  (WEIGHED.test(text) || COUNTED.test(text) || PER_LITRE.test(text)) &&
  !/\b(?:rest|remain\w*|left|jar|carboy|demijohn|bucket)\b/.test(text);

/** More lumps than this go into no one bottle. */
const MOST_LUMPS = 3;

/** What a drop, a cube or a tablet may weigh, g: its packet says which. Common practice. */
const LUMPS_G = [3, 3.5, 4, 4.5];

/**
 * Sugar that is said with a bottling: in each bottle, in a litre, or in all.
 * @returns null where none is said; an ask where its amount is not
 */
export function takePriming(p: Piece, ctx: Context, line: string): Primed | Read | null {
  const isSaid = SAID.test(p.text);
  const perL = take(p, PER_LITRE);
  if (perL) return { gL: parseNumber(perL[1]!)! };
  const counted = take(p, COUNTED);
  if (counted) {
    const name = (counted[2] ?? counted[3])!.replace(/s$/, '');
    const n = figureAt(counted[1]!)?.n ?? 1;
    if (counted[4] === undefined)
      return ask(
        'amount',
        `What does one ${name} weigh? Its packet says.`,
        LUMPS_G.map((g) => ({
          label: `${g} g`,
          line: line.replace(
            new RegExp(`\\b${name}s?\\b(?:\\s+of\\s+sugar)?`),
            (x) => `${x.replace(/\s+of\s+sugar$/, '')} of ${g} g`
          )
        }))
      );
    const isEach = take(p, EACH) !== null;
    take(p, IN_ALL);
    const lumpG = parseNumber(counted[4])!;
    return isEach && n <= MOST_LUMPS ? { eachG: n * lumpG } : { lumps: n, lumpG };
  }
  const weighed = take(p, WEIGHED);
  if (weighed) {
    const found = readItem(weighed[1]!.replace(/\b(?:priming|the)\s+/g, ''), ctx, line);
    if ('wrong' in found) return found.wrong;
    return inEach(p, asWhiteSugarG(found.item));
  }
  const bare = isSaid || EACH.test(p.text) ? take(p, BARE) : null;
  if (bare) return inEach(p, parseNumber(bare[1]!)!);
  if (!isSaid) return null;
  p.text = '';
  return ask('amount', 'Primed with how much sugar? Say it for each bottle, for a litre, or in all.');
}

function inEach(p: Piece, grams: number): Primed {
  if (take(p, EACH)) return { eachG: grams };
  return { allG: grams, isSaid: take(p, IN_ALL) !== null };
}

/** Grams of white sugar that make as much gas. */
function asWhiteSugarG(item: Parameters<typeof amountOf>[0]): number {
  const id = item.kind === 'honey' ? 'honey' : item.kind === 'sugar' ? item.sugarId : 'white';
  const { fermentable, toHexose } = SWEETENERS[id];
  return (1000 * amountOf(item) * fermentable * toHexose) / SUCROSE_TO_HEXOSE;
}

/** So little in all the bottles together makes no bubbles: it may have been meant for each. Grams in a litre. */
const NO_BUBBLES_GL = 1.5;

/**
 * White sugar to a litre, over all the bottles; null where it may have been meant for each of them as well as for all.
 * Lumps are fewer than the bottles where each takes so many.
 * @example perLitre({ eachG: 10 }, [{ count: 5, sizeL: 0.75 }]) // 13.33
 */
export function perLitre(
  primed: Primed,
  bottles: readonly { count: number; sizeL: number }[]
): number | null {
  if ('gL' in primed) return primed.gL;
  const litres = bottles.reduce((sum, b) => sum + b.count * b.sizeL, 0);
  const count = bottles.reduce((sum, b) => sum + b.count, 0);
  if ('eachG' in primed) return (primed.eachG * count) / litres;
  if ('lumps' in primed) return (primed.lumps * primed.lumpG * (primed.lumps < count ? count : 1)) / litres;
  const gL = primed.allG / litres;
  return !primed.isSaid && count > 1 && gL < NO_BUBBLES_GL ? null : gL;
}
