import { z } from 'zod';
import { labelSettingsSchema } from './paper';
import type { Country } from './words';

/** Figures that any potential-alcohol stem could print beside 1.100. */
export const PRINTED_WITHIN = [11.5, 18] as const;

/** How warm it is where nobody said, °C. */
export const USUAL_ROOM_C = 20;

/** How a household measures, and what its hydrometer is like. Stored and exported. */
export const settingsSchema = z.strictObject({
  system: z.enum(['metric', 'us', 'uk', 'mixed']),
  mass: z.enum(['kg', 'lb']),
  volume: z.enum(['L', 'us-gal', 'uk-gal']),
  temp: z.enum(['C', 'F']),
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
export type Settings = z.infer<typeof settingsSchema>;

/** The four ways of measuring; mixed is fruit in pounds with liquid in litres. */
export const SYSTEMS = {
  metric: { name: 'Metric: kg, L, °C', mass: 'kg', volume: 'L', temp: 'C' },
  us: { name: 'US: lb, US gal, °F', mass: 'lb', volume: 'us-gal', temp: 'F' },
  uk: { name: 'UK: lb, UK gal, °C', mass: 'lb', volume: 'uk-gal', temp: 'C' },
  mixed: { name: 'Mixed: fruit in lb, liquid in L, °C', mass: 'lb', volume: 'L', temp: 'C' }
} as const;

export const DEFAULT_SETTINGS: Settings = {
  system: 'metric',
  mass: 'kg',
  volume: 'L',
  temp: 'C',
  hydrometer: { calibratedC: 20, inWater: 1 },
  theme: 'auto',
  waterAlkalinityMgL: 120,
  roomC: USUAL_ROOM_C,
  hasStem: true,
  unlearned: [],
  walk: [],
  sets: [],
  labels: labelSettingsSchema.parse({}),
  hemisphere: 'north',
  currency: '',
  prices: {}
};

/** Whose gallons and pints: a metric kitchen has none of its own, and is asked. */
export const countryOf = (settings: Settings): Country =>
  settings.volume === 'uk-gal' || settings.system === 'uk'
    ? 'uk'
    : settings.volume === 'us-gal' || settings.system === 'us'
      ? 'us'
      : 'metric';
