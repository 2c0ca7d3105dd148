import type { BatchState } from '../../ledger/state';
import { evaluate } from '../../must/evaluate';
import { amountOf, withAmount, type Ingredient } from '../../plan/plan';
import { choiceOf } from '../../tables/schools';
import { DAY, defineStep, wait, type InPlan, type Put, type StepDef } from './define';
import type { PlanFacts } from './facts';
import { NEARLY } from './nutrient';

const HOW = 'Dissolved in a little of the wine, stirred in.';

/** What of a planned part of the sugar is still to go in; null when it is in, whoever put it there and when. */
function left(s: BatchState, step: 'feed-1' | 'feed-2'): Put[] | null {
  const { now, later } = evaluate(s.plan).parts;
  const kgOf = (items: readonly Ingredient[]) =>
    items.reduce((sum, i) => sum + (i.kind === 'sugar' || i.kind === 'honey' ? i.massKg : 0), 0);
  const part = later.find((p) => p.step === step);
  if (!part) return null;
  const before = later.filter((p) => p.step < step).reduce((sum, p) => sum + kgOf(p.ingredients), 0);
  const partKg = kgOf(part.ingredients);
  const inKg = Math.max(0, s.sugarKg - kgOf(now.ingredients) - before);
  if (partKg <= 0 || inKg >= NEARLY * partKg) return null;
  return [{ ingredients: part.ingredients.map((i) => withAmount(i, amountOf(i) * (1 - inKg / partKg))) }];
}

function firstPart({ plan, hasFruit, begins }: PlanFacts): InPlan | null {
  const sugar = choiceOf(plan, 'sugar');
  if (sugar === 'steps')
    return {
      title: 'Feed it: sugar, second part',
      short: 'feed',
      how: `${HOW} Read it before and after.`,
      waits: [wait(begins, 3 * DAY, 5 * DAY, 'two thirds of the first sugar is gone by then')]
    };
  if (sugar !== 'strained' && sugar !== 'halves') return null;
  return {
    title: 'Sugar in',
    short: 'sugar',
    how: HOW,
    waits: [
      hasFruit
        ? wait('fruit-out', 0, DAY, 'the fruit has given what it holds')
        : wait(begins, 3 * DAY, 5 * DAY, 'the first rush is over')
    ]
  };
}

const secondPart = ({ plan }: PlanFacts): InPlan | null =>
  choiceOf(plan, 'sugar') === 'steps'
    ? {
        title: 'Feed it: sugar, last part',
        short: 'feed',
        how: `${HOW} Read it before and after.`,
        waits: [wait('feed-1', 3 * DAY, 6 * DAY, 'the yeast must be through the last feed')]
      }
    : null;

/** A later part of the sugar. */
export const sugarPart = (step: 'feed-1' | 'feed-2'): StepDef =>
  defineStep({
    chore: {
      minutes: 10,
      takes: ['sugar', 'scale', 'jug', 'hydrometer and its jar'],
      isClean: true,
      ifLate: 'The yeast grows old on little; then the sugar stays.',
      lookFor: 'The gravity goes up by what you put in, and falls again within two days.'
    },
    inPlan: step === 'feed-1' ? firstPart : secondPart,
    doneAt: (s) => (left(s, step) ? null : s.sugarAt),
    isPut: true,
    isAnyTime: true,
    puts: (s) => left(s, step),
    wantsForm: (s) => (left(s, step) === null ? 'add' : null),
    tap: 'Sugar in'
  });
