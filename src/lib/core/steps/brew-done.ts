import { type LedgerEvent, liveTimed } from '../ledger/log';
import { amountOf, type Ingredient, type Plan } from '../plan/plan';
import { solvePlan } from '../solve/solve';
import { HOUR, type BrewCard } from './brew';

/** What of a brew day is done, read out of the log. */
export type BrewDone = {
  /** rows that are in, by their id on the slip, as they were weighed */
  rows: Map<string, Ingredient>;
  /** cards ticked or skipped, and when */
  steps: Map<string, { at: number; outcome: 'done' | 'skipped' }>;
  /** timers that were started, and when they end */
  timers: Map<string, number>;
  /** powders and yeast, and when they went in */
  powders: Map<string, number>;
  pitchedAt: number | null;
  startedAt: number;
  readings: number[];
  /** corrections by sugar or water after a reading */
  adjusted: number[];
};

/** Ids of rows that correct a must after a reading. */
export const ADJUST = 'adjust';

export function brewDone(events: readonly LedgerEvent[]): BrewDone {
  const done: BrewDone = {
    rows: new Map(),
    steps: new Map(),
    timers: new Map(),
    powders: new Map(),
    pitchedAt: null,
    startedAt: 0,
    readings: [],
    adjusted: []
  };
  const byHand: Ingredient[] = [];
  let plan: Plan | null = null;
  for (const { e, at } of liveTimed(events)) {
    if (e.type === 'planned') {
      done.startedAt = at;
      plan = e.data.plan as Plan;
    }
    if (e.type === 'pitch') done.pitchedAt ??= at;
    if (e.type === 'reading' && e.data.sg !== undefined) done.readings.push(at);
    if (e.type === 'timer') done.timers.set(e.data.card, Date.parse(e.data.until));
    if (e.type === 'step' && e.data.outcome !== 'snoozed')
      done.steps.set(e.data.step, { at, outcome: e.data.outcome });
    if (e.type === 'addition')
      for (const i of e.data.ingredients) {
        if (i.id?.startsWith(ADJUST)) done.adjusted.push(at);
        else if (i.id) done.rows.set(i.id, i);
        else byHand.push(i);
        if (i.kind === 'additive') done.powders.set(i.additiveId, at);
      }
  }
  // What was put in by hand, beside the cards, is not asked for again.
  for (const i of byHand) {
    const row = plan?.ingredients.find((r) => r.id && !done.rows.has(r.id) && isSameThing(r, i));
    if (row?.id) done.rows.set(row.id, { ...i, id: row.id });
  }
  return done;
}

/** Whether two rows are of one thing: the same fruit, sugar, acid or powder. */
const isSameThing = (a: Ingredient, b: Ingredient): boolean =>
  a.kind === b.kind &&
  ('produceId' in a ? 'produceId' in b && a.produceId === b.produceId : true) &&
  (a.kind !== 'sugar' || b.kind !== 'sugar' || a.sugarId === b.sugarId) &&
  (a.kind !== 'acid' || b.kind !== 'acid' || a.acidId === b.acidId) &&
  (a.kind !== 'additive' || b.kind !== 'additive' || a.additiveId === b.additiveId);

/**
 * The plan with what was really weighed in it: those rows stand, what is still free is worked out anew, so that
 * strength and amount are still met.
 */
export function redosed(plan: Plan, done: Pick<BrewDone, 'rows'>): Plan {
  const ingredients = plan.ingredients.map((i) => {
    const real = i.id ? done.rows.get(i.id) : undefined;
    return real ? ({ ...real, id: i.id, held: true } as Ingredient) : i;
  });
  return solvePlan({ ...plan, ingredients }).plan;
}

/** Less than this nobody weighs out anew: a share of a row, and kg or L. */
const CHANGED = { share: 0.02, least: 0.005 };

/**
 * Rows still to come that would be weighed otherwise if so much of one row went in, as they would then be.
 * @param now the plan as it is re-dosed so far
 * @param row as it was weighed
 */
export function changedBy(
  plan: Plan,
  { ingredients: now }: Plan,
  done: Pick<BrewDone, 'rows'>,
  row: Ingredient
): Ingredient[] {
  if (!row.id) return [];
  const next = redosed(plan, { rows: new Map([...done.rows, [row.id, row]]) }).ingredients;
  return next.filter((after, n) => {
    if (!after.id || after.id === row.id || done.rows.has(after.id)) return false;
    const [was, is] = [amountOf(now[n]!), amountOf(after)];
    return Math.abs(is - was) > Math.max(CHANGED.share * was, CHANGED.least);
  });
}

export type CardState =
  | { status: 'done'; at: number }
  | { status: 'waiting'; until: number; why: string }
  | { status: 'blocked' }
  | { status: 'open' };

/** When a card was done: by the event that is its doing, or ticked or skipped; null while it is to do. */
export function doneAt(card: BrewCard, done: BrewDone): number | null {
  const ticked = done.steps.get(card.id)?.at ?? null;
  if (ticked !== null) return ticked;
  if (card.kind === 'weigh') return card.row?.id && done.rows.has(card.row.id) ? done.startedAt : null;
  if (card.kind === 'powder') return done.powders.get(card.id) ?? null;
  if (card.kind === 'yeast') return done.pitchedAt;
  return null;
}

/** Where each card stands: done, waiting until when, kept by another, or open to be done. */
export function cardStates(
  cards: readonly BrewCard[],
  done: BrewDone,
  nowMs: number
): Map<string, CardState> {
  const out = new Map<string, CardState>();
  for (const card of cards) {
    const at = doneAt(card, done);
    if (at !== null) {
      out.set(card.id, { status: 'done', at });
      continue;
    }
    let until = 0;
    let why = '';
    let isBlocked = false;
    for (const w of card.waits) {
      const before = cards.find((c) => c.id === w.id);
      if (!before) continue;
      const since = doneAt(before, done);
      if (since === null) isBlocked = true;
      else if (since + w.hours * HOUR > Math.max(nowMs, until)) {
        until = since + w.hours * HOUR;
        why = w.why;
      }
    }
    out.set(
      card.id,
      isBlocked
        ? { status: 'blocked' }
        : until > nowMs
          ? { status: 'waiting', until, why }
          : { status: 'open' }
    );
  }
  return out;
}

/** The card to do now: the first that is open; null while all that is left has to wait, or nothing is left. */
export const currentCard = (cards: readonly BrewCard[], states: Map<string, CardState>): BrewCard | null =>
  cards.find((c) => states.get(c.id)?.status === 'open') ?? null;

/** Whether a brew day is over: every card done. */
export const isBrewed = (states: Map<string, CardState>): boolean =>
  [...states.values()].every((s) => s.status === 'done');

/** Where the loop of reading and adjusting stands. */
export type ReadPhase = 'first' | 'half' | 'again' | 'rest' | 'right';

/**
 * Read, add half of what the sum says, read again, add the rest.
 * @param isRight whether the last reading left nothing to correct
 */
export function readPhase(done: Pick<BrewDone, 'readings' | 'adjusted'>, isRight: boolean): ReadPhase {
  const [read, added] = [Math.max(0, ...done.readings), Math.max(0, ...done.adjusted)];
  if (read === 0) return 'first';
  if (added > read) return done.adjusted.length >= 2 ? 'right' : 'again';
  if (isRight) return 'right';
  return done.adjusted.length === 0 ? 'half' : 'rest';
}
