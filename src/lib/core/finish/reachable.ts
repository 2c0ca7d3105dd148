import { counted } from '../units/format';
import { ledgerAbv } from '../ferment/alcohol';
import { abvOf, reachableHexose } from '../ferment/convert';
import { ETHANOL_20 } from '../liquid/ethanol';
import { dryFloor, isFinished, readsDry, stillnessOf } from '../ledger/evidence';
import { fillL, type Fill } from '../ledger/fill';
import { isUndisturbed } from '../ledger/held';
import { hasPreservers, phIn } from '../ledger/preserved';
import { limitIn, toleranceIn, type BatchState } from '../ledger/state';
import { liquid, scaled, type Stock } from '../liquid/stock';

/** What one gravity point more of sugar is, g/L of hexose: a reading may be out by two. */
const GL_PER_POINT = 2.6;

/** What fruit may still hold without a word, g/L. */
const HELD_GL = 1;

export type Reachable = {
  hexoseGL: number;
  why: string;
  needsReading: boolean;
  /** a reading at or under this gravity, three days still, would clear it; null where none can */
  clearsAtSg: number | null;
  /** sulphite and sorbate would hold it, were it clear */
  needsClear: boolean;
};

/** The same wine at the low end of its strength, so that headroom is judged on the safe side. */
function weaker(stock: Stock): Stock {
  const weak = scaled(stock);
  const now = liquid(stock);
  if (now) weak.ethanolKg = ((now.volumeL * ledgerAbv(stock).low) / 100) * ETHANOL_20;
  return weak;
}

/** A vessel with what its fruit still holds, and what no reading of its own has shown to be gone. */
function withHidden(fill: Fill, heldKg: number): Stock {
  const stock = scaled(fill.stock);
  const kg = heldKg + Math.max(fill.unshownKg, fill.lateKg);
  stock.hexoseKg += kg;
  stock.fermentableKg += kg;
  stock.solidsKg += kg;
  return stock;
}

/**
 * Sugar that living yeast could still reach in one vessel once the bottle is closed, g/L of hexose.
 * Everything in the ledger counts unless this vessel's own readings show it to be gone. Strength is taken low and
 * tolerance high, because a yeast that stopped early has only stalled; a strength over the tolerance disproves it.
 * @param s whose pitches say which yeast is in it
 * @param isClear what the winemaker says of it; sorbate and sulphite hold only in clear wine
 * @param heldKg hexose that fruit may still give to it, kg
 */
export function reachableIn(
  s: Pick<BatchState, 'pitches' | 'plan' | 'readings'>,
  fill: Fill,
  isClear: boolean,
  heldKg = 0
): Reachable {
  const litres = fillL(fill);
  if (litres <= 0)
    return {
      hexoseGL: 0,
      why: 'There is nothing in the vessel.',
      needsReading: false,
      clearsAtSg: null,
      needsClear: false
    };
  const tolerance = toleranceIn(s, fill);
  const stock = withHidden(fill, heldKg);
  const strength = Math.max(abvOf(fill.stock), fill.peakAbv);
  const isPast = strength >= tolerance[2];
  const reach = (extraGL: number) => {
    const sweet = weaker(stock);
    const extraKg = (extraGL * litres) / 1000;
    sweet.hexoseKg += extraKg;
    sweet.fermentableKg += extraKg;
    sweet.solidsKg += extraKg;
    // More sugar than the liquid can hold: all of it counts.
    const isAll = isPast || !liquid(sweet);
    return (1000 * (isAll ? sweet.hexoseKg : reachableHexose(sweet, tolerance[2]))) / litres;
  };
  const floor = dryFloor(fill);
  const clearsAtSg = floor && floor.sg + floor.slackSg;
  const dry = readsDry(fill);
  const still = stillnessOf(fill);
  const holdsFruit = heldKg > (HELD_GL * litres) / 1000;
  const yes = (why: string): Reachable => ({
    hexoseGL: 0,
    why,
    needsReading: false,
    clearsAtSg: null,
    needsClear: false
  });
  const isWeak = fill.stable?.wasFinished && isClear && !hasPreservers(fill);
  const weak = isWeak ? `What was given to stabilise it is too little at pH ${phIn(fill).toFixed(1)}. ` : '';
  const wouldHold =
    hasPreservers(fill) &&
    isUndisturbed(s, fill) &&
    (fill.stable!.wasFinished || isFinished(fill, limitIn(s, fill)));
  const no = (extraPoints: number, why: string, needsReading: boolean): Reachable => ({
    hexoseGL: reach(extraPoints * GL_PER_POINT),
    why: weak + why,
    needsReading,
    clearsAtSg,
    needsClear: wouldHold
  });

  if (wouldHold && isClear) return yes('Finished, clear, and stabilised with sulphite and sorbate together.');
  if (dry.isDry && !holdsFruit)
    return yes(`Still for ${counted(dry.days, 'day')} where the sums say its sugar is gone.`);
  if (s.readings.length === 0)
    return no(
      0,
      'No gravity was ever read, so all the sugar that went in counts as still there. Read it first.',
      true
    );
  if (holdsFruit) return no(2, 'The fruit in it still holds sugar.', false);
  if (fill.reads.length === 0)
    return no(
      2,
      'This vessel has not been read since sugar, or other wine, last came to it: what it held then counts.',
      true
    );
  if (isPast && still.steady)
    return no(
      1,
      `${strength.toFixed(1)} % is more than its yeast is known to stand, so nobody knows where it stops, or something was not as written. All its sugar counts.`,
      false
    );
  if (still.steady)
    return no(
      1,
      `It has stopped at ${fill.reads.at(-1)!.sg.toFixed(3)} with sugar left. A stall is not an end: warmth can wake it.`,
      false
    );
  return no(
    2,
    'Two readings of this vessel, three days apart, that agree would show that it has finished. There are none yet.',
    true
  );
}
