import type { BatchState } from '../../ledger/state';
import type { Belief } from '../../belief/believe';
import { hasBacteria, stabilising } from '../../finish/stabilise';
import { InputError } from '../../units/input-error';
import type { Plan } from '../../plan/plan';
import { finedAt } from '../../finish/clear';
import { DOSES } from '../../tables/doses';
import { choiceOf } from '../../tables/schools';
import type { StepId } from '../../tables/step-id';
import type { Wait } from '../step';
import { DAY, defineStep, wait, type Put } from './define';
import { intoAll, powder } from './powder';

/** Hours a wine takes to be clear after its last racking, by how it is cleared. Common practice. */
const CLEAR: Record<string, [number, number]> = {
  time: [60 * DAY, 120 * DAY],
  cold: [21 * DAY, 60 * DAY],
  finings: [10 * DAY, 30 * DAY],
  bentonite: [10 * DAY, 30 * DAY]
};

const isFined = (plan: Plan): boolean => ['finings', 'bentonite'].includes(choiceOf(plan, 'clearing'));

/** From the last racking or the finings until it is clear. */
const untilClear = (plan: Plan, why: string): Wait => {
  const [minH, maxH] = CLEAR[choiceOf(plan, 'clearing')] ?? CLEAR.time!;
  return wait(isFined(plan) ? 'finings' : 'rack-2', minH, maxH, why);
};

export const finings = defineStep({
  chore: {
    minutes: 75,
    takes: ['finings', 'jug', 'long spoon'],
    isClean: true,
    ifLate: 'It only clears later; nothing is lost.',
    lookFor: 'Within a day a clear band at the top that grows downwards.'
  },
  inPlan: ({ plan }) =>
    isFined(plan)
      ? {
          title: choiceOf(plan, 'clearing') === 'finings' ? 'Finings in' : 'Bentonite in',
          short: 'finings',
          how:
            choiceOf(plan, 'clearing') === 'finings'
              ? 'Gas stirred out first. First part, an hour, second part; then leave it a week.'
              : 'Swollen in hot water the day before, stirred in; again after an hour.',
          waits: [wait('rack-2', 7 * DAY, 21 * DAY, 'only finished wine clears')],
          wantsDone: true
        }
      : null,
  doneAt: (s) => finedAt(s),
  puts: (s) =>
    choiceOf(s.plan, 'clearing') === 'bentonite'
      ? intoAll(s, [['bentonite', DOSES.bentonite.perL[1]]])
      : null,
  wantsForm: (s) => (choiceOf(s.plan, 'clearing') === 'bentonite' ? null : 'clear'),
  tap: 'Finings in'
});

/** When every vessel had got sulphite and sorbate together; null while one has not. */
function stabilisedAt(s: BatchState): number | null {
  const all = s.fills.map((f) => f.stable?.at ?? null);
  return all.length > 0 && all.every((at) => at !== null) ? Math.max(...(all as number[])) : null;
}

/** Both into every vessel, by its own pH and strength; null where its pH is past what a dose can protect. */
function preservers(s: BatchState, belief: Belief | null): Put[] | null {
  try {
    return s.fills.map((f) => {
      const { metabisulphiteG, sorbateG } = stabilising(s, f, { belief });
      return {
        vesselId: f.vesselId,
        ingredients: [powder('metabisulphite', metabisulphiteG), powder('sorbate', sorbateG)]
      };
    });
  } catch (e) {
    if (e instanceof InputError) return null;
    throw e;
  }
}

export const stabilise = defineStep({
  chore: {
    minutes: 10,
    takes: ['metabisulphite', 'sorbate', 'fine scale', 'jug'],
    isClean: true,
    ifLate: 'Sweetened without it, it may start again in the bottle.',
    lookFor: 'No bubbles, clear, and the same gravity three days apart, before it goes in.'
  },
  inPlan: ({ plan }) =>
    choiceOf(plan, 'finish') === 'stabilise'
      ? {
          title: 'Stabilise',
          short: 'stabilise',
          how: 'Sulphite and sorbate together, in finished, clear wine, by weight.',
          waits: [untilClear(plan, 'sorbate stops no ferment that is under way')],
          wantsDone: true
        }
      : null,
  doneAt: stabilisedAt,
  isPut: true,
  puts: preservers,
  wantsForm: (s) => (preservers(s, null) === null || s.fills.some(hasBacteria) ? 'stabilise' : null),
  tap: 'Both are in'
});

const SWEETEN: Record<string, string> = {
  stabilise: 'A glass first, then the batch, to the gravity you liked.',
  'non-fermenting': 'With what yeast cannot take, a little at a time, to taste.',
  heat: 'Sweeten to taste, then heat it through in open bottles; never a sealed, fizzy one.'
};

export const sweeten = defineStep({
  chore: {
    minutes: 30,
    takes: ['sugar or sweetener', 'glasses', 'scale', 'hydrometer and its jar'],
    isClean: true,
    ifLate: 'Nothing is lost: it is only drier for longer.',
    lookFor: 'The glass you liked, a day later still the one you like.'
  },
  inPlan({ plan }) {
    const finish = choiceOf(plan, 'finish');
    const how = SWEETEN[finish];
    if (how === undefined) return null;
    return {
      title: 'Sweeten',
      short: 'sweeten',
      how,
      waits: [
        finish === 'stabilise'
          ? wait('stabilise', DAY, 7 * DAY, 'let it bind first')
          : untilClear(plan, 'clear first')
      ]
    };
  },
  doneAt: (s) => (s.sweetenedAt !== null && s.sweetenedAt >= (stabilisedAt(s) ?? 0) ? s.sweetenedAt : null),
  isPut: true,
  wantsForm: () => 'sweeten'
});

export const bottle = defineStep({
  chore: {
    minutes: 90,
    takes: ['clean bottles', 'siphon', 'corks or caps', 'corker or capper'],
    isClean: true,
    ifLate: 'A full, cool jar keeps for months: there is no hurry.',
    lookFor: 'Print can be read through it, and the gravity has not moved for three days.'
  },
  inPlan({ plan }) {
    const finish = choiceOf(plan, 'finish');
    const after = (step: StepId, minH: number, maxH: number) =>
      wait(step, minH, maxH, 'to see that it stays still');
    return {
      title: 'Bottle',
      short: 'bottle',
      how: 'Clear, and the gravity still for three days or more.',
      wantsDone: true,
      waits: [
        SWEETEN[finish] === undefined
          ? untilClear(plan, 'until it is clear and drops no more')
          : finish === 'heat'
            ? after('sweeten', 0, 3 * DAY)
            : after('sweeten', 7 * DAY, 30 * DAY)
      ]
    };
  },
  doneAt: (s) => (s.fills.length === 0 ? s.bottled[0]?.at : null),
  form: 'bottle',
  empties: true
});
