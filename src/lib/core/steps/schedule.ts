import type { BatchState } from '../ledger/state';
import { amountOf, withAmount, type Ingredient } from '../plan/plan';
import { NITROGEN_MG_G } from '../tables/substances';
import { feedsOf } from '../must/powders';
import { inZone } from '../units/zone';
import { choiceOf } from '../tables/schools';
import type { StepId } from '../tables/step-id';
import type { Step } from './step';
import { stepsOf } from './steps';
import { sugarParts } from '../must/sugar-parts';

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

/** The civil day of a moment in a zone, as yyyy-mm-dd. */
export const civilDay = (at: number, zone: string): string =>
  inZone(at, zone, { year: 'numeric', month: '2-digit', day: '2-digit' }, 'en-CA');

/** Whether anything is in a vessel yet: a brew day that was only begun has none. */
export const hasMust = (s: Pick<BatchState, 'fills' | 'produceKg'>): boolean =>
  s.fills.length === 0 || s.produceKg > 0 || s.fills.some((f) => f.stock.waterKg > 1e-9);

/** Steps whose doing is what went in: a tick never stands in for it. */
const PUTS_IN = new Set<StepId>([
  'nutrient-1',
  'nutrient-2',
  'nutrient-3',
  'nutrient-4',
  'campden',
  'enzyme',
  'pitch',
  'feed-1',
  'feed-2',
  'stabilise',
  'sweeten'
]);

/** When every vessel had got sulphite and sorbate together; null while one has not. */
function stabilisedAt(s: BatchState): number | null {
  const all = s.fills.map((f) => f.stable?.at ?? null);
  return all.length > 0 && all.every((at) => at !== null) ? Math.max(...(all as number[])) : null;
}

/** So much of a part counts as all of it: spoons and bags are not weighed out twice. */
const NEARLY = 0.8;

/**
 * What of a planned part of the sugar is still to go in; null when it is in, whoever put it there and when.
 * @param step the first or the second part
 */
export function feedLeft(s: BatchState, step: 'feed-1' | 'feed-2'): Ingredient[] | null {
  const { now, later } = sugarParts(s.plan);
  const kgOf = (items: readonly Ingredient[]) =>
    items.reduce((sum, i) => sum + (i.kind === 'sugar' || i.kind === 'honey' ? i.massKg : 0), 0);
  const part = later.find((p) => p.step === step);
  if (!part) return null;
  const before = later.filter((p) => p.step < step).reduce((sum, p) => sum + kgOf(p.ingredients), 0);
  const partKg = kgOf(part.ingredients);
  const inKg = Math.max(0, s.sugarKg - kgOf(now.ingredients) - before);
  if (partKg <= 0 || inKg >= NEARLY * partKg) return null;
  return part.ingredients.map((i) => withAmount(i, amountOf(i) * (1 - inKg / partKg)));
}

const PARTS = ['nutrient-1', 'nutrient-2', 'nutrient-3', 'nutrient-4'] as const;
type NutrientStep = (typeof PARTS)[number];
const isNutrient = (id: StepId): id is NutrientStep => (PARTS as readonly StepId[]).includes(id);
/** Nutrient that goes in later than this after the yeast feeds what one does not want, days. Common practice. */
const NUTRIENT_LATE = 6;
/** So far under the third break of the sugar, nutrient is left out. */
const PAST_SG = 0.008;

/** Nitrogen that powders have brought so far, mg. */
const fedNitrogenMg = (s: BatchState): number =>
  Object.entries(NITROGEN_MG_G).reduce((mg, [id, perG]) => mg + perG * (s.powdersG[id]?.massG ?? 0), 0);

/**
 * What of a part of the nutrient is still to go in; null when it is in, whoever put it there.
 * @param step one of the parts that the plan promises
 */
export function nutrientLeft(s: BatchState, step: StepId): Ingredient[] | null {
  if (!isNutrient(step)) return null;
  const feed = feedsOf(s.plan)[PARTS.indexOf(step)];
  if (!feed) return null;
  const partMg = feed.mixG * NITROGEN_MG_G.nutrient! + feed.dapG * NITROGEN_MG_G.dap!;
  const inMg = fedNitrogenMg(s) - PARTS.indexOf(step) * partMg;
  if (partMg <= 0 || inMg >= NEARLY * partMg) return null;
  const share = 1 - Math.max(0, inMg) / partMg;
  const row = (additiveId: 'nutrient' | 'dap', g: number): Ingredient[] =>
    g * share > 0.05 ? [{ kind: 'additive', additiveId, massKg: (g * share) / 1000 }] : [];
  return [...row('nutrient', feed.mixG), ...row('dap', feed.dapG)];
}

const fedNutrientAt = (s: BatchState): number | null =>
  Math.max(0, ...Object.keys(NITROGEN_MG_G).map((id) => s.powdersG[id]?.at ?? 0)) || null;

