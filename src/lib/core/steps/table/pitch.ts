import { apartC, betweenC, inC } from '../../units/say';
import { pitch as pitched } from '../../commands/put';
import { beganAt, isBegun } from '../../ledger/state';
import { choiceOf } from '../../tables/schools';
import { YEAST_C } from '../cooling';
import { defineStep, wait } from './define';
import { usualDoseG } from './powder';

const HOW = {
  dry: `Sprinkle it; must and yeast within ${apartC(5)}.`,
  rehydrated: `A quarter of an hour in water at ${betweenC(35, 40)}, cooled to within ${apartC(5)} of the must.`,
  starter: `The whole starter, while it works; within ${apartC(5)} of the must.`
} as const;

export const pitch = defineStep({
  chore: {
    minutes: 5,
    takes: ['yeast', 'thermometer'],
    isClean: true,
    ifLate: 'A must that waits warm and sweet is anybody’s: mould, wild yeast.',
    lookFor: 'Froth and a low hiss within one or two days.'
  },
  inPlan: ({ plan, isWild, isStarter, hasEnzyme }) =>
    isWild
      ? null
      : {
          title: 'Yeast in',
          short: 'yeast in',
          how: HOW[choiceOf(plan, 'pitch') as keyof typeof HOW],
          underC: YEAST_C,
          waits: [
            choiceOf(plan, 'wildYeast') === 'sulphite'
              ? wait('campden', 24, 36, 'the sulphite must fade first')
              : choiceOf(plan, 'wildYeast') === 'heat'
                ? wait('crush', 12, 30, `once it is below ${inC(YEAST_C)}`)
                : wait('crush', 0, 12, 'with nothing against wild yeast, yours should be first'),
            ...(hasEnzyme ? [wait('enzyme', 12, 36, 'the enzyme works best before alcohol')] : []),
            ...(isStarter ? [wait('starter', 12, 36, 'the starter must be working')] : [])
          ]
        },
  // What works by itself, or with yeast that nobody wrote down, needs no more.
  doneAt: (s) => (isBegun(s) ? beganAt(s) : null),
  isNeeded: true,
  isPut: true,
  deed: (s) =>
    pitched(s.id, {
      yeast: s.plan.yeast ?? { yeastId: 'wine' },
      massG: usualDoseG('yeast', s),
      how: 'dry'
    }),
  tap: 'Yeast in',
  form: 'pitch'
});
