import { hasMust } from '../../ledger/state';
import { choiceOf } from '../../tables/schools';
import { defineStep } from './define';

const WASH = {
  rinsed: '',
  washed: 'Wash and drain the fruit. ',
  unwashed: 'No washing: only clean, unsprayed fruit. '
} as const;
const FRUIT = { bag: 'in a bag', free: 'loose' } as const;

export const crush = defineStep({
  chore: {
    minutes: 60,
    takes: ['masher', 'scale', 'jug'],
    isClean: true,
    ifLate: 'Fruit that lies goes soft and wild.',
    lookFor: 'No whole fruit left, and no sugar that grates under the spoon.'
  },
  inPlan: ({ plan, hasFruit, fruitName, isInfusion }) => ({
    title:
      hasFruit && fruitName === 'fruit'
        ? 'Crush and mix'
        : isInfusion
          ? 'Infuse, strain and mix'
          : 'Mix the must',
    short: 'crush',
    how: isInfusion
      ? 'Simmered or steeped in the water, strained, then the sugar dissolved in it.'
      : `${fruitName === 'flowers' ? 'No green stalks, and no washing. ' : WASH[choiceOf(plan, 'wash')]}Everything into the clean bucket${hasFruit ? `, the ${fruitName} ${FRUIT[choiceOf(plan, 'fruitIn')]}` : ''}; ${hasFruit && fruitName === 'fruit' ? 'fruit crushed, ' : ''}sugar dissolved.`,
    waits: []
  }),
  doneAt: (s) => (hasMust(s) || s.rackings.length > 0 || s.bottled.length > 0 ? s.startedAt : null)
});
