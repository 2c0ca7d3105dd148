import { z } from 'zod';
import { doubt } from '../state';
import { defineEvent } from './define';

/** Bottles of one filling opened: so many fewer that could burst, and what was found. */
export const opened = defineEvent({
  type: 'open',
  data: z.strictObject({
    bottleId: z.uuid(),
    count: z.int().min(1).max(2000),
    found: z.enum(['still', 'fizzy', 'gushing']).optional()
  }),
  touchesLiquid: false,
  apply(s, { data }, at) {
    const of = s.bottled.find((b) => b.eventId === data.bottleId);
    if (!of) return doubt(s, 'not-there');
    if (data.count > of.left) doubt(s, 'more-than-there');
    of.left = Math.max(0, of.left - data.count);
    if (data.found) of.opened.push({ at, found: data.found });
  },
  says: ({ data: { count, found } }) => ({
    what: ['Opened'],
    detail: [`${count} ${count === 1 ? 'bottle' : 'bottles'}${found ? `, ${found}` : ''}`]
  })
});
