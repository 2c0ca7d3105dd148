import { entryOf, type Ingredient } from '../plan/plan';
import type { ArtId } from '../tables/art';
import type { Family } from '../tables/produce';

const BY_FAMILY: Record<Family, ArtId> = {
  soft: 'berries',
  stone: 'plum',
  pome: 'apple',
  citrus: 'citrus',
  tropical: 'tropical',
  melon: 'melon',
  dried: 'bunch',
  root: 'root',
  flower: 'flower',
  leaf: 'leaf',
  sap: 'jar'
};
const BY_NAME: readonly (readonly [RegExp, ArtId])[] = [
  [/rosehip|hawthorn/, 'hip'],
  [/elderberr|rowan/, 'elder'],
  [/gooseberr/, 'gooseberry'],
  [/strawberr/, 'strawberry'],
  [/rhubarb/, 'rhubarb'],
  [/quince|pear|perry/, 'quince']
];

/** The drawing of what weighs most in a wine; a comb for honey alone, a jar where nothing is known of it. */
export function artOf(ingredients: readonly Ingredient[]): ArtId {
  let best: ArtId = ingredients.some((i) => i.kind === 'sugar' && i.sugarId.includes('honey'))
    ? 'comb'
    : 'jar';
  let most = 0;
  for (const i of ingredients) {
    if (i.kind !== 'produce' && i.kind !== 'juice') continue;
    const produce = entryOf(i);
    const weight = i.kind === 'produce' ? i.massKg : i.volumeL;
    if (!produce || weight <= most) continue;
    most = weight;
    best = BY_NAME.find(([name]) => name.test(produce.id))?.[1] ?? BY_FAMILY[produce.family];
  }
  return best;
}
