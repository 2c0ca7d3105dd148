import { ledgerAbv } from '../ferment/alcohol';
import { reachableHexose } from '../ferment/convert';
import { fillL, type Fill } from '../ledger/fill';
import { batchTolerance, contents, type BatchState } from '../ledger/fold';
import { expectedFinish, steadiness } from '../ledger/standing';
import { addInto, liquid, scaled, type Stock } from '../must/stock';
import { ETHANOL_20 } from '../liquid/ethanol';

/** Sorbate and sulphite, g/L, at which a finished, clear wine counts as stabilised. Common practice, low ends. */
export const STABLE_SORBATE_GL = 0.2;
export const STABLE_METABISULPHITE_GL = 0.04;

/** What one gravity point more of sugar is, g/L of hexose: a reading may be out by two. */
const GL_PER_POINT = 2.6;

/**
 * A month without movement is more evidence than three days: it may then stand a little above where
 * the sums say it should end, since what fruit leaves unfermented is only known roughly. Common practice.
 */
const LONG_STILL_DAYS = 30;
const LONG_STILL_SG = 0.003;

export type Reachable = { hexoseGL: number; why: string; needsReading: boolean };

/** Whether every one of these vessels has sulphite and sorbate enough for what is in it. */
const stabilised = (fills: readonly Fill[]): boolean =>
  fills.length > 0 &&
  fills.every((f) => {
    const gL = (id: string) => (f.powdersG[id] ?? 0) / Math.max(fillL(f), 0.01);
    return (
      gL('sorbate') >= STABLE_SORBATE_GL && gL('metabisulphite') + gL('campden') >= STABLE_METABISULPHITE_GL
    );
  });

/** The same wine at the low end of its strength, so that headroom is judged on the safe side. */
function weaker(stock: Stock): Stock {
  const low = ledgerAbv(stock).low;
  const weak = scaled(stock);
  weak.ethanolKg = ((liquid(stock)!.volumeL * low) / 100) * ETHANOL_20;
  return weak;
}

/**
 * Sugar that living yeast could still reach once the bottle is closed, g/L of hexose.
 * Everything in the ledger counts unless it is shown to be gone: no reading means all of it.
 * Strength is taken low and tolerance high, because a yeast that stopped early has only stalled.
 * @param isClear what the winemaker says of it; sorbate and sulphite hold only in clear wine
 * @param vesselId the vessel that is bottled; all of them when it is not said
 */
export function reachableAtBottling(s: BatchState, isClear: boolean, vesselId?: string): Reachable {
  const fills = s.fills.filter((f) => !vesselId || f.vesselId === vesselId);
  // What fruit still holds may end in any of the vessels: it counts in each.
  const stock = addInto(contents({ fills }), s.held);
  const litres = liquid(stock)?.volumeL ?? 0;
  if (litres <= 0) return { hexoseGL: 0, why: 'There is nothing in the vessel.', needsReading: false };
  const most = batchTolerance(s)[2];
  const reach = (extraGL: number) => {
    const sweet = weaker(stock);
    const extraKg = (extraGL * litres) / 1000;
    sweet.hexoseKg += extraKg;
    sweet.fermentableKg += extraKg;
    sweet.solidsKg += extraKg;
    return (1000 * reachableHexose(sweet, most)) / litres;
  };
  const still = steadiness(s);
  const end = expectedFinish(s)!;
  const last = s.readings.at(-1);
  if (!last)
    return {
      hexoseGL: reach(0),
      why: 'No gravity was ever read, so all the sugar that went in counts as still there. Read it first.',
      needsReading: true
    };
  if (still.steady && stabilised(fills) && isClear)
    return {
      hexoseGL: 0,
      why: 'Still, clear, and stabilised with sulphite and sorbate.',
      needsReading: false
    };
  const slack = still.days >= LONG_STILL_DAYS ? LONG_STILL_SG : 0;
  if (still.steady && !end.stoppedByAlcohol && last.sg <= end.sg.high + slack)
    return {
      hexoseGL: 0,
      why: `Still for ${still.days.toFixed(0)} days where the sums say it should end.`,
      needsReading: false
    };
  if (still.steady)
    return {
      hexoseGL: reach(GL_PER_POINT),
      why: `It has stopped at ${last.sg.toFixed(3)} with sugar left. A stall is not an end: warmth can wake it.`,
      needsReading: false
    };
  return {
    hexoseGL: reach(2 * GL_PER_POINT),
    why: 'Two readings three days apart that agree would show that it has finished. There are none yet.',
    needsReading: true
  };
}
