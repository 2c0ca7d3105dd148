import { activeShare } from '../liquid/preservers';
import { DOSES } from '../tables/doses';
import { InputError } from '../units/input-error';

/**
 * Potassium sorbate at pH 3.5 by strength, g/L: alcohol helps. The usual 0.2 to 0.3 g/L between 8 and 14 % vol.
 * Common practice.
 */
const BY_STRENGTH = { weak: { abv: 8, gL: 0.3 }, strong: { abv: 14, gL: 0.2 } } as const;
const AT_PH = 3.5;

/** Sorbic acid in the potassium salt, by molar mass (112.13 / 150.22). */
export const SORBIC_SHARE = 0.746;
/** The most that the European Union allows in wine that is sold, mg/L of sorbic acid. From memory. */
export const SORBIC_CEILING_MG_L = 200;

/**
 * Potassium sorbate for a wine, g/L: more in weak and in less sharp wine, never over what one gives at most.
 * It stops yeast from growing, and no ferment that is under way; it wants sulphite beside it.
 * @param ph 3.5 when nobody measured it
 * @throws InputError over pH 4.2
 * @example sorbateDoseGL(11) // 0.25
 */
export function sorbateDoseGL(abv: number, ph = AT_PH): number {
  if (ph > 4.2)
    throw new InputError(
      `At pH ${ph.toFixed(2)} sorbate cannot be relied on.`,
      'Sharpen it under 4.2 first.',
      'ph'
    );
  const { weak, strong } = BY_STRENGTH;
  const share = Math.max(0, Math.min(1, (abv - weak.abv) / (strong.abv - weak.abv)));
  const at35 = weak.gL + share * (strong.gL - weak.gL);
  return Math.min(DOSES.sorbate.perL[2], (at35 * activeShare(AT_PH)) / activeShare(Math.max(ph, 2.7)));
}
