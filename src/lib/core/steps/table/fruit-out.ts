import { takeFruitOut } from '../../commands/move';
import { choiceOf } from '../../tables/schools';
import { DAY, defineStep, wait, type InPlan } from './define';

const HOW = {
  drip: 'Lift it and let it drip: clear wine.',
  squeeze: 'Lift it and squeeze: more wine, more sediment.',
  press: 'Press it gently: most wine, longest to clear.'
} as const;

/** Fruit that has hardly given stays, though the rush is over. Common practice: three days. */
const LEAST_H = 3 * DAY;

/** Where nobody said so many days, the wine's own pace has a word. */
const BY: Record<string, Pick<InPlan, 'withQuietH' | 'wantsDry'>> = {
  usual: { withQuietH: LEAST_H },
  dry: { wantsDry: true }
};

export const fruitOut = defineStep({
  chore: {
    minutes: 15,
    takes: ['sieve or bag', 'second bucket'],
    isClean: true,
    ifLate: 'Spent pulp turns the wine bitter, then sour.',
    lookFor: 'Pale, limp fruit without smell; the cap no longer rises.'
  },
  inPlan: ({ plan, hasFruit, begins, steepDays }) =>
    hasFruit
      ? {
          title: 'Fruit out',
          short: 'fruit out',
          how: `${choiceOf(plan, 'fruitFor') === 'dry' ? 'Once the stem says 1.000. ' : ''}${HOW[choiceOf(plan, 'press')]}`,
          waits: [wait(begins, steepDays * DAY, (steepDays + 3) * DAY, 'colour and taste are out by then')],
          ...BY[choiceOf(plan, 'fruitFor')]
        }
      : null,
  doneAt: (s) => s.fruitOutAt,
  deed: (s) => takeFruitOut(s.id, s.plan.press ?? 'drip'),
  tap: 'Fruit is out',
  form: 'fruit-out'
});
