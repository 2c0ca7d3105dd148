import type { z } from 'zod';
import type { settingsSchema } from './settings-schema';
import type { Country } from './words';

/** Figures that any potential-alcohol stem could print beside 1.100. */
export const PRINTED_WITHIN = [11.5, 18] as const;

/** How warm it is where nobody said, °C. */
export const USUAL_ROOM_C = 20;

export type Settings = z.infer<typeof settingsSchema>;

/** What a household may measure in. */
export const MEASURES = {
  system: ['metric', 'us', 'uk', 'mixed'],
  mass: ['kg', 'lb'],
  volume: ['L', 'us-gal', 'uk-gal'],
  temp: ['C', 'F']
} as const;

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
  labels: { grid: '', isToCut: true, address: '', note: 'Made at home, not for sale' },
  hemisphere: 'north',
  currency: '',
  prices: {}
};

/**
 * Settings as they were kept: they were checked when they were written, and what is newer than they are is the usual.
 * All of them are the usual where how it measures cannot be read.
 */
export function settingsFrom(kept: unknown): Settings {
  const k = (kept ?? {}) as Partial<Settings>;
  const isKnown = Object.entries(MEASURES).every(([key, values]) =>
    (values as readonly string[]).includes(String(k[key as 'mass']))
  );
  if (!isKnown) return DEFAULT_SETTINGS;
  return {
    ...DEFAULT_SETTINGS,
    ...k,
    hydrometer: { ...DEFAULT_SETTINGS.hydrometer, ...k.hydrometer },
    labels: { ...DEFAULT_SETTINGS.labels, ...k.labels }
  };
}

/** Whose gallons and pints: a metric kitchen has none of its own, and is asked. */
export const countryOf = (settings: Settings): Country =>
  settings.volume === 'uk-gal' || settings.system === 'uk'
    ? 'uk'
    : settings.volume === 'us-gal' || settings.system === 'us'
      ? 'us'
      : 'metric';
