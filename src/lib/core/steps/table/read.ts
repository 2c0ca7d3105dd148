import { lastReadAt, lastReading, leastRead } from '../../ledger/last-read';
import { isBegun, isReadingAside, timesRacked } from '../../ledger/state';
import { isNatural } from '../../tables/schools';
import { DAY, defineStep, wait } from './define';

/** By then the yeast is usually in, h. Common practice. */
const YEAST_BY = 36;

/** What is asked of who reads no gravity in a batch. */
const LOOK = {
  title: 'Look, count bubbles, taste',
  short: 'look',
  how: 'Bubbles in a minute at the airlock, or a clean spoonful: either makes the guess surer.',
  form: 'look',
  takes: ['a clean spoon'],
  lookFor: 'Bubbles that come ever more seldom, a cap that falls, and sweetness that goes.'
} as const;

export const read = defineStep({
  chore: {
    minutes: 5,
    takes: ['hydrometer and its jar', 'thermometer'],
    isClean: true,
    ifLate: 'Nobody knows how far it is; before bottling that is what bursts bottles.',
    lookFor: 'Read at the flat of the liquid, the stem spinning free, no bubbles on it.'
  },
  inPlan: () => ({
    title: 'Read the gravity',
    short: 'read',
    how: 'Strained sample, bubbles spun off, eye level, and its temperature.',
    waits: [wait('crush', 20, 44, 'before yeast hides the start')],
    everyH: 3 * DAY
  }),
  // Each vessel by itself: it is done once the one that was read longest ago was.
  doneAt(s) {
    if (isReadingAside(s)) return s.looks.at(-1)?.at;
    const fill = leastRead(s);
    return fill ? lastReadAt(s, fill) : lastReading(s)?.at;
  },
  // Often while it runs, seldom while it clears. Common practice.
  againH: (s) => [48, 7 * DAY][timesRacked(s)] ?? 21 * DAY,
  // Before the yeast there are no bubbles to count, and a must tastes sweet; later it may have begun all the same.
  isOver: (s) =>
    isReadingAside(s) && !isNatural(s.plan) && !isBegun(s) && s.at - s.startedAt < YEAST_BY * 3_600_000,
  form: 'read',
  otherwise: (s) => (isReadingAside(s) ? LOOK : null)
});
