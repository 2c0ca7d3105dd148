import { remembered } from '../units/remembered';
import { isSlip } from '../units/slip';
import { FOODS, POISONS } from './plant-list';

/** A plant or part that must never go into a wine, and why. */
export type Poison = { name: string; why: string };

const tidy = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f'’]/g, '')
    .replace(/[^a-z]+/g, ' ')
    .trim();

/** One word, singular: `berries` → `berry`, `privets` → `privet`, `leaves` → `leaf`. */
const singular = (word: string): string =>
  word === 'leaves' || word === 'leave'
    ? 'leaf'
    : word.length < 4 || /(ss|us|is)$/.test(word)
      ? word
      : word
          .replace(/ies$/, 'y')
          .replace(/(sh|ch|x|o)es$/, '$1')
          .replace(/s$/, '');

/** The words of a text, one way; of the last text that was asked for they are known. */
let last: { text: string; words: readonly string[] } = { text: '', words: [] };
function wordsOf(text: string): readonly string[] {
  if (last.text !== text) last = { text, words: tidy(text).split(' ').filter(Boolean).map(singular) };
  return last.words;
}

/** Words that come between or around a plant's name, and change nothing of it. */
const FILLERS = new Set(
  'wild common garden tree bush plant shrub flower blossom bloom petal berry leaf root seed pod bulb tuber fruit dried fresh frozen bark stem twig shoot sap ripe the a of'.split(
    ' '
  )
);

type Name = { words: readonly string[]; plant: string };

/** In groups by a key, so that few need be tried. */
function grouped<T, K>(all: readonly T[], keyOf: (of: T) => K): ReadonlyMap<K, T[]> {
  const by = new Map<K, T[]>();
  for (const one of all) by.set(keyOf(one), [...(by.get(keyOf(one)) ?? []), one]);
  return by;
}

const NAMES: Name[] = Object.entries(POISONS).flatMap(([plant, { also = [], latin }]) =>
  [plant, ...also, ...latin].map((n) => ({ words: wordsOf(n), plant }))
);
const BY_FIRST = grouped(NAMES, (n) => n.words[0]!);
const LEAST_LONG = 6;
/** Names of one long word, which a slip of one letter still means. */
const LONG = NAMES.filter((n) => n.words.length === 1 && n.words[0]!.length >= LEAST_LONG);
/** By their length: a slip makes a word one letter longer or shorter at most. */
const LONG_BY_LENGTH = grouped(LONG, (n) => n.words[0]!.length);
/** The plant that a long word is a slip from, if any. */
const slipOf = remembered(
  (word) =>
    [0, -1, 1]
      .flatMap((d) => LONG_BY_LENGTH.get(word.length + d) ?? [])
      .find((n) => isSlip(word, n.words[0]!))?.plant,
  2000
);

const FOOD_NAMES = FOODS.map(wordsOf);
const FOOD_WORDS = new Set(FOOD_NAMES.flat());
const FOODS_BY_FIRST = grouped(FOOD_NAMES, (words) => words[0]!);

/** Whether a run of words stands in a text's words at a position. */
function runAt(words: readonly string[], run: readonly string[], from: number): boolean {
  return run.every((w, i) => words[from + i] === w);
}

/** A name without its gaps, with its words as written and each in the singular: `foxglove`, `fox glove`, `fox-gloves`. */
const joinedForms = (name: string): string[] => {
  const whole = tidy(name).replace(/ /g, '');
  return [whole, singular(whole), wordsOf(name).join('')];
};
const JOINED_POISON = new Map(
  Object.entries(POISONS).flatMap(([plant, { also = [], latin }]) =>
    [plant, ...also, ...latin].flatMap(joinedForms).map((key) => [key, plant] as const)
  )
);
const JOINED_FOOD = new Set(FOODS.flatMap(joinedForms));
/** The longest name, in words as somebody may write it apart. */
const MOST_WORDS = 5;

type JoinedRun = { from: number; to: number; key: string };

/** Every run of a text's words written together, the longest first; one word by itself too. */
function* joinedRuns(text: string, words: readonly string[]): Generator<JoinedRun> {
  const raw = tidy(text).split(' ').filter(Boolean);
  for (let n = Math.min(MOST_WORDS, words.length); n >= 1; n--)
    for (let from = 0; from + n <= words.length; from++) {
      const to = from + n;
      yield { from, to, key: words.slice(from, to).join('') };
      const whole = raw.slice(from, to).join('');
      yield { from, to, key: whole };
      yield { from, to, key: singular(whole) };
      yield { from, to, key: whole.replace(/s$/, '') };
    }
}

