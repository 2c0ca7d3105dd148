import { remembered } from '../units/remembered';
import { POWDER_WORDS } from '../plan/thing';
import { SWEETENERS } from '../tables/sweeteners';
import { ACID_ADDITIONS, ADDITIVES } from '../tables/substances';
import { PRODUCE } from '../tables/table';
import { isSlip } from '../units/slip';
import type { Context } from './context';

/** Words that begin or make a phrase, and are looked for when one is misspelt. */
const KEYWORDS =
  'gravity specific hydrometer reading brix potential temperature acidity titratable volume measured residue stirred pitched yeast champagne rehydrated starter added bottled bottle bottles opened racked siphoned syphoned transferred strained squeezed pressed lifted topped spilt spilled boiled sample sampled returned tasted tastes tasting bubbles bubble seconds minutes foaming cloudy smells steeped blended skipped crushed mashed weighed picked harvested froze gathered foraged yesterday campden nutrient tannin sorbate bentonite metabisulphite pectic enzyme sugar honey water litres gallons strong finished fallen nothing hopped smell frozen taste racking bottling stirring pitch squeeze press weigh harvest gather forage minute second litre liter liters gallon boiling spoon strain sweet rehydrate washed tested dropped dripped waited sealed moved smelt smelly broke smashed swapped traded filled corked capped heated warmed cooled chilled chopped sliced diced grated peeled minced halved shredded pushed punched swirled shaken combined joined everything forgot heaped halves gushed gushing tipped dumped chucked thrown compost carboy demijohn started split pinch stopped ceased clearing starting pitched gorgeous yeasty airlock covered skimmed crashed labelled bought'.split(
    ' '
  );

const wordsIn = (text: string) =>
  text
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((w) => w.length > 2);

let known: Set<string> | null = null;
/** Every word that means something as it is written. */
const tableWords = (): Set<string> =>
  (known ??= new Set([
    ...KEYWORDS,
    ...PRODUCE.flatMap((p) => wordsIn(`${p.name} ${p.plural} ${p.latin}`)),
    ...Object.values(SWEETENERS).flatMap((s) => wordsIn(`${s.name} ${s.words}`)),
    ...Object.values(ADDITIVES).flatMap(wordsIn),
    ...Object.values(POWDER_WORDS).flatMap(wordsIn),
    ...Object.values(ACID_ADDITIONS).flatMap((a) => wordsIn(a.name))
  ]));

/** Whether a word, or what it is the plural of, means something as it is written. */
export const meansSomething = (word: string): boolean =>
  tableWords().has(word) || tableWords().has(word.replace(/(es|s)$/, ''));

/** Whether a word is meant by another: the same, or a slip away. */
export const isNear = (a: string, b: string): boolean => a === b || isSlip(a, b);

/**
 * The one of some words that a misspelt one is meant for; undefined where none or two are near. A letter left out or
 * doubled is likelier than one for another.
 */
export function nearest(word: string, among: Iterable<string>): string | undefined {
  const near = [...new Set(among)].filter((w) => isNear(word, w));
  const slips = near.filter((w) => w.length !== word.length);
  const those = slips.length > 0 ? slips : near;
  return those.length === 1 ? those[0] : undefined;
}

const nearestKeyword = remembered((word) => nearest(word, KEYWORDS), 2000);

/** Shorter words are too like one another. */
const LEAST = 5;

/** A line with its misspelt keywords put right; names of things are left as they are. */
export function spelt(text: string, ctx: Pick<Context, 'wines' | 'vessels' | 'own'>): string {
  const names = new Set([...ctx.wines, ...ctx.vessels, ...ctx.own].flatMap((x) => wordsIn(x.name)));
  const isKnown = (word: string) => tableWords().has(word) || names.has(word);
  return text.replace(/[a-z]+/g, (word) =>
    word.length < LEAST || isKnown(word) || isKnown(word.replace(/(es|s)$/, ''))
      ? word
      : (nearestKeyword(word) ?? word)
  );
}
