import { pulpL } from '../must/strain';
import type { Plan } from '../plan/plan';
import { liquid } from '../liquid/stock';
import { A_DREG_L, emptyFill, fillL, keepShare, type Fill } from './fill';
import { doubt, type Lot, type Working } from './state';

/** The fill of a vessel, made when nothing stands in it yet. */
export function fillOf(s: Working, vesselId: string): Fill {
  const there = s.fills.find((f) => f.vesselId === vesselId);
  if (there) return there;
  const made = emptyFill(vesselId);
  s.fills.push(made);
  return made;
}

/** The vessels an event speaks of: the one it names, or all. */
export const named = (s: Working, vesselId: string | undefined): Fill[] =>
  vesselId ? s.fills.filter((f) => f.vesselId === vesselId) : s.fills;

/** Each fill's share of what they hold together; the first takes all when they are empty. */
export function sharesOf(fills: readonly Fill[]): number[] {
  const litres = fills.map(fillL);
  const total = litres.reduce((sum, l) => sum + l, 0);
  return litres.map((l, i) => (total > 0 ? l / total : i === 0 ? 1 : 0));
}

/** A measure may lie so far over what the sums have, and stand; beyond that it is asked about. */
export const FAR_OVER = 0.15;
/**
 * What is left in a vessel is sediment, unless it was said, up to this share: a racking is of all there is, as a
 * rule, and its litres are by eye; where it is asked, lees are up to an eighth; bottles are counted. Half a litre always is. Common practice.
 */
const SEDIMENT = { rack: 0.25, lees: 0.13, bottle: 0.08, litres: 0.5 } as const;

/**
 * Whether so much left behind would be taken for sediment.
 * @example isSediment(0.2, 10, 'lees') // true
 */
export const isSediment = (leftL: number, ofL: number, at: 'rack' | 'lees' | 'bottle'): boolean =>
  leftL <= Math.max(SEDIMENT.litres, SEDIMENT[at] * ofL);

/**
 * Takes litres out of a vessel, and leaves the rest there unless it is sediment.
 * @returns the share of what was there that each litre is worth: what is measured stands, within reason
 */
export function takeFrom(
  s: Working,
  source: Fill,
  outL: number,
  at: 'rack' | 'bottle',
  emptied?: boolean
): number {
  const thereL = fillL(source);
  if (thereL <= 0) return 0;
  if (outL > (1 + FAR_OVER) * thereL + 0.3) doubt(s, 'more-than-there');
  const perL = 1 / Math.max(thereL, outL / (1 + FAR_OVER));
  const leftL = Math.max(0, thereL - outL);
  const isEmpty = emptied ?? isSediment(leftL, thereL, at);
  if (isEmpty) {
    s.lostL += leftL;
    s.fills = s.fills.filter((f) => f !== source);
  }
  return perL;
}

/** The vessel a lot gives to: its own, or the first where that is gone. */
export const givesTo = (s: Pick<Working, 'fills'>, lot: Lot): Fill | undefined =>
  s.fills.find((f) => f.vesselId === lot.vesselId) ?? s.fills[0];

/** Takes lots out of their vessels, with the liquid that their pulp keeps. */
export function takeOut(
  s: Working,
  lots: readonly Lot[],
  press: Plan['press'],
  leftL: number | undefined,
  at: number
): void {
  const vessels = new Set(lots.map((l) => l.vesselId));
  const fills = s.fills.filter((f) => lots.length === 0 || vessels.has(f.vesselId));
  const total = fills.reduce((sum, f) => sum + fillL(f), 0);
  const pulpKg = lots.reduce((sum, l) => sum + l.pulpKg, 0);
  const foundL = leftL === undefined ? null : Math.min(leftL, (1 + FAR_OVER) * total + 0.5);
  if (leftL !== undefined && foundL! < leftL) doubt(s, 'more-than-measured');
  const afterL = Math.max(0, total - pulpL(press, pulpKg));
  const keep = total > 0 ? (foundL ?? afterL) / total : 1;
  for (const f of fills) keepShare(f, keep);
  s.flows.push({ at, kind: 'out', lotIds: lots.map((l) => l.id) });
  for (const f of fills) s.flows.push({ at, kind: 'keep', vesselId: f.vesselId, share: keep });
  s.lostL += Math.max(0, total * (1 - keep));
  if (foundL !== null && Math.abs(foundL - afterL) > 0.02 * total)
    s.corrections.push({ kind: 'volume', at, expectedL: afterL, foundL });
  s.lots = s.lots.filter((l) => !lots.includes(l));
}

/** What the mark shows stands; the wine in there stays what it was. */
export function correctVolume(s: Working, fills: readonly Fill[], foundL: number, at: number): void {
  const expectedL = fills.reduce((sum, f) => sum + fillL(f), 0);
  if (expectedL <= 0 || foundL <= 0) return;
  if (foundL > (1 + FAR_OVER) * expectedL + 0.5) return doubt(s, 'more-than-measured');
  for (const f of fills) keepShare(f, foundL / expectedL);
  s.flows.push({ at, kind: 'mark', vesselIds: fills.map((f) => f.vesselId), foundL });
  if (Math.abs(foundL - expectedL) > 0.02 * expectedL)
    s.corrections.push({ kind: 'volume', at, expectedL, foundL });
}

/** Takes so many litres out of the vessels an event names, from each by what stands in it. */
export function draw(s: Working, vesselId: string | undefined, volumeL: number): void {
  const fills = named(s, vesselId);
  const total = fills.reduce((sum, f) => sum + fillL(f), 0);
  if (total <= 0) return doubt(s, 'not-there');
  if (volumeL > 1.02 * total + 0.05) doubt(s, 'more-than-there');
  const share = Math.max(0, 1 - volumeL / total);
  for (const f of fills) {
    keepShare(f, share);
    s.flows.push({ at: s.eventAt, kind: 'keep', vesselId: f.vesselId, share });
  }
  s.lostL += Math.min(volumeL, total);
  s.fills = s.fills.filter((f) => !fills.includes(f) || fillL(f) > A_DREG_L);
}

/** Wines that differ by no more than this in gravity, by the sums, are alike. */
const ALIKE_SG = 0.001;

/** Whether a reading of one of these vessels may stand for the others: the same wine, by the sums. */
export function areAlike(fills: readonly Fill[]): boolean {
  const sgs = fills.flatMap((f) => liquid(f.stock)?.sg ?? []);
  return sgs.length === 0 || Math.max(...sgs) - Math.min(...sgs) <= ALIKE_SG;
}
