import { InputError } from '../units/input-error';
import { SO2_SHARE } from '../tables/doses';

/** Sanitisers by type. Strengths are common practice; the maker's label comes first. */
export const SANITISERS = {
  sulphite: {
    name: 'Sulphite solution',
    ask: 'so2MgL',
    usual: 1500,
    note: 'Potassium metabisulphite with a pinch of citric acid; do not rinse, let it drip. Fumes: air the room.'
  },
  acid: {
    name: 'No-rinse acid sanitiser',
    ask: 'mlPerL',
    usual: 1.6,
    note: 'As the label says, often 1.5 to 2 mL a litre; a minute wet, no rinsing, foam does no harm.'
  },
  peroxide: {
    name: 'Percarbonate cleaner',
    ask: 'gPerL',
    usual: 5,
    note: 'In warm water, ten minutes; rinse if the label says so. Gloves.'
  },
  bleach: {
    name: 'Thin bleach',
    ask: 'ppm',
    usual: 150,
    note: 'Plain, unscented. Rinse until no smell is left. Never with acid, vinegar, ammonia or sulphite: toxic gas.'
  }
} as const;

/**
 * Millilitres of a stock solution that make `volumeL` of a weaker one.
 * @param stockShare and wantedShare as fractions of the same kind
 * @throws InputError when the stock is weaker than what is wanted
 * @example stockMl(10, 0.001, 0.1) // 100
 */
export function stockMl(volumeL: number, wantedShare: number, stockShare: number): number {
  if (!(stockShare > 0 && wantedShare >= 0))
    throw new InputError('A strength is missing.', 'Give both as numbers above zero.');
  if (wantedShare > stockShare)
    throw new InputError('The bottle is weaker than what is wanted.', 'Use a stronger one, or aim lower.');
  return (1000 * volumeL * wantedShare) / stockShare;
}

/**
 * Grams of metabisulphite in `volumeL` for `so2MgL` of sulphur dioxide.
 * @example sulphiteG(10, 50) // 0.86806
 */
export const sulphiteG = (
  volumeL: number,
  so2MgL: number,
  salt: 'potassium' | 'sodium' = 'potassium'
): number => (so2MgL * volumeL) / 1000 / SO2_SHARE[salt];

/**
 * Millilitres of household bleach of `percent` % for `ppm` mg/L of chlorine.
 * @example bleachMl(5, 200, 5) // 20
 */
export const bleachMl = (volumeL: number, ppm: number, percent: number): number =>
  stockMl(volumeL, ppm / 1e6, percent / 100);
