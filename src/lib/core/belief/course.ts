import { isNatural } from '../tables/schools';
import { QUIET_SG } from '../ledger/evidence';
import { standingFills, type BatchState } from '../ledger/state';
import type { Estimate } from '../units/range';
import { asItIs, believe, cellsOf, namesOf, readOut, toldOf, type Told } from './believe';
import { columnsOf, estimateOf, meanOf } from './columns';
import { byId } from '../maths/by-id';
import { allOf } from '../maths/parts';
import { zeros } from './ensemble';
import { goTo } from './follow';

const DAY = 86_400_000;
/** Days on, for which it is reckoned how a wine will then stand. */
const LOOKED = [
  0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 23, 26, 30, 35, 40, 45, 52, 60, 70, 90, 120
];
/** More than this of the possible wines must come to something before its day is told. */
const MOST = 0.5;

/** What will be told of a batch, and of each of its vessels, some days on, if nothing is done and nothing read. */
export type Later = { d: number; told: Told; vessels: Record<string, Told> };

/** What is to come of a wine after all that happened to it, if nothing more does: moments in ms. */
export type Course = {
  /** the moment it is reckoned from: when something last happened */
  from: number;
  later: Later[];
  /** when it quietens, at 1.010: the cap falls, and it may go into glass; null where most never come to it */
  quietAt: Estimate | null;
  /** when nothing more is to come; null where most stand still before */
  doneAt: Estimate | null;
  /** chance that it stands still with sugar left in the end */
  stuckChance: number;
};

const courses = new Map<string, { made: string; course: Course | null }>();
const REMEMBERED = 40;

/**
 * The course of a batch from its last event: the same on its page and in the lists, however many days later they look.
 * @returns nothing where no wine stands in a vessel
 */
export const courseOf = (s: BatchState): Course | null => allOf(reckoningCourse(s));

/** The same a part at a time; what was reckoned is kept. */
export function* reckoningCourse(s: BatchState): Generator<void, Course | null> {
  const last = s.flows.at(-1);
  if (!last || s.fills.length === 0) return null;
  const { yeast, roomC, pace } = s.plan;
  const made = [s.startedAt, isNatural(s.plan), yeast?.yeastId, roomC, pace, ...namesOf(s.flows)].join();
  const there = courses.get(s.id);
  if (there?.made === made) return there.course;
  const course = yield* lookAhead({ ...s, at: Math.min(s.at, last.at) });
  courses.delete(s.id);
  courses.set(s.id, { made, course });
  if (courses.size > REMEMBERED) courses.delete(courses.keys().next().value!);
  return course;
}

function* lookAhead(s: BatchState): Generator<void, Course | null> {
  const r = believe(s);
  const { e } = r;
  const from = r.at;
  const [quiet, done] = [zeros(e.size).fill(NaN), zeros(e.size).fill(NaN)];
  const later: Later[] = [];
  const asRead = readOut(standingFills(s));
  const each = s.fills.map((f) => ({ id: f.vesselId, asRead: readOut([f]) }));
  let stuckChance = 0;
  for (const d of LOOKED) {
    yield;
    goTo(r, from + d * DAY);
    asItIs(r);
    const cells = cellsOf(s, e);
    const { sg, isDone } = columnsOf(e, cells);
    for (let i = 0; i < e.size; i++) {
      if (sg[i]! <= QUIET_SG && Number.isNaN(quiet[i]!)) quiet[i] = r.at;
      if (isDone[i] && Number.isNaN(done[i]!)) done[i] = r.at;
    }
    const told = toldOf(r, cells);
    stuckChance = told.chance.stalled;
    const vessels = byId(
      each.flatMap((v) => {
        const c = e.cells[v.id];
        // One vessel is told as the whole.
        return c && each.length > 1 ? [[v.id, v.asRead(toldOf(r, [c]))]] : [];
      })
    );
    later.push({ d, told: asRead(told), vessels });
  }
  /** What never comes to it counts as never: the later quantiles may be of those. */
  const when = (at: Float64Array): Estimate | null => {
    const share = meanOf(
      at.map((x) => (Number.isNaN(x) ? 0 : 1)),
      e.weight
    );
    return share > MOST ? estimateOf(at, e.weight) : null;
  };
  return { from, later, quietAt: when(quiet), doneAt: when(done), stuckChance };
}
