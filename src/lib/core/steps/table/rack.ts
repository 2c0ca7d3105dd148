import { choiceOf } from '../../tables/schools';
import { DAY, defineStep, wait } from './define';

const TOP_UP = {
  wine: 'top up to the neck with like wine',
  must: 'top up to the neck with must kept frozen',
  water: 'top up to the neck with boiled, cooled water',
  gas: 'gas over what air is left'
} as const;

export const intoGlass = defineStep({
  inPlan({ plan, hasFruit, begins }) {
    const sugar = choiceOf(plan, 'sugar');
    const lastFeed =
      sugar === 'steps' ? 'feed-2' : sugar === 'strained' || sugar === 'halves' ? 'feed-1' : null;
    return {
      title: 'Into glass',
      short: 'into glass',
      how: 'Siphon off the sediment, no splash, fill to the neck, airlock on.',
      waits: [
        hasFruit
          ? wait('fruit-out', 0, 2 * DAY, 'the cap no longer shields it')
          : wait(begins, 10 * DAY, 16 * DAY, 'when the rush is over', 'quiet'),
        ...(lastFeed ? [wait(lastFeed, 2 * DAY, 5 * DAY, 'the last sugar foams')] : [])
      ]
    };
  },
  doneAt: (s) => s.rackings[0]?.at,
  form: 'rack',
  empties: true
});

export const offTheLees = defineStep({
  inPlan: ({ plan }) => ({
    title: 'Rack off the lees',
    short: 'rack',
    how: `Once it has thrown its sediment; ${TOP_UP[choiceOf(plan, 'topUp')]}.`,
    waits: [wait('rack-1', 30 * DAY, 45 * DAY, 'lees turn bitter in time')]
  }),
  doneAt: (s) => s.rackings[1]?.at,
  form: 'rack',
  empties: true
});
