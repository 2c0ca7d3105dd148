import { takeFruitOut } from '../../commands/move';
import { choiceOf } from '../../tables/schools';
import { DAY, defineStep, wait } from './define';

const HOW = {
  drip: 'Lift it and let it drip: clear wine.',
  squeeze: 'Lift it and squeeze: more wine, more sediment.',
  press: 'Press it gently: most wine, longest to clear.'
} as const;

/** Fruit that has hardly given stays, though the rush is over. Common practice: three days. */
const LEAST_H = 3 * DAY;

export const fruitOut = defineStep({
  inPlan: ({ plan, hasFruit, begins, steepDays }) =>
    hasFruit
      ? {
          title: 'Fruit out',
          short: 'fruit out',
          how: HOW[choiceOf(plan, 'press')],
          waits: [wait(begins, steepDays * DAY, (steepDays + 3) * DAY, 'colour and taste are out by then')],
          withQuietH: LEAST_H
        }
      : null,
  doneAt: (s) => s.fruitOutAt,
  deed: (s) => takeFruitOut(s.id, s.plan.press ?? 'drip'),
  tap: 'Fruit is out',
  form: 'fruit-out'
});
