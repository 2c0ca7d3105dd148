import { inC } from '../units/say';
import { InputError } from '../units/input-error';

/**
 * Hours in which a covered bucket of 12 L loses 63 % of its warmth over the room; other sizes by the cube
 * root, as surface goes with volume. Fitted to common practice: boiling at night, 40 °C five hours later
 * in a small bucket, room temperature next morning.
 */
const TAU_12L_H = 4.2;

/**
 * Time constant, hours, of `volumeL` in a covered vessel; an ice bath or a sink of cold water takes a sixth of it.
 * @example coolingTauH(15) // 4.5243
 */
export const coolingTauH = (volumeL: number, bath: 'air' | 'water' = 'air'): number =>
  TAU_12L_H * Math.cbrt(volumeL / 12) * (bath === 'water' ? 1 / 6 : 1);

/**
 * Time constant from two readings `hours` apart, by Newton's law.
 * @throws InputError when it did not cool, or the room is as warm
 * @example tauFromReadings(70, 45, 18, 3) // 4.5773
 */
export function tauFromReadings(fromC: number, toC: number, roomC: number, hours: number): number {
  if (!(hours > 0 && fromC > toC && toC > roomC))
    throw new InputError(
      'These two readings are no cooling.',
      'The first must be warmer than the second, both warmer than the room.'
    );
  return hours / Math.log((fromC - roomC) / (toC - roomC));
}

/**
 * Hours until a covered must has cooled to `targetC`. Newton's law of cooling.
 * @throws InputError when the room is not cooler than the target
 * @example hoursToCool(70, 25, 18, 6) // 12.032
 */
export function hoursToCool(fromC: number, targetC: number, roomC: number, tauH: number): number {
  if (fromC <= targetC) return 0;
  if (!(roomC < targetC))
    throw new InputError(
      `It will not fall to ${inC(targetC, 0)} in a room of ${inC(roomC, 0)}.`,
      'Stand it somewhere cooler, or in a sink of cold water.'
    );
  return tauH * Math.log((fromC - roomC) / (targetC - roomC));
}

/**
 * Temperature after `hours`, °C.
 * @example tempAfter(70, 18, 6, 3) // 49.54
 */
export const tempAfter = (fromC: number, roomC: number, tauH: number, hours: number): number =>
  roomC + (fromC - roomC) * Math.exp(-hours / tauH);
