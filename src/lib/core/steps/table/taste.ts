import { tastingDueOf } from '../../cellar/milestones';
import { defineStep } from './define';

/** One bottle tasted, at six, nine, twelve and eighteen months. */
export const taste = defineStep({
  chore: {
    minutes: 15,
    takes: ['a glass', 'a corkscrew', 'something plain to eat'],
    ifLate: 'It moves when its bottles are drunk, and what next year’s recipe changes: nothing spoils.',
    lookFor: 'Look, smell, taste, feel it in the mouth; then say whether it is too young, ready or past.'
  },
  doneAt: (s) => (tastingDueOf(s) ? null : (s.tastings.at(-1)?.at ?? null)),
  form: 'taste'
});
