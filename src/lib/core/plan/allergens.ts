import { entryOf, type Ingredient } from './plan';

/**
 * Allergens that go on a label, by what went in.
 * @source Regulation (EU) 1169/2011, annex II (from memory); sulphites from 10 mg/L
 */
export function allergensOf(item: Ingredient): string[] {
  if (item.kind === 'sugar') {
    if (item.sugarId === 'lactose') return ['milk'];
    if (item.sugarId === 'liquid-malt' || item.sugarId === 'dry-malt') return ['gluten'];
  }
  // Chitosan is made of shells; moulds give it too, and the tub says which.
  if (item.kind === 'additive' && item.additiveId === 'chitosan') return ['crustaceans'];
  if (entryOf(item)?.id === 'celery') return ['celery'];
  return [];
}

/** mg/L of sulphur dioxide from which a label says “contains sulphites”. @source as above */
export const LABEL_SO2_MG_L = 10;
