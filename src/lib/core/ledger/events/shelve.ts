import { z } from 'zod';
import { doubt } from '../state';
import { cellKey, cellSchema } from './cell';
import { defineEvent, listed } from './define';

/** Bottles of a filling laid in a rack, moved to other places, or taken out of it. */
export const shelved = defineEvent({
  type: 'shelve',
  data: z
    .strictObject({
      bottleId: z.uuid(),
      /** which of the filling's kinds and sizes, by its place in the list */
      kind: z.int().min(0).max(19),
      taken: z.array(cellSchema).max(2000),
      put: z.array(cellSchema).max(2000)
    })
    .refine((d) => d.taken.length + d.put.length > 0, 'moves no bottle'),
  touchesLiquid: false,
  apply(s, { data }) {
    const of = s.bottled.find((b) => b.eventId === data.bottleId);
    const kind = of?.bottles[data.kind];
    if (!of || !kind) return doubt(s, 'not-there');
    const gone = new Set(data.taken.map(cellKey));
    const moved = new Set(data.put.map(cellKey));
    // A place holds one bottle, however often it is named.
    const put = [...new Map(data.put.map((c) => [cellKey(c), c])).values()].map((cell) => ({
      ...cell,
      kind: data.kind
    }));
    of.cells = [...of.cells.filter((c) => !gone.has(cellKey(c)) && !moved.has(cellKey(c))), ...put];
    const mine = of.cells.filter((c) => c.kind === data.kind).length;
    if (mine <= kind.left) return;
    doubt(s, 'more-than-there');
    // No more lie in racks than there are: what was laid first has left first.
    const over = new Set(of.cells.filter((c) => c.kind === data.kind).slice(0, mine - kind.left));
    of.cells = of.cells.filter((c) => !over.has(c));
  },
  says: ({ data: { put, taken } }) => {
    const [first] = put;
    const many = Math.max(put.length, taken.length);
    return {
      what: [put.length === 0 ? 'Out of the rack' : taken.length === 0 ? 'Laid in the rack' : 'Moved'],
      detail: listed([
        `${many} ${many === 1 ? 'bottle' : 'bottles'}`,
        ...(first ? [`row ${first.row + 1}, place ${first.col + 1}`] : [])
      ])
    };
  }
});
