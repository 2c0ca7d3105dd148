import { betweenC, inC } from '../units/say';
import { InputError } from '../units/input-error';

/**
 * Density of pure air-free water at one atmosphere.
 * @param tempC 0 to 100 °C
 * @returns kg/L
 * @throws InputError outside 0–100 °C
 * @example waterDensity(20) // 0.9982
 * @source Kell 1975, J. Chem. Eng. Data 20(1), 97–105 (coefficients from memory)
 */
export function waterDensity(tempC: number): number {
  if (!(tempC >= 0 && tempC <= 100))
    throw new InputError(
      `Water at ${inC(tempC)} is outside ${betweenC(0, 100)}.`,
      'Check the temperature and its scale.'
    );
  const t = tempC;
  const top =
    999.83952 +
    t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return top / (1 + 16.87985e-3 * t) / 1000;
}

/** Density of water at 20 °C, kg/L: what SG 20/20 is measured against. */
export const WATER_20 = 0.9982;
