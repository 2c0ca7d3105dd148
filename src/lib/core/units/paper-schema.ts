import { z } from 'zod';

const length = z.number().finite().min(0).max(300);

/** A sheet of labels: how many stand on it, how large each is, where the first begins and what lies between, mm. */
export const gridSchema = z.strictObject({
  paper: z.enum(['a4', 'letter']),
  cols: z.int().min(1).max(12),
  rows: z.int().min(1).max(30),
  wMm: length.min(10),
  hMm: length.min(10),
  leftMm: length,
  topMm: length,
  gapXMm: length,
  gapYMm: length
});

/** What a household prints labels on. */
export const labelSettingsSchema = z.strictObject({
  /** one of the sheets that are sold, or its own; empty: what is usual where its inches or millimetres are */
  grid: z.string().max(20).default(''),
  own: gridSchema.optional(),
  /** how the last ones looked */
  layout: z.string().max(20).optional(),
  ink: z.string().max(20).optional(),
  /** lines to cut along: plain paper */
  isToCut: z.boolean().default(true),
  /** a picture of its own, already small */
  picture: z
    .string()
    .max(400_000)
    .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/=]+$/)
    .optional(),
  /** where this Vecino is reached, for the code on a label; without it a code holds facts only */
  address: z.union([z.literal(''), z.httpUrl().max(200)]).default(''),
  /** what stands on every label beside the wine’s own facts */
  note: z.string().max(120).default('Made at home, not for sale')
});
