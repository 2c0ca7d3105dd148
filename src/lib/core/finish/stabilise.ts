import { ledgerAbv } from '../ferment/alcohol';
import type { Belief } from '../belief/believe';
import { likelyStock } from '../belief/likely-stock';
import { isFinished } from '../ledger/evidence';
import { acidIn } from '../ledger/measured-acid';
import { STABLE_METABISULPHITE_GL, STABLE_SORBATE_GL } from '../ledger/preserved';
import { fillL, type Fill } from '../ledger/fill';
import { clarityOf, limitIn, type BatchState } from '../ledger/state';
import { acidityOf } from '../liquid/acidity';
import { DOSES } from '../tables/doses';
import { sorbateDoseGL } from './sorbate';
import { sulphiteDose, type SulphiteDose, type WineStyle } from './sulphite';

export type Stabilising = {
  volumeL: number;
  ph: number;
  /** whether somebody measured it; else it is what went in that says so */
  isMeasured: boolean;
  abv: number;
  sulphite: SulphiteDose;
  metabisulphiteG: number;
  /** whether its pH asks for more than anyone gives: then this is the most, and protects less */
  isMost: boolean;
  sorbateG: number;
};

type StabiliseBy = {
  style?: WineStyle;
  /** free sulphur dioxide that was measured in it; then nothing more binds. Left away, what was written down of it */
  freeMgL?: number;
  /** what its possible wines say of it, where they were asked */
  belief?: Pick<Belief, 'vessels'> | null;
};

/**
 * Sulphite and sorbate for one vessel, by its pH and its strength: with what a first dose loses to binding, and never
 * less than what keeps a sweet wine from waking, nor more than anyone gives.
 * @throws InputError where its pH is past what any sane dose protects
 */
export function stabilising(
  s: Pick<BatchState, 'freeSo2' | 'at' | 'fills'>,
  fill: Fill,
  { style = 'white', freeMgL = freeMeasured(s, fill), belief = null }: StabiliseBy = {}
): Stabilising {
  const stock = likelyStock(fill, belief);
  const volumeL = fillL(fill);
  const acid = acidIn(fill);
  const ph = acid.ph ?? acidityOf(stock).ph;
  const abv = ledgerAbv(stock).low;
  const sulphite = sulphiteDose({ volumeL, ph, style, ...(freeMgL === undefined ? {} : { freeMgL }) });
  const asked = freeMgL === undefined ? sulphite.withBoundG.low : sulphite.metabisulphiteG;
  const mostG = DOSES.metabisulphite.perL[2] * volumeL;
  return {
    volumeL,
    ph,
    isMeasured: acid.phFrom !== 'sums',
    abv,
    sulphite,
    metabisulphiteG: Math.max(Math.min(asked, mostG), STABLE_METABISULPHITE_GL * volumeL),
    isMost: asked > mostG,
    sorbateG: Math.max(sorbateDoseGL(abv, ph), STABLE_SORBATE_GL) * volumeL
  };
}

/** A measured free sulphur dioxide speaks for so long. Ours: it goes by days and by air. */
const SPEAKS_MS = 14 * 24 * 3_600_000;

/**
 * Free sulphur dioxide that was measured in this very vessel since a dose last went in, mg/L; undefined where none was,
 * or too long ago to count on.
 */
export function freeMeasured(
  s: Pick<BatchState, 'freeSo2' | 'at' | 'fills'>,
  fill: Fill
): number | undefined {
  const last = s.freeSo2.findLast((m) =>
    m.vesselId === null ? s.fills.length === 1 : m.vesselId === fill.vesselId
  );
  const since = Math.max(fill.given.sulphite?.at ?? 0, fill.racked.at(-1) ?? 0);
  return last && last.at >= since && s.at - last.at <= SPEAKS_MS ? last.mgL : undefined;
}

/**
 * What stands between a vessel and being stabilised: a ferment that nobody has seen to be over, or a cloud, which is
 * yeast. Sorbate stops no running ferment.
 */
export type Hindrance = 'malolactic' | 'not-finished' | 'not-clear';

/** Malolactic bacteria went in: no sorbate goes with them. */
export const hasBacteria = (fill: Pick<Fill, 'powdersG'>): boolean => (fill.powdersG.malolactic ?? 0) > 0;

export function hindrancesOf(s: BatchState, fill: Fill): Hindrance[] {
  const out: Hindrance[] = hasBacteria(fill) ? ['malolactic'] : [];
  if (!isFinished(fill, limitIn(s, fill))) out.push('not-finished');
  const clarity = clarityOf(s, fill.vesselId);
  if (clarity !== null && clarity !== 'clear') out.push('not-clear');
  return out;
}
