import { testBottlesOf } from '../../finish/test-bottle';
import { defineStep } from './define';

/** One bottle of a sparkling wine, opened to see whether the rest is ready. */
export const testBottle = defineStep({
  chore: {
    minutes: 10,
    takes: ['eye protection', 'a cloth for the neck', 'a glass'],
    ifLate: 'Bottles that are too lively stand in the warm, and go on.',
    lookFor: 'It sighs, pours with fizz and stays in the bottle. Gushing, the rest is cooled at once.'
  },
  doneAt: (s) => (testBottlesOf(s).length === 0 ? (s.bottled.at(-1)?.opened.at(-1)?.at ?? null) : null),
  form: 'open'
});
