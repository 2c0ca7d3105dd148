import { abvOf } from '../ferment/convert';
import { addInto, emptyStock, liquid } from '../liquid/stock';
import { byId } from '../maths/by-id';
import { shareGiven } from '../plan/extraction';
import { isKnown, type Plan } from '../plan/plan';
import { emptyFill, type Fill } from './fill';
import { defOf, liveTimed, type LedgerEvent } from './log';
import { tellHeld } from './held';
import { givesTo } from './operations';
import { contents, doubt, fermentedOf, startGravity, volumeOf, type BatchState, type Working } from './state';

const HOUR = 3_600_000;

/** Lets every lot give what time has freed since it last gave. */
function advance(s: Working, at: number): void {
  for (const lot of s.lots) {
    // Spent fruit has nothing more to give.
    if (lot.held.waterKg + lot.held.solidsKg < 1e-7) continue;
    const hours = Math.max(0, (at - lot.since) / HOUR);
    const share = shareGiven(lot.halfH, hours);
    const fill = givesTo(s, lot);
    if (fill && share > 0) {
      addInto(fill.stock, lot.held, share);
      addInto(lot.held, lot.held, -share);
    }
    lot.since = Math.max(lot.since, at);
  }
}

/** What a wine is at a moment, for telling what an event did to it. */
export type Figures = {
  volumeL: number;
  sg: number | null;
  abv: number;
  /** kg of hexose: turned to alcohol, dissolved, and still in fruit or in a layer */
  sugarKg: { turned: number; dissolved: number; held: number };
};

const figuresOf = (s: Working): Figures => {
  const stock = contents(s);
  const now = liquid(stock);
  return {
    // Jar by jar: wines that differ would take a little less room together.
    volumeL: volumeOf(s),
    sg: now?.sg ?? null,
    abv: abvOf(stock),
    sugarKg: {
      turned: fermentedOf(s),
      dissolved: stock.hexoseKg,
      held: s.lots.reduce((sum, l) => sum + l.held.hexoseKg, 0)
    }
  };
};

/** What each event did to the wine: the figures just before it, and just after. */
export type Effect = { event: LedgerEvent; before: Figures; after: Figures };

/** Every event that counts with what it did, in order. */
export function historyOf(events: readonly LedgerEvent[], at: number): Effect[] {
  const out: Effect[] = [];
  let before: Figures | null = null;
  run(
    events,
    at,
    (s) => (before = figuresOf(s)),
    (s, event) => out.push({ event, before: before!, after: figuresOf(s) })
  );
  return out;
}

/**
 * The state of a batch at a moment: a pure fold over its events in order.
 * @param events of one batch, in any order, voids included
 * @param at ms since 1970; events after it are left out, fruit has given until then
 * @returns null when the batch has not been planned
 */
export function foldBatch(events: readonly LedgerEvent[], at: number): BatchState | null {
  const s = run(events, at);
  if (!s) return null;
  advance(s, at);
  return withLots(s);
}

/**
 * A batch as it will stand once some events have happened right after it: what a line's later parts speak of. Fruit
 * that goes in has given nothing yet.
 * @param state is left as it is
 * @param events in order, each of the moment of the state or later
 * @returns the state itself where an event cannot be applied
 */
export function stateAfter(state: BatchState, events: readonly LedgerEvent[]): BatchState {
  const copy = copyOf(state);
  const s: Working = {
    ...copy,
    held: emptyStock(),
    heldKgIn: byId(),
    produceKg: 0,
    pulpKg: 0,
    insolublesKg: 0,
    lots: copy.produceKg > 0 && copy.fills.length > 0 ? [allFruit(copy)] : [],
    eventId: '',
    eventType: '',
    eventAt: state.at
  };
  for (const e of events) {
    const at = Date.parse(e.at);
    [s.eventId, s.eventType, s.eventAt, s.lastAt] = [e.id, e.type, at, at];
    try {
      defOf(e).apply(s, e, at);
    } catch {
      return state;
    }
  }
  return withLots(s);
}

/** The same value with nothing of it shared. */
const copyOf = <T>(value: T): T =>
  Array.isArray(value)
    ? (value.map(copyOf) as T)
    : value !== null && typeof value === 'object'
      ? (byId(Object.entries(value).map(([k, v]) => [k, copyOf(v)])) as T)
      : value;

/** All fruit of a batch as one lot, in its first vessel. */
const allFruit = (s: BatchState): Working['lots'][number] => ({
  id: 'fruit',
  vesselId: s.fills[0]!.vesselId,
  held: s.held,
  halfH: Infinity,
  since: s.at,
  produceKg: s.produceKg,
  pulpKg: s.pulpKg,
  insolublesKg: s.insolublesKg,
  steepId: null
});

