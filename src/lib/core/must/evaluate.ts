import { lazily, once } from '../maths/once';
import type { Plan } from '../plan/plan';
import { estimateMust, likelyFigures, type Figures, type MustEstimate } from './balance';
import { mixOf } from './mix';
import type { Feed, NutrientPlan } from './nitrogen';
import { nutrientOf, powdersOf, type Powder } from './powders';
import { sugarParts, type SugarParts } from './sugar-parts';

/** All that a plan comes to. Each is worked out when it is first asked for. */
export type Evaluated = {
  /** the likely must, once the fruit has given, with all its sugar */
  likely: Figures;
  /** the same with its ranges */
  estimate: MustEstimate;
  /** the sugar by when it goes in */
  parts: SugarParts;
  /** the must of the first day, without what is fed later */
  start: Figures;
  startEstimate: MustEstimate;
  powders: Powder[];
  nutrient: NutrientPlan | null;
  /** the parts in which the nutrient goes in */
  feeds: Feed[];
};

/**
 * What a plan comes to, for every page and route alike.
 * @param plan worked out, and never changed in place: it is reckoned once
 * @throws InputError, when a figure is asked for, naming the ingredient that is unknown
 */
export const evaluate = once((plan: Plan): Evaluated =>
  lazily<Evaluated>({
    likely: () => likelyFigures(plan),
    estimate: () => estimateMust(plan),
    parts: () => sugarParts(plan),
    start: (e) => (e.parts.now === plan ? e.likely : likelyFigures(e.parts.now)),
    startEstimate: (e) => (e.parts.later.length > 0 ? estimateMust(e.parts.now) : e.estimate),
    powders: (e) => powdersOf(plan, e.likely.liquidVolumeL),
    nutrient: () => nutrientOf(plan, mixOf(plan).all),
    feeds: (e) => e.nutrient?.feeds ?? []
  })
);
