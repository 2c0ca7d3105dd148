import { findRoot } from '../maths/root';
import { ETHANOL_20 } from '../liquid/ethanol';
import { liquid, scaled, type Stock } from '../liquid/stock';

/**
 * Where a kilogram of hexose goes. Ethanol 0.46, range 0.445–0.475: theory is 0.511 (Gay-Lussac);
 * the European Union's 16.83 g/L per % vol is 0.469, chaptalising practice of 17 g sucrose is 0.441.
 * @source Commission Regulation (EEC) 2676/90 for 16.83 (from memory); the rest common practice
 */
export const YIELD = {
  ethanol: [0.445, 0.46, 0.475] as const,
  /** glycerol and acids, which stay */
  byproducts: 0.045,
  /** into yeast, which settles */
  lees: 0.025
};

/**
 * The stock after `hexoseKg` of its sugar has fermented; mass closes as ethanol, by-products, lees and gas.
 * A negative amount takes fermentation back.
 * @param ethanolYield kg of ethanol per kg of hexose
 * @returns the new stock, and carbon dioxide and lees in kg
 */
export function ferment(stock: Stock, hexoseKg: number, ethanolYield: number = YIELD.ethanol[1]) {
  const after = scaled(stock);
  const perHexose = stock.hexoseKg > 0 ? stock.fermentableKg / stock.hexoseKg : 1;
  const sugarKg = hexoseKg * perHexose;
  after.hexoseKg -= hexoseKg;
  after.fermentableKg -= sugarKg;
  after.waterKg -= hexoseKg - sugarKg;
  after.ethanolKg += hexoseKg * ethanolYield;
  after.solidsKg += hexoseKg * YIELD.byproducts - sugarKg;
  return {
    stock: after,
    leesKg: hexoseKg * YIELD.lees,
    co2Kg: hexoseKg * (1 - ethanolYield - YIELD.byproducts - YIELD.lees)
  };
}

/**
 * Alcohol by volume of a stock, %. Zero when there is no liquid.
 * @example abvOf(ferment(stockAt(5, 1.08), 0.5).stock) // 5.868
 */
export function abvOf(stock: Stock): number {
  const now = liquid(stock);
  return now ? (100 * stock.ethanolKg) / ETHANOL_20 / now.volumeL : 0;
}

/**
 * Strength, % by volume, once all sugar of a stock has fermented.
 * @example potentialOf(stockAt(5, 1.08)) // 12.993
 */
export const potentialOf = (stock: Stock): number => abvOf(ferment(stock, stock.hexoseKg).stock);

/**
 * Hexose, kg, that can ferment before the alcohol reaches `toleranceAbv`, or all of it.
 * @param stock what is in the vessel now
 * @example reachableHexose(stockAt(5, 1.08), 18) // 1.097
 */
export function reachableHexose(
  stock: Stock,
  toleranceAbv: number,
  ethanolYield: number = YIELD.ethanol[1]
): number {
  const after = (kg: number) => abvOf(ferment(stock, kg, ethanolYield).stock);
  if (stock.hexoseKg <= 0 || abvOf(stock) >= toleranceAbv) return 0;
  if (after(stock.hexoseKg) <= toleranceAbv) return stock.hexoseKg;
  return findRoot((kg) => after(kg) - toleranceAbv, 0, stock.hexoseKg, 1e-7);
}

/**
 * The stock when the yeast is done: all sugar gone, or alcohol at the yeast's tolerance.
 * @returns the final stock, and whether tolerance stopped it
 */
export function finish(stock: Stock, toleranceAbv: number, ethanolYield: number = YIELD.ethanol[1]) {
  const hexoseKg = reachableHexose(stock, toleranceAbv, ethanolYield);
  return { ...ferment(stock, hexoseKg, ethanolYield), stoppedByAlcohol: hexoseKg < stock.hexoseKg - 1e-9 };
}
