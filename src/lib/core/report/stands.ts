import { saysOf, type Says } from '../belief/says';
import type { Standing } from '../belief/standing';
import { dangersOf, type Danger } from '../finish/danger';
import type { BatchState } from '../ledger/state';
import { lazily } from '../maths/once';
import { schedule, type Due } from '../steps/schedule';

/** A batch as it stands at a moment: for its page, the lists, the shelf, the day's walk and the routes alike. */
export type Stands = {
  id: string;
  state: BatchState;
  standing: Standing;
  /** what is to do, soonest first */
  due: Due[];
  /** what can truly be said of it */
  says: Says;
  /** bottles that could burst */
  dangers: Danger[];
};

/** @param standing as `standingOf` has it, or as lists keep it */
export const standsOf = (state: BatchState, standing: Standing): Stands => {
  const due = schedule(state);
  return lazily<Stands>({
    id: () => state.id,
    state: () => state,
    standing: () => standing,
    due: () => due,
    says: () => saysOf(state, standing),
    dangers: () => dangersOf(state, standing.belief)
  });
};
