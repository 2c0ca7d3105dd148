import { z } from 'zod';
import { askSchema, commandSchema } from '$core/quickline/command';

/** What `POST /api/phrase` takes: a line, whose units it is in, the wines it may speak of, and when it was said. */
export const phraseRequestSchema = z.strictObject({
  text: z.string().max(500, 'is longer than 500 characters'),
  units: z.enum(['metric', 'us', 'uk', 'mixed']).optional(),
  batches: z
    .array(z.strictObject({ id: z.string().min(1).max(64), name: z.string().min(1).max(120) }))
    .max(500)
    .optional(),
  now: z.iso.datetime({ offset: true }).optional()
});

/** What it answers: what would be written, what has to be settled first, and the answer to a question of no wine. */
export const phraseAnswerSchema = z.strictObject({
  commands: z.array(commandSchema),
  asks: z.array(askSchema),
  answer: z.string().optional()
});