/** The state that a run came to, with what its fruit still holds. */
function withLots(s: Working): BatchState {
  const { lots, eventId: _id, eventType: _type, eventAt: _at, ...state } = s;
  for (const lot of lots) {
    addInto(state.held, lot.held);
    const vesselId = givesTo(s, lot)?.vesselId ?? lot.vesselId;
    state.heldKgIn[vesselId] = (state.heldKgIn[vesselId] ?? 0) + lot.held.hexoseKg;
    state.produceKg += lot.produceKg;
    state.pulpKg += lot.pulpKg;
    state.insolublesKg += lot.insolublesKg;
  }
  state.startSg = startGravity(state);
  // Lists keep a state without its flows: what they still ask of them is said here.
  state.flowedAt = state.flows.at(-1)?.at ?? state.flowedAt;
  state.mixedAt = state.flows.findLast((f) => f.kind === 'wine' || f.kind === 'pour')?.at ?? state.mixedAt;
  return state;
}

/**
 * The state of a batch as it is to be shown: one that begins later, by a clock that was wrong or by plan, as it will
 * begin. What else is still to come counts from its time on.
 */
export function batchAt(events: readonly LedgerEvent[], now: number): BatchState | null {
  const planned = liveTimed(events).find((x) => x.e.type === 'planned');
  return planned ? foldBatch(events, Math.max(now, planned.at)) : null;
}

/** Runs through the events that count up to `at`, with a look before and after each. */
function run(
  events: readonly LedgerEvent[],
  at: number,
  before?: (s: Working, e: LedgerEvent) => void,
  after?: (s: Working, e: LedgerEvent) => void,
  unread: Set<string> = new Set()
): Working | null {
  const live = liveTimed(events);
  const first = live.find((x) => x.e.type === 'planned' && x.at <= at);
  if (!first || first.e.type !== 'planned') return null;
  const planned = first.e;
  const s: Working = {
    id: planned.batchId,
    name: planned.data.name,
    plan: knownPlan(planned.data.plan),
    startedAt: first.at,
    at,
    zone: planned.zone,
    fills: [emptyFill(planned.data.vesselId)],
    held: emptyStock(),
    heldKgIn: byId(),
    produceKg: 0,
    pulpKg: 0,
    insolublesKg: 0,
    fedAt: first.at,
    fruitInAt: null,
    fruitOutAt: null,
    readings: [],
    pitches: [],
    stirs: [],
    rackings: [],
    splits: [],
    firstInAt: null,
    lastAt: first.at,
    flows: [],
    flowedAt: null,
    mixedAt: null,
    looks: [],
    powdersG: {},
    bottled: [],
    spiritAbv: null,
    warmestC: null,
    felt: [],
    places: byId(),
    corrections: [],
    steeps: [],
    toppedAt: byId(),
    allergens: [],
    freeSo2: [],
    label: null,
    tastings: [],
    cost: 0,
    lostL: 0,
    steps: [],
    acknowledged: [],
    timers: [],
    startSg: null,
    doubts: [],
    sweetenedAt: null,
    sugarKg: 0,
    sugarAt: null,
    lots: [],
    eventId: planned.id,
    eventType: 'planned',
    eventAt: first.at
  };
  if (s.plan !== planned.data.plan) doubt(s, 'unknown-produce');
  const held = new Map<string, boolean>();
  for (const { e, at: when } of live) {
    if (when > at) break;
    if (unread.has(e.id)) continue;
    [s.eventId, s.eventType, s.eventAt, s.lastAt] = [e.id, e.type, when, when];
    const def = defOf(e);
    if (def.touchesLiquid) advance(s, when);
    before?.(s, e);
    try {
      def.apply(s, e, when);
      tellHeld(s, held);
      if (!s.fills.every(isSound)) throw new RangeError('A figure of the wine is not finite.');
    } catch (error) {
      if (unread.size >= MOST_UNREAD) throw error;
      // It may have been half done: all of it again, without the event that cannot be.
      unread.add(e.id);
      return run(events, at, undefined, undefined, unread);
    }
    after?.(s, e);
  }
  for (const { e, at: when } of live)
    if (unread.has(e.id)) s.doubts.push({ eventId: e.id, at: when, type: e.type, code: 'cannot-be-read' });
  return s;
}

/** A plan without rows of produce that nobody has the figures of any more; itself when there are none. */
function knownPlan(plan: Plan): Plan {
  const ingredients = plan.ingredients.filter(isKnown);
  return ingredients.length === plan.ingredients.length ? plan : { ...plan, ingredients };
}

/** So many events that cannot be applied, and the log itself cannot be. */
const MOST_UNREAD = 60;

const isSound = ({ stock: x }: Fill): boolean =>
  Number.isFinite(x.waterKg + x.ethanolKg + x.solidsKg + x.hexoseKg + x.strongIonEq + x.nitrogenMg) &&
  x.waterKg >= -1e-6;
