import type { Quality } from '$core/finish/blend';
import type { Kept } from './blending';

/** What becomes of a blend, and how grave that is. */
export const KEPT: Record<Kept, { tone: string; text: string }> = {
  stays: {
    tone: 'border-greengage bg-tint-green',
    text: 'All of them were finished, and hold sulphite and sorbate: it stays as sweet as it is.'
  },
  thinned: {
    tone: 'border-straw bg-tint-straw',
    text: 'Water thins what keeps it sweet: stabilise it anew, for all of it.'
  },
  wakes: {
    tone: 'border-straw bg-tint-straw',
    text: 'Yeast of one can take the sugar of another: stabilise it anew, or let it stand and read it twice before it is bottled.'
  },
  geranium: {
    tone: 'border-rosehip bg-tint-rose',
    text: 'Do not: malolactic bacteria of one turn the sorbate of another into the smell of geranium, and nothing takes it out.'
  }
};

/** How far a blend is from what was wanted of it. */
export const MISS: Record<Quality, (by: number) => string> = {
  abv: (by) => `${Math.abs(by).toFixed(1)} % ${by > 0 ? 'over' : 'short'}`,
  taGL: (by) => `${Math.abs(by).toFixed(1)} g/L of acid ${by > 0 ? 'over' : 'short'}`,
  depth: (by) => (by > 0 ? 'darker' : 'paler'),
  hexoseGL: (by) => `${Math.abs(by).toFixed(0)} g/L of sugar ${by > 0 ? 'over' : 'short'}`
};
