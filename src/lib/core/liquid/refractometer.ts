import { InputError } from '../units/input-error';

/**
 * Gravity of a fermenting must or a wine from what a refractometer shows, which alcohol bends: three powers of the °Bx
 * at the start, and three of the °Bx now.
 * @param startBrix °Bx before the ferment, 5 to 35; with sugar fed later, as if all of it had been in
 * @param brix what it shows now
 * @returns SG, good to about three points: no proof that a wine has ended
 * @throws InputError outside what the cubic was made for
 * @example fermentedFromRefractometer(22, 8) // 0.99482
 * @source Bonham 2001, "The use of handheld refractometers by homebrewers", Zymurgy 24 (from memory)
 */
export function fermentedFromRefractometer(startBrix: number, brix: number): number {
  if (!(startBrix >= 5 && startBrix <= 35))
    throw new InputError(
      `A must that began at ${startBrix.toFixed(1)} °Bx is outside what a refractometer is corrected for.`,
      'Read it with a hydrometer.'
    );
  if (!(brix >= 0 && brix <= startBrix + 1))
    throw new InputError(
      `${brix} °Bx is more than the ${startBrix.toFixed(1)} that it began with.`,
      'Clean the prism, set it to 0 with water, and read again.'
    );
  const power = (x: number, a: number, b: number, c: number) => x * (a + x * (b + x * c));
  return (
    1.001843 -
    power(startBrix, 0.002318474, 0.000007775, 0.000000034) +
    power(brix, 0.00574, 0.00003344, 0.000000086)
  );
}
