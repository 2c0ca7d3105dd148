import { z } from 'zod';
import { SHAPES } from './vessels';

export const vesselSchema = z.strictObject({
  id: z.string().min(1).max(64),
  name: z.string().min(1).max(60),
  shape: z.enum(SHAPES),
  /** brim-full, litres */
  capacityL: z.number().finite().min(0.2).max(2000),
  /** measured outline: height and diameter in cm, bottom to brim; replaces the preset */
  profile: z
    .array(z.tuple([z.number().min(0), z.number().positive()]))
    .min(2)
    .max(50)
    .optional(),
  /** the user's own marks: litres at a height in cm */
  marks: z
    .array(z.strictObject({ heightCm: z.number().positive(), volumeL: z.number().positive() }))
    .max(50)
    .optional()
});
