import { rackedAt } from '../../ledger/state';
import { choiceOf } from '../../tables/schools';
import { DAY, defineStep, wait } from './define';

const TOP_UP = {
  wine: 'top up to the neck with like wine',
  must: 'top up to the neck with must kept frozen',
  water: 'top up to the neck with boiled, cooled water',
  gas: 'gas over what air is left'
} as const;

export const intoGlass = defineStep({
  chore: {
    minutes: 25,
    takes: ['siphon', 'clean jar', 'airlock and bung'],
    isClean: true,
    ifLate: 'Open wine that no longer works takes air: flat first, then vinegar.',
    lookFor: 'The cap has fallen and bubbles come seldom; a stem would say 1.010 or less.'
  },
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
        // Strained before its yeast, it works in the bucket first.
        ...(hasFruit ? [wait(begins, 3 * DAY, 6 * DAY, 'the first rush would lift the airlock')] : []),
        ...(lastFeed ? [wait(lastFeed, 2 * DAY, 5 * DAY, 'the last sugar foams')] : [])
      ]
    };
  },
  doneAt: (s) => rackedAt(s, 1),
  form: 'rack',
  empties: true
});

export const offTheLees = defineStep({
  chore: {
    minutes: 25,
    takes: ['siphon', 'clean jar', 'airlock and bung'],
    isClean: true,
    ifLate: 'Lees turn bitter, then smell of eggs.',
    lookFor: 'A firm layer at the bottom, and clearer wine over it.'
  },
  inPlan: ({ plan }) => ({
    title: 'Rack off the lees',
    short: 'rack',
    how: `Once it has thrown its sediment; ${TOP_UP[choiceOf(plan, 'topUp')]}.`,
    waits: [wait('rack-1', 30 * DAY, 45 * DAY, 'lees turn bitter in time')]
  }),
  doneAt: (s) => rackedAt(s, 2),
  form: 'rack',
  empties: true
});
