import { z } from 'zod';
import { defineEvent, id } from './define';

/** Something that was written down is taken back. The log only grows; a correction voids and adds again. */
export const voided = defineEvent({
  type: 'void',
  data: z.strictObject({ eventId: id }),
  touchesLiquid: false,
  apply: () => undefined,
  says: () => ({ what: ['Taken back'], detail: [] })
});
