import { z } from 'zod';
import { eventSchema } from '$core/ledger/log';
import { planSchema } from '$core/plan/plan-schema';

/** A batch by its log, or a plan that is begun at a moment, and how many days ahead are asked for. */
export const forecastRequestSchema = z
  .strictObject({
    events: z.array(eventSchema).min(1, 'needs at least one event').max(5000).optional(),
    plan: planSchema.optional(),
    at: z.iso.datetime(),
    days: z.int().min(1).max(365),
    /** where it stands from now on, °C; as it was read last when left out */
    tempC: z.number().finite().min(0).max(40).optional()
  })
  .refine(
    (r) => (r.events === undefined) !== (r.plan === undefined),
    'wants events or a plan, one of the two'
  );
