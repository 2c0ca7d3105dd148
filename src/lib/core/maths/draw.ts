/** How many plausible musts an estimate looks at. Enough for steady 10th and 90th percentiles, few enough for 2 ms. */
export const DRAWS = 140;

/**
 * Small seeded generator. @source Mulberry32, public domain, T. Ettinger
 * @example mulberry32(1)() // 0.62707
 */
export function mulberry32(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * A seed from a text, such as a batch's id: the same on every device.
 * @example seedOf('b') // 3876335077
 * @source FNV-1a, 32 bits (from memory)
 */
export function seedOf(text: string): number {
  let hash = 2166136261;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619);
  return hash >>> 0;
}

/**
 * Standard normal quantile.
 * @example normalQuantile(0.975) // 1.9604
 * @source Abramowitz & Stegun 26.2.23, error below 4.5e-4
 */
export function normalQuantile(p: number): number {
  const q = p < 0.5 ? p : 1 - p;
  const t = Math.sqrt(-2 * Math.log(q));
  const z =
    t - (2.515517 + t * (0.802853 + t * 0.010328)) / (1 + t * (1.432788 + t * (0.189269 + t * 0.001308)));
  return p < 0.5 ? -z : z;
}

/** The 90th percentile of a standard normal. */
export const Z90 = 1.2815515655446004;

const columns: Float64Array[] = [];

/** Swaps tried for each column; each is kept when it brings the column nearer to standing at right angles. */
const SWAPS = 1500;

/**
 * One more column: the quantiles of a normal, shuffled, then swapped about until it hardly follows any
 * column before it. Uncorrelated columns make a hundred draws as steady as many hundreds at random.
 */
function makeColumn(): Float64Array {
  const random = mulberry32(0x7ec100 + columns.length * 7919);
  const z = Float64Array.from({ length: DRAWS }, (_, i) => normalQuantile((i + 0.5) / DRAWS));
  for (let i = DRAWS - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [z[i], z[j]] = [z[j]!, z[i]!];
  }
  const dots = columns.map((c) => c.reduce((sum, x, i) => sum + x * z[i]!, 0));
  for (let n = 0; n < SWAPS && dots.length > 0; n++) {
    const i = Math.floor(random() * DRAWS);
    const j = Math.floor(random() * DRAWS);
    const apart = z[i]! - z[j]!;
    let gain = 0;
    for (let d = 0; d < dots.length; d++) {
      const next = dots[d]! + apart * (columns[d]![j]! - columns[d]![i]!);
      gain += dots[d]! * dots[d]! - next * next;
    }
    if (gain <= 0) continue;
    for (let d = 0; d < dots.length; d++) dots[d] = dots[d]! + apart * (columns[d]![j]! - columns[d]![i]!);
    [z[i], z[j]] = [z[j]!, z[i]!];
  }
  return z;
}

/**
 * Standard normal draws of one uncertain input: always the same, and hardly correlated with any other.
 * @example normals(3).length // 140
 */
export function normals(dimension: number): Float64Array {
  while (columns.length <= dimension) columns.push(makeColumn());
  return columns[dimension]!;
}

/**
 * A value drawn from low–typical–high by a standard normal `z`; 0 gives the typical one. Never below 0.
 * @example drawn([8, 10, 14], 0) // 10
 */
export function drawn(spread: readonly [number, number, number], z: number): number {
  const typical = spread[1];
  const value = typical + (z / Z90) * (z < 0 ? typical - spread[0] : spread[2] - typical);
  return value > 0 ? value : 0;
}
