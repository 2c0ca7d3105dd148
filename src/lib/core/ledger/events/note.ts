import { z } from 'zod';
import { defineEvent, text } from './define';

/** Something to remember. */
export const note = defineEvent({
  type: 'note',
  data: z.strictObject({ text: text.min(1), nextTime: z.boolean().optional() }),
  touchesLiquid: false,
  apply: () => undefined,
  says: (e) => ({ what: ['Note'], detail: [e.data.text] }),
  slots: () => [{ path: ['text'], label: ['Note'], kind: 'text' }]
});
