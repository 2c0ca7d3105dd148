import { z } from 'zod';
import { keptIngredientSchema } from '../../plan/plan-schema';
import { pour } from '../pour';
import { amountsAsked, volumeIn } from '../question';
import { defineEvent, id } from './define';

/** Air taken from over a wine: by a liquid, or by gas alone. */
export const topUp = defineEvent({
  type: 'top-up',
  data: z.strictObject({ vesselId: id, ingredient: keptIngredientSchema.optional() }),
  touchesLiquid: true,
  apply(s, { data }, at) {
    s.toppedAt[data.vesselId] = at;
    if (data.ingredient) pour(s, [data.ingredient], data.vesselId, at);
  },
  check: ({ data }, { before, words }) =>
    data.ingredient
      ? amountsAsked(
          [data.ingredient],
          volumeIn(before, data.vesselId),
          words.capacityL(data.vesselId),
          words
        )
      : [],
  says: ({ data }) => ({
    what: ['Topped up'],
    detail: [
      { vesselId: data.vesselId },
      ...(data.ingredient ? [' with ', { item: data.ingredient }] : [' with gas'])
    ]
  }),
  source: (data) => data.vesselId,
  brings: (data) => (data.ingredient ? [data.ingredient] : [])
});