/** Which words of a text lie inside the name of a food, however it is spaced. */
function inFood(text: string, words: readonly string[]): boolean[] {
  const covered = words.map(() => false);
  for (let i = 0; i < words.length; i++)
    for (const food of FOODS_BY_FIRST.get(words[i]!) ?? [])
      if (runAt(words, food, i)) food.forEach((_, k) => (covered[i + k] = true));
  for (const { from, to, key } of joinedRuns(text, words))
    if (JOINED_FOOD.has(key)) covered.fill(true, from, to);
  return covered;
}

/** A poisonous plant whose name is written apart, together or with hyphens otherwise than the list has it. */
function findJoined(text: string, words: readonly string[], covered: readonly boolean[]): string | null {
  for (const { from, to, key } of joinedRuns(text, words)) {
    const plant = JOINED_POISON.get(key);
    if (plant && !covered.slice(from, to).every(Boolean)) return plant;
  }
  return null;
}

function findRun(words: readonly string[], covered: readonly boolean[]): string | null {
  for (let i = 0; i < words.length; i++)
    for (const n of BY_FIRST.get(words[i]!) ?? [])
      if (runAt(words, n.words, i) && !n.words.every((_, k) => covered[i + k])) return n.plant;
  return null;
}

/**
 * A poisonous plant that a text names, common or Latin, anywhere in it; null when the name lies inside that of a
 * food plant (bay laurel, garden pea, daylily, sweet cicely and elderflower pass).
 */
export function findPoisonous(text: string): Poison | null {
  const words = wordsOf(text);
  const covered = inFood(text, words);
  const bare = words.map((w, i) => ({ w, i })).filter(({ w }) => !FILLERS.has(w));
  const slip = () => {
    for (const [i, w] of words.entries()) {
      if (w.length < LEAST_LONG || covered[i] || FOOD_WORDS.has(w) || KITCHEN.has(w)) continue;
      const plant = slipOf(w);
      if (plant) return plant;
    }
    return null;
  };
  const plant =
    findRun(words, covered) ??
    findJoined(text, words, covered) ??
    findRun(
      bare.map((x) => x.w),
      bare.map((x) => covered[x.i]!)
    ) ??
    slip();
  return plant ? { name: plant, why: `${plant} is poisonous. It is not food in any amount.` } : null;
}

/** Food words that lie a letter from a poisonous name. */
const KITCHEN = new Set(
  'mallow yarrow private crouton castle spindly hollow tulips cookers cooker'.split(' ')
);

type Part = { plants: readonly string[]; parts: readonly string[]; why: string };

const CYANIDE = 'kernels, pips and leaves of these trees set cyanide free';
/** Parts of food plants that are no food; said in either order, `rhubarb leaves` or `leaves of rhubarb`. */
const PARTS: readonly Part[] = [
  {
    plants: ['rhubarb'],
    parts: ['leaf', 'flower', 'root'],
    why: 'rhubarb leaves are poisonous; use the stalks only'
  },
  {
    plants: ['tomato', 'potato', 'aubergine', 'eggplant'],
    parts: ['leaf', 'stem', 'flower', 'vine', 'haulm', 'berry', 'foliage'],
    why: 'the green parts are poisonous'
  },
  {
    plants: ['potato'],
    parts: ['green', 'sprouting', 'sprouted', 'sprout'],
    why: 'green or sprouting potatoes are poisonous'
  },
  {
    plants: ['elder', 'elderberry', 'elderflower'],
    parts: ['leaf', 'stem', 'bark', 'root', 'twig', 'green', 'unripe', 'raw', 'stalk'],
    why: 'only the flowers and ripe, heated berries of elder are food'
  },
  {
    plants: [
      'plum',
      'cherry',
      'peach',
      'apricot',
      'almond',
      'sloe',
      'damson',
      'nectarine',
      'greengage',
      'mirabelle',
      'bullace'
    ],
    parts: ['kernel', 'pip', 'pit', 'stone', 'leaf', 'bark', 'twig'],
    why: CYANIDE
  },
  {
    plants: ['apple', 'pear', 'quince', 'loquat', 'medlar', 'crab'],
    parts: ['kernel', 'pip', 'seed', 'leaf', 'bark'],
    why: CYANIDE
  },
  { plants: ['almond'], parts: ['bitter'], why: 'bitter almonds set cyanide free' },
  {
    plants: ['honeysuckle'],
    parts: ['berry'],
    why: 'honeysuckle berries are poisonous; only its flowers are used'
  },
  { plants: ['locust', 'acacia'], parts: ['bark', 'seed', 'pod', 'leaf'], why: 'only the blossoms are food' },
  {
    plants: ['rowan', 'rowanberry'],
    parts: ['raw', 'green', 'unripe'],
    why: 'rowan berries upset the stomach raw'
  },
  { plants: ['cassava', 'manioc'], parts: ['bitter', 'raw'], why: 'raw cassava sets cyanide free' },
  { plants: ['asparagus'], parts: ['berry'], why: 'asparagus berries are poisonous' },
  { plants: ['kidney', 'runner'], parts: ['raw'], why: 'raw beans are poisonous' },
  { plants: ['ackee'], parts: ['unripe'], why: 'unripe ackee is poisonous' }
];

