import type { z } from 'zod';
import type { produceSchema } from './produce-schema';

export const FAMILIES = [
  'soft',
  'stone',
  'pome',
  'citrus',
  'tropical',
  'melon',
  'dried',
  'root',
  'flower',
  'leaf',
  'sap'
] as const;

/** What produce can come as. What each form does stands in extraction.ts. */
export const FORMS = ['fresh', 'frozen', 'canned', 'dried', 'juice', 'concentrate'] as const;
export type Form = (typeof FORMS)[number];

export type Produce = z.infer<typeof produceSchema>;
export type Family = Produce['family'];
