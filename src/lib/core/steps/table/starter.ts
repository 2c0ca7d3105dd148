import { defineStep, wait } from './define';

export const starter = defineStep({
  chore: {
    minutes: 10,
    takes: ['clean jar', 'yeast', 'warm juice'],
    isClean: true,
    ifLate: 'The yeast goes in a day later for it.',
    lookFor: 'A ring of froth by tomorrow, and a smell of bread.'
  },
  inPlan: ({ isStarter }) =>
    isStarter
      ? {
          title: 'Begin the starter',
          short: 'starter',
          how: 'Yeast in a jar of warm juice with a spoon of sugar, loosely covered, so that it works by tomorrow.',
          waits: [wait('crush', 0, 12, 'a day before it is wanted')]
        }
      : null,
  // Nothing of it is in the wine yet: only a tick says so.
  doneAt: () => null,
  tap: 'Starter begun',
  card: 'starter'
});
