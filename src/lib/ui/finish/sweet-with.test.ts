import { expect, it } from 'vitest';
import { sweeten } from '$core/finish/sweeten';
import { wineOf } from '$core/finish/wine';
import { massOf } from '$core/liquid/stock';
import type { Ingredient } from '$core/plan/plan';
import { withOf, withOptions } from './sweet-with';

const PLAN: { ingredients: Ingredient[] } = {
  ingredients: [
    { kind: 'produce', produceId: 'apple', massKg: 5 },
    { kind: 'produce', produceId: 'elderflower', massKg: 0.1 },
    { kind: 'sugar', sugarId: 'white', massKg: 1 }
  ]
};

it('offers the juice of what gives one, and brings a wine to a gravity with it, by the litre', () => {
  const ids = withOptions(PLAN).map(([id]) => id);
  expect(ids.filter((id) => id.startsWith('juice'))).toEqual(['juice apple']);
  const juice = withOf('juice apple', PLAN);
  expect(juice).toMatchObject({ name: 'apple juice', isPoured: true, isFood: true });
  const wine = wineOf({ volumeL: 5, sg: 0.994, abv: 12 });
  const to = sweeten(wine, { toSg: 1.004 }, juice.of);
  expect(to.sg).toBeCloseTo(1.004, 5);
  // Apple juice of about 1.046 in dry wine: some four parts in twenty of what it becomes.
  expect(to.amount).toBeGreaterThan(0.8);
  expect(to.amount).toBeLessThan(1.8);
  expect(to.abv).toBeCloseTo((12 * 5) / (5 + to.amount), 0);
  expect(massOf(to.stock)).toBeGreaterThan(massOf(wine) + to.amount);
  // What is not there any more is plain sugar again.
  expect(withOf('juice quince', PLAN)).toMatchObject({ isPoured: false, isSugar: true });
});
