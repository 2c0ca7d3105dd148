import { isNatural } from '../tables/schools';
import { ferment } from '../ferment/convert';
import type { Heat } from '../ferment/heat';
import { addInto, emptyStock, liquid, type Stock } from '../liquid/stock';
import { toleranceOf } from '../plan/chosen';
import type { Plan, Yeast } from '../plan/plan';
import type { BottleType } from '../tables/bottles';
import { YEASTS } from '../tables/yeasts';
import type { Cell } from './events/cell';
import type { Design } from './events/label';
import type { LeftBy } from './events/open';
import { fillL, type Fill } from './fill';
import { showsLife, type Flow, type Look } from './flow';

/** Fruit that is still giving: what it holds, how fast it lets go, and what of it stands in the vessel. */
export type Lot = {
  id: string;
  vesselId: string;
  held: Stock;
  halfH: number;
  since: number;
  produceKg: number;
  pulpKg: number;
  insolublesKg: number;
  /** the event that hung it in, for what is steeped */
  steepId: string | null;
  /** an infusion's pulp: strained off before the sugar, or the yeast, goes in */
  isInfused?: boolean;
};

export type Reading = {
  eventId: string;
  at: number;
  /** the vessel it was drawn from; null when it was not said and there were several */
  vesselId: string | null;
  sg: number;
  tempC: number | null;
  /** what the ledger expected before it was read; null once it ferments */
  expectedSg: number | null;
};

/** Something that a measurement showed to be other than the sums had it. */
export type Correction =
  | { kind: 'sugar'; at: number; expectedSg: number; sg: number; sugarKg: number }
  | { kind: 'volume'; at: number; expectedL: number; foundL: number };

export type Steep = { id: string; at: number; names: string[]; tasteBy: number | null; outAt: number | null };

/** An event that cannot have been as it was written: it is kept and shown, and applied as far as it can be. */
export type Doubt = { eventId: string; at: number; type: string; code: DoubtCode };
export type DoubtCode =
  | 'not-there'
  | 'more-than-there'
  | 'more-than-measured'
  | 'impossible-figure'
  | 'unknown-produce'
  | 'cannot-be-read';

/** One filling of bottles: the wine as it went in, and what it could do. */
export type Bottling = {
  eventId: string;
  at: number;
  count: number;
  litres: number;
  /** how many of each kind and size, and how many of them are left */
  bottles: { count: number; sizeL: number; type: BottleType; left: number }[];
  /** the wine of that vessel as it was bottled, with what was known of it */
  fill: Fill;
  primingGL: number;
  /** how it was heated through in the bottle; null where it was not */
  heat: Heat | null;
  /** what was said of it; null when nothing was */
  isClear: boolean | null;
  /** pressure that was foreseen at 20 °C, bar; null when it was not judged */
  bar20: number | null;
  /** hexose that fruit in it still held, kg */
  heldKg: number;
  /** bottles that are still closed, as far as is known */
  left: number;
  /** bottles of it that were opened, and what was found in them */
  opened: { at: number; found: 'still' | 'fizzy' | 'gushing' }[];
  /** how bottles of it left the cellar, and to whom */
  gone: { at: number; count: number; how: LeftBy; to: string }[];
  /** where they lie, each by its kind's place in `bottles` */
  cells: (Cell & { kind: number })[];
  /** what the wine in them had cost */
  cost: number;
};

/** How a wine tasted on a day. */
export type Tasted = {
  at: number;
  text: string;
  /** 1 to 5; null where nothing was said */
  liking: number | null;
  /** what was said of it, by ids of `tables/tasting.ts` */
  words: readonly string[];
  /** whether it was too young, ready or past its best; null where nothing was said */
  when: 'young' | 'ready' | 'past' | null;
  /** sugar and acid at which it would have been right, g/L; null where nothing was said */
  wanted: { sweetGL: number; taGL: number } | null;
  /** the filling it was of; null where nothing was said */
  bottleId: string | null;
};

