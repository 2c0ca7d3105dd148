import { z } from 'zod';

/** A place for one bottle: row and column of a rack, from the upper left, from 0. */
export const cellSchema = z.strictObject({
  rackId: z.string().min(1).max(64),
  row: z.int().min(0).max(99),
  col: z.int().min(0).max(99)
});
export type Cell = z.infer<typeof cellSchema>;

/** The same place as a word, so that places can be looked up. */
export const cellKey = ({ rackId, row, col }: Cell): string => `${rackId}:${row}:${col}`;
