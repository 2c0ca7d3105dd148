import { z } from 'zod';
import { heatSchema } from '$core/ferment/heat-schema';
import { BOTTLE_TYPES } from '$core/tables/bottles';
import { eventSchema } from '$core/ledger/log';

/** A batch by its log, the moment it is asked about, and a bottling to be judged. */
export const batchRequestSchema = z.strictObject({
  events: z.array(eventSchema).min(1, 'needs at least one event').max(5000),
  at: z.iso.datetime(),
  bottle: z
    .strictObject({
      vesselId: z.string().max(64).optional(),
      type: z.enum(BOTTLE_TYPES),
      sizeL: z.number().finite().min(0.05).max(20),
      primingGL: z.number().finite().min(0).max(60).optional(),
      clear: z.boolean(),
      /** heated through in the bottle: the core as it was measured, °C, and for how long, min */
      heat: heatSchema.optional()
    })
    .optional()
});
