import { z } from 'zod';
import { takeOut } from '../operations';
import { MUCH_LOST, volumeIn } from '../question';
import { defineEvent, id, volumeL } from './define';

/** The fruit is lifted out, and drips, is squeezed, or is pressed. */
export const fruitOut = defineEvent({
  type: 'fruit-out',
  data: z.strictObject({
    press: z.enum(['drip', 'squeeze', 'press']),
    volumeL: volumeL.optional(),
    vesselId: id.optional()
  }),
  touchesLiquid: true,
  apply(s, { data }, at) {
    const lots = s.lots.filter((l) => !l.steepId && (!data.vesselId || l.vesselId === data.vesselId));
    takeOut(s, lots, data.press, data.volumeL, at);
    if (!s.lots.some((l) => !l.steepId)) s.fruitOutAt = at;
  },
  check({ data }, { before, words }) {
    const there = volumeIn(before, data.vesselId);
    const left = data.volumeL;
    if (left === undefined || there <= 0 || left >= (1 - 1.6 * MUCH_LOST) * there) return [];
    return [
      {
        level: 'ask',
        text: `Only ${words.volume(left)} of ${words.volume(there)} left is very little.`,
        todo: 'Was it so?'
      }
    ];
  },
  says: ({ data }) => ({
    what: ['Fruit out'],
    detail: data.volumeL === undefined ? [data.press] : [data.press, ', ', { volumeL: data.volumeL }, ' left']
  }),
  slots: (data) =>
    data.volumeL === undefined ? [] : [{ path: ['volumeL'], label: ['Left'], kind: 'volume' }],
  source: (data) => data.vesselId
});
