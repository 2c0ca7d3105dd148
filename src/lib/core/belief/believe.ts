import { isNatural } from '../tables/schools';
import { abvOf } from '../ferment/convert';
import { readsDry } from '../ledger/evidence';
import type { Fill } from '../ledger/fill';
import { bottleId, type Flow } from '../ledger/flow';
import { contents, standingFills, type BatchState } from '../ledger/state';
import type { Estimate } from '../units/range';
import { columnsOf, estimateFromNothing, estimateOf, meanOf } from './columns';
import { byId } from '../maths/by-id';
import { normalQuantile } from '../maths/draw';
import { allOf } from '../maths/parts';
import { normalsFor, randomOf, turn, zeros, type Cell, type Ensemble } from './ensemble';
import type { Running, Seen } from './running';
import { couldReachGL } from './reach';
import { beginning, branch, follow, goTo } from './follow';

/** Members for what a page says, and for what is drawn ahead or judged. */
export const PAGE = 300;
export const CAREFUL = 1500;

type Believed = Pick<BatchState, 'id' | 'startedAt' | 'plan' | 'flows' | 'at'>;

/** Batches whose members are kept after their last event, and how many of them. */
const kept = new Map<string, { flows: string[]; running: Running }>();
const KEPT = 12;

/** What tells flows apart; the page, the course and what is taught of one state ask for it in turn. */
const named = new WeakMap<readonly Flow[], string[]>();
export function namesOf(flows: readonly Flow[]): string[] {
  const there = named.get(flows);
  if (there?.length === flows.length) return there;
  const names = flows.map((f) => JSON.stringify(f));
  named.set(flows, names);
  return names;
}

/**
 * Follows a batch's log with so many possible wines, to the last that happened, a step at a time. What was followed
 * before is kept, so that today's reading does not begin at the first day. Nobody else has what is being followed.
 */
export function* following(s: Believed, size = PAGE): Generator<void, Running> {
  const { yeast, roomC, pace } = s.plan;
  const key = [s.id, size, s.startedAt, isNatural(s.plan), yeast?.yeastId, roomC, pace].join(':');
  const names = namesOf(s.flows);
  const known = kept.get(key);
  const isPrefix =
    known !== undefined && known.flows.length <= names.length && known.flows.every((n, i) => n === names[i]);
  kept.delete(key);
  const running = isPrefix ? known.running : beginning(s, size);
  for (const flow of s.flows.slice(isPrefix ? known.flows.length : 0)) {
    follow(running, flow);
    yield;
  }
  kept.set(key, { flows: names, running });
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  return running;
}

/** The same at once. @returns members of the caller's own */
export const followed = (s: Believed, size = PAGE): Running => branch(allOf(following(s, size)));

/** The same at the moment of its state. @returns members of the caller's own */
export function believe(s: Believed, size = PAGE): Running {
  const mine = followed(s, size);
  // Before the yeast it is its plan, and foreseen as that is.
  if (s.flows.some((f) => f.kind === 'pitch' || f.kind === 'read' || f.kind === 'look')) openAhead(mine.e);
  goTo(mine, s.at);
  return mine;
}

/**
 * How far the pace to come may differ from that so far, and how much slower it is in the mean, in its logarithm: cold
 * nights, lees that settle, food that runs out. Ours, so that the day it is done falls into its range as often as told.
 */
const AHEAD_SD = 0.5;
const AHEAD_SLOWER = 0.2;

/** After the last that was seen of it nobody watches: each member may go slower or faster than it went. */
function openAhead(e: Ensemble): void {
  const z = normalsFor(e.size, randomOf(e), normalQuantile);
  for (let i = 0; i < e.size; i++) e.vigour[i]! *= Math.exp(AHEAD_SD * z[i]! - AHEAD_SLOWER);
}

/**
 * The members as they are: what a stall kept is taken back, in place. Until then they run on as if nothing had stalled,
 * so that a reading can still tell.
 */
export function asItIs(r: Running): Running {
  for (const c of Object.values(r.e.cells)) settleStalls(r.e, c);
  return r;
}

function settleStalls(e: Ensemble, c: Cell): void {
  for (let i = 0; i < e.size; i++) {
    if (c.asleep[i] || c.stall[i]! < 0) continue;
    const lacks = c.stall[i]! * c.everKg[i]! - c.hexoseKg[i]!;
    if (lacks <= 0) continue;
    turn(c, i, -Math.min(lacks, c.sinceKg[i]!), e.yieldG[i]!);
    c.asleep[i] = 1;
  }
}

