import { abvOf } from '$core/ferment/convert';
import { acidityOf } from '$core/liquid/acidity';
import { kindWays } from '$core/must/adjust';
import { afterTrial, glassesOf, type Trial } from '$core/finish/trial';
import { sweeten, type Sweetened } from '$core/finish/sweeten';
import { toldOf } from '$core/finish/wine';
import { fillL, type Fill } from '$core/ledger/fill';
import { acidIn } from '$core/ledger/measured-acid';
import type { LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import type { BatchState } from '$core/ledger/state';
import { likelyStock } from '$core/belief/likely-stock';
import type { Batch } from '$lib/store/household.svelte';
import { amountOf, type Ingredient } from '$core/plan/plan';
import { parseGravity } from '$core/units/parse';
import { parseNumber } from '$core/units/number';
import type { Settings } from '$core/units/settings';
import { explain } from '../words/own-units';
import { readTrial } from './read-trial';
import { withOf } from './sweet-with';

/** The fields of the form, as it opens. */
export const START = {
  vessel: '',
  with: 'white',
  /** sweet: to g/L; sg: to a gravity; glass: as the glass one liked */
  by: 'sweet',
  sweet: '13',
  sg: '',
  ta: '',
  glasses: '5',
  glass: '100',
  step: '6',
  order: '',
  liked: '',
  poured: 'yes',
  weighed: '',
  when: ''
};

type At = { sweetGL: number; taGL: number };
export type Sweetening = {
  trial: Trial;
  to: Sweetened;
  /** strength it then has: what is believed of it now, thinned by what goes in, % vol */
  abv: number;
  /** what goes in of the sweetener, none where it is sweet enough; and acid, or what takes it away */
  sweet: Ingredient[];
  acid: Ingredient[];
  /** of it still to weigh, kg; or to pour, L */
  toWeigh: number;
  inGlasses: number;
  tried: { volumeL: number; returned: boolean } | null;
  now: At;
  /** where it is wanted, and where what goes in brings it */
  target: At;
  then: At;
  glasses: (At & { label: string })[];
  /** why the acid goes no further than it does: what it would do to the pH, or the dose; null where it goes as far as was asked */
  stops: 'ph' | 'dose' | null;
};

/** Acid nearer than this to what is wanted is left alone, g/L. */
const TASTES_GL = 0.15;

/**
 * What sweetening a vessel comes to, by what stands in the form; or why it cannot be.
 */
export function sweetening(
  { state: s, standing }: Pick<Batch, 'state' | 'standing'>,
  fill: Fill,
  f: typeof START,
  settings: Pick<Settings, 'waterAlkalinityMgL'>
): Sweetening | { error: string; trial: Trial } {
  let trial: Trial = { glasses: 5, glassL: 0.1, stepGL: 6 };
  try {
    trial = readTrial(f, 60);
    const { of, sweetness: perGram } = withOf(f.with, s.plan);
    const litres = fillL(fill);
    const stock = likelyStock(fill, standing.belief);
    const hexoseGL = (1000 * stock.hexoseKg) / litres;
    const counted = acidityOf(stock).taGL;
    const taGL = acidIn(fill).taGL ?? counted;
    const now = { sweetGL: hexoseGL, taGL };
    const glasses = glassesOf(trial).map((g) => ({
      label: g.label,
      sweetGL: hexoseGL + perGram * g.addGL,
      taGL
    }));
    const isByGlass = f.by === 'glass';
    const liked = isByGlass && f.liked !== '' ? glassesOf(trial)[Number(f.liked)] : undefined;
    const after = isByGlass ? afterTrial(stock, trial, liked?.addGL ?? 0, of, f.poured === 'yes') : null;
    const to =
      after?.whole ??
      sweeten(
        stock,
        f.by === 'sg'
          ? { toSg: parseGravity(f.sg) }
          : { sweeterGL: Math.max(0, (parseNumber(f.sweet) ?? 0) - hexoseGL) },
        of
      );
    const acid = acidTo(to, f.ta, taGL - counted, settings.waterAlkalinityMgL);
    const sweetGL = (hexoseGL * litres) / toldOf(to.stock).volumeL + to.sweetGL;
    const told = standing.belief?.vessels[fill.vesselId]?.abv.likely;
    const byLedger = abvOf(stock);
    const abv = told === undefined || byLedger <= 0 ? to.abv : (told * to.abv) / byLedger;
    return {
      trial,
      to,
      abv,
      sweet: amountOf(to.item) > 1e-6 ? [to.item] : [],
      acid: acid.items,
      toWeigh: after?.toWeighKg ?? amountOf(to.item),
      inGlasses: after?.inGlassesKg ?? 0,
      tried: after ? { volumeL: after.glassesL, returned: f.poured === 'yes' } : null,
      now,
      target: { sweetGL, taGL: acid.wantedGL },
      then: { sweetGL, taGL: acid.taGL },
      stops: acid.stops,
      glasses
    };
  } catch (e) {
    return { error: explain(e), trial };
  }
}

/** So many tastings are shown, the last of them. */
const MOST_TASTED = 5;

/** Where a wine stood when it was tasted, by the jar that is sweetened, and how well it was liked. */
export const tastedOf = (
  events: readonly LedgerEvent[],
  s: Pick<BatchState, 'tastings'>,
  vesselId: string
): (At & { label: string })[] =>
  s.tastings.slice(-MOST_TASTED).flatMap(({ at, liking }) => {
    const then = foldBatch(events, at);
    const fill = then?.fills.find((f) => f.vesselId === vesselId) ?? then?.fills[0];
    if (!fill || fillL(fill) <= 0) return [];
    return [
      {
        label: liking === null ? 'tasted' : `${liking} of 5`,
        sweetGL: (1000 * fill.stock.hexoseKg) / fillL(fill),
        taGL: acidIn(fill).taGL ?? 0
      }
    ];
  });

/**
 * What brings the acid to where it was asked for; nothing where that is nearer than anyone tastes.
 * @param overGL how much more was measured than the sums have
 */
function acidTo(
  to: Sweetened,
  wanted: string,
  overGL: number,
  alkalinityMgL: number
): { items: Ingredient[]; taGL: number; wantedGL: number; stops: Sweetening['stops'] } {
  const asItIs = acidityOf(to.stock).taGL + overGL;
  const ta = wanted.trim() === '' ? null : parseNumber(wanted);
  if (ta === null) return { items: [], taGL: asItIs, wantedGL: asItIs, stops: null };
  if (Math.abs(ta - asItIs) < TASTES_GL) return { items: [], taGL: asItIs, wantedGL: ta, stops: null };
  const way = kindWays(to.stock, { taGL: ta - overGL }, alkalinityMgL).find((w) => w.id !== 'water');
  if (!way) return { items: [], taGL: asItIs, wantedGL: ta, stops: 'ph' };
  return { items: [way.item], taGL: way.after.taGL + overGL, wantedGL: ta, stops: way.stops };
}
