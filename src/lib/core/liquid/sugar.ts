import { InputError } from '../units/input-error';
import { findRoot } from '../maths/root';
import { WATER_20 } from './water';

/** Sucrose takes up water as it splits: 360.31 / 342.30. Maltose does the same. */
export const SUCROSE_TO_HEXOSE = 1.0526;

/** ASBC polynomial for % w/w sucrose, from memory; shifted below so that SG 1 is exactly 0. */
const asbc = (sg: number): number => -616.868 + sg * (1111.14 + sg * (-630.272 + sg * 135.997));
const asbcSlope = (sg: number): number => 1111.14 + sg * (-2 * 630.272 + sg * 3 * 135.997);
const SHIFT = asbc(1);

/** Where the polynomial reaches 30 %; above it drifts, and the table takes over. */
const SG_30 = findRoot((sg) => asbc(sg) - SHIFT - 30, 1.1, 1.16);

/** SG 20/20 at 30–80 % w/w. @source sucrose tables of NBS Circular 440 (from memory) */
const HEAVY: readonly (readonly [sg: number, brix: number])[] = [
  [SG_30, 30],
  [1.1786, 40],
  [1.2318, 50],
  [1.2888, 60],
  [1.3499, 70],
  [1.4142, 80]
];

/** Slopes for a monotone cubic through HEAVY. @source Fritsch & Carlson 1980, SIAM J. Numer. Anal. 17 */
const SLOPES = (() => {
  const secant = HEAVY.slice(1).map(([x, y], i) => (y - HEAVY[i]![1]) / (x - HEAVY[i]![0]));
  return HEAVY.map((_, i) => {
    const [before, after] = [secant[i - 1], secant[i]];
    if (before === undefined) return after!;
    if (after === undefined) return before;
    return (2 * before * after) / (before + after);
  });
})();

function heavyBrix(sg: number): number {
  let i = 0;
  while (i < HEAVY.length - 2 && sg > HEAVY[i + 1]![0]) i++;
  const [x0, y0] = HEAVY[i]!;
  const [x1, y1] = HEAVY[i + 1]!;
  const h = x1 - x0;
  const t = (sg - x0) / h;
  const u = 1 - t;
  return (
    y0 * u * u * (1 + 2 * t) +
    SLOPES[i]! * h * t * u * u +
    y1 * t * t * (3 - 2 * t) -
    SLOPES[i + 1]! * h * t * t * u
  );
}

const MIN_SG = 0.95;
const MAX_SG = 1.4142;

/**
 * % w/w sucrose of a solution, from its specific gravity at 20/20 °C.
 * Below 1 the figure is negative: an apparent reading, as a hydrometer shows it.
 * @param sg 0.95 to 1.414
 * @throws InputError outside that range
 * @example brixFromSg(1.08) // 19.334
 * @source ASBC polynomial up to 30 %, NBS Circular 440 table above (both from memory)
 */
export function brixFromSg(sg: number): number {
  if (!(sg >= MIN_SG && sg <= MAX_SG + 1e-9))
    throw new InputError(`SG ${sg} is outside ${MIN_SG} to ${MAX_SG}.`, 'Check the reading.');
  return sg <= SG_30 ? asbc(sg) - SHIFT : heavyBrix(sg);
}

/**
 * Specific gravity 20/20 of `brix` % w/w sucrose: the inverse of `brixFromSg`.
 * @param brix 0 to 80 %
 * @throws InputError outside that range
 * @example sgFromBrix(20) // 1.083
 */
export function sgFromBrix(brix: number): number {
  if (!(brix >= 0 && brix <= 80))
    throw new InputError(`${brix} % sugar is outside 0 to 80 %.`, 'Check the amounts.');
  if (brix > 30) return findRoot((sg) => brixFromSg(sg) - brix, SG_30, MAX_SG, 1e-9);
  // Newton on the polynomial: smooth and rising here, so a few steps settle it.
  let sg = 1 + brix * (0.0038 + brix * 1.7e-5);
  for (let i = 0; i < 6; i++) {
    const step = (asbc(sg) - SHIFT - brix) / asbcSlope(sg);
    sg -= step;
    if (Math.abs(step) < 1e-9) break;
  }
  return sg;
}

/**
 * Grams of dissolved sucrose (or soluble solids) a litre at 20 °C, from SG.
 * @example gramsPerLitre(1.08) // 208.43
 */
export const gramsPerLitre = (sg: number): number => 10 * brixFromSg(sg) * sg * WATER_20;

/**
 * SG of a solution holding `gramsL` g of sucrose in a litre at 20 °C: the inverse of `gramsPerLitre`.
 * @param gramsL 0 to 1100 g/L
 * @example sgFromGramsPerLitre(200) // 1.0768
 */
export function sgFromGramsPerLitre(gramsL: number): number {
  if (!(gramsL >= 0 && gramsL <= 1100))
    throw new InputError(`${gramsL} g/L of sugar is outside 0 to 1100.`, 'Check the amounts.');
  if (gramsL > GRAMS_30) return findRoot((sg) => gramsPerLitre(sg) - gramsL, SG_30, MAX_SG, 1e-9);
  let sg = 1 + gramsL * 3.86e-4;
  for (let i = 0; i < 6; i++) {
    const brix = asbc(sg) - SHIFT;
    const step = (10 * brix * sg * WATER_20 - gramsL) / (10 * WATER_20 * (asbcSlope(sg) * sg + brix));
    sg -= step;
    if (Math.abs(step) < 1e-9) break;
  }
  return sg;
}

/** Where the polynomial ends, in g/L. */
const GRAMS_30 = gramsPerLitre(SG_30);
