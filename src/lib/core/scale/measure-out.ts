import { L_PER } from '../units/measure';
import { InputError } from '../units/input-error';
import { parseNumber, parseQuantity } from '../units/parse';
import { CAMPDEN_TABLET_G } from './doses';

const TABLETS = /^([\d.,/½¼¾ ]+)\s*(tablets?|campden)$/i;
const BARE_TABLETS = /^([\d.,/½¼¾ ]+)\s*(tablets?|campden)?$/i;

/**
 * Reads how much of a powder was measured out: grams, spoons of it, or tablets.
 * @param teaspoonG grams in a level teaspoon; null when it is not measured in spoons
 * @param isTablet a bare number is of tablets, as of Campden
 * @returns kilograms, and the unit as it was said
 * @throws InputError when it cannot be read, or spoons mean nothing for it
 * @example parsePowder('1½ tsp', 3) // { massKg: 0.0045, unit: 'tsp' }
 */
export function parsePowder(
  text: string,
  teaspoonG: number | null,
  country: 'us' | 'uk' = 'us',
  isTablet = false
): { massKg: number; unit: string } {
  const tablets = (isTablet ? BARE_TABLETS : TABLETS).exec(text.trim());
  if (tablets) {
    const n = parseNumber(tablets[1]!);
    if (n === null) throw new InputError(`“${text}” is no number of tablets.`, 'Write it as 3 tablets.');
    return { massKg: (n * CAMPDEN_TABLET_G) / 1000, unit: 'tablets' };
  }
  const q = parseQuantity(text, 'g', country);
  const isSpoon = q.unit in L_PER;
  if (!isSpoon) return { massKg: q.base, unit: q.unit };
  if (teaspoonG === null) throw new InputError('A spoon of this has no known weight.', 'Weigh it, in grams.');
  return { massKg: ((q.base / L_PER.tsp) * teaspoonG) / 1000, unit: q.unit };
}
