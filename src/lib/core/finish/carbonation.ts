/** g/L of carbon dioxide dissolved per bar (absolute) of it, at 0, 10, 20, 30 °C. @source handbook tables (from memory) */
const WATER = [3.35, 2.3, 1.7, 1.25] as const;
const WINE_12 = [3.0, 2.1, 1.44, 1.1] as const;

/** g of carbon dioxide from a gram of hexose, and of sucrose. Gay-Lussac. */
export const CO2_PER_HEXOSE = 0.49;
export const CO2_PER_SUCROSE = 0.514;
export const ATMOSPHERE_BAR = 1.013;

/**
 * Carbon dioxide that dissolves at one bar (absolute) of it, g/L.
 * Between the tabled temperatures the logarithm runs straight; alcohol interpolates water and 12 % wine.
 * @param tempC −5 to 40 °C; `abv` 0 to 20 %
 * @example co2Solubility(20, 12) // 1.44
 */
export function co2Solubility(tempC: number, abv: number): number {
  const i = Math.max(0, Math.min(2, Math.floor(tempC / 10)));
  const t = tempC / 10 - i;
  const at = (table: readonly number[]) =>
    Math.exp((1 - t) * Math.log(table[i]!) + t * Math.log(table[i + 1]!));
  return at(WATER) + ((at(WINE_12) - at(WATER)) * Math.min(abv, 20)) / 12;
}

/**
 * Gauge pressure, bar, of `co2GL` g/L of gas in a closed bottle at `tempC`; headspace not counted, so a little high.
 * @example gaugePressure(6, 20, 12) // 3.1537
 */
export const gaugePressure = (co2GL: number, tempC: number, abv: number): number =>
  Math.max(0, co2GL / co2Solubility(tempC, abv) - ATMOSPHERE_BAR);

/**
 * Gas a wine keeps from its ferment: what one bar holds at the warmest it has been since.
 * @example residualCo2(18, 12) // 1.5529
 */
export const residualCo2 = (warmestC: number, abv: number): number => co2Solubility(warmestC, abv);
