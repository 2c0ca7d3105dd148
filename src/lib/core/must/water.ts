import { InputError } from '../units/input-error';

/**
 * Units in which water works and test strips give alkalinity, as mg/L of calcium carbonate.
 * @source CaCO₃ 100.09 g/mol, two equivalents; one German degree is 10 mg/L CaO
 */
export const ALKALINITY_UNITS = {
  caco3: { name: 'mg/L as CaCO₃ (ppm)', factor: 1 },
  hco3: { name: 'mg/L bicarbonate (HCO₃⁻)', factor: 50.045 / 61.017 },
  dkh: { name: '°dKH, German carbonate degrees', factor: 17.848 },
  fh: { name: '°fH, French degrees', factor: 10 },
  clark: { name: '°Clark, grains a UK gallon', factor: 14.254 },
  meq: { name: 'mmol/L of base (meq/L)', factor: 50.045 }
} as const;
export type AlkalinityUnit = keyof typeof ALKALINITY_UNITS;

/**
 * Alkalinity in mg/L as CaCO₃.
 * @throws InputError when negative or not a number
 * @example alkalinityMgL(10, 'dkh') // 178.48
 */
export function alkalinityMgL(value: number, unit: AlkalinityUnit): number {
  if (!(value >= 0)) throw new InputError('Alkalinity is no negative number.', 'Read it off the water bill.');
  return value * ALKALINITY_UNITS[unit].factor;
}

/**
 * What a water does to a must, in a word. Common practice.
 * @example waterWord(180) // 'hard'
 */
export const waterWord = (mgL: number): 'soft' | 'middling' | 'hard' | 'very hard' =>
  mgL < 60 ? 'soft' : mgL < 140 ? 'middling' : mgL < 240 ? 'hard' : 'very hard';
