import { InputError } from '../units/input-error';
import { phOf, titratableAcidity } from './acid';
import { acidWater, liquid, type Stock } from './stock';

/** Titratable acid in g/L as tartaric, pH, and the litres they are of. */
export type Acidity = { taGL: number; ph: number; volumeL: number };

/** Acid and pH of a stock. @throws InputError when there is no liquid */
export function acidityOf(stock: Stock): Acidity {
  const now = liquid(stock);
  if (!now) throw new InputError('There is no liquid yet.', 'Add water or juice first.');
  const water = acidWater(stock, now.volumeL);
  return { taGL: titratableAcidity(water), ph: phOf(water), volumeL: now.volumeL };
}
