import { freeFor } from '../liquid/preservers';
import { SO2_SHARE } from '../tables/doses';
import { InputError } from '../units/input-error';

/** Molecular sulphur dioxide that keeps a wine, mg/L: red wine has its tannin to help. Common practice. */
export const MOLECULAR_MG_L = { white: 0.8, red: 0.5 } as const;
export type WineStyle = keyof typeof MOLECULAR_MG_L;

/** What sulphite can be asked of: past either end a wine is no wine, or no dose is sane. */
export const SULPHITE_PH = { low: 2, high: 4.2 } as const;

/** Of a first dose so much binds within days and protects no more. Common practice: a third to a half. */
export const BINDS = { low: 1 / 3, high: 1 / 2 } as const;

export type SulphiteDose = {
  freeTargetMgL: number;
  /** free sulphur dioxide that is still wanted, mg/L */
  addMgL: number;
  /** potassium metabisulphite, g, if none of it bound */
  metabisulphiteG: number;
  /** the same, with what a first dose loses to binding: a third, and a half */
  withBoundG: { low: number; high: number };
};

/**
 * Potassium metabisulphite that gives a wine its free sulphur dioxide for its pH.
 * @param freeMgL free sulphur dioxide that was measured in it; 0 when nobody did
 * @throws InputError outside pH 2 to 4.2: no sane dose protects beyond
 * @example sulphiteDose({ volumeL: 10, ph: 3.4, style: 'white' }).metabisulphiteG // 0.5542
 */
export function sulphiteDose(wine: {
  volumeL: number;
  ph: number;
  style: WineStyle;
  freeMgL?: number;
}): SulphiteDose {
  const { volumeL, ph, style, freeMgL = 0 } = wine;
  if (ph < SULPHITE_PH.low)
    throw new InputError(`pH ${ph.toFixed(2)} is sharper than any wine.`, 'Measure it again.', 'ph');
  if (ph > SULPHITE_PH.high)
    throw new InputError(
      `At pH ${ph.toFixed(2)} no sane dose of sulphite protects a wine.`,
      `Sharpen it under ${SULPHITE_PH.high} first.`,
      'ph'
    );
  const freeTargetMgL = freeFor(MOLECULAR_MG_L[style], ph);
  const addMgL = Math.max(0, freeTargetMgL - freeMgL);
  const metabisulphiteG = (addMgL * volumeL) / 1000 / SO2_SHARE.potassium;
  return {
    freeTargetMgL,
    addMgL,
    metabisulphiteG,
    withBoundG: {
      low: metabisulphiteG / (1 - BINDS.low),
      high: metabisulphiteG / (1 - BINDS.high)
    }
  };
}

/** Free sulphur dioxide goes: half of it in so many days in full, closed glass; so much at each racking. Common practice. */
const HALF_DAYS = { low: 45, likely: 90, high: 180 } as const;
const RACKING_MG_L = { low: 10, likely: 5, high: 2 } as const;

/**
 * Free sulphur dioxide that may be left of a dose, mg/L: what did not bind, less what air and rackings took.
 * @param addedMgL sulphur dioxide that went in
 * @example freeLeft({ addedMgL: 60, days: 90, rackings: 1 }).likely // 12.5
 */
export function freeLeft(dose: { addedMgL: number; days: number; rackings: number }) {
  const left = (bound: number, halfDays: number, each: number) =>
    Math.max(0, dose.addedMgL * (1 - bound) * 0.5 ** (dose.days / halfDays) - each * dose.rackings);
  const mid = (BINDS.low + BINDS.high) / 2;
  return {
    low: left(BINDS.high, HALF_DAYS.low, RACKING_MG_L.low),
    likely: left(mid, HALF_DAYS.likely, RACKING_MG_L.likely),
    high: left(BINDS.low, HALF_DAYS.high, RACKING_MG_L.high)
  };
}
