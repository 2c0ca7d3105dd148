import { byId } from '../maths/by-id';
import { YIELD } from '../ferment/convert';
import { ETHANOL_20 } from '../liquid/ethanol';
import { mulberry32 } from '../maths/draw';
import { quickVolumeL } from '../liquid/quick';
import { WATER_20 } from '../liquid/water';

/** What one vessel holds in each possible wine: masses in kg, as in a stock, one figure a member. */
export type Cell = {
  waterKg: Float64Array;
  ethanolKg: Float64Array;
  /** fermentable sugar as hexose */
  hexoseKg: Float64Array;
  /** water that sugar has yet to take up to be hexose */
  boundKg: Float64Array;
  /** dissolved matter that does not ferment */
  otherKg: Float64Array;
  nitrogenMg: Float64Array;
  /** titratable acid, g as tartaric, by what went in: what a ferment makes and drops of it is not told apart */
  acidG: Float64Array;
  yeastG: Float64Array;
  /** hexose that fermented since the vessel was last read, by the sums alone */
  sinceKg: Float64Array;
  /** hexose that ever went in, fermented or not */
  everKg: Float64Array;
  /** strength at which the yeast in it stops, % vol */
  wallAbv: Float64Array;
  /** 1 where a reading showed that it stands still with sugar left */
  asleep: Uint8Array;
  /**
   * the share of all its sugar that is left where it stalls, if it does; below 0 where it does not. The masses run on
   * as if it did not: `asItIs` takes back what a stall kept.
   */
  stall: Float64Array;
  /** sulphite and sorbate hold it, in every member: what was finished stays so, also when it is sweetened */
  isHeld: boolean;
};

const MASSES = [
  'waterKg',
  'ethanolKg',
  'hexoseKg',
  'boundKg',
  'otherKg',
  'nitrogenMg',
  'acidG',
  'yeastG',
  'sinceKg',
  'everKg'
] as const;

/** Fruit that is still giving, in each possible wine. */
export type GivingLot = {
  id: string;
  vesselId: string;
  halfH: Float64Array;
  waterKg: Float64Array;
  hexoseKg: Float64Array;
  boundKg: Float64Array;
  otherKg: Float64Array;
  nitrogenMg: Float64Array;
  acidG: Float64Array;
};
export const HELD = ['waterKg', 'hexoseKg', 'boundKg', 'otherKg', 'nitrogenMg', 'acidG'] as const;

/** What a lot of produce is like in each possible wine, as standard normals along its entry's spreads. */
export type Trait = {
  produceId: string;
  /** its soluble solids as its entry has them, low, typical, high, g/100 g; and whether its juice was measured instead */
  solids: readonly [number, number, number];
  isMeasured: boolean;
  ripe: Float64Array;
  /** what of it is no sugar */
  body: Float64Array;
  acid: Float64Array;
};
const DRAWN = ['ripe', 'body', 'acid'] as const;

/** A weighted set of possible wines. Plain arrays, so that it can be copied, kept, and sent to a worker. */
export type Ensemble = {
  size: number;
  /** sums to 1 */
  weight: Float64Array;
  cells: Record<string, Cell>;
  lots: GivingLot[];
  /** one for each lot that went in, in order */
  traits: Trait[];
  /** ethanol from a gram of hexose, g */
  yieldG: Float64Array;
  /** strength at which the yeast that was pitched stops, % vol */
  wallAbv: Float64Array;
  /** how brisk it ferments */
  vigour: Float64Array;
  /** when its yeast begins to work, ms */
  startsAt: Float64Array;
  /** how far over the truth its stem reads, in gravity */
  stemSg: Float64Array;
  /** how much warmer than was read its vessel stands, °C */
  warmerC: Float64Array;
  /** how large the bubbles of its airlock are against the usual */
  bubble: Float64Array;
  /** where the random numbers stand */
  seed: number;
};

/**
 * A column of nothing.
 * @example zeros(3).length // 3
 */
export const zeros = (size: number): Float64Array => new Float64Array(size);

/** The next random numbers of an ensemble: the stream goes on where it stood. */
export function randomOf(e: Ensemble): () => number {
  e.seed = (Math.imul(e.seed, 1664525) + 1013904223) >>> 0;
  return mulberry32(e.seed);
}

/**
 * Standard normals, spread evenly over their quantiles and shuffled: a few hundred stand for many.
 * Box–Muller would need far more of them for steady tails.
 */
export function normalsFor(
  size: number,
  random: () => number,
  quantile: (p: number) => number
): Float64Array {
  const z = zeros(size);
  for (let i = 0; i < size; i++) z[i] = quantile((i + random()) / size);
  for (let i = size - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    const a = z[i]!;
    z[i] = z[j]!;
    z[j] = a;
  }
  return z;
}

/**
 * An empty vessel, for so many members.
 * @example emptyCell(2).waterKg.length // 2
 */
export const emptyCell = (size: number): Cell => ({
  ...(Object.fromEntries(MASSES.map((k) => [k, zeros(size)])) as Record<
    (typeof MASSES)[number],
    Float64Array
  >),
  wallAbv: zeros(size),
  asleep: new Uint8Array(size),
  stall: new Float64Array(size).fill(-1),
  isHeld: false
});

/** The cell of a vessel, made when nothing stands in it yet. */
export function cellOf(e: Ensemble, vesselId: string): Cell {
  const there = e.cells[vesselId];
  if (there) return there;
  const made = emptyCell(e.size);
  made.wallAbv.set(e.wallAbv);
  e.cells[vesselId] = made;
  return made;
}

