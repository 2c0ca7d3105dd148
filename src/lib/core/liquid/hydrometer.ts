import { inC } from '../units/say';
import { InputError } from '../units/input-error';
import { waterDensity } from './water';

/** Above this the stem cannot be trusted: cool the sample. */
export const HOTTEST_SAMPLE_C = 40;

/**
 * True gravity (20/20 °C) from a hydrometer read warm or cold.
 * @param reading what the stem shows
 * @param tempC temperature of the sample, 0 to 40 °C
 * @param calibratedC what the stem is marked for, usually 20 or 15.6 °C
 * @throws InputError above 40 °C: cool the sample
 * @example correctReading(1.05, 30, 20) // 1.0527
 * @source ratio of water densities (Kell 1975), as in hydrometer correction tables
 */
export function correctReading(reading: number, tempC: number, calibratedC = 20): number {
  if (tempC > HOTTEST_SAMPLE_C)
    throw new InputError(
      `At ${inC(tempC, 0)} a hydrometer cannot be trusted.`,
      `Cool the sample below ${inC(HOTTEST_SAMPLE_C)} and read again.`
    );
  return (reading * waterDensity(calibratedC)) / waterDensity(tempC);
}
