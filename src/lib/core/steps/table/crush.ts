import { hasMust } from '../../ledger/state';
import { choiceOf } from '../../tables/schools';
import { defineStep } from './define';

const WASH = {
  rinsed: '',
  washed: 'Wash and drain the fruit. ',
  unwashed: 'No washing: only clean, unsprayed fruit. '
} as const;
const FRUIT = { bag: ', the fruit in a bag', free: ', the fruit loose' } as const;

export const crush = defineStep({
  chore: {
    minutes: 60,
    takes: ['masher', 'scale', 'jug'],
    isClean: true,
    ifLate: 'Fruit that lies goes soft and wild.',
    lookFor: 'No whole fruit left, and no sugar that grates under the spoon.'
  },
  inPlan: ({ plan, hasFruit, isInfusion }) => ({
    title: hasFruit ? 'Crush and mix' : isInfusion ? 'Infuse, strain and mix' : 'Mix the must',
    short: 'crush',
    how: isInfusion
      ? 'Simmered or steeped in the water, strained, then the sugar dissolved in it.'
      : `${WASH[choiceOf(plan, 'wash')]}Everything into the clean bucket${hasFruit ? FRUIT[choiceOf(plan, 'fruitIn')] : ''}; ${hasFruit ? 'fruit crushed, ' : ''}sugar dissolved.`,
    waits: []
  }),
  doneAt: (s) => (hasMust(s) || s.rackings.length > 0 || s.bottled.length > 0 ? s.startedAt : null)
});
