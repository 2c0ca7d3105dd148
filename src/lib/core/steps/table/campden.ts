import { choiceOf } from '../../tables/schools';
import { defineStep, wait } from './define';
import { powder, usualDoseG } from './powder';

export const campden = defineStep({
  chore: {
    minutes: 3,
    takes: ['Campden tablets', 'two spoons to crush with'],
    isClean: true,
    ifLate: 'Wild yeast wakes in a warm must within a day.',
    lookFor: 'A faint sting in the nose over the bucket; nothing is seen.'
  },
  inPlan: ({ plan }) =>
    choiceOf(plan, 'wildYeast') === 'sulphite'
      ? {
          title: 'Sulphite in',
          short: 'sulphite',
          how: 'Crushed to a powder, and stirred in.',
          waits: [wait('crush', 0, 6, 'before wild yeast wakes')]
        }
      : null,
  doneAt: (s) => s.powdersG.campden?.at,
  isPut: true,
  isAnyTime: true,
  puts: (s) => [{ ingredients: [powder('campden', usualDoseG('campden', s))] }],
  tap: 'Sulphite in',
  card: 'campden'
});
