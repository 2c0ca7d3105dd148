import { z } from 'zod';
import { priceKey } from '../../plan/cost';
import { nameOf } from '../../plan/name';
import { entryOf } from '../../plan/plan';
import { keptIngredientSchema } from '../../plan/plan-schema';
import { askedOfItems } from '../asked-of-items';
import { pour } from '../pour';
import { defineEvent, id, listed, time } from './define';

/** Fruit, oak, hops or cocoa hung in the wine for a while; tasted by a day. */
export const steep = defineEvent({
  type: 'steep',
  data: z.strictObject({
    ingredients: z.array(keptIngredientSchema).min(1).max(20),
    vesselId: id.optional(),
    tasteBy: time.optional()
  }),
  touchesLiquid: true,
  apply(s, e, at) {
    pour(s, e.data.ingredients, e.data.vesselId, at, e.id);
    s.steeps.push({
      id: e.id,
      at,
      names: e.data.ingredients.map((i) => entryOf(i)?.plural ?? priceKey(i)),
      tasteBy: e.data.tasteBy ? Date.parse(e.data.tasteBy) : null,
      outAt: null
    });
  },
  check: (e, about) => askedOfItems(e.data.ingredients, e.data.vesselId, about),
  says: ({ data }) => ({
    what: ['Hung in'],
    detail: [
      ...listed(data.ingredients.map((item) => ({ item }))),
      ...(data.tasteBy ? [', taste by ', { dayMs: Date.parse(data.tasteBy) }] : [])
    ]
  }),
  slots: (data) =>
    data.ingredients.map((item, i) => ({ path: ['ingredients', i], label: [nameOf(item)], kind: 'item' })),
  source: (data) => data.vesselId,
  brings: (data) => data.ingredients
});
