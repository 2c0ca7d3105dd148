import { z } from 'zod';
import { defineEvent } from './define';

/** The cap pushed down, or air stirred in. */
export const stir = defineEvent({
  type: 'stir',
  data: z.strictObject({}),
  touchesLiquid: false,
  apply: (s, _e, at) => void s.stirs.push(at),
  says: () => ({ what: ['Stirred'], detail: [] })
});
