import { lastFelt } from '../ledger/too-hot';
import { contents, type BatchState, type Felt, placeC } from '../ledger/state';
import { liquid } from '../liquid/stock';
import { inC } from '../units/say';
import { InputError } from '../units/input-error';
import { USUAL_ROOM_C } from '../units/settings';

/** Common practice: below this the enzyme lives; below that the yeast. */
export const ENZYME_C = 40;
export const YEAST_C = 25;

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

const HOUR = 3_600_000;
/** As near to the warmth of its room as one waits for, °C. Ours. */
const NEAR_C = 2;

/**
 * How a covered must cools from where a thermometer last stood in it: by the last two readings where they are a cooling,
 * else by how much there is of it.
 * @param felt at least one, oldest first
 */
export function coolingOf(felt: readonly Felt[], roomC: number, litres: number) {
  const [before, last] = [felt.at(-2), felt.at(-1)!];
  const byTwo = () => tauFromReadings(before!.tempC, last.tempC, roomC, (last.at - before!.at) / HOUR);
  const isCooling =
    before !== undefined && last.at > before.at && before.tempC > last.tempC && last.tempC > roomC;
  const tauH = isCooling ? byTwo() : coolingTauH(Math.max(1, litres));
  return {
    /** °C at a moment, ms */
    tempC: (at: number) => tempAfter(last.tempC, roomC, tauH, (at - last.at) / HOUR),
    /** when it is cool enough, ms; in a room that is as warm, when it is near the room */
    under: (targetC: number) =>
      last.at + hoursToCool(last.tempC, Math.max(targetC, roomC + NEAR_C), roomC, tauH) * HOUR
  };
}

/**
 * Until when a must is too warm for a step, by where a thermometer last stood in it; null where none showed it so, or
 * somebody said since that it is cool enough.
 * @returns the moment, ms, and what it was, °C
 */
export function tooWarm(s: BatchState, underC: number): { until: number; wasC: number } | null {
  const last = lastFelt(s);
  if (!last) return null;
  const litres = liquid(contents(s))?.volumeL ?? 0;
  const until = coolingOf(s.felt, placeC(s)?.tempC ?? s.plan.roomC ?? USUAL_ROOM_C, litres).under(underC);
  return until > last.at ? { until, wasC: last.tempC } : null;
}
