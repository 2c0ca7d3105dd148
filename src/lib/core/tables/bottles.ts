import { significant } from '../units/format';

/** Litres of wine a bottle takes. */
export const BOTTLE_L = 0.75;

/**
 * Kinds of bottle: gauge pressure each is made for at 20 °C, bar, what closes it, and how it is filled.
 * A swing-top counts below a beer bottle: many are made for oil, and their rubber is the weakest of all; fizzy-drink
 * plastic below what it stands new; a keg below what its plate says, as old seals and valves go. @source common practice; sparkling from memory of EN 12726-class glass
 */
export const BOTTLES = {
  still: {
    name: 'Still, corked',
    ratingBar: 0.5,
    closures: 'corks',
    fill: 'A thumb’s width under the cork, no more and no less.'
  },
  screw: {
    name: 'Still, screw cap',
    ratingBar: 0.5,
    closures: 'screw caps',
    fill: 'To the foot of the thread. Only finished wine: a screw cap vents nothing.'
  },
  crown: {
    name: 'Beer, crown-capped',
    ratingBar: 3,
    closures: 'crown caps',
    fill: 'Two fingers under the rim.'
  },
  swing: {
    name: 'Swing-top',
    ratingBar: 2,
    closures: 'rubber seals',
    fill: 'Two fingers under the seal, which is new and supple.'
  },
  plastic: {
    name: 'Fizzy-drink plastic',
    ratingBar: 4,
    closures: 'screw caps',
    fill: 'Squeeze the air out as you close it: its hardness tells the gas.'
  },
  keg: {
    name: 'Keg',
    ratingBar: 4,
    closures: 'lid seals',
    fill: 'To the weld. Close it, let gas in and out again, so that no air stands over it; its valve opens when it must.'
  },
  sparkling: {
    name: 'Sparkling, wired',
    ratingBar: 6.5,
    closures: 'stoppers and wires',
    fill: 'Three fingers under the rim.'
  }
} as const;
export type BottleType = keyof typeof BOTTLES;
export const BOTTLE_TYPES = [
  'still',
  'screw',
  'crown',
  'swing',
  'plastic',
  'keg',
  'sparkling'
] as const satisfies readonly BottleType[];

/** A kind of bottle one has: how much each takes, and how it is closed. */
export type BottleKind = { sizeL: number; type: BottleType };

/** Bottles that people have, the usual first. Common practice. */
export const COMMON_BOTTLES: readonly BottleKind[] = [
  { sizeL: 0.75, type: 'still' },
  { sizeL: 0.375, type: 'still' },
  { sizeL: 0.75, type: 'screw' },
  { sizeL: 0.5, type: 'crown' },
  { sizeL: 0.33, type: 'crown' },
  { sizeL: 0.75, type: 'sparkling' },
  { sizeL: 0.5, type: 'swing' },
  { sizeL: 1, type: 'swing' },
  { sizeL: 0.5, type: 'plastic' },
  { sizeL: 9.5, type: 'keg' },
  { sizeL: 19, type: 'keg' }
];

/**
 * `750 mL`, `1 L`: as bottles are sold.
 * @example sizeText(0.75) // '750 mL'
 */
export const sizeText = (sizeL: number): string =>
  sizeL < 1 ? `${significant(1000 * sizeL, 3)} mL` : `${significant(sizeL, 3)} L`;
