import { DROPS_G_ML, SYRUP_G_ML } from '$core/finish/trial';
import type { Haze, HazeTests } from '$core/finish/clear';
import type { Hindrance } from '$core/finish/stabilise';
import { SWEETENERS, type SweetenerId } from '$core/tables/sweeteners';
import type { sweetnessWord } from '$core/units/format';

/** Why a wine is not to be stabilised yet, and what shows that it can be. */
export const HINDERS: Record<Hindrance, { title: string; text: string }> = {
  malolactic: {
    title: 'No sorbate in this wine.',
    text: 'Malolactic bacteria went in; they turn sorbate into the smell of geranium, and nothing takes it out. Keep it dry, sweeten with what yeast cannot take, or heat it.'
  },
  'not-finished': {
    title: 'Not shown to be finished.',
    text: 'Sorbate stops no ferment that is under way. Two readings three days apart, the same and where it ends, show that it is over.'
  },
  'not-clear': {
    title: 'Not clear yet.',
    text: 'What clouds it is yeast, more than sorbate holds. Let it clear, rack it, then stabilise. Some stabilise it hazy and fine it after: it has to be clear before it is bottled all the same.'
  }
};

/** The words that one sweetens to, and the sugar that each is, g/L: the middle of what `sweetnessWord` calls so. */
export const SWEET_WORDS = {
  'off-dry': 13,
  medium: 25,
  'medium-sweet': 45,
  sweet: 75
} as const satisfies Partial<Record<ReturnType<typeof sweetnessWord>, number>>;

/** Sweeteners that people put into a finished wine, the usual first. */
const OFTEN: SweetenerId[] = ['white', 'honey', 'dextrose', 'fructose', 'erythritol', 'xylitol', 'glycerol'];
export const SWEETENER_OPTIONS: [string, string][] = [
  ...OFTEN,
  ...(Object.keys(SWEETENERS) as SweetenerId[]).filter((id) => !OFTEN.includes(id))
].map((id) => [id, SWEETENERS[id].name]);

/** The three tests of a haze, the cheapest first. */
export const TESTS: Record<keyof HazeTests, string> = {
  inSpirit: 'A spoonful into three of strong spirit, shaken, an hour: are there strings or jelly?',
  iodine: 'A drop of iodine into a spoonful (then thrown away): does it go blue?',
  heated: 'A glass stood in hot water, near simmering, for ten minutes, and cooled: does it flock?'
};

/** What clouds a wine, and what that asks for. */
export const HAZES: Record<Haze, { name: string; text: string }> = {
  pectin: { name: 'Pectin', text: 'Of the fruit, set by heat. Only the enzyme takes it.' },
  starch: { name: 'Starch', text: 'Of grain, roots or unripe fruit. Only amylase takes it.' },
  protein: { name: 'Protein', text: 'It comes back on a warm day. Bentonite takes it down.' },
  yeast: {
    name: 'Yeast, or fine lees',
    text: 'It falls by itself once the wine is still, finished and free of gas.'
  }
};

/** Ways to let the gas out of a still wine, the gentlest first. Common practice. */
export const DEGAS: readonly (readonly [way: string, how: string])[] = [
  ['Warmth and days', 'a week or two in the warm: most of it goes by itself'],
  ['By hand', 'a long spoon, both ways, 20 to 30 minutes over an evening; no whirl that draws air down'],
  ['A drill with a paddle', '5 to 10 minutes in short bursts, both ways, the paddle deep'],
  [
    'A vacuum',
    'a hand pump on the bung, again and again, until no more bubbles rise; not on thin or flat-sided glass'
  ]
];

/** What glasses are dosed from, by drops. */
export const SYRUP = {
  gML: SYRUP_G_ML,
  what: 'syrup',
  how: 'Syrup: 50 g of it, made up to 100 mL with warm water.'
};
export const DROPS = {
  gML: DROPS_G_ML,
  what: 'the drops',
  how: 'Drops: 10 g of it, made up to 100 mL with water.'
};
