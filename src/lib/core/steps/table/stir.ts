import { stir as stirred } from '../../commands/put';
import { beganAt, type BatchState } from '../../ledger/state';
import { choiceOf } from '../../tables/schools';
import { DAY, defineStep, wait } from './define';

/** Days that air is stirred in: three, or as long as a third of the sugar usually takes. Common practice. */
const airDays = (s: BatchState): number => (choiceOf(s.plan, 'air') === 'third' ? 6 : 3);

/** Days after which no fruit rises any more. Common practice. */
const CAP_DAYS = 30;

export const stir = defineStep({
  chore: {
    minutes: 2,
    takes: ['long spoon'],
    isClean: true,
    ifLate: 'A dry cap moulds in two or three days.',
    lookFor: 'Fizz when the cap goes under, and a smell of bread and fruit.',
    lookForInMust: 'Nothing dry on top, and no mould.'
  },
  inPlan({ plan, hasFruit, fruitName, isInfusion }) {
    // What was strained leaves no cap to push down.
    if (choiceOf(plan, 'stirring') !== 'daily' || isInfusion) return null;
    const airUntil = choiceOf(plan, 'air') === 'third' ? 'a third of the sugar is gone' : 'the third day';
    return {
      title: hasFruit ? 'Push the cap down and stir' : 'Stir air in',
      short: 'stir',
      how: `${hasFruit ? `Keep the ${fruitName} wet. ` : ''}Stir air in until ${airUntil}, then gently.${
        choiceOf(plan, 'cover') === 'airlock' ? ' Airlock back on.' : ''
      }`,
      waits: [wait('crush', 12, 24, 'once or twice a day')],
      everyH: DAY
    };
  },
  doneAt: (s) => s.stirs.at(-1),
  isOver: (s) =>
    s.fruitOutAt !== null ||
    s.rackings.length > 0 ||
    // No cap rises any more, whether or not its fruit is still in: air is all that stirring brings.
    s.at - (beganAt(s) ?? s.startedAt) > CAP_DAYS * 86_400_000 ||
    // Without a cap one stirs air in, and that has its days: later it is an enemy.
    (s.fruitInAt === null && s.at - (beganAt(s) ?? s.at) > airDays(s) * 86_400_000),
  deed: (s) => stirred(s.id),
  tap: 'Stirred'
});
