import { z } from 'zod';
import { takeOut } from '../operations';
import { doubt } from '../state';
import { defineEvent, id } from './define';

/** What was hung in comes out. */
export const steepOut = defineEvent({
  type: 'steep-out',
  data: z.strictObject({ steepId: id }),
  touchesLiquid: true,
  apply(s, e, at) {
    const steep = s.steeps.find((x) => x.id === e.data.steepId);
    if (!steep) return doubt(s, 'not-there');
    steep.outAt = at;
    const lots = s.lots.filter((l) => l.steepId === steep.id);
    takeOut(s, lots, 'drip', undefined, at);
  },
  says: (e, s) => ({
    what: ['Taken out'],
    detail: [
      s.steeps
        .find((x) => x.id === e.data.steepId)
        ?.names.join(', ')
        .toLowerCase() ?? ''
    ]
  })
});
