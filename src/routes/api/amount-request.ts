import { z } from 'zod';

/** What `POST /api/read-amount` takes: the text, what it is an amount of, and whose units a bare number is in. */
export const amountRequestSchema = z.strictObject({
  text: z.string().max(200, 'is longer than 200 characters'),
  for: z.string().max(120, 'is longer than 120 characters').optional(),
  units: z.enum(['metric', 'us', 'uk', 'mixed']).optional()
});

/** What it answers: what is known of the amount, or what to ask. */
export const amountAnswerSchema = z.strictObject({
  massKg: z.number().min(0).optional(),
  volumeL: z.number().min(0).optional(),
  count: z.number().min(0).optional(),
  asks: z.array(z.string()).optional()
});
