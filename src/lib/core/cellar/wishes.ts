import { acidIn } from '../ledger/measured-acid';
import type { Bottling, Tasted } from '../ledger/state';
import { tastingWord, type Habit } from '../tables/tasting';

/** A wine as it stood when it was tasted: sugar and acid, g/L, and strength, % vol. */
export type Stood = { sweetGL: number; taGL: number; abv: number };

/** What a tasting asks for, each in its own unit; a figure that is left out is well as it is. */
export type Wishes = {
  /** how much more acid, g/L as tartaric */
  acid?: number;
  /** sugar it would be right with, g/L */
  sweetGL?: number;
  /** how much stronger, % vol */
  abv?: number;
  /** more fruit, as a share of it */
  fruit?: number;
  tannin?: 'more' | 'less';
  /** it smells of little */
  isFaint?: true;
  habits: Habit[];
};

/** Acid nearer than this nobody tells apart, g/L; nor sugar. Ours. */
const TELLS = { acid: 0.2, sweet: 2 } as const;

/** A wine's acid as measured, else by the sums, and what is told of its sugar and strength. */
export function stoodAs(
  b: Pick<Bottling, 'fill'>,
  facts: { abv: { likely: number }; sugarGL: number }
): Stood {
  return { sweetGL: facts.sugarGL, taGL: acidIn(b.fill).taGL ?? 0, abv: facts.abv.likely };
}

/** The furthest of several wishes for one thing, less what pulls the other way: sharp and flat at once is neither. */
const together = (values: readonly number[]): number => {
  const [up, down] = [Math.max(0, ...values), Math.min(0, ...values)];
  return up + down;
};

/**
 * What a tasting asks for. A place tapped on the field goes before words: it has the numbers.
 * @param stood how the wine stood then
 */
export function wishesOf(t: Pick<Tasted, 'words' | 'wanted'>, stood: Stood): Wishes {
  const wishes = t.words.flatMap((id) => tastingWord(id)?.wish ?? []);
  const sum = (key: 'acid' | 'sweet' | 'abv' | 'fruit') =>
    together(wishes.flatMap((w) => (key in w ? [(w as Record<typeof key, number>)[key]] : [])));
  const acid = t.wanted ? t.wanted.taGL - stood.taGL : sum('acid');
  const sweet = t.wanted ? t.wanted.sweetGL - stood.sweetGL : sum('sweet');
  const [abv, fruit] = [sum('abv'), sum('fruit')];
  const tannins = wishes.flatMap((w) => ('tannin' in w ? [w.tannin] : []));
  return {
    ...(Math.abs(acid) >= TELLS.acid ? { acid } : {}),
    ...(Math.abs(sweet) >= TELLS.sweet ? { sweetGL: Math.max(0, stood.sweetGL + sweet) } : {}),
    ...(abv !== 0 ? { abv } : {}),
    ...(Math.abs(fruit) > 1e-9 ? { fruit } : {}),
    ...(tannins.length > 0 && new Set(tannins).size === 1 ? { tannin: tannins[0]! } : {}),
    ...(t.words.includes('little') ? { isFaint: true as const } : {}),
    habits: [...new Set(wishes.flatMap((w) => ('do' in w ? [w.do] : [])))]
  };
}
