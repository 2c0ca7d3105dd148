import { inC } from '../units/say';

/**
 * What people say of a wine, by the four things they look for. A word that asks for another wine next year says how far:
 * `acid` in g/L as tartaric, `sweet` in g/L of sugar, `abv` in % vol, `fruit` as a share. How far is ours, in steps that one tastes.
 * @source how far: acid 0.5 g/L and sugar 5 g/L are near what trained tasters tell apart; common practice
 */
export type Wish =
  | { acid: number }
  | { sweet: number }
  | { abv: number }
  | { fruit: number }
  | { tannin: 'more' | 'less' }
  | { do: Habit };

/** What is done otherwise, where no figure says it. */
export type Habit =
  'enzyme' | 'rack-sooner' | 'feed' | 'less-air' | 'clean' | 'drip' | 'cooler' | 'let-it-work' | 'more-fizz';

type Word = { id: string; name: string; wish?: Wish };

export const TASTING = {
  look: {
    name: 'Look',
    words: [
      { id: 'bright', name: 'bright' },
      { id: 'hazy', name: 'hazy', wish: { do: 'enzyme' } },
      { id: 'sediment', name: 'sediment', wish: { do: 'rack-sooner' } },
      { id: 'browned', name: 'browned', wish: { do: 'less-air' } },
      { id: 'pale', name: 'pale', wish: { fruit: 0.1 } },
      { id: 'deep', name: 'deep' }
    ]
  },
  smell: {
    name: 'Smell',
    words: [
      { id: 'of-the-fruit', name: 'of the fruit' },
      { id: 'flowers', name: 'of flowers' },
      { id: 'little', name: 'of little', wish: { fruit: 0.15 } },
      { id: 'yeasty', name: 'of yeast', wish: { do: 'rack-sooner' } },
      { id: 'eggs', name: 'of eggs', wish: { do: 'feed' } },
      { id: 'vinegar', name: 'of vinegar', wish: { do: 'less-air' } },
      { id: 'sherry', name: 'of sherry', wish: { do: 'less-air' } },
      { id: 'musty', name: 'musty', wish: { do: 'clean' } },
      { id: 'solvent', name: 'of solvent', wish: { do: 'cooler' } }
    ]
  },
  taste: {
    name: 'Taste',
    words: [
      { id: 'balanced', name: 'balanced' },
      { id: 'a-little-sharp', name: 'a little sharp', wish: { acid: -0.6 } },
      { id: 'too-sharp', name: 'too sharp', wish: { acid: -1.2 } },
      { id: 'flat', name: 'flat', wish: { acid: 0.8 } },
      { id: 'too-dry', name: 'too dry', wish: { sweet: 8 } },
      { id: 'too-sweet', name: 'too sweet', wish: { sweet: -10 } },
      { id: 'harsh', name: 'harsh', wish: { tannin: 'less' } },
      { id: 'soft', name: 'no grip', wish: { tannin: 'more' } },
      { id: 'bitter', name: 'bitter', wish: { do: 'drip' } },
      { id: 'hot', name: 'hot', wish: { abv: -1 } }
    ]
  },
  body: {
    name: 'Body and fizz',
    words: [
      { id: 'round', name: 'round' },
      { id: 'thin', name: 'thin', wish: { fruit: 0.2 } },
      { id: 'heavy', name: 'heavy', wish: { fruit: -0.15 } },
      { id: 'weak', name: 'weak', wish: { abv: 1 } },
      { id: 'prickles', name: 'prickles', wish: { do: 'let-it-work' } },
      { id: 'lively', name: 'lively' },
      { id: 'flat-fizz', name: 'little fizz', wish: { do: 'more-fizz' } }
    ]
  }
} as const satisfies Record<string, { name: string; words: readonly Word[] }>;

export type Element = keyof typeof TASTING;
export const ELEMENTS = Object.keys(TASTING) as Element[];

const WORDS = new Map<string, Word>(
  ELEMENTS.flatMap((e) => (TASTING[e].words as readonly Word[]).map((w) => [w.id, w] as const))
);
export const tastingWord = (id: string): Word | undefined => WORDS.get(id);

/** How one says what a wine asks to be done otherwise next time. */
export const HABITS: Record<Habit, { change: string; why: string }> = {
  enzyme: {
    change: 'Pectic enzyme with the fruit, at the full dose',
    why: 'most haze of fruit wine is pectin'
  },
  'rack-sooner': {
    change: 'Rack once more before bottling, and wait until it drops nothing',
    why: 'what lies in the bottle fell after it was filled'
  },
  feed: { change: 'Nutrient in three parts', why: 'hungry yeast smells of eggs' },
  'less-air': {
    change: 'Fuller jars, and sulphite at every second racking',
    why: 'air browns a wine, and lets vinegar in'
  },
  clean: {
    change: 'Sound fruit only, everything sanitised, corks kept dry',
    why: 'must comes of mould'
  },
  drip: {
    change: 'Let the fruit drip, do not squeeze',
    why: 'pips and skins give up their bitterness when pressed'
  },
  cooler: { change: `Ferment cooler, under ${inC(22)}`, why: 'hot yeast makes solvents' },
  'let-it-work': {
    change: 'Bottle later, by two readings a week apart',
    why: 'it worked on in the bottle'
  },
  'more-fizz': { change: 'A little more priming sugar', why: 'measured against what the bottle is made for' }
};
