/**
 * Weighted quantiles of one figure a member; members where it is no number are left out.
 * @param p shares between 0 and 1, rising
 * @example quantiles(Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 1, 1, 1), [0.5]) // [3]
 */
export function quantiles(values: Float64Array, weight: Float64Array, p: readonly number[]): number[] {
  const isEven = weight.every((w) => w === weight[0]);
  if (isEven) {
    const sorted = values.filter(Number.isFinite).sort();
    const at = (q: number) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? NaN;
    return p.map(at);
  }
  const order = Array.from(values.keys())
    .filter((i) => Number.isFinite(values[i]!) && weight[i]! > 0)
    .sort((a, b) => values[a]! - values[b]!);
  let total = 0;
  for (const i of order) total += weight[i]!;
  const out: number[] = [];
  let [sum, k] = [0, 0];
  for (const i of order) {
    const before = sum;
    sum += weight[i]! / (total || 1);
    while (k < p.length && p[k]! <= (before + sum) / 2 + 1e-12) {
      out.push(values[i]!);
      k += 1;
    }
  }
  while (k++ < p.length) out.push(order.length > 0 ? values[order.at(-1)!]! : NaN);
  return out;
}

/**
 * The middle of some figures; of an even number the mean of the two.
 * @throws nothing: of none it is NaN
 * @example median([3, 1, 2, 4]) // 2.5
 */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[mid]! : ((sorted[mid - 1] ?? NaN) + (sorted[mid] ?? NaN)) / 2;
}
