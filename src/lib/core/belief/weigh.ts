import { effective, resample, type Ensemble } from './ensemble';

/** Fewer members than this may not decide: what was read is then taken less exactly. */
const LEAST = 40;

/**
 * Share of a normal below `z`.
 * @example tail(1.2816) // 0.90001
 * @source Abramowitz & Stegun 26.2.17, error below 1e-7
 */
export function tail(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const d = 0.3989422804 * Math.exp((-z * z) / 2);
  const p =
    d * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z > 0 ? 1 - p : p;
}

/** Multiplies the weights by likelihoods, and draws the members anew where too few of them count. */
export function reweighed(e: Ensemble, likelihood: Float64Array): void {
  reweigh(e, likelihood);
  resample(e, e.size / 2);
}

/** Multiplies the weights by likelihoods, taken less exactly where too few members would be left. */
export function reweigh(e: Ensemble, likelihood: Float64Array): void {
  const most = likelihood.reduce((a, b) => Math.max(a, b), 0);
  if (!(most > 0)) return;
  const before = e.weight.slice();
  const apply = (power: number) => {
    let sum = 0;
    for (let i = 0; i < e.size; i++) sum += e.weight[i] = before[i]! * (likelihood[i]! / most) ** power;
    for (let i = 0; i < e.size; i++) e.weight[i]! /= sum;
    return effective(e.weight);
  };
  const least = Math.min(LEAST, 0.8 * effective(before));
  if (apply(1) >= least) return;
  let [low, high] = [0, 1];
  for (let k = 0; k < 20; k++) {
    const mid = (low + high) / 2;
    if (apply(mid) >= least) low = mid;
    else high = mid;
  }
  apply(low);
}
