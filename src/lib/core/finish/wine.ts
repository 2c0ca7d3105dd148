import { abvOf } from '../ferment/convert';
import { ETHANOL_20 } from '../liquid/ethanol';
import { solidsAt } from '../liquid/mix';
import { emptyStock, liquid, type Stock } from '../liquid/stock';
import { WATER_20 } from '../liquid/water';
import { InputError } from '../units/input-error';

/**
 * A wine known by what was measured of it alone: so many litres that read `sg` at a strength. What is dissolved counts
 * as matter that does not ferment, unless it is said how much of it is sugar.
 * @param hexoseGL fermentable sugar left in it, g/L
 * @throws InputError when no wine of that strength reads so low, or holds so much sugar
 * @example abvOf(wineOf({ volumeL: 10, sg: 0.996, abv: 12 })) // 12
 */
export function wineOf(w: { volumeL: number; sg: number; abv: number; hexoseGL?: number }): Stock {
  const ethanolKg = (w.volumeL * ETHANOL_20 * w.abv) / 100;
  const solidsKg = (solidsAt(w.sg, ethanolKg / w.volumeL) * w.volumeL) / 1000;
  if (solidsKg < -0.002 * w.volumeL)
    throw new InputError(
      `A wine of ${w.abv} % cannot read ${w.sg.toFixed(3)}: alcohol and water alone are heavier.`,
      'Read it again, or give another strength.',
      'sg'
    );
  const stock = emptyStock();
  stock.ethanolKg = ethanolKg;
  stock.solidsKg = Math.max(0, solidsKg);
  stock.waterKg = w.sg * WATER_20 * w.volumeL - ethanolKg - stock.solidsKg;
  const hexoseKg = ((w.hexoseGL ?? 0) * w.volumeL) / 1000;
  if (hexoseKg > stock.solidsKg + 0.002 * w.volumeL)
    throw new InputError(
      `${w.hexoseGL} g/L of sugar at ${w.abv} % would read higher than ${w.sg.toFixed(3)}.`,
      'Check the sugar, or the gravity.',
      'hexoseGL'
    );
  stock.hexoseKg = stock.fermentableKg = Math.min(hexoseKg, stock.solidsKg);
  return stock;
}

/** What is told of a wine: litres, gravity, strength. @throws InputError when there is no liquid */
export function toldOf(stock: Stock): { volumeL: number; sg: number; abv: number } {
  const now = liquid(stock);
  if (!now) throw new InputError('That is a syrup, no wine.', 'Take less sugar, or more wine.');
  return { ...now, abv: abvOf(stock) };
}
