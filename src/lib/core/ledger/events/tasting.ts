import { z } from 'zod';
import { defineEvent, text } from './define';

/** How it tastes. */
export const tasting = defineEvent({
  type: 'tasting',
  data: z.strictObject({
    text: text.min(1),
    /** how well it is liked, 1 to 5 */
    liking: z.int().min(1).max(5).optional(),
    nextTime: text.optional()
  }),
  touchesLiquid: false,
  apply: (s, { data }, at) => void s.tastings.push({ at, text: data.text, liking: data.liking ?? null }),
  says: ({ data }) => ({
    what: ['Tasted'],
    detail: [
      `${data.text}${data.liking ? ` (${data.liking} of 5)` : ''}${data.nextTime ? ` Next time: ${data.nextTime}` : ''}`
    ]
  })
});