/** Adds a share of one cell to another, member by member. */
export function pourCell(into: Cell, from: Cell, shares: Float64Array): void {
  const size = shares.length;
  const wasEmpty = into.waterKg.every((kg) => kg === 0);
  into.isHeld = from.isHeld && (wasEmpty || into.isHeld);
  for (let i = 0; i < size; i++) {
    // Where most of its sugar comes from says how it goes on; the strongest yeast lives in both.
    if (from.everKg[i]! * shares[i]! >= into.everKg[i]!) {
      into.asleep[i] = from.asleep[i]!;
      into.stall[i] = from.stall[i]!;
    }
    into.wallAbv[i] = Math.max(into.wallAbv[i]!, from.wallAbv[i]!);
  }
  for (const k of MASSES) {
    const [to, out] = [into[k], from[k]];
    for (let i = 0; i < size; i++) to[i]! += out[i]! * shares[i]!;
  }
}

export function keepOf(cell: Cell, share: number): void {
  for (const k of MASSES) for (let i = 0; i < cell[k].length; i++) cell[k][i]! *= share;
}

/** The same for one member. */
export function scaleMember(cell: Cell, i: number, share: number): void {
  for (const k of MASSES) cell[k][i]! *= share;
}

/** Litres of a cell in member `i`. */
export const litresOf = (c: Cell, i: number): number =>
  quickVolumeL(c.waterKg[i]!, c.ethanolKg[i]!, c.otherKg[i]! + c.hexoseKg[i]! - c.boundKg[i]!);

/** Strength of a cell in member `i`, % vol, in so many litres. */
export const strengthOf = (c: Cell, i: number, litres = litresOf(c, i)): number =>
  litres > 0 ? (100 * c.ethanolKg[i]!) / ETHANOL_20 / litres : 0;

/** Whether a member has stalled by now, as its own luck has it. */
export const hasStalled = (c: Cell, i: number): boolean =>
  c.asleep[i] === 1 || (c.stall[i]! >= 0 && c.hexoseKg[i]! < c.stall[i]! * c.everKg[i]!);

/** Sugar in member `i`, kg of hexose, with what a stall has kept. */
export const leftOf = (c: Cell, i: number): number =>
  hasStalled(c, i) ? Math.max(c.hexoseKg[i]!, c.stall[i]! * c.everKg[i]!) : c.hexoseKg[i]!;

/** Gravity of a cell in member `i`, 20/20. */
export const sgOf = (c: Cell, i: number): number => {
  const solids = c.otherKg[i]! + c.hexoseKg[i]! - c.boundKg[i]!;
  const litres = quickVolumeL(c.waterKg[i]!, c.ethanolKg[i]!, solids);
  return litres > 0 ? (c.waterKg[i]! + c.ethanolKg[i]! + solids) / litres / WATER_20 : NaN;
};

/** Ferments so much hexose, kg, of a cell in member `i`; a negative amount takes it back. Mass closes as in `ferment`. */
export function turn(c: Cell, i: number, hexoseKg: number, ethanolYield: number): void {
  const there = c.hexoseKg[i]!;
  const boundKg = there > 1e-12 ? (c.boundKg[i]! * hexoseKg) / there : 0;
  c.hexoseKg[i] = there - hexoseKg;
  c.boundKg[i]! -= boundKg;
  c.waterKg[i]! -= boundKg;
  c.ethanolKg[i]! += hexoseKg * ethanolYield;
  c.otherKg[i]! += hexoseKg * YIELD.byproducts;
}

/**
 * How many members still count: 1 over the sum of squared weights.
 * @example effective(Float64Array.of(0.5, 0.5, 0, 0)) // 2
 */
export function effective(weight: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < weight.length; i++) sum += weight[i]! * weight[i]!;
  return sum > 0 ? 1 / sum : 0;
}

/** Takes member `source[i]` for each `i`. */
function take(e: Ensemble, source: Int32Array): void {
  const gather = <T extends Float64Array | Uint8Array>(a: T): T => {
    const out = a.slice() as T;
    for (let i = 0; i < e.size; i++) out[i] = a[source[i]!]!;
    return out;
  };
  for (const cell of Object.values(e.cells)) {
    for (const k of MASSES) cell[k] = gather(cell[k]);
    cell.wallAbv = gather(cell.wallAbv);
    cell.asleep = gather(cell.asleep);
    cell.stall = gather(cell.stall);
  }
  for (const lot of e.lots) {
    for (const k of HELD) lot[k] = gather(lot[k]);
    lot.halfH = gather(lot.halfH);
  }
  for (const trait of e.traits) for (const k of DRAWN) trait[k] = gather(trait[k]);
  for (const k of ['yieldG', 'wallAbv', 'vigour', 'startsAt', 'stemSg', 'warmerC', 'bubble'] as const)
    e[k] = gather(e[k]);
}

/** Draws the members anew by their weight, systematically, once too few of them count. */
export function resample(e: Ensemble, least: number): void {
  if (effective(e.weight) >= least) return;
  const random = randomOf(e);
  const source = new Int32Array(e.size);
  let sum = 0;
  let j = -1;
  const start = random();
  for (let i = 0; i < e.size; i++) {
    const mark = (i + start) / e.size;
    while (sum < mark && j < e.size - 1) sum += e.weight[++j]!;
    source[i] = Math.max(0, j);
  }
  take(e, source);
  // Copies part again: by a little, so that what was learnt stays.
  for (let i = 1; i < e.size; i++)
    if (source[i] === source[i - 1]) {
      e.vigour[i]! *= Math.exp(0.1 * (random() + random() + random() - 1.5));
      e.stemSg[i]! += 0.0002 * (random() - 0.5);
    }
  e.weight.fill(1 / e.size);
}

/** A copy that can go its own way. */
export function copyOf(e: Ensemble): Ensemble {
  const copy = structuredClone(e);
  return { ...copy, cells: byId(Object.entries(copy.cells)) };
}
