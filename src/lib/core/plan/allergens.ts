import { entryOf, type Ingredient } from './plan';

/** What finings are made of. Chitosan comes of shells; moulds give it too, and the tub says which. */
const FINED_WITH = {
  chitosan: 'crustaceans',
  isinglass: 'fish',
  'egg-white': 'egg',
  casein: 'milk'
} as const;

/**
 * Allergens that go on a label, by what went in.
 * @source Regulation (EU) 1169/2011, annex II (from memory); sulphites from 10 mg/L
 */
export function allergensOf(item: Ingredient): string[] {
  if (item.kind === 'sugar') {
    if (item.sugarId === 'lactose') return ['milk'];
    if (item.sugarId === 'liquid-malt' || item.sugarId === 'dry-malt') return ['gluten'];
  }
  if (item.kind === 'additive' && item.additiveId in FINED_WITH)
    return [FINED_WITH[item.additiveId as keyof typeof FINED_WITH]];
  if (entryOf(item)?.id === 'celery') return ['celery'];
  return [];
}

/** mg/L of sulphur dioxide from which a label says “contains sulphites”. @source as above */
export const LABEL_SO2_MG_L = 10;
