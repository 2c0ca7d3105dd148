import { z } from 'zod';

const figure = (least: number, most: number) => z.number().finite().min(least).max(most).optional();

/** What an instrument says at a moment: each figure in the unit of its name, and only those it has. */
export const sampleSchema = z
  .strictObject({
    /** UTC */
    at: z.iso.datetime({ offset: true, message: 'must be a time such as 2026-05-01T18:30:00Z' }),
    // As wide as any instrument speaks, in whatever unit: `lies.ts` judges it.
    sg: figure(-10, 2000),
    tempC: figure(-60, 250),
    ph: figure(0, 14),
    massKg: figure(-200, 5000),
    bubblesPerMin: figure(0, 1000),
    /** of the place it stands in */
    roomC: figure(-60, 150),
    humidity: figure(0, 100),
    /** share of its battery that is left, 0 to 1 */
    battery: figure(0, 1)
  })
  .refine((s) => Object.keys(s).length > 1, 'holds no figure');
export type Sample = z.infer<typeof sampleSchema>;

/** The same with its moment in ms, as it is reckoned with. */
export type At = Omit<Sample, 'at'> & { at: number };
