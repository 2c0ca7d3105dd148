import { z } from 'zod';
import type { Ingredient } from '../../plan/plan';
import { keptIngredientSchema } from '../../plan/plan-schema';
import { nameOf } from '../../plan/name';
import { askedOfItems } from '../asked-of-items';
import { pour } from '../pour';
import { tooHotAsked } from '../too-hot';
import { defineEvent, id, listed } from './define';

const isEnzyme = (i: Ingredient) => i.kind === 'additive' && i.additiveId === 'pectic-enzyme';

/** Something goes into the must or the wine. */
export const addition = defineEvent({
  type: 'addition',
  data: z.strictObject({
    ingredients: z.array(keptIngredientSchema).min(1).max(100),
    vesselId: id.optional()
  }),
  touchesLiquid: true,
  apply(s, e, at) {
    s.firstInAt ??= at;
    pour(s, e.data.ingredients, e.data.vesselId, at);
  },
  check: (e, about) => [
    ...(e.data.ingredients.some(isEnzyme) ? tooHotAsked('enzyme', about.before, Date.parse(e.at)) : []),
    ...askedOfItems(e.data.ingredients, e.data.vesselId, about)
  ],
  says: (e) => ({
    what: [e.data.ingredients.length > 1 ? 'Went in' : 'Added'],
    detail: listed(e.data.ingredients.map((item) => ({ item })))
  }),
  slots: (data) =>
    data.ingredients.map((item, i) => ({ path: ['ingredients', i], label: [nameOf(item)], kind: 'item' })),
  source: (data) => data.vesselId,
  brings: (data) => data.ingredients
});
