import { z } from 'zod';
import { sampleSchema } from '$core/instruments/sample';

/** Kinds of instruments, and what each says. */
export const DEVICE_KINDS = {
  float: { name: 'Floating hydrometer', says: ['sg', 'tempC', 'battery'], gapMs: 900_000 },
  thermometer: { name: 'Thermometer', says: ['tempC'], gapMs: 900_000 },
  ph: { name: 'pH meter', says: ['ph', 'tempC'], gapMs: 900_000 },
  scale: { name: 'Kitchen scale', says: ['massKg'], gapMs: 1000 },
  weather: { name: 'Cellar weather', says: ['roomC', 'humidity'], gapMs: 900_000 }
} as const;
export type DeviceKind = keyof typeof DEVICE_KINDS;
export const DEVICE_IDS = Object.keys(DEVICE_KINDS) as [DeviceKind, ...DeviceKind[]];

/** What a device posts: one sample, or several at once. */
export const postSchema = z.union([
  sampleSchema,
  z.strictObject({ samples: z.array(sampleSchema).min(1).max(500) })
]);

/** What every device is to the rest of Vecino: something one listens to. A real one is one file that does this. */
export type Device = {
  /**
   * begins to listen; `on` is given samples as they come, and is done once they are kept; `lost` is told each time the
   * line breaks. @returns what stops it
   */
  listen: (on: (samples: readonly unknown[]) => Promise<void>, lost: (why: string) => void) => () => void;
};