/** Kernels and pips of these are food. */
const EATEN = new Set(
  'sweetcorn corn maize pomegranate sunflower pumpkin pine palm walnut hazelnut cashew pistachio coconut grape melon squash cocoa coffee wheat barley'.split(
    ' '
  )
);
/** What was taken out is not in. */
const WITHOUT =
  /\b(without|no|minus|removed|out|off|less|free|stoned|pitted|destoned|deseeded|cored|stripped)\b/;

/** A plant and its part written as one word, as two: `rhubarbleaf`. */
function partedWord(word: string): string[] {
  for (const { plants, parts } of PARTS)
    for (const plant of plants)
      if (word.startsWith(plant)) {
        const part = singular(word.slice(plant.length));
        if (parts.includes(part)) return [plant, part];
      }
  return [word];
}

/** A poisonous part of a plant that is otherwise food; null when the text names none. */
export function unsafePart(text: string): Poison | null {
  const clean = tidy(text);
  if (WITHOUT.test(clean)) return null;
  const words = wordsOf(text).flatMap(partedWord);
  const has = (list: readonly string[]) => words.some((w) => list.includes(w));
  const found = PARTS.find(({ plants, parts }) => has(plants) && inOrder(words, plants, parts));
  if (found) return { name: clean, why: `${found.why}.` };
  if (has(['kernel', 'pip']) && !words.some((w) => EATEN.has(w)) && !has(['pipless']))
    return { name: clean, why: `kernels and pips set cyanide free when crushed.` };
  return null;
}

/** A stone is a weight as well: it is the part only right behind its plant, or `of` it. */
function inOrder(words: readonly string[], plants: readonly string[], parts: readonly string[]): boolean {
  return words.some(
    (w, i) =>
      parts.includes(w) &&
      (w !== 'stone' ||
        plants.includes(words[i - 1] ?? '') ||
        (words[i + 1] === 'of' &&
          !/\d/.test(words[i - 1] ?? '') &&
          plants.includes(words[i + 2] ?? '') &&
          i === 0))
  );
}

/** What is known of a plant by its name alone. */
export const isNamedFood = (text: string): boolean => {
  const words = wordsOf(text);
  return words.length > 0 && inFood(text, words).every((c, i) => c || FILLERS.has(words[i]!));
};

const PLANT_PARTS =
  /(berr(y|ies)|flowers?|blossoms?|petals?|lea(f|ves)|roots?|weeds?|worts?|herbs?|nuts?|fruits?|shoots?|buds?|barks?|seeds?|moss|mushrooms?|fung(us|i)|plants?|trees?|bush(es)?|saps?|hips?|haws?|bells?|bane|foils?|grass(es)?|ferns?|nettles?|thistles?|vetch|cress|mint|clover)$/;

/** Whether a name that nobody knows is likely one of a plant: it may be wild, and then look-alikes matter. */
export const looksLikePlant = (name: string): boolean =>
  /\b(wild|foraged|hedge\w*|wood|marsh|water|sea|field|meadow)\b/.test(name) ||
  name
    .toLowerCase()
    .split(/\s+/)
    .some((w) => PLANT_PARTS.test(w));
