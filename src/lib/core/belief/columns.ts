import type { Estimate } from '../units/range';
import { quantiles } from '../maths/quantiles';
import { litresOf, sgOf, strengthOf, zeros, type Cell, type Ensemble } from './ensemble';

/** What one vessel holds, or several together: one figure a member. */
export type Columns = {
  litres: Float64Array;
  sg: Float64Array;
  abv: Float64Array;
  /** fermentable sugar as hexose, g/L */
  sugarGL: Float64Array;
  /** titratable acid, g/L as tartaric */
  taGL: Float64Array;
  /** 1 where nothing more is to come: its sugar gone, or its yeast at its limit */
  isDone: Float64Array;
};

/** Less sugar than this is dry, and what is left of it ferments unseen, g/L. */
const DRY_GL = 3;
/** So near its limit a yeast has stopped, as a share of it. */
const AT_WALL = 0.97;

/** What some vessels hold together, by member; done is what is done in each. */
export function columnsOf(e: Ensemble, cells: readonly Cell[]): Columns {
  const [litres, sg, abv, sugarGL] = [zeros(e.size), zeros(e.size), zeros(e.size), zeros(e.size)];
  const taGL = zeros(e.size);
  const isDone = zeros(e.size).fill(cells.length > 0 ? 1 : 0);
  for (const c of cells)
    for (let i = 0; i < e.size; i++) {
      const l = litresOf(c, i);
      if (l <= 0) continue;
      litres[i]! += l;
      // Wines that differ are told as if they stood together.
      sg[i]! += sgOf(c, i) * l;
      abv[i]! += strengthOf(c, i, l) * l;
      sugarGL[i]! += 1000 * c.hexoseKg[i]!;
      taGL[i]! += c.acidG[i]!;
      const isOver = (1000 * c.hexoseKg[i]!) / l < DRY_GL || strengthOf(c, i, l) >= AT_WALL * c.wallAbv[i]!;
      if (!c.isHeld && (c.asleep[i] || !isOver)) isDone[i] = 0;
    }
  for (let i = 0; i < e.size; i++) {
    const l = litres[i]!;
    sg[i] = l > 0 ? sg[i]! / l : NaN;
    abv[i] = l > 0 ? abv[i]! / l : NaN;
    sugarGL[i] = l > 0 ? sugarGL[i]! / l : NaN;
    taGL[i] = l > 0 ? taGL[i]! / l : NaN;
  }
  return { litres, sg, abv, sugarGL, taGL, isDone };
}

/**
 * The 10th, 50th and 90th percentile.
 * @example estimateOf(Float64Array.of(1, 2, 3, 4, 5), new Float64Array(5).fill(0.2)) // { low: 1, likely: 3, high: 5 }
 */
export function estimateOf(values: Float64Array, weight: Float64Array): Estimate {
  const [low, likely, high] = quantiles(values, weight, [0.1, 0.5, 0.9]) as [number, number, number];
  return { low, likely, high };
}

/** Less than this is nothing, g/L: no tongue and no stem tells it. */
const NOTHING_GL = 0.5;

/**
 * The 8-in-10 range of what may be all gone. Where that is more than one in ten, the tenth percentile is nothing, and
 * up to the ninetieth it would be nine in ten.
 * @example estimateFromNothing(Float64Array.of(0, 0, 0, 0, 0, 0, 4, 5, 6, 7), new Float64Array(10).fill(0.1)).high // 6
 */
export function estimateFromNothing(values: Float64Array, weight: Float64Array): Estimate {
  const [low, likely, most, high] = quantiles(values, weight, [0.1, 0.5, 0.8, 0.9]) as [
    number,
    number,
    number,
    number
  ];
  return { low, likely, high: low < NOTHING_GL ? most : high };
}

/**
 * The weighted mean: of what is 0 or 1, a chance.
 * @example meanOf([1, 0, 1], Float64Array.of(0.5, 0.3, 0.2)) // 0.7
 */
export function meanOf(values: ArrayLike<number>, weight: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]! * weight[i]!;
  return sum;
}

/** The middle of each of so many equal shares of the members, lowest first. */
export const sharesOf = (values: Float64Array, weight: Float64Array, shares: number): number[] =>
  quantiles(
    values,
    weight,
    Array.from({ length: shares }, (_, i) => (i + 0.5) / shares)
  );
