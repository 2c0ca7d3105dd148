import { z } from 'zod';

/** What was measured of a heat treatment: the warmth in the middle of the bottle, and how long it was held. */
export const heatSchema = z.strictObject({
  coreC: z.number().finite().min(20).max(100),
  minutes: z.number().finite().min(0).max(600)
});
