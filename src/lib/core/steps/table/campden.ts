import { choiceOf } from '../../tables/schools';
import { defineStep, wait } from './define';
import { powder, usualDoseG } from './powder';

export const campden = defineStep({
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
  puts: (s) => [{ ingredients: [powder('campden', usualDoseG('campden', s))] }],
  tap: 'Sulphite in',
  card: 'campden'
});
