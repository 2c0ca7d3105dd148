import { activeShare, freeFor } from '../liquid/preservers';
import { fillL, type Fill } from './fill';
import { acidIn } from './measured-acid';

const DAY = 86_400_000;

/** Powders count as given together within three days. Common practice: the same evening. */
const TOGETHER_MS = 3 * DAY;

/**
 * Sorbate or sulphite into a vessel. Stabilising is both of them together: what went in at crushing is long bound.
 * @param massG into this vessel
 */
export function givePreserver(
  fill: Fill,
  which: 'sorbate' | 'sulphite',
  massG: number,
  at: number,
  isFinished: boolean
): void {
  const before = fill.given[which];
  fill.given[which] =
    before && at - before.at <= TOGETHER_MS ? { at, massG: before.massG + massG } : { at, massG };
  const { sorbate, sulphite } = fill.given;
  if (!sorbate || !sulphite || Math.abs(sorbate.at - sulphite.at) > TOGETHER_MS) return;
  fill.stable = {
    at: fill.stable && at - fill.stable.at <= TOGETHER_MS ? fill.stable.at : at,
    sorbateG: sorbate.massG,
    sulphiteG: sulphite.massG,
    wasFinished: isFinished || (fill.stable?.wasFinished ?? false)
  };
}

/** Sorbate and sulphite, g/L, at which a finished, clear wine of pH 3.5 counts as stabilised. Common practice, low ends. */
export const STABLE_SORBATE_GL = 0.2;
export const STABLE_METABISULPHITE_GL = 0.04;
const AT_PH = 3.5;

/** The pH of a vessel: as it was measured there, else by all that went in; the usual where no acid was written down. */
export const phIn = (fill: Fill): number => acidIn(fill).ph ?? AT_PH;

/** How much more of each it takes at a pH over the usual, for as much of it to work: of either, less does the less sharp it is. */
const moreAt = (ph: number) => ({
  sorbate: Math.max(1, activeShare(AT_PH) / activeShare(ph)),
  sulphite: Math.max(1, freeFor(1, ph) / freeFor(1, AT_PH))
});

/** Whether a vessel holds enough of both for its pH, given together. */
export function hasPreservers(fill: Fill): boolean {
  const litres = Math.max(fillL(fill), 0.01);
  if (fill.stable === null) return false;
  const more = moreAt(phIn(fill));
  return (
    fill.stable.sorbateG / litres >= STABLE_SORBATE_GL * more.sorbate &&
    fill.stable.sulphiteG / litres >= STABLE_METABISULPHITE_GL * more.sulphite
  );
}

/** Whether sugar can go into a vessel and stay sugar. */
export const isStable = (fill: Fill): boolean => hasPreservers(fill) && fill.stable!.wasFinished;
