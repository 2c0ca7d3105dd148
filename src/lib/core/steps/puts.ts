import { fillL } from '../ledger/fill';
import type { BatchState } from '../ledger/state';
import { doseL } from '../ledger/will-hold';
import type { Ingredient } from '../plan/plan';
import { CAMPDEN_TABLET_G, campdenTablets, DOSES, enzymeG, yeastG } from '../tables/doses';
import { choiceOf } from '../tables/schools';
import type { StepId } from '../tables/step-id';
import type { AdditiveId } from '../tables/substances';
import { feedLeft, nutrientLeft } from './schedule';

/** Usual grams of what a step puts in, for the batch as it will be once its fruit has given. */
export function stepDoseG(step: StepId, s: BatchState): number {
  const litres = Math.max(0.2, doseL(s));
  if (step === 'campden') return campdenTablets(litres) * CAMPDEN_TABLET_G;
  if (step === 'enzyme') return enzymeG(litres, s.produceKg);
  if (step === 'pitch') return yeastG(litres);
  return 0;
}

const powder = (additiveId: AdditiveId, massG: number): Ingredient => ({
  kind: 'additive',
  additiveId,
  massKg: massG / 1000
});

/**
 * What one tap of a step puts into each vessel, with the usual dose; null when it wants a number or a form, or is no
 * more than a tick.
 */
export function stepPuts(
  s: BatchState,
  step: StepId
): { vesselId?: string; ingredients: Ingredient[] }[] | null {
  const intoAll = (doses: readonly ['metabisulphite' | 'sorbate' | 'bentonite', number][]) =>
    s.fills.map((f) => ({
      vesselId: f.vesselId,
      ingredients: doses.map(([id, g]) => powder(id, g * fillL(f)))
    }));
  switch (step) {
    case 'campden':
      return [{ ingredients: [powder('campden', stepDoseG(step, s))] }];
    case 'enzyme':
      return [{ ingredients: [powder('pectic-enzyme', stepDoseG(step, s))] }];
    case 'stabilise':
      return intoAll([
        ['metabisulphite', DOSES.metabisulphite.perL[1]],
        ['sorbate', DOSES.sorbate.perL[1]]
      ]);
    case 'finings':
      return choiceOf(s.plan, 'clearing') === 'bentonite'
        ? intoAll([['bentonite', DOSES.bentonite.perL[1]]])
        : null;
    case 'nutrient-1':
    case 'nutrient-2':
    case 'nutrient-3':
    case 'nutrient-4': {
      const left = nutrientLeft(s, step);
      return left && left.length > 0 ? [{ ingredients: left }] : null;
    }
    case 'feed-1':
    case 'feed-2': {
      const left = feedLeft(s, step);
      return left ? [{ ingredients: left }] : null;
    }
    default:
      return null;
  }
}

/** Steps that one tap cannot do: what went in has to be said. */
export const wantsForm = (s: BatchState, step: StepId): boolean =>
  ['finings', 'stabilise', 'sweeten', 'feed-1', 'feed-2'].includes(step) && stepPuts(s, step) === null;
