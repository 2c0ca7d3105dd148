import type { Course } from '../belief/course';
import { tastingDueOf } from '../cellar/milestones';
import { testBottlesOf } from '../finish/test-bottle';
import { QUIET_SG, stillnessOf } from '../ledger/evidence';
import { beganAt, isBegun, type BatchState } from '../ledger/state';
import type { StepId } from '../tables/step-id';
import type { Estimate } from '../units/range';
import { inC } from '../units/say';
import { civilDay } from '../units/zone';
import { tooWarm } from './cooling';
import type { Step } from './step';
import { stepsOf } from './steps';
import { STEPS } from './table/all';
import type { OnLadder, Trouble } from './trouble/all';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

export type Due = {
  step: Step;
  /** earliest sensible moment */
  dueAt: number;
  /** when it is late */
  lateAt: number;
  status: 'overdue' | 'due' | 'coming';
  /** why one waits, in words */
  why: string;
  /** the step that has to come first and is still to do */
  after: Step | null;
};

/** When a step was last done: by the event that is its doing, or ticked off or skipped. */
function doneAt(s: BatchState, id: StepId): number | null {
  const { isPut } = STEPS[id];
  const ticked = s.steps
    .filter((x) => x.step === id && (x.outcome === 'skipped' || (x.outcome === 'done' && !isPut)))
    .map((x) => x.at);
  const times = [STEPS[id].doneAt(s), ...ticked].filter((t): t is number => t !== null && t !== undefined);
  return times.length > 0 ? Math.max(...times) : null;
}

/** Until when a step was put off, ms, by who put it off last; null where nobody did. */
const putOffTo = (s: BatchState, id: StepId): number | null =>
  s.steps.findLast((x) => x.step === id && x.outcome === 'snoozed')?.until ?? null;

/** Days that a wine which has quietened may still stand in its bucket. Common practice. */
const QUIET_FOR = 4 * DAY;
/** So late, a powder was left out. Ours. */
const FORGOTTEN = 2 * DAY;
/** Where the stem says 1.000 one takes the fruit out, who waits for that. */
const DRY_SG = 1.0005;

/** From when to when a wine comes to 1.000: when it was read so, or as is foreseen; null where nobody knows. */
function whenDry(s: BatchState, course: Course | null): [number, number] | null {
  const began = beganAt(s) ?? s.startedAt;
  const read = s.readings.find((r) => r.at > began && r.sg <= DRY_SG);
  if (read) return [read.at, read.at + 2 * DAY];
  const { quietAt, doneAt: end } = course ?? {};
  if (!quietAt) return null;
  // Between the last of the rush and the end.
  const likely = end ? (quietAt.likely + end.likely) / 2 : quietAt.high;
  return [likely, Math.max(likely, end?.high ?? quietAt.high) + DAY];
}

/** Since when it was read at 1.010 or seen with its cap fallen, after all that ferments went in; null where it was not. */
function quietSince(s: BatchState): number | null {
  const higher = s.readings.findLast((r) => r.sg > QUIET_SG)?.at ?? 0;
  const from = Math.max(beganAt(s) ?? s.startedAt, s.fedAt, higher);
  const seen = [
    ...s.readings.filter((r) => r.at > from),
    ...s.looks.filter((l) => l.at > from && l.cap === 'fallen')
  ];
  return seen.length > 0 ? Math.min(...seen.map((x) => x.at)) : null;
}

/** When it quietens, as is foreseen; what is quiet already is so since it was first seen, not since the last look. */
function whenQuiet(s: BatchState, course: Course | null): Estimate | null {
  const ahead = course?.quietAt;
  if (!course || !ahead || !isBegun(s)) return null;
  const since = ahead.likely <= course.from ? (quietSince(s) ?? Infinity) : Infinity;
  const by = (at: number) => Math.min(at, since);
  return { low: by(ahead.low), likely: by(ahead.likely), high: by(ahead.high) };
}

/** The same gravity three days apart shows that nothing moves. Common practice. */
const STILL_FOR = 3 * DAY;

/** Since when every vessel has read the same; null where one was not read since something went into it. */
function stillSince(s: BatchState): number | null {
  const since = s.fills.map((f) =>
    f.reads.length > 0 ? f.reads.at(-1)!.at - stillnessOf(f).days * DAY : null
  );
  return since.some((at) => at === null) ? null : Math.max(...(since as number[]));
}

/**
 * What is to do in a batch, soonest first: each step once all its waits are over or foreseen.
 * A step whose predecessor is still to do is reckoned from when that is due. What hangs on the wine's own pace is
 * reckoned from what is to come of it.
 * @param s the batch at the moment to schedule for
 * @param course what is to come of it; null where nobody could tell
 * @param troubles what goes wrong in it: the next rung of each ladder is a job like any other
 */
