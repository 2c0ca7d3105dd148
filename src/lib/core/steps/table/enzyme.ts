import { inC } from '../../units/say';
import { choiceOf } from '../../tables/schools';
import { ENZYME_C } from '../cooling';
import { defineStep, wait } from './define';
import { powder, usualDoseG } from './powder';

export const enzyme = defineStep({
  chore: {
    minutes: 3,
    takes: ['pectic enzyme', 'teaspoon'],
    isClean: true,
    ifLate: 'Later it frees less, and the wine may stay hazy.',
    lookFor: 'Thinner, darker juice by tomorrow, and pulp that sinks.'
  },
  inPlan({ plan, hasEnzyme }) {
    if (!hasEnzyme) return null;
    const school = choiceOf(plan, 'wildYeast');
    return {
      title: 'Pectic enzyme in',
      short: 'enzyme',
      underC: ENZYME_C,
      how: `Below ${inC(ENZYME_C)}; frees juice and keeps the wine from haze.`,
      waits:
        school !== 'sulphite'
          ? [wait('crush', school === 'heat' ? 8 : 1, 24, `once it is below ${inC(ENZYME_C)}`)]
          : choiceOf(plan, 'powders') === 'together'
            ? [wait('campden', 0, 6, 'all powders in one evening')]
            : [wait('campden', 12, 24, 'sulphite first, it dulls the enzyme')]
    };
  },
  doneAt: (s) => s.powdersG['pectic-enzyme']?.at,
  isPut: true,
  isAnyTime: true,
  puts: (s) => [{ ingredients: [powder('pectic-enzyme', usualDoseG('pectic-enzyme', s))] }],
  tap: 'Enzyme in',
  card: 'pectic-enzyme'
});
