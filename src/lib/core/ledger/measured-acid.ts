import { phOf, titratableAcidity } from '../liquid/acid';
import { acidWater, liquid, type Stock } from '../liquid/stock';
import type { Fill } from './fill';

/** What was measured of a vessel's acid, and what the sums had there then: what goes in afterwards moves both alike. */
export type Measured = { was: number; sums: number | null; isMixed: boolean };
export type MeasuredAcid = { ph: Measured | null; taGL: Measured | null };

export const NOT_MEASURED: MeasuredAcid = { ph: null, taGL: null };

/** Whether a figure is as it was measured, reckoned from that with what went in since, or by the sums alone. */
export type Basis = 'measured' | 'since' | 'sums';
/** pH, and acid as tartaric, g/L; null where neither is known. */
export type Acid = { ph: number | null; taGL: number | null; phFrom: Basis; taFrom: Basis };

type Sums = { ph: number | null; taGL: number | null };

/** pH and acid of what is in a vessel by all that went in. The pH of what no acid was written down for is not known. */
export function acidBySums(stock: Stock): Sums {
  const now = liquid(stock);
  if (!now || now.volumeL <= 0) return { ph: null, taGL: null };
  const water = acidWater(stock, now.volumeL);
  const hasAcid = Object.values(water.acids).some((mol) => mol > 1e-6);
  return { ph: hasAcid ? phOf(water) : null, taGL: titratableAcidity(water) };
}

/** So little is no change: of a pH, and of acid in g/L. */
const SAME = { ph: 0.03, taGL: 0.1 } as const;
/** What a meter or a burette can show. */
const WITHIN = { ph: [1.5, 9], taGL: [0, 40] } as const;

function oneIn(key: 'ph' | 'taGL', seen: Measured | null, sums: number | null): [number | null, Basis] {
  if (!seen) return [sums, 'sums'];
  if (sums === null || seen.sums === null) return [seen.was, seen.isMixed ? 'since' : 'measured'];
  const moved = sums - seen.sums;
  const [least, most] = WITHIN[key];
  return [
    Math.min(most, Math.max(least, seen.was + moved)),
    seen.isMixed || Math.abs(moved) > SAME[key] ? 'since' : 'measured'
  ];
}

/** The acid of one vessel: as it was measured there, with what went in since; else by the sums. */
export function acidIn(fill: Pick<Fill, 'stock' | 'acid'>): Acid {
  const sums = acidBySums(fill.stock);
  const [ph, phFrom] = oneIn('ph', fill.acid.ph, sums.ph);
  const [taGL, taFrom] = oneIn('taGL', fill.acid.taGL, sums.taGL);
  return { ph, taGL, phFrom, taFrom };
}

type Found = { ph?: number | undefined; taGL?: number | undefined };

/** What was measured of a vessel's acid, with what went in since; without what only the sums say. */
export function asMeasured(fill: Pick<Fill, 'stock' | 'acid'>): Found {
  const { ph, taGL, phFrom, taFrom } = acidIn(fill);
  return {
    ...(ph !== null && phFrom !== 'sums' ? { ph } : {}),
    ...(taGL !== null && taFrom !== 'sums' ? { taGL } : {})
  };
}

/** Writes down what was measured in a vessel, in place. */
export function measureAcid(fill: Pick<Fill, 'stock' | 'acid'>, found: Found): void {
  const sums = acidBySums(fill.stock);
  const seen = (key: 'ph' | 'taGL') =>
    found[key] === undefined ? fill.acid[key] : { was: found[key], sums: sums[key], isMixed: false };
  fill.acid = { ph: seen('ph'), taGL: seen('taGL') };
}

/**
 * What was measured of two wines that are poured together, by their litres: one that nobody measured counts by the sums.
 * @param mixed the two as they are then
 */
export function mixedAcid(
  a: Pick<Fill, 'stock' | 'acid'>,
  b: Pick<Fill, 'stock' | 'acid'>,
  [aL, bL]: readonly [number, number],
  mixed: () => Stock
): MeasuredAcid {
  if ([a, b].every(({ acid }) => !acid.ph && !acid.taGL)) return NOT_MEASURED;
  const [here, there, sums] = [acidIn(a), acidIn(b), acidBySums(mixed())];
  const one = (key: 'ph' | 'taGL'): Measured | null => {
    if (!a.acid[key] && !b.acid[key]) return null;
    const [x, y] = [here[key] ?? there[key], there[key] ?? here[key]];
    return x === null || y === null
      ? null
      : { was: (x * aL + y * bL) / (aL + bL), sums: sums[key], isMixed: true };
  };
  return { ph: one('ph'), taGL: one('taGL') };
}
