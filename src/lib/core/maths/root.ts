/**
 * The fixed point of a contraction, by Steffensen's method: two steps, and Aitken's leap from them.
 * @param f moves any x near to where it stays; @param x a guess
 * @returns x with `f(x)` within `tolerance` of it, in parts of x
 * @example fixedPoint(Math.cos, 1) // 0.73909
 */
export function fixedPoint(f: (x: number) => number, x: number, tolerance = 1e-9): number {
  for (let i = 0; i < 25; i++) {
    const a = f(x);
    if (Math.abs(a - x) <= tolerance * Math.abs(a)) return a;
    const b = f(a);
    if (Math.abs(b - a) <= tolerance * Math.abs(b)) return b;
    const bend = b - 2 * a + x;
    const leap = bend !== 0 ? x - ((a - x) * (a - x)) / bend : b;
    x = Number.isFinite(leap) && leap > 0 ? leap : b;
  }
  return x;
}

/** A function was asked for its root where it has none. */
export class NoRootError extends Error {
  override name = 'NoRootError';
  constructor(lo: number, hi: number) {
    super(`There is no root between ${lo} and ${hi}.`);
  }
}

/**
 * Where a continuous function crosses zero between `lo` and `hi`, by bracketed false position
 * (Illinois). Falls back on the midpoint, so it always converges.
 * @param f must differ in sign at `lo` and `hi`, or be zero at one of them
 * @returns the root to `tolerance` in x
 * @throws NoRootError when `f` does not change sign: a sum must know that there is an answer, or say what it is then
 * @example findRoot((x) => x * x - 2, 0, 2) // 1.4142
 */
export function findRoot(f: (x: number) => number, lo: number, hi: number, tolerance = 1e-10): number {
  let [a, b] = [lo, hi];
  let [fa, fb] = [f(a), f(b)];
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (!(fa > 0 !== fb > 0)) throw new NoRootError(lo, hi);
  let side = 0;
  for (let i = 0; i < 200 && Math.abs(b - a) > tolerance; i++) {
    let x = (a * fb - b * fa) / (fb - fa);
    if (!(x > Math.min(a, b) && x < Math.max(a, b)) || i % 12 === 11) x = (a + b) / 2;
    const fx = f(x);
    if (fx === 0 || Math.abs(fx) < 1e-15) return x;
    if (fx > 0 === fb > 0) {
      if (Math.abs(x - b) <= tolerance) return x;
      [b, fb] = [x, fx];
      if (side === -1) fa /= 2;
      side = -1;
    } else {
      if (Math.abs(x - a) <= tolerance) return x;
      [a, fa] = [x, fx];
      if (side === 1) fb /= 2;
      side = 1;
    }
  }
  return (a + b) / 2;
}
