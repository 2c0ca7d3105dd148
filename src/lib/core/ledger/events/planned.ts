import { z } from 'zod';
import { keptPlanSchema } from '../../plan/plan-schema';
import { defineEvent, id } from './define';

/** A batch is begun. */
export const planned = defineEvent({
  type: 'planned',
  data: z.strictObject({
    name: z.string().min(1).max(120),
    plan: keptPlanSchema,
    vesselId: id,
    /** the version of a recipe that it was begun from */
    recipeId: z.uuid().optional()
  }),
  touchesLiquid: false,
  apply: () => undefined,
  says: (e) => ({ what: ['Started'], detail: ['in the ', { vesselId: e.data.vesselId }] })
});