export function schedule(
  s: BatchState,
  course: Course | null = null,
  troubles: readonly Trouble[] = []
): Due[] {
  if (s.fills.length === 0) return [...fizzDue(s), ...tasteDue(s)].sort((a, b) => a.dueAt - b.dueAt);
  const steps = stepsOf(s.plan);
  const doneAts = new Map(steps.map((step) => [step.id, doneAt(s, step.id)]));
  const reached = new Map<StepId, number>();
  const late = new Map<StepId, number>();
  /** when what is still to do will be, as it stands today */
  const ahead = new Map<StepId, number>();
  /** what was never done, and for which something later was: nothing waits for it any more */
  const over = new Set<StepId>();
  const out: Due[] = [];
  const quiet = whenQuiet(s, course);
  const isSameDay = (at: number) => civilDay(at, s.zone) === civilDay(s.at, s.zone);
  for (const [n, step] of steps.entries()) {
    const done = doneAts.get(step.id) ?? null;
    const passed =
      !step.everyH &&
      !STEPS[step.id].isNeeded &&
      steps
        .slice(n + 1)
        .some((later) => !later.everyH && !STEPS[later.id].isAnyTime && doneAts.get(later.id) !== null);
    const from = (waitMs: 'minH' | 'maxH') => {
      const isLate = waitMs === 'maxH';
      const done = step.wantsDone && isBegun(s) ? course?.doneAt : null;
      const ends = done?.[isLate ? 'high' : 'low'] ?? 0;
      // What ended before the last event has stood still for some of its days already.
      const ended = course && ends <= course.from ? Math.min(ends, stillSince(s) ?? ends) : ends;
      return Math.max(
        s.startedAt,
        done ? ended + STILL_FOR : 0,
        ...step.waits.map((w) =>
          w.until === 'quiet' && quiet
            ? isLate
              ? quiet.high + QUIET_FOR
              : quiet.low
            : (doneAts.get(w.step) ?? (isLate ? late : reached).get(w.step) ?? s.startedAt) + w[waitMs] * HOUR
        )
      );
    };
    let [dueAt, lateAt] = [from('minH'), from('maxH')];
    if (step.withQuietH !== undefined && quiet) {
      const least = (doneAts.get(step.waits[0]!.step) ?? s.startedAt) + step.withQuietH * HOUR;
      dueAt = Math.min(dueAt, Math.max(least, quiet.likely));
      lateAt = Math.min(lateAt, Math.max(least, quiet.high) + DAY);
    }
    if (step.wantsDry && isBegun(s)) [dueAt, lateAt] = whenDry(s, course) ?? [dueAt, lateAt];
    if (step.everyH && done !== null) {
      const gap = (STEPS[step.id].againH?.(s) ?? step.everyH) * HOUR;
      // A daily job is due on the next civil day, not to the minute.
      dueAt = step.everyH === 24 ? nextDay(done, s.zone) : done + gap;
      lateAt = dueAt + gap;
    }
    const warm = step.underC !== undefined && done === null ? tooWarm(s, step.underC) : null;
    if (warm) dueAt = Math.max(dueAt, warm.until);
    // What was put off moves what hangs on it, and nothing else.
    const putOff = done === null || step.everyH ? putOffTo(s, step.id) : null;
    if (putOff !== null) dueAt = Math.max(dueAt, putOff);
    lateAt = Math.max(lateAt, dueAt);
    if (passed) over.add(step.id);
    reached.set(step.id, done ?? dueAt);
    late.set(step.id, done ?? lateAt);
    if (STEPS[step.id].isOver?.(s) || (done !== null && !step.everyH) || passed) continue;
    // What nothing else does for waits no longer for what was forgotten.
    const isForgotten = (id: StepId) => STEPS[step.id].isNeeded && s.at - late.get(id)! > FORGOTTEN;
    const toCome = step.waits.filter(
      (w) => doneAts.get(w.step) === null && !over.has(w.step) && !isForgotten(w.step)
    );
    const [first] = toCome;
    const blocked = first !== undefined;
    // What is overdue is done today at the soonest: what waits for it comes after that, one after the other.
    const shownAt = Math.max(dueAt, ...toCome.map((w) => (ahead.get(w.step) ?? 0) + w.minH * HOUR));
    ahead.set(step.id, Math.max(shownAt, s.at));
    const isHot = warm !== null && warm.until > s.at;
    // What has to wait some hours for what was done today is not for now, though it is for today; a powder or yeast
    // waits for what was done yesterday too.
    const isWaiting =
      dueAt > s.at &&
      step.waits.some(
        (w) =>
          w.minH > 0 &&
          (doneAts.get(w.step) ?? Infinity) + w.minH * HOUR > s.at &&
          (STEPS[step.id].isPut === true || isSameDay(doneAts.get(w.step) ?? 0))
      );
    const isToday = !blocked && !isHot && !isWaiting && civilDay(dueAt, s.zone) <= civilDay(s.at, s.zone);
    const otherwise = STEPS[step.id].otherwise?.(s);
    const isFelt = isHot ? `It was ${inC(warm.wasC)}, and must be below ${inC(step.underC!)}.` : '';
    out.push({
      step: otherwise
        ? {
            ...step,
            title: otherwise.title,
            short: otherwise.short,
            how: otherwise.how,
            takes: otherwise.takes ?? []
          }
        : isHot
          ? { ...step, how: `${isFelt} ${step.how}` }
          : step,
      dueAt: shownAt,
      lateAt: Math.max(lateAt, shownAt),
      status: s.at > lateAt && !blocked ? 'overdue' : isToday ? 'due' : 'coming',
      why: step.waits.map((w) => w.why)[0] ?? '',
      after: first ? (steps.find((x) => x.id === first.step) ?? null) : null
    });
  }
  const inGlass = lateFruit(s, out);
  if (inGlass) out.push(inGlass);
  for (const { next } of troubles)
    if (next && !out.some((d) => d.step.id === next.step)) out.push(rungDue(s, next));
  // What nothing else does for is first, once it is late; what is still to come is last.
  const rank = ({ status, step }: Due) =>
    status === 'coming' ? 1 : status === 'overdue' && STEPS[step.id].isNeeded ? -1 : 0;
  return [...out, ...fizzDue(s), ...tasteDue(s)].sort((a, b) => rank(a) - rank(b) || a.dueAt - b.dueAt);
}

