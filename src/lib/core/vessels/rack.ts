import { z } from 'zod';

/** Where bottles lie: a rack of rows and places, as it is built at home. */
export const rackSchema = z.strictObject({
  id: z.string().min(1).max(64),
  name: z.string().min(1).max(60),
  rows: z.int().min(1).max(40),
  cols: z.int().min(1).max(40),
  /** how warm it is there over the year, °C */
  tempC: z.number().min(-5).max(45).optional()
});
export type Rack = z.infer<typeof rackSchema>;