/** Everything there is to know about a batch at one moment. Pure: the same events give the same state. */
export type BatchState = {
  id: string;
  name: string;
  plan: Plan;
  startedAt: number;
  at: number;
  /** when something was last written of it, whatever it was */
  lastAt: number;
  zone: string;
  fills: Fill[];
  /** what fruit still holds, all lots together */
  held: Stock;
  /** hexose of it, kg, by the vessel that it gives to */
  heldKgIn: Record<string, number>;
  /** fruit that is in there now, kg */
  produceKg: number;
  /** the same by how much liquid it holds back, as fresh fruit */
  pulpKg: number;
  insolublesKg: number;
  /** when something that ferments last went in */
  fedAt: number;
  fruitInAt: number | null;
  fruitOutAt: number | null;
  readings: Reading[];
  pitches: { at: number; yeast: Yeast; massG: number | null }[];
  stirs: number[];
  rackings: { at: number; lossL: number }[];
  /** when some of it went into another vessel, and more stayed: no racking */
  splits: number[];
  doubts: Doubt[];
  /** grams of each powder that went in, by its id */
  powdersG: Record<string, { massG: number; at: number }>;
  /** each filling, with the wine as it went into the bottles */
  bottled: Bottling[];
  /** when sugar or a sweetener last went into wine that was out of its bucket */
  sweetenedAt: number | null;
  /** sugar and honey that went in, kg as weighed, and when it last did */
  sugarKg: number;
  sugarAt: number | null;
  /** free sulphur dioxide as it was measured, oldest first */
  freeSo2: { at: number; vesselId: string | null; mgL: number }[];
  /** strength by spirit indication, when it was measured */
  spiritAbv: { at: number; abv: number } | null;
  warmestC: number | null;
  /** how warm it was each time a thermometer stood in it, whatever else was read, oldest first */
  felt: Felt[];
  /** where each vessel stands, as far as it was said, by its id */
  places: Record<string, Place>;
  /** what measurements showed to be other than the sums had it */
  corrections: Correction[];
  steeps: Steep[];
  /** when the air over a vessel was last taken, by a liquid or by gas */
  toppedAt: Record<string, number>;
  allergens: string[];
  /** how its labels last looked; null while it has none */
  label: Design | null;
  tastings: Tasted[];
  cost: number;
  lostL: number;
  steps: { at: number; step: string; outcome: 'done' | 'skipped' | 'snoozed'; until: number | null }[];
  acknowledged: string[];
  /** timers that were started, and when each ends, ms */
  timers: { card: string; until: number }[];
  startSg: { sg: number; measured: boolean } | null;
  /** when something first went in */
  firstInAt: number | null;
  /** what moved where and what was seen, in order: what possible wines are reckoned from */
  flows: Flow[];
  /** when anything last moved or was seen */
  flowedAt: number | null;
  /** when anything was last poured in, wine too */
  mixedAt: number | null;
  /** what was seen of it without any instrument, oldest first */
  looks: ({ at: number; vesselId: string | null; tempC?: number | undefined } & Look)[];
};

/** A place that a vessel was moved to, ms, and how warm it is, °C; null where it was not said. */
export type Place = { at: number; name: string | null; tempC: number | null };

/** How warm it is where a wine stands, as somebody last said of any of its vessels; null where nobody did. */
export const placeC = (s: Pick<BatchState, 'places'>): Felt | null =>
  Object.values(s.places).reduce<Felt | null>(
    (last, { at, tempC }) => (tempC !== null && (last === null || at > last.at) ? { at, tempC } : last),
    null
  );

/** How warm a wine is, as far as is known: a thermometer in it, or the place it was moved to since. */
export function lastWarmth(s: Pick<BatchState, 'places' | 'felt'>): Felt | null {
  const [felt, place] = [s.felt.at(-1) ?? null, placeC(s)];
  return place && (!felt || place.at >= felt.at) ? place : felt;
}

/** How warm a wine was, °C, at a moment, ms. */
export type Felt = { at: number; tempC: number };

