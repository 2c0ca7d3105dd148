import { entryOf, type Ingredient } from './plan';
import { SWEETENERS } from '../tables/sweeteners';
import { ACID_ADDITIONS, ADDITIVES } from '../tables/substances';

/** The fruit without its part: `Rhubarb` for rhubarb stalks, as a wine is named. */
export const shortName = (name: string): string =>
  name.replace(/ (stalk|root|flower|petal|blossom|tip|leaf)$/, '');

/** What an ingredient is called everywhere: `Rhubarb stalks`, `White sugar`. */
export function nameOf(item: Ingredient): string {
  switch (item.kind) {
    case 'produce':
      return entryOf(item)?.plural ?? item.produceId;
    case 'juice':
      return `${entryOf(item)?.name ?? item.produceId} ${item.form ?? 'juice'}`;
    case 'sugar':
      return SWEETENERS[item.sugarId].name;
    case 'honey':
      return 'Honey';
    case 'water':
      return 'Water';
    case 'wine':
      return 'Wine';
    case 'acid':
      return ACID_ADDITIONS[item.acidId].name;
    case 'additive':
      return ADDITIVES[item.additiveId];
  }
}
