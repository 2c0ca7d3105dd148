import { findRoot } from '../maths/root';
import { ETHANOL_20 } from '../liquid/ethanol';
import { liquid, type Stock } from '../liquid/stock';
import { SUCROSE_TO_HEXOSE } from '../liquid/sugar';
import { abvOf, ferment, YIELD } from './convert';

/** A gravity nearer than this is met: a thousandth of what a stem can be read to. */
const NEAR_ENOUGH = 1e-7;

/**
 * Alcohol by the ledger: how much sugar must have gone for the liquid to read `sg`.
 * Survives dilution, feeding and sweeteners that do not ferment, because it starts from what is in there.
 * @param stock what is in the liquid, fermentation so far included
 * @param fermentedKg hexose already turned in it, which a reading may take back
 * @param sg corrected reading
 * @returns hexose to turn now (kg, may be negative) and whether the reading could be met exactly
 */
export function hexoseGone(
  stock: Stock,
  fermentedKg: number,
  sg: number,
  ethanolYield: number = YIELD.ethanol[1]
): { hexoseKg: number; met: boolean } {
  const gap = (kg: number) => liquid(ferment(stock, kg, ethanolYield).stock)!.sg - sg;
  const [lo, hi] = [-fermentedKg, stock.hexoseKg];
  const [atLo, atHi] = [gap(lo), gap(hi)];
  if (atLo <= 0) return { hexoseKg: lo, met: Math.abs(atLo) < 5e-4 };
  if (atHi >= 0) return { hexoseKg: hi, met: Math.abs(atHi) < 5e-4 };
  // Gravity falls almost straight with the sugar: a few secants find it, and the bracket stands by.
  let [a, fa, b, fb] = [lo, atLo, hi, atHi];
  for (let i = 0; i < 6; i++) {
    const x = a - (fa * (b - a)) / (fb - fa);
    if (!(x > lo && x < hi)) break;
    const fx = gap(x);
    if (Math.abs(fx) < NEAR_ENOUGH) return { hexoseKg: x, met: true };
    [a, fa, b, fb] = [b, fb, x, fx];
  }
  return { hexoseKg: findRoot(gap, lo, hi, 1e-8), met: true };
}

/**
 * The classroom sum: start gravity less gravity now, times a factor.
 * @param factor 131.25 or 135: two habits, about 3 % apart
 * @returns % by volume
 * @example classroomAbv(1.09, 0.994) // 12.6
 */
export const classroomAbv = (startSg: number, sg: number, factor: 131.25 | 135 = 131.25): number =>
  Math.max(0, (startSg - sg) * factor);

/** Alcohol range of a stock whose sugar was measured out by gravity: yield and a reading's ±0.002. */
export function ledgerAbv(stock: Stock): { low: number; likely: number; high: number } {
  const likely = abvOf(stock);
  const spread = Math.hypot(likely * (YIELD.ethanol[2] / YIELD.ethanol[1] - 1), 0.2);
  return { low: Math.max(0, likely - spread), likely, high: likely + spread };
}

/** A stem's ±0.002 in strength, and the same again for what fruit leaves unfermented, % vol. */
const STEM_ABV = 0.26;
const FLOOR_ABV = 0.26;
/** Marks and jugs, 8 in 10. Common practice. */
const VOLUME_SHARE = 0.03;

/**
 * Strength with its 8-in-10 range once a batch has been read: the yield, the stem's ±0.002, the spread of the dry floor,
 * the volume's ±3 %, and how far the sugar that went in is known.
 * @param unsureKg standard deviation of its soluble solids, kg
 */
export function abvRange(stock: Stock, unsureKg: number): { low: number; likely: number; high: number } {
  const likely = abvOf(stock);
  const volumeL = liquid(stock)?.volumeL ?? 0;
  // Sugar that nobody knew of has turned as far as the rest, once a reading has been met.
  const begun = Math.min(1, likely / 2);
  const sugar =
    volumeL > 0
      ? (1.28 * begun * unsureKg * SUCROSE_TO_HEXOSE * YIELD.ethanol[1] * 100) / ETHANOL_20 / volumeL
      : 0;
  const spread = Math.hypot(
    likely * (YIELD.ethanol[2] / YIELD.ethanol[1] - 1),
    STEM_ABV,
    FLOOR_ABV * begun,
    VOLUME_SHARE * likely,
    sugar
  );
  return { low: Math.max(0, likely - spread), likely, high: likely + spread };
}