export type Working = BatchState & { lots: Lot[]; eventId: string; eventType: string; eventAt: number };

/** Whether fruit or a layer still gives what the millilitre and the gram would show: then it is another wine in an hour. */
export const stillGives = (s: BatchState): boolean => s.held.waterKg + s.held.solidsKg > 1e-3;

/** Writes down that the event at hand cannot have been quite so. */
export function doubt(s: Working, code: DoubtCode): void {
  s.doubts.push({ eventId: s.eventId, at: s.eventAt, type: s.eventType, code });
}

/** No wine stands warmer, °C. Common practice. */
const HOTTEST_C = 35;

/** What a wine's warmth was, °C: its yeast goes by it, and the gas it will hold in bottle. */
export function feel(s: Working, at: number, tempC: number): void {
  s.felt.push({ at, tempC });
  // Hotter than any ferment is a sample that was still to cool.
  if (tempC <= HOTTEST_C) s.flows.push({ at, kind: 'warmth', tempC });
  if (s.rackings.length > 0 && tempC <= HOTTEST_C) s.warmestC = Math.max(s.warmestC ?? tempC, tempC);
}

/** The classroom's start: the highest reading before the yeast, else what all the sugar would have read. */
export function startGravity(s: BatchState): BatchState['startSg'] {
  const before = s.readings.filter((r) => r.expectedSg !== null).map((r) => r.sg);
  if (before.length > 0) return { sg: Math.max(...before), measured: true };
  const sg = wholeSg(s);
  return sg === null ? null : { sg, measured: false };
}

/** What all the sugar of a batch would read if none had fermented; null without liquid. */
export function wholeSg(s: Pick<BatchState, 'fills' | 'held'>): number | null {
  const total = addInto(contents(s), s.held);
  return liquid(ferment(total, -fermentedOf(s)).stock)?.sg ?? null;
}

/** All vessels of the batch together. */
export function contents(s: Pick<BatchState, 'fills'>): Stock {
  return s.fills.reduce((sum, f) => addInto(sum, f.stock), emptyStock());
}

/** Litres of liquid in the batch. */
export const volumeOf = (s: Pick<BatchState, 'fills'>): number =>
  s.fills.reduce((sum, f) => sum + fillL(f), 0);

/** The vessels it stands in; once all of it is in bottle, the last as it was then. */
export const standingFills = (s: Pick<BatchState, 'fills' | 'bottled'>): Fill[] =>
  s.fills.length > 0 ? s.fills : s.bottled.slice(-1).map((b) => b.fill);

/** Bottles of it that are still closed, as far as is known. */
export const bottlesLeft = (s: Pick<BatchState, 'bottled'>): number =>
  s.bottled.reduce((sum, b) => sum + b.left, 0);

/** Hexose that has fermented, kg. */
export const fermentedOf = (s: Pick<BatchState, 'fills'>): number =>
  s.fills.reduce((sum, f) => sum + f.fermentedKg, 0);

/** How clear it was when somebody last looked; null when nobody did. */
export const clarityOf = (s: Pick<BatchState, 'looks'>, vesselId: string): Look['clarity'] | null =>
  s.looks.findLast((l) => l.clarity && (l.vesselId === null || l.vesselId === vesselId))?.clarity ?? null;

/** When it was first seen to work, ms; null where nobody saw it. */
export const seenWorkingAt = (s: Pick<BatchState, 'looks' | 'startedAt'>): number | null =>
  s.looks.find((l) => showsLife(l, l.at - s.startedAt))?.at ?? null;

/** From when on it works, as far as is known: by its yeast, as it was seen, or by itself; null before. */
export const beganAt = (
  s: Pick<BatchState, 'pitches' | 'fills' | 'looks' | 'startedAt' | 'plan'>
): number | null =>
  s.pitches[0]?.at ?? seenWorkingAt(s) ?? (isNatural(s.plan) || fermentedOf(s) > 1e-6 ? s.startedAt : null);

