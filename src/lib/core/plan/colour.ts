import { entryOf, type Ingredient } from './plan';

const PALE = { must: '#e6d9ae', fruit: '#c9b878' };

/** Colours of a must for the drawings: those of the produce that weighs most; pale straw without any. */
export function mustColour(ingredients: readonly Ingredient[]): { must: string; fruit: string } {
  let best = PALE;
  let most = 0;
  for (const i of ingredients) {
    if (i.kind !== 'produce' && i.kind !== 'juice') continue;
    const produce = entryOf(i);
    const weight = i.kind === 'produce' ? i.massKg : i.volumeL;
    if (produce && weight > most) [most, best] = [weight, produce.colour];
  }
  return best;
}
