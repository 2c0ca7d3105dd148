import { ETHANOL_20 } from '../liquid/ethanol';
import { drawn, mulberry32, normalQuantile } from '../maths/draw';
import { quantiles } from '../maths/quantiles';
import { leftOf, litresOf, normalsFor, strengthOf, type Cell } from './ensemble';
import type { Running } from './running';

/** Of so many possible wines the pressure is that of the one that only a few are over. */
const ALL_BUT_FEW = 0.975;

/**
 * Sugar, g/L of hexose, that living yeast could still take in a vessel, and that all but one in forty of its possible
 * wines lie under. A stall counts for nothing: it can wake. What a yeast stands is drawn anew from its kind, over the
 * strength that was reached: stillness says nothing of it. Sugar that came late counts to the high end of its kind.
 */
export function couldReachGL(r: Running, c: Cell): number {
  const { e, tolerance } = r;
  const z = normalsFor(e.size, mulberry32(e.size), normalQuantile);
  const values = z.map((zi, i) => {
    const litres = litresOf(c, i);
    if (litres <= 0) return 0;
    const abv = strengthOf(c, i, litres);
    const leftKg = leftOf(c, i);
    // A strength over all that its kind stands disproves the kind: then all of it counts.
    if (abv >= tolerance[2]) return (1000 * leftKg) / litres;
    const own = drawn(tolerance, zi);
    const past = abv + (tolerance[2] - abv) * ((i * 0.6180339887) % 1);
    const wall = r.isFedLate ? Math.max(own, tolerance[2]) : own > abv ? own : past;
    const roomGL = ((wall - abv) * 10 * ETHANOL_20) / e.yieldG[i]!;
    return Math.min((1000 * leftKg) / litres, roomGL);
  });
  return quantiles(values, e.weight, [ALL_BUT_FEW])[0]!;
}
