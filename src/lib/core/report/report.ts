import { standsOf, type Stands } from './stands';
import type { Caution } from '../cautions/scene';
import { cautionsAt } from '../cautions/rules';
import { abvRange } from '../ferment/alcohol';
import { checkBottling } from '../finish/judge';
import type { BottleType } from '../tables/bottles';
import type { Due } from '../steps/schedule';
import { evaluate } from '../must/evaluate';
import { liquid } from '../liquid/stock';
import type { Estimate } from '../units/range';
import { batchesOf, liveEvents, type LedgerEvent } from '../ledger/log';
import { acidOf, measuredPh } from '../ledger/acid-of';
import { addedSo2MgL, fillL, sorbateGL } from '../ledger/fill';
import { batchAt } from '../ledger/run';
import type { Heat } from '../ferment/heat';
import type { BatchState } from '../ledger/state';
import type { Belief } from '../belief/believe';
import { courseOf } from '../belief/course';
import { standingOf, type Stage } from '../belief/standing';
import { willHold } from '../ledger/will-hold';

/** A bottling that is asked about. */
export type AskedBottle = {
  vesselId?: string | undefined;
  type: BottleType;
  sizeL: number;
  primingGL?: number | undefined;
  clear: boolean;
  heat?: Heat | undefined;
};

export type Report = {
  stage: Stage;
  sg: Estimate | null;
  abv: Estimate;
  hexoseGL: Estimate;
  taGL: Estimate | null;
  ph: Estimate | null;
  vessels: {
    vesselId: string;
    volumeL: Estimate;
    abv: Estimate;
    hexoseGL: Estimate;
    so2MgL: Estimate;
    sorbateGL: Estimate;
  }[];
  due: { step: string; dueAt: string; lateAt: string; status: Due['status'] }[];
  cautions: Caution[];
  pressure: { bar20: number; ratingBar: number; level: 'fine' | 'warn' | 'stop'; reason: string } | null;
};

/** Spreads of what is told: a stem's reading, a mark, a powder weighed, acid by the table or measured. Common practice. */
const SPREAD = {
  sg: 0.002,
  volume: 0.03,
  powder: 0.1,
  taGL: 0.15,
  measuredTaGL: 0.4,
  ph: 0.2,
  measuredPh: 0.1
};
/** A point of gravity either way is so much sugar, g/L. */
const HEXOSE_GL = 5.2;

const around = (x: number, by: number, least = -Infinity): Estimate => ({
  low: Math.max(least, x - by),
  likely: x,
  high: x + by
});

/** pH and titratable acid of the must or wine, as measured or as the sums have it. */
function acidRanges(s: BatchState, belief: Belief | null): { taGL: Estimate | null; ph: Estimate | null } {
  const { ph, taGL, phFrom, taFrom } = acidOf(s);
  const bySums =
    taGL === null ? null : around(taGL, taFrom === 'sums' ? SPREAD.taGL * taGL : SPREAD.measuredTaGL, 0);
  return {
    taGL: ph !== null && belief ? belief.taGL : bySums,
    ph: ph === null ? null : around(ph, phFrom === 'sums' ? SPREAD.ph : SPREAD.measuredPh)
  };
}

function cautionsOf(
  { state: s, dangers: bursting }: Stands,
  ph: Estimate | null,
  isBottling: boolean
): Caution[] {
  const foreseen = measuredPh(s) === null ? evaluate(s.plan).estimate.ph : null;
  const scene = {
    plan: s.plan,
    volumeL: liquid(willHold(s))?.volumeL ?? 0,
    ph: ph?.likely ?? null,
    phHigh: Math.max(ph?.likely ?? 0, foreseen?.high ?? 0) || null
  };
  const dangers = bursting.map((d): Caution => ({
    id: 'pressure',
    level: 'stop',
    text: d.found
      ? `One of these bottles was opened and found ${d.found}: ${d.left} more may be so.`
      : `${d.left} bottles could reach ${d.bar20.toFixed(1)} bar in glass made for ${d.ratingBar}.`
  }));
  const doubts = s.doubts.map((d): Caution => ({
    id: `doubt-${d.code}`,
    level: 'warn',
    text: `The ${d.type} of ${new Date(d.at).toISOString()} cannot have been so.`
  }));
  return [
    ...dangers,
    ...doubts,
    ...cautionsAt(isBottling ? 'bottle' : 'ferment', { ...scene, intoGlass: isBottling })
  ];
}

/**
 * What a batch's page says of it at a moment, as data.
 * @param events of one batch
 * @param at ms; events after it are left out
 * @param bottle a bottling to be judged; the worst vessel when none is named
 * @returns null when no batch was begun
 */
export function reportOf(events: readonly LedgerEvent[], at: number, bottle?: AskedBottle): Report | null {
  const id = liveEvents(events).find((e) => e.type === 'planned')?.batchId;
  const mine = events.filter((e) => e.type === 'void' || (id !== undefined && batchesOf(e).includes(id)));
  const s = batchAt(mine, at);
  if (!s) return null;
  const stands = standsOf(s, standingOf(s), courseOf(s));
  const now = stands.standing;
  const acid = acidRanges(s, now.belief);
  const check = bottle
    ? checkBottling(
        s,
        bottle.type,
        bottle.primingGL ?? 0,
        bottle.clear,
        bottle.vesselId,
        now.belief,
        bottle.heat ?? null
      )
    : null;
  return {
    stage: now.stage,
    sg: now.sg ? around(now.sg.sg, SPREAD.sg) : null,
    abv: now.abv,
    hexoseGL: around(now.residualGL, HEXOSE_GL, 0),
    ...acid,
    vessels: s.fills.map((f) => {
      const litres = fillL(f);
      const hexoseGL = litres > 0 ? (1000 * f.stock.hexoseKg) / litres : 0;
      return {
        vesselId: f.vesselId,
        volumeL: around(litres, SPREAD.volume * litres),
        abv: abvRange(f.stock, f.unsureKg),
        hexoseGL: {
          ...around(hexoseGL, HEXOSE_GL, 0),
          high: hexoseGL + HEXOSE_GL + (litres > 0 ? (1000 * f.unshownKg) / litres : 0)
        },
        so2MgL: around(addedSo2MgL(f), SPREAD.powder * addedSo2MgL(f)),
        sorbateGL: around(sorbateGL(f), SPREAD.powder * sorbateGL(f))
      };
    }),
    due: stands.due.map((d) => ({
      step: d.step.id,
      dueAt: new Date(d.dueAt).toISOString(),
      lateAt: new Date(d.lateAt).toISOString(),
      status: d.status
    })),
    cautions: cautionsOf(stands, acid.ph, bottle !== undefined),
    pressure: check
      ? {
          bar20: check.verdict.bar20,
          ratingBar: check.verdict.ratingBar,
          level: check.verdict.level,
          reason: `${check.reachable.why} ${check.verdict.text}`
        }
      : null
  };
}
