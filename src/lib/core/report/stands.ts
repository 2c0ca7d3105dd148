import { saysOf, type Says } from '../belief/says';
import type { Course } from '../belief/course';
import { standingAt } from '../belief/on-course';
import type { Standing } from '../belief/standing';
import { dangersOf, type Danger } from '../finish/danger';
import type { BatchState } from '../ledger/state';
import { lazily } from '../maths/once';
import { schedule, type Due } from '../steps/schedule';
import { troublesOf, type Trouble } from '../steps/trouble/all';

/** A batch as it stands at a moment: for its page, the lists, the shelf, the day's walk and the routes alike. */
export type Stands = {
  id: string;
  state: BatchState;
  standing: Standing;
  /** what is to come of it, if nothing is done */
  course: Course | null;
  /** what goes wrong in it, gravest first, and what to try */
  troubles: Trouble[];
  /** what is to do, soonest first */
  due: Due[];
  /** what can truly be said of it */
  says: Says;
  /** bottles that could burst */
  dangers: Danger[];
};

/** A wine in bottle as the cellar sees it: what is to be done with it is not asked. */
export type InBottle = Pick<Stands, 'id' | 'state' | 'standing' | 'dangers'>;

/**
 * A batch at the moment of its state.
 * @param known as `standingOf` has it, or as lists keep it
 * @param course as `courseOf` has it, or as lists keep it
 */
export const standsOf = (state: BatchState, known: Standing, course: Course | null): Stands => {
  const standing = standingAt(state, known, course);
  const troubles = troublesOf(state, standing.belief);
  // What could burst is opened as its warning says, and not for pleasure.
  const due = schedule(state, course, troubles).filter(
    (d) => d.step.id !== 'taste' || dangersOf(state, standing.belief).length === 0
  );
  return lazily<Stands>({
    id: () => state.id,
    state: () => state,
    standing: () => standing,
    course: () => course,
    troubles: () => troubles,
    due: () => due,
    says: () => saysOf(state, standing),
    dangers: () => dangersOf(state, standing.belief)
  });
};
