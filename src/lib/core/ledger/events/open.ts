import { z } from 'zod';
import { takeBottles } from '../bottles';
import { doubt } from '../state';
import { cellSchema } from './cell';
import { defineEvent } from './define';

/** How a bottle left the cellar; `opened` where nothing is said. */
export const LEFT_BY = ['opened', 'given', 'broken', 'swapped'] as const;
export type LeftBy = (typeof LEFT_BY)[number];

const WORDS: Record<LeftBy, string> = {
  opened: 'Opened',
  given: 'Given away',
  broken: 'Broken or lost',
  swapped: 'Swapped'
};

/** Bottles of one filling that left the cellar: opened, with what was found in them; given, broken, swapped. */
export const opened = defineEvent({
  type: 'open',
  data: z.strictObject({
    bottleId: z.uuid(),
    count: z.int().min(1).max(2000),
    found: z.enum(['still', 'fizzy', 'gushing']).optional(),
    how: z.enum(LEFT_BY).optional(),
    /** to whom, or for what */
    to: z.string().max(80).optional(),
    /** which of the filling's kinds and sizes, by its place in the list; left out, those that stand in no rack first */
    kind: z.int().min(0).max(19).optional(),
    /** where they lay */
    from: z.array(cellSchema).max(2000).optional()
  }),
  touchesLiquid: false,
  apply(s, { data }, at) {
    const of = s.bottled.find((b) => b.eventId === data.bottleId);
    if (!of) return doubt(s, 'not-there');
    if (data.count > of.left) doubt(s, 'more-than-there');
    const gone = Math.min(data.count, of.left);
    takeBottles(of, data.count, data.kind, data.from ?? []);
    if (data.found) of.opened.push({ at, found: data.found });
    of.gone.push({ at, count: gone, how: data.how ?? 'opened', to: data.to ?? '' });
  },
  says: ({ data: { count, found, how, to } }) => ({
    what: [WORDS[how ?? 'opened']],
    detail: [
      `${count} ${count === 1 ? 'bottle' : 'bottles'}${to ? ` ${how === 'swapped' ? 'for' : 'to'} ${to}` : ''}${found ? `, ${found}` : ''}`
    ]
  })
});
