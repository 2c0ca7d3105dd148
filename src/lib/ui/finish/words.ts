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
    text: 'What clouds it is yeast, more than sorbate holds. Let it clear, rack it, then stabilise.'
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