/**
 * Yeast is in it, or it was read or seen to work: then what went in is not what is there. Many a must works by itself,
 * and many a yeast is not written down.
 */
export const isBegun = (s: Pick<BatchState, 'pitches' | 'fills' | 'looks' | 'startedAt'>): boolean =>
  s.pitches.length > 0 || fermentedOf(s) > 1e-6 || seenWorkingAt(s) !== null;

type Tolerance = readonly [number, number, number];

/** Of several yeasts, the most that any of them stands, at each end. */
export const strongest = (all: readonly Tolerance[]): Tolerance =>
  all.reduce((a, t) => [Math.max(a[0], t[0]), Math.max(a[1], t[1]), Math.max(a[2], t[2])]);

/** The most tolerant yeast pitched, low–usual–high; the plan's own when none is pitched yet. */
export function batchTolerance(s: Pick<BatchState, 'pitches' | 'plan'>): Tolerance {
  const all = s.pitches.map((p) => toleranceOf(p.yeast));
  if (all.length > 0) return strongest(all);
  return isNatural(s.plan) ? YEASTS.wild.toleranceAbv : toleranceOf(s.plan.yeast);
}

/** The same for one vessel, with the yeast that other wine brought, and with what wild yeast can do when none is pitched. */
export function toleranceIn(s: Pick<BatchState, 'pitches' | 'plan'>, fill: Pick<Fill, 'yeasts'>): Tolerance {
  const wild = s.pitches.length === 0 ? [YEASTS.wild.toleranceAbv] : [];
  return strongest([batchTolerance(s), ...fill.yeasts.map(toleranceOf), ...wild]);
}

/** The strength at which a vessel's yeast usually stops, % vol; Infinity where wild yeast is all there is. */
export const limitIn = (s: Pick<BatchState, 'pitches' | 'plan'>, fill: Pick<Fill, 'yeasts'>): number =>
  s.pitches.some((p) => p.yeast.yeastId !== 'wild') ? toleranceIn(s, fill)[1] : Infinity;

/** The yeasts that live in a batch: what was pitched, or what the plan says when nothing was. */
export const yeastsOf = (s: Pick<BatchState, 'pitches' | 'plan'>): Yeast[] =>
  s.pitches.length > 0
    ? s.pitches.map((p) => p.yeast)
    : [s.plan.yeast ?? { yeastId: 'wine' }, { yeastId: 'wild' }];

/** Whether anything is in a vessel yet: a brew day that was only begun has none. */
export const hasMust = (s: Pick<BatchState, 'fills' | 'produceKg'>): boolean =>
  s.fills.length === 0 || s.produceKg > 0 || s.fills.some((f) => f.stock.waterKg > 1e-9);

/**
 * When the wine of every vessel had been racked so many times, ms: one of two jars does not do it for the other. Of what
 * is all in bottles the batch's own rackings tell.
 */
export function rackedAt(s: Pick<BatchState, 'fills' | 'rackings'>, times: number): number | null {
  if (s.fills.length === 0) return s.rackings[times - 1]?.at ?? null;
  const each = s.fills.map((f) => f.racked[times - 1]);
  return each.every((at) => at !== undefined) ? Math.max(...(each as number[])) : null;
}

/** How often the wine of a batch was racked: that of the vessel where it was least. */
export const timesRacked = (s: Pick<BatchState, 'fills' | 'rackings'>): number =>
  s.fills.length === 0 ? s.rackings.length : Math.min(...s.fills.map((f) => f.racked.length));

/** What a tick says that sets reading aside for good in a batch. */
export const NO_STEM = 'no-stem';

/** Whether its maker reads no gravity: then it is asked what can be seen, heard and tasted. A reading undoes it. */
export const isReadingAside = (s: Pick<BatchState, 'steps' | 'readings'>): boolean => {
  const at = s.steps.findLast((x) => x.step === NO_STEM)?.at;
  return at !== undefined && !s.readings.some((r) => r.at > at);
};
