import { isBegun, wholeSg, type BatchState } from '../ledger/state';
import { fermentedFromRefractometer } from '../liquid/refractometer';
import { sgFrom, type Scale } from '../ferment/scales';
import { brixFromSg } from '../liquid/sugar';
import { InputError } from '../units/input-error';
import { parseStem } from '../units/parse';
import type { Settings } from '../units/settings';

/** A reading as it was taken: the gravity, and the °Bx where a refractometer showed it. */
export type Stem = { sg: number; bx: number | null };

/** What has to be known of the instrument before a reading can be taken: asked once, then kept. */
export function askOf(text: string, on: Scale, s: Settings): 'bx' | 'potential' | null {
  try {
    const { scale } = parseStem(text, on);
    if (scale === 'brix' && s.hydrometer.bxBy === undefined) return 'bx';
    if (scale === 'potential' && s.hydrometer.potentialAt1100 === undefined) return 'potential';
  } catch {
    // Not a reading yet.
  }
  return null;
}

/**
 * A reading on any scale, by the household's own instrument.
 * @param state of the batch it is of; none where nothing ferments
 * @throws InputError that asks, or when it is off the scale
 */
export function readStem(text: string, on: Scale, s: Settings, state?: BatchState): Stem {
  const { scale, reading } = parseStem(text, on);
  return stemOf(scale, reading, s, state);
}

/** The same of a figure that was read already. @throws InputError that asks by what °Bx was read */
export function stemOf(scale: Scale, reading: number, s: Settings, state?: BatchState): Stem {
  const { bxBy, potentialAt1100 } = s.hydrometer;
  if (scale !== 'brix' || reading < 0) return { sg: sgFrom(scale, reading, potentialAt1100), bx: null };
  if (bxBy === undefined)
    throw new InputError(
      '°Bx by hydrometer or by refractometer?',
      'Say which: alcohol bends what a refractometer shows.'
    );
  if (bxBy === 'hydrometer') return { sg: sgFrom('brix', reading), bx: null };
  const ferments = state !== undefined && isBegun(state);
  if (!ferments) return { sg: sgFrom('brix', reading), bx: reading };
  if (state.fills.some((f) => f.maskedSg > 0))
    throw new InputError(
      'A refractometer cannot read a wine that was sweetened with what does not ferment.',
      'Read it with a hydrometer.'
    );
  return { sg: fermentedFromRefractometer(brixFromSg(wholeSg(state) ?? 1), reading), bx: reading };
}
