import type { z } from 'zod';
import type { gridSchema } from './paper-schema';

/** Papers that printers take, mm. @source ISO 216; ANSI/ASME Y14.1 */
export const PAPERS = {
  a4: { name: 'A4', w: 210, h: 297 },
  letter: { name: 'Letter', w: 215.9, h: 279.4 }
} as const;
export type PaperId = keyof typeof PAPERS;

export type Grid = z.infer<typeof gridSchema>;
