import { z } from 'zod';
import { defineEvent, time } from './define';

/** A timer was started on a card of the brew day, and runs until a moment. */
export const timer = defineEvent({
  type: 'timer',
  data: z.strictObject({ card: z.string().min(1).max(40), until: time }),
  touchesLiquid: false,
  apply: (s, { data }) => void s.timers.push({ card: data.card, until: Date.parse(data.until) }),
  says: ({ data }) => ({ what: ['Timer'], detail: [data.card.replaceAll('-', ' ')] })
});
