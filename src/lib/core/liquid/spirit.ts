import { WATER_20 } from './water';
import { abvOfDensity } from './ethanol';

/**
 * Alcohol by spirit indication: the wine's gravity, and that of what is left after boiling off the
 * alcohol and making up to the first volume with water.
 * @param wineSg @param residueSg both at 20/20 °C
 * @returns % by volume
 * @throws InputError when the two cannot belong to one wine
 * @example spiritIndication(0.994, 1.01) // 12.109
 * @source Tabarié's relation; OIML R 22 for the alcohol (from memory)
 */
export const spiritIndication = (wineSg: number, residueSg: number): number =>
  abvOfDensity((1 + wineSg - residueSg) * WATER_20);
