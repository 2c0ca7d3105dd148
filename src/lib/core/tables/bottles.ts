/** Litres of wine a bottle takes. */
export const BOTTLE_L = 0.75;

/** Gauge pressure a bottle is made for at 20 °C, bar. @source common practice; sparkling from memory of EN 12726-class glass */
export const BOTTLES = {
  still: { name: 'Still, corked', ratingBar: 0.5 },
  crown: { name: 'Beer, crown-capped', ratingBar: 3 },
  sparkling: { name: 'Sparkling, wired', ratingBar: 6.5 }
} as const;
export type BottleType = keyof typeof BOTTLES;
export const BOTTLE_TYPES = ['still', 'crown', 'sparkling'] as const satisfies readonly BottleType[];