/** When a step was last done: by the event that is its doing, or ticked off or skipped. */
function doneAt(s: BatchState, id: StepId): number | null {
  const ticked = s.steps
    .filter((x) => x.step === id && (x.outcome === 'skipped' || (x.outcome === 'done' && !PUTS_IN.has(id))))
    .map((x) => x.at);
  const by: Record<Exclude<StepId, NutrientStep>, number | null | undefined> = {
    crush: hasMust(s) || s.rackings.length > 0 || s.bottled.length > 0 ? s.startedAt : null,
    campden: s.powdersG.campden?.at,
    enzyme: s.powdersG['pectic-enzyme']?.at,
    pitch: s.pitches[0]?.at,
    stir: s.stirs.at(-1),
    read: s.readings.at(-1)?.at,
    starter: null,
    'feed-1': feedLeft(s, 'feed-1') ? null : s.sugarAt,
    'feed-2': feedLeft(s, 'feed-2') ? null : s.sugarAt,
    finings: s.powdersG.bentonite?.at ?? s.powdersG.kieselsol?.at ?? s.powdersG.chitosan?.at,
    stabilise: stabilisedAt(s),
    sweeten: s.sweetenedAt !== null && s.sweetenedAt >= (stabilisedAt(s) ?? 0) ? s.sweetenedAt : null,
    'fruit-out': s.fruitOutAt,
    'rack-1': s.rackings[0]?.at,
    'rack-2': s.rackings[1]?.at,
    bottle: s.fills.length === 0 ? s.bottled[0]?.at : null
  };
  const own = isNutrient(id) ? (nutrientLeft(s, id) ? null : fedNutrientAt(s)) : by[id];
  const times = [own, ...ticked].filter((t): t is number => t !== null && t !== undefined);
  return times.length > 0 ? Math.max(...times) : null;
}

/** How often a gravity is worth reading, hours: often while it runs, seldom while it clears. Common practice. */
function readEveryH(s: BatchState): number {
  if (s.rackings.length === 0) return 48;
  if (s.rackings.length === 1) return 7 * 24;
  return 21 * 24;
}

/** Days that air is stirred in: three, or as long as a third of the sugar usually takes. Common practice. */
const airDays = (s: BatchState): number => (choiceOf(s.plan, 'air') === 'third' ? 6 : 3);

/** Whether a repeating step has had its time. */
function isOver(s: BatchState, id: StepId): boolean {
  if (s.fills.length === 0) return true;
  if (isNutrient(id)) {
    const pitchedAt = s.pitches[0]?.at ?? null;
    const breakSg = feedsOf(s.plan).at(-1)?.sg ?? 0;
    const isPast = s.readings.some((r) => pitchedAt !== null && r.at > pitchedAt && r.sg < breakSg - PAST_SG);
    return s.rackings.length > 0 || isPast || (pitchedAt !== null && s.at - pitchedAt > NUTRIENT_LATE * DAY);
  }
  if (id === 'stir')
    return (
      s.fruitOutAt !== null ||
      s.rackings.length > 0 ||
      // Without a cap one stirs air in, and that has its days: later it is an enemy.
      (s.fruitInAt === null && s.pitches[0] !== undefined && s.at - s.pitches[0].at > airDays(s) * DAY)
    );
  return false;
}

/**
 * What is to do in a batch, soonest first: each step once all its waits are over or foreseen.
 * A step whose predecessor is still to do is reckoned from when that is due.
 * @param s the batch at the moment to schedule for
 */
export function schedule(s: BatchState): Due[] {
  if (s.fills.length === 0) return [];
  const steps = stepsOf(s.plan);
  const reached = new Map<StepId, number>();
  const late = new Map<StepId, number>();
  const out: Due[] = [];
  for (const step of steps) {
    const done = doneAt(s, step.id);
    const passed = steps
      .slice(steps.indexOf(step) + 1)
      .some((later) => !later.everyH && !step.everyH && doneAt(s, later.id) !== null);
    const from = (waitMs: 'minH' | 'maxH') =>
      Math.max(
        s.startedAt,
        ...step.waits.map(
          (w) =>
            (doneAt(s, w.step) ?? (waitMs === 'maxH' ? late : reached).get(w.step) ?? s.startedAt) +
            w[waitMs] * HOUR
        )
      );
    let [dueAt, lateAt] = [from('minH'), from('maxH')];
    if (step.everyH && done !== null) {
      const gap = (step.id === 'read' ? readEveryH(s) : step.everyH) * HOUR;
      // A daily job is due on the next civil day, not to the minute.
      dueAt = step.everyH === 24 ? nextDay(done, s.zone) : done + gap;
      lateAt = dueAt + gap;
    }
    reached.set(step.id, done ?? dueAt);
    late.set(step.id, done ?? lateAt);
    if (isOver(s, step.id) || (done !== null && !step.everyH) || passed) continue;
    const snoozed = s.steps.filter((x) => x.step === step.id && x.outcome === 'snoozed').at(-1);
    if (snoozed?.until) dueAt = Math.max(dueAt, snoozed.until);
    lateAt = Math.max(lateAt, dueAt);
    const first = step.waits.find((w) => doneAt(s, w.step) === null);
    const blocked = first !== undefined;
    const isToday = !blocked && civilDay(dueAt, s.zone) <= civilDay(s.at, s.zone);
    out.push({
      step,
      dueAt,
      lateAt,
      status: s.at > lateAt && !blocked ? 'overdue' : isToday ? 'due' : 'coming',
      why: step.waits.map((w) => w.why)[0] ?? '',
      after: first ? (steps.find((x) => x.id === first.step) ?? null) : null
    });
  }
  return out.sort(
    (a, b) => Number(a.status === 'coming') - Number(b.status === 'coming') || a.dueAt - b.dueAt
  );
}

/** When a batch should leave the vessel it stands in: its next racking or bottling; null when none is foreseen. */
export const leavesAt = (due: readonly Due[]): number | null =>
  due
    .filter((d) => ['rack-1', 'rack-2', 'bottle'].includes(d.step.id))
    .reduce<number | null>((first, d) => (first === null || d.dueAt < first ? d.dueAt : first), null);

/** Six in the morning of the next civil day after `at`, near enough for a daily job. */
function nextDay(at: number, zone: string): number {
  const day = civilDay(at, zone);
  let t = at + 4 * HOUR;
  while (civilDay(t, zone) === day) t += HOUR;
  return Math.min(t, at + DAY + 2 * HOUR);
}
