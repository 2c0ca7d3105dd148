import { z } from 'zod';
import { labelSettingsSchema } from './paper-schema';
import { MEASURES, PRINTED_WITHIN, USUAL_ROOM_C } from './settings';

/** How a household measures, and what its hydrometer is like. Stored and exported. */
export const settingsSchema = z.strictObject({
  system: z.enum(MEASURES.system),
  mass: z.enum(MEASURES.mass),
  volume: z.enum(MEASURES.volume),
  temp: z.enum(MEASURES.temp),
  hydrometer: z.strictObject({
    /** temperature the stem is marked for, °C */
    calibratedC: z.number().finite().min(0).max(40),
    /** what it shows in plain water at that temperature */
    inWater: z.number().finite().min(0.98).max(1.02),
    /** what its potential scale prints beside 1.100, once asked */
    potentialAt1100: z.number().finite().min(PRINTED_WITHIN[0]).max(PRINTED_WITHIN[1]).optional(),
    /** what reads °Bx here, once asked */
    bxBy: z.enum(['hydrometer', 'refractometer']).optional()
  }),
  theme: z.enum(['auto', 'light', 'dark']),
  waterAlkalinityMgL: z.number().finite().min(0).max(1000),
  /** how warm it usually is where wine stands here, °C */
  roomC: z.number().finite().min(0).max(40).default(USUAL_ROOM_C),
  /** whether gravity is read here at all; where it is not, new wines are asked for what can be seen and tasted */
  hasStem: z.boolean().default(true),
  /** whether the vessels that are listed are all there are; left out until it was said */
  onlyListed: z.boolean().optional(),
  /** produce whose own batches are not to be learnt from: the table's figures stand */
  unlearned: z.array(z.string().max(64)).max(500).default([]),
  /** vessels in the order one walks past them, by id; those that are not named come last */
  walk: z.array(z.string().max(64)).max(500).default([]),
  /** what goes in together, by the household's own name for it: a line that adds it */
  sets: z
    .array(z.strictObject({ name: z.string().min(2).max(40), line: z.string().min(3).max(200) }))
    .max(50)
    .default([]),
  labels: labelSettingsSchema.prefault({}),
  /** which half of the year fruit ripens in */
  hemisphere: z.enum(['north', 'south']).default('north'),
  /** a sign for money, such as £; sums need none */
  currency: z.string().max(6).default(''),
  /** what a kg, a litre or a bottle costs, as a plan's prices */
  prices: z.record(z.string().max(64), z.number().finite().min(0).max(100_000)).default({})
});
