import { z } from 'zod';
import { defineEvent, id, text } from './define';

/** A caution was read. */
export const caution = defineEvent({
  type: 'caution',
  data: z.strictObject({ cautionId: id, text: text.optional() }),
  touchesLiquid: false,
  apply: (s, e) => void s.acknowledged.push(e.data.cautionId),
  says: (e) => ({ what: ['Caution read'], detail: [e.data.text ?? { cautionId: e.data.cautionId }] })
});
