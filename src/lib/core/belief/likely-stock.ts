import { ferment } from '../ferment/convert';
import type { Fill } from '../ledger/fill';
import { liquid, type Stock } from '../liquid/stock';
import type { Belief } from './believe';

/** Sugar that the ledger and the possible wines may differ by without a word, g/L: what was read stands then. */
const ALIKE_GL = 3;

/**
 * What stands in a vessel, as it most likely is: what nobody has read has fermented all the same, as far as the possible
 * wines say. Where a reading says nearly the same, the ledger stands.
 * @param belief null where nobody asked the possible wines
 */
export function likelyStock(
  fill: Pick<Fill, 'vesselId' | 'stock'>,
  belief: Pick<Belief, 'vessels'> | null
): Stock {
  const told = belief?.vessels[fill.vesselId];
  const now = liquid(fill.stock);
  if (!told || !now) return fill.stock;
  const goneKg = fill.stock.hexoseKg - (told.sugarGL.likely * now.volumeL) / 1000;
  return (1000 * goneKg) / now.volumeL > ALIKE_GL ? ferment(fill.stock, goneKg).stock : fill.stock;
}
