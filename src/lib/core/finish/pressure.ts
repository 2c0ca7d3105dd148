import { inC } from '../units/say';
import { CO2_PER_HEXOSE, CO2_PER_SUCROSE, gaugePressure, residualCo2 } from './carbonation';
import { BOTTLES, type BottleType } from '../tables/bottles';

export type PressureInput = {
  /** hexose that living yeast could still reach, g/L */
  reachableGL: number;
  /** sucrose added at bottling, g/L */
  primingGL: number;
  abv: number;
  /** warmest since the ferment ended, °C */
  warmestC: number;
  bottle: BottleType;
};

export type PressureVerdict = {
  bar20: number;
  bar30: number;
  ratingBar: number;
  level: 'fine' | 'warn' | 'stop';
  text: string;
};

/**
 * What the bottle would have to hold if every gram the yeast could reach became gas.
 * Stop above the rating at 20 °C; warn when only a warm day (30 °C) takes it over.
 */
export function pressureCheck(input: PressureInput): PressureVerdict {
  const gas =
    residualCo2(input.warmestC, input.abv) +
    input.reachableGL * CO2_PER_HEXOSE +
    input.primingGL * CO2_PER_SUCROSE;
  const { ratingBar } = BOTTLES[input.bottle];
  const bar20 = gaugePressure(gas, 20, input.abv);
  const bar30 = gaugePressure(gas, 30, input.abv);
  // Gas that a cold wine still holds is no ferment: it can be stirred out, and the bottle will stand it.
  const onlyHeld = input.reachableGL <= 0 && input.primingGL <= 0;
  const level = bar20 > ratingBar && !onlyHeld ? 'stop' : bar30 > ratingBar ? 'warn' : 'fine';
  const figures = `${bar20.toFixed(1)} bar at ${inC(20)} in a bottle made for ${ratingBar}`;
  const text =
    level === 'stop'
      ? `Do not bottle this. It could reach ${figures}: corks out, or glass flying. Wait for a steady gravity, or stabilise with sulphite and sorbate once it is finished and clear, or use bottles made for the pressure.`
      : level === 'warn'
        ? onlyHeld
          ? `It still holds gas from the cold, up to ${bar30.toFixed(1)} bar on a day of ${inC(30)}. Warm it and stir the gas out first.`
          : `Up to ${bar30.toFixed(1)} bar on a day of ${inC(30)}, over the bottle's ${ratingBar}. Keep it cool.`
        : `At most ${figures}.`;
  return { bar20, bar30, ratingBar, level, text };
}
