import { findRoot } from '../maths/root';
import { SUCROSE_TO_HEXOSE } from '../liquid/sugar';
import { liquid, scaled, type Stock } from '../liquid/stock';
import { SG_PER_GL } from './evidence';
import type { Fill } from './fill';
import { doubt, type Working } from './state';

/** A reading of ±0.002, and how far the table's sugar may be off in the must's gravity, at least. Common practice. */
const READING_SD = 0.002;
const TABLE_SD = 0.004;
/** Marks and jugs, as a share of what they measure. Common practice. */
const VOLUME_SD = 0.02;
/** Clear sugar water reads what it weighs: a reading so many deviations off is the reading's fault until another agrees. */
const ODD_SD = 3;

/** Sugar (kg of sucrose) to put in or take out so that a stock reads `sg`; null when none does. */
function sugarGap(stock: Stock, sg: number): number | null {
  const gap = (kg: number) => (liquid(withSugar(stock, kg))?.sg ?? 1.5) - sg;
  const [least, most] = [-stock.fermentableKg, stock.waterKg * 0.5];
  return gap(least) > 0 || gap(most) < 0 ? null : findRoot(gap, least, most, 1e-8);
}

function withSugar(stock: Stock, kg: number): Stock {
  const more = scaled(stock);
  more.solidsKg += kg;
  more.fermentableKg += kg;
  more.hexoseKg += kg * SUCROSE_TO_HEXOSE;
  return more;
}

/** Before the ferment, a reading corrects what the table said: by how much each is to be trusted. */
export function learnSugar(s: Working, fill: Fill, sg: number, at: number): void {
  const now = liquid(fill.stock);
  if (!now) return;
  const heldSugar = s.lots.reduce((sum, l) => sum + l.held.solidsKg, 0);
  const stillHeld = heldSugar / (heldSugar + fill.stock.solidsKg || 1);
  const timingSd = 0.03 * stillHeld;
  const isClear = fill.extractKg <= 1e-9;
  const weighedSd = (SG_PER_GL * 1000 * fill.unsureKg) / Math.max(0.01, now.volumeL);
  const ownSd = Math.hypot(weighedSd, VOLUME_SD * (now.sg - 1));
  const tableSd = isClear ? ownSd : Math.max(TABLE_SD, ownSd);
  const isOdd =
    isClear &&
    Math.abs(sg - now.sg) > ODD_SD * Math.hypot(tableSd, READING_SD) &&
    !s.readings.slice(0, -1).some((r) => r.expectedSg !== null && Math.abs(r.sg - sg) <= 2 * READING_SD);
  if (isOdd) return doubt(s, 'impossible-figure');
  const gapKg = sugarGap(fill.stock, sg);
  if (gapKg === null) return doubt(s, 'impossible-figure');
  const trust = tableSd ** 2 / (tableSd ** 2 + timingSd ** 2 + READING_SD ** 2);
  fill.unsureKg *= Math.sqrt(1 - trust);
  const sugarKg = trust * gapKg;
  fill.stock = withSugar(fill.stock, sugarKg);
  s.corrections.push({ kind: 'sugar', at, expectedSg: now.sg, sg, sugarKg });
}
