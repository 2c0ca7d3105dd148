import type { z } from 'zod';
import type { heatSchema } from './heat-schema';

/** A minute at 60 °C is one unit, and each degree counts so many times more. @source Del Vecchio, Dayharsh & Baselt 1951, for beer (from memory) */
const REFERENCE_C = 60;
const A_DEGREE = 1.393;

/**
 * Units of pasteurisation that so many minutes at a core temperature give.
 * @example pasteurUnits(62, 20) // 38.8
 */
export const pasteurUnits = (coreC: number, minutes: number): number =>
  minutes * A_DEGREE ** (coreC - REFERENCE_C);

/**
 * Minutes at a core temperature for so many units.
 * @example minutesFor(62, 50) // 25.8
 */
export const minutesFor = (coreC: number, units: number): number => units / pasteurUnits(coreC, 1);

/**
 * Under this no time in a kitchen is counted on: spores outlive it. Over the other the wine tastes cooked. Common
 * practice, on the safe side.
 */
export const HEAT_C = { least: 60, most: 70 } as const;

/**
 * Units that keep a sweet still wine. Beer is given 15 to 30; sweet wine that is to stand for years, 50 and more.
 * Common practice.
 */
export const WANTED_UNITS = 50;

/**
 * Core temperature of a bottle in a bath, °C, some minutes on (Newton): a bottle of 750 mL follows with a time of about
 * 15 min, larger glass as the two-thirds power of its volume. Common practice, to be measured in a bottle of water.
 * @example Math.round(coreAfter({ startC: 18, bathC: 65, volumeL: 0.75, minutes: 45 })) // 63
 */
export const coreAfter = (b: { startC: number; bathC: number; volumeL: number; minutes: number }): number =>
  b.bathC + (b.startC - b.bathC) * Math.exp(-b.minutes / bathTimeMin(b.volumeL));

const bathTimeMin = (volumeL: number): number => 15 * (volumeL / 0.75) ** (2 / 3);

/** Air takes heat away so many times more slowly than water. Common practice: four to six. */
const AIR_SLOWER = 5;

/**
 * Minutes until a bottle's core has cooled, in water or in air. What it gains meanwhile is on the safe side, and not
 * counted.
 * @returns Infinity where it never gets so cool
 * @example Math.round(coolingMin({ coreC: 63, toC: 30, aroundC: 15, volumeL: 0.75, inWater: true })) // 17
 */
export const coolingMin = (b: {
  coreC: number;
  toC: number;
  aroundC: number;
  volumeL: number;
  inWater: boolean;
}): number =>
  b.toC <= b.aroundC
    ? Infinity
    : Math.max(0, Math.log((b.coreC - b.aroundC) / (b.toC - b.aroundC))) *
      bathTimeMin(b.volumeL) *
      (b.inWater ? 1 : AIR_SLOWER);

export type BathPlan = { coreC: number; minutes: number; units: number };

/**
 * Minutes in a bath until the core has got so many units, warming up counted.
 * @returns null when it would take longer than four hours
 */
export function minutesInBath(b: {
  startC: number;
  bathC: number;
  volumeL: number;
  units: number;
}): BathPlan | null {
  let units = 0;
  for (let minutes = 0; minutes <= 240; minutes++) {
    const coreC = coreAfter({ ...b, minutes });
    if (units >= b.units) return { coreC, minutes, units };
    units += pasteurUnits(coreC, 1);
  }
  return null;
}

export type Heat = z.infer<typeof heatSchema>;

/**
 * Whether it killed the yeast: so many units, none of them counted at a warmth that yeast lives through.
 * @example killsYeast({ coreC: 62, minutes: 30 }) // true
 */
export const killsYeast = ({ coreC, minutes }: Heat): boolean =>
  coreC >= HEAT_C.least && pasteurUnits(coreC, minutes) >= WANTED_UNITS;