/** A rung has this long before it is late. Ours. */
const RUNG_DAYS = 2 * DAY;

/** A job beside the plan's: from a day, with so long before it is late; put off where somebody did. */
function jobDue(s: BatchState, step: Step, from: number, spanMs: number, why = ''): Due {
  const dueAt = Math.max(from, putOffTo(s, step.id) ?? 0);
  const lateAt = dueAt + spanMs;
  const isToday = civilDay(dueAt, s.zone) <= civilDay(s.at, s.zone);
  return {
    step,
    dueAt,
    lateAt,
    status: isToday ? 'due' : 'coming',
    why,
    after: null
  };
}

/** The next rung of a ladder, as a job: what goes wrong is for today, and never late. */
function rungDue(s: BatchState, { step: id, title, short, how, dueAt }: OnLadder): Due {
  const otherwise = STEPS[id].otherwise?.(s);
  const takes = otherwise?.takes ? { takes: otherwise.takes } : {};
  const due = jobDue(
    s,
    { id, title, short, how: otherwise?.how ?? how, waits: [], ...takes },
    dueAt,
    RUNG_DAYS
  );
  return { ...due, lateAt: Math.max(due.lateAt, s.at) };
}

/** Fruit that went in once the wine stood in glass stays about so long. Common practice: one to two weeks. */
const IN_GLASS = 7 * DAY;

/** Fruit put into a wine that was racked already comes out again, though the plan knew nothing of it. */
function lateFruit(s: BatchState, known: readonly Due[]): Due | null {
  if (s.rackings.length === 0 || s.fruitInAt === null || s.fruitOutAt !== null || s.produceKg <= 0)
    return null;
  if (s.steeps.some((x) => x.outAt === null) || known.some((d) => d.step.id === 'fruit-out')) return null;
  const step: Step = {
    id: 'fruit-out',
    title: 'Fruit out',
    short: 'fruit out',
    how: 'Once it tastes of it and the fruit is pale.',
    waits: []
  };
  return jobDue(s, step, s.fedAt + IN_GLASS, IN_GLASS);
}

/** A test bottle of what was primed, the soonest of its fillings. */
function fizzDue(s: BatchState): Due[] {
  const next = testBottlesOf(s).sort((a, b) => a.dueAt - b.dueAt)[0];
  if (!next) return [];
  const step: Step = {
    id: 'test-bottle',
    title: 'Open a test bottle',
    short: 'test bottle',
    how: 'Chilled for a day, outdoors, a cloth over the neck. It tells whether the rest has its fizz.',
    waits: []
  };
  const due = jobDue(s, step, next.dueAt, next.lateAt - next.dueAt, 'two to three weeks in the warm');
  return [{ ...due, status: s.at > due.lateAt ? 'overdue' : due.status }];
}

/** A tasting of a wine in bottle, at its milestones. */
function tasteDue(s: BatchState): Due[] {
  const next = tastingDueOf(s);
  if (!next) return [];
  const step: Step = {
    id: 'taste',
    title: `Taste it, ${next.months} months old`,
    short: 'taste',
    how: 'A small glass, not cold. What you say moves when it is drunk, and becomes next year’s recipe.',
    waits: []
  };
  // It can wait: nothing is late about it.
  return [jobDue(s, step, next.dueAt, next.lateAt - next.dueAt, 'six, nine, twelve and eighteen months')];
}

/** When a batch should leave the vessel it stands in: its next racking or bottling; null when none is foreseen. */
export const leavesAt = (due: readonly Due[]): number | null =>
  due
    .filter((d) => STEPS[d.step.id].empties)
    .reduce<number | null>((first, d) => (first === null || d.dueAt < first ? d.dueAt : first), null);

/** Six in the morning of the next civil day after `at`, near enough for a daily job. */
function nextDay(at: number, zone: string): number {
  const day = civilDay(at, zone);
  let t = at + 4 * HOUR;
  while (civilDay(t, zone) === day) t += HOUR;
  return Math.min(t, at + DAY + 2 * HOUR);
}