/** What is believed of a wine: plain figures, each with its 8-in-10 range. */
export type Told = {
  volumeL: Estimate;
  sg: Estimate;
  abv: Estimate;
  sugarGL: Estimate;
  /** titratable acid, g/L as tartaric */
  taGL: Estimate;
  /** sugar that yeast could still reach once it is closed in, g/L: all but a few of the possible wines hold less */
  couldReachGL: number;
  chance: {
    /** nothing more is to come: its sugar gone, or its yeast at its limit */
    done: number;
    /** stands still with sugar left that its yeast could take */
    stalled: number;
    /** its yeast has not begun to work */
    notBegun: number;
  };
};

export type Belief = Told & {
  /** each vessel by itself */
  vessels: Record<string, Told>;
  /** what each reading was found to be */
  seen: Seen[];
  /** sugar that yeast could reach in each filling of bottles as it was filled, g/L, by its event */
  filledGL: Record<string, number>;
};

/** What is told of some vessels together. */
export function toldOf(r: Running, cells: readonly Cell[]): Told {
  const { e } = r;
  const { litres, sg, abv, sugarGL, taGL, isDone } = columnsOf(e, cells);
  const [stalled, notBegun] = [zeros(e.size), zeros(e.size)];
  for (let i = 0; i < e.size; i++) {
    stalled[i] = cells.some((c) => !c.isHeld && c.asleep[i] === 1) ? 1 : 0;
    notBegun[i] = r.at < e.startsAt[i]! ? 1 : 0;
  }
  return {
    volumeL: estimateOf(litres, e.weight),
    sg: estimateOf(sg, e.weight),
    abv: estimateOf(abv, e.weight),
    sugarGL: estimateFromNothing(sugarGL, e.weight),
    taGL: estimateOf(taGL, e.weight),
    couldReachGL: Math.max(0, ...cells.map((c) => couldReachGL(r, c))),
    chance: {
      done: meanOf(isDone, e.weight),
      stalled: meanOf(stalled, e.weight),
      notBegun: meanOf(notBegun, e.weight)
    }
  };
}

/**
 * What is told of wine that stands in such fillings. Where all of it reads at its floor nothing moves any more, and its
 * strength is the sum of what went in and was read: one figure in jar, in bottle and on the label. How sure that is, the
 * possible wines say.
 */
export function readOut(fills: Fill[]): (told: Told) => Told {
  if (fills.length === 0 || !fills.every((f) => readsDry(f).isAtFloor)) return (told) => told;
  const likely = abvOf(contents({ fills }));
  return (told) => {
    const { low, high } = told.abv;
    return { ...told, abv: { low: Math.min(low, likely), likely, high: Math.max(high, likely) } };
  };
}

/** The cells a batch stands in; once all of it is in bottle, those of its last filling. */
export function cellsOf(s: Pick<BatchState, 'fills' | 'bottled'>, e: Ensemble): Cell[] {
  const ids =
    s.fills.length > 0 ? s.fills.map((f) => f.vesselId) : s.bottled.slice(-1).map((b) => bottleId(b.eventId));
  return ids.flatMap((id) => e.cells[id] ?? []);
}

const beliefs = new WeakMap<object, Belief | null>();

/**
 * What is believed of a batch at the moment of its state.
 * @returns null where nothing liquid is known of it
 */
export function beliefOf(s: BatchState): Belief | null {
  const there = beliefs.get(s);
  if (there !== undefined) return there;
  const made = believed(s);
  beliefs.set(s, made);
  return made;
}

function believed(s: BatchState): Belief | null {
  if (s.flows.length === 0) return null;
  const r = asItIs(believe(s));
  const cells = cellsOf(s, r.e);
  const all = readOut(standingFills(s))(toldOf(r, cells));
  if (!(all.volumeL.likely > 0) || !Number.isFinite(all.sg.likely)) return null;
  const vessels = byId(
    s.fills.flatMap((f) => {
      const c = r.e.cells[f.vesselId];
      return c ? [[f.vesselId, s.fills.length === 1 ? all : readOut([f])(toldOf(r, [c]))]] : [];
    })
  );
  const filledGL = byId(s.bottled.map((b) => [b.eventId, r.filledGL[bottleId(b.eventId)] ?? Infinity]));
  return { ...all, vessels, seen: r.seen, filledGL };
}
