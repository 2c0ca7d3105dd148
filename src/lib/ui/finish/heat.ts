import type { Heat } from '$core/ferment/heat';
import { InputError } from '$core/units/input-error';
import { parseNumber } from '$core/units/number';
import { parseTemperature } from '$core/units/parse';

/**
 * How a bottle was heated, as it was typed; null where nothing was.
 * @throws InputError where one of the two is missing or no figure
 */
export function readHeat(coreC: string, heldMin: string, scale: 'C' | 'F'): Heat | null {
  if (!coreC.trim() && !heldMin.trim()) return null;
  const minutes = parseNumber(heldMin);
  if (!coreC.trim() || minutes === null || minutes < 0 || minutes > 600)
    throw new InputError(
      'Heated how warm, and how long?',
      'Give the warmth of the core and the minutes, or neither.'
    );
  return { coreC: parseTemperature(coreC, scale), minutes };
}
