import { amountOf, type Ingredient, type Plan } from './plan';

/** The key of an ingredient's price: what it is, however it was prepared. */
export const priceKey = (item: Ingredient): string => {
  switch (item.kind) {
    case 'produce':
    case 'juice':
      return item.kind === 'juice' ? `${item.produceId}-juice` : item.produceId;
    case 'sugar':
      return item.sugarId;
    case 'acid':
      return item.acidId;
    case 'additive':
      return item.additiveId;
    default:
      return item.kind;
  }
};

export type Cost = {
  total: number;
  lines: { key: string; amount: number; price: number; cost: number }[];
  /** ingredients with no price given; water is free unless it has one */
  unpriced: string[];
};

/**
 * What the ingredients of a plan cost, in the money of its prices; null when none has a price.
 * Bought weight is what is paid for, so amounts count as entered.
 * @param plan with `prices` a kg or a litre
 */
export function costOf(plan: Plan): Cost | null {
  const { prices } = plan;
  if (!prices) return null;
  const lines: Cost['lines'] = [];
  const unpriced: string[] = [];
  for (const item of plan.ingredients) {
    const key = priceKey(item);
    const amount = amountOf(item);
    const price = prices[key];
    if (price !== undefined) lines.push({ key, amount, price, cost: price * amount });
    else if (amount > 0 && item.kind !== 'water') unpriced.push(key);
  }
  if (lines.length === 0 && prices.bottle === undefined) return null;
  return { total: lines.reduce((sum, l) => sum + l.cost, 0), lines, unpriced };
}

/**
 * What a bottle has come to: its share of what the wine had cost, and its glass and stopper.
 * @param filled litres of a filling, and what the wine in it had cost
 * @param glass what one bottle with its stopper costs; 0 where nobody said
 * @example bottleCost({ litres: 4.5, cost: 3 }, 0.75, 0.2) // 0.7
 */
export const bottleCost = (filled: { litres: number; cost: number }, sizeL: number, glass: number): number =>
  (filled.litres > 0 ? (filled.cost * sizeL) / filled.litres : 0) + glass;
