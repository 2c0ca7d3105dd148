import { drawn, Z90 } from '../maths/draw';
import type { Produce } from '../tables/produce';
import { BODY_SD, PACE_SD } from './spreads';

/** What one batch showed of something, apart from what was thought before: a figure, and how sure it is. */
export type Evidence = { is: number; sd: number };

/** What a batch teaches of one kind of produce in it. */
export type Lesson = {
  produceId: string;
  /** soluble solids, g/100 g; null where the batch showed nothing of them */
  solids: Evidence | null;
  /** what of it is no sugar, and its acid, as standard normals along the table's spread */
  body: Evidence | null;
  acid: Evidence | null;
};

/** What a batch teaches its household. */
export type Taught = {
  lessons: Lesson[];
  /** how brisk its ferment was, in the logarithm against the usual; null where nobody read it */
  pace: Evidence | null;
};

/**
 * Of all that a table's spread covers, half is between gardens and half between the lots of one. Ours.
 * @source partial pooling: Gelman et al., Bayesian Data Analysis, ch. 5 (from memory)
 */
const BETWEEN = Math.SQRT1_2;
const WITHIN = Math.SQRT1_2;

/**
 * A garden's own mean, from several lots: each is one draw, and pulls by how well it is known.
 * @returns in the units of a standard normal: where a new lot of this garden likely lies, and how widely
 * @example pooled([{ is: 1, sd: 0.5 }, { is: 1, sd: 0.5 }]).is // 0.57143
 */
export function pooled(seen: readonly Evidence[]): Evidence {
  let [precision, sum] = [1 / BETWEEN ** 2, 0];
  for (const { is, sd } of seen) {
    const w = 1 / (WITHIN ** 2 + sd ** 2);
    precision += w;
    sum += w * is;
  }
  return { is: sum / precision, sd: Math.sqrt(WITHIN ** 2 + 1 / precision) };
}

/** Batches before a garden is believed. */
export const LEAST_BATCHES = 2;

type Spread = readonly [number, number, number];

/** A spread moved and narrowed by what was learnt of it. */
const leaning = (spread: Spread, { is, sd }: Evidence): Spread => {
  const at = (z: number) => drawn(spread, is + sd * z);
  return [at(-Z90), at(0), at(Z90)];
};

/** Where a figure lies along a spread, as a standard normal. */
const along = (spread: Spread, { is, sd }: Evidence): Evidence | null => {
  const [low, typical, high] = spread;
  const slope = (is < typical ? typical - low : high - typical) / Z90;
  return slope > 1e-9 ? { is: (is - typical) / slope, sd: sd / slope } : null;
};

/**
 * A table's entry as a household's own batches have it: sugar, extract and acid lean to them.
 * @param lessons of as many batches, of this kind of produce
 * @returns null where too few batches say anything
 */
export function gardenEntry(table: Produce, lessons: readonly Lesson[]): Produce | null {
  const solids = lessons.flatMap((l) => (l.solids ? (along(table.solids, l.solids) ?? []) : []));
  const acid = lessons.flatMap((l) => l.acid ?? []);
  const body = lessons.flatMap((l) => l.body ?? []);
  const batches = Math.max(solids.length, acid.length);
  if (batches < LEAST_BATCHES) return null;
  const sweet = solids.length >= LEAST_BATCHES ? pooled(solids) : null;
  const sharp = acid.length >= LEAST_BATCHES ? pooled(acid) : null;
  const thick = body.length >= LEAST_BATCHES ? 1 + BODY_SD * pooled(body).is : 1;
  const sugars = sweet ? leaning(table.sugars, sweet) : table.sugars;
  const lean = sweet ? leaning(table.solids, sweet) : table.solids;
  const fixed = (i: 0 | 1 | 2) => Math.max(sugars[i], sugars[i] + (lean[i] - sugars[i]) * thick);
  return {
    ...table,
    sugars,
    solids: [fixed(0), fixed(1), fixed(2)],
    acids: sharp
      ? (Object.fromEntries(
          Object.entries(table.acids).map(([k, spread]) => [k, leaning(spread, sharp)])
        ) as Produce['acids'])
      : table.acids,
    from: { ...table.from, composition: 'garden', ...(sharp ? { acids: 'garden' as const } : {}) },
    garden: { batches }
  };
}

/** How brisk a household's ferments are, as a factor of the usual; null where too few were read. */
export function ownPace(seen: readonly Evidence[]): number | null {
  if (seen.length < LEAST_BATCHES) return null;
  const each = seen.map(({ is, sd }) => ({ is: is / PACE_SD, sd: sd / PACE_SD }));
  return Math.exp(PACE_SD * pooled(each).is);
}
