import { InputError } from '../units/input-error';
import {
  CO2_PER_HEXOSE,
  CO2_PER_SUCROSE,
  ATMOSPHERE_BAR,
  co2Solubility,
  gaugePressure,
  residualCo2
} from './carbonation';

/** A volume of carbon dioxide, at 0 °C and one atmosphere, is so many g/L. */
export const GL_PER_VOLUME = 1.96;

/** How much gas is wanted: g/L, volumes, or gauge pressure at 20 °C, bar. */
export type GasGoal = { gL: number } | { volumes: number } | { bar20: number };

/** Gas that is wanted, g/L. @example gasWanted({ volumes: 2.5 }, 5) // 4.9 */
export function gasWanted(want: GasGoal, abv: number): number {
  if ('gL' in want) return want.gL;
  if ('volumes' in want) return want.volumes * GL_PER_VOLUME;
  return (want.bar20 + ATMOSPHERE_BAR) * co2Solubility(20, abv);
}

export type Priming = {
  sugarGL: number;
  sugarG: number;
  /** for a bottle of 750 mL */
  perBottleG: number;
  /** gas in it once that has fermented, g/L, with what it holds and what its own sugar makes */
  gasGL: number;
  bar20: number;
  bar30: number;
};

/**
 * White sugar that gives a finished wine its bubbles: less what gas it kept, and what its own sugar will make.
 * @param tempC the warmest it has been since it finished: so much gas it kept
 * @param hexoseGL sugar in it that the yeast will take, g/L
 * @throws InputError when it has more gas, or will make more, than is wanted
 * @example prime({ volumeL: 10, abv: 12, tempC: 20, want: { gL: 12 } }).sugarG // 205.4
 */
export function prime(wine: {
  volumeL: number;
  abv: number;
  tempC: number;
  hexoseGL?: number;
  want: GasGoal;
}): Priming {
  const { volumeL, abv, tempC, hexoseGL = 0 } = wine;
  const wanted = gasWanted(wine.want, abv);
  const has = residualCo2(tempC, abv);
  const own = hexoseGL * CO2_PER_HEXOSE;
  if (has + own > wanted + 1e-9)
    throw new InputError(
      own > 0
        ? `It holds ${has.toFixed(1)} g/L of gas, and its own sugar makes ${own.toFixed(1)} more: over ${wanted.toFixed(1)} without any priming.`
        : `It holds ${has.toFixed(1)} g/L of gas already.`,
      own > 0 ? 'Let it finish first.' : 'Warm it and stir gas out, or want more.',
      'want'
    );
  const sugarGL = (wanted - has - own) / CO2_PER_SUCROSE;
  return {
    sugarGL,
    sugarG: sugarGL * volumeL,
    perBottleG: sugarGL * 0.75,
    gasGL: wanted,
    bar20: gaugePressure(wanted, 20, abv),
    bar30: gaugePressure(wanted, 30, abv)
  };
}
