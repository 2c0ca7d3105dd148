import type { Yeast } from '../plan/plan';
import { liquid, addInto, emptyStock, scaled, type Stock } from '../liquid/stock';
import { SO2_SHARE } from '../tables/doses';
import { asMeasured, mixedAcid, NOT_MEASURED, type MeasuredAcid } from './measured-acid';

/** A gravity read in one vessel, ms and 20/20. */
export type Read = { at: number; sg: number };

/** Sulphite and sorbate that were given together, and whether the wine was finished when they were. */
export type Stable = { at: number; sorbateG: number; sulphiteG: number; wasFinished: boolean };

/** A powder as it was last given, its parts of one evening together. */
type Given = { at: number; massG: number };

/** A vessel's share of the batch: what is in it, what went into that, and what has been seen of it. */
export type Fill = {
  vesselId: string;
  stock: Stock;
  /** hexose that has fermented in it, kg */
  fermentedKg: number;
  /** grams of each powder in it, by its id */
  powdersG: Record<string, number>;
  /** what it cost so far */
  cost: number;
  /** dissolved matter of fruit and juice that is no sugar, kg: the least sure part of a dry floor */
  extractKg: number;
  /** how far its soluble solids may be off what was written and what the table says, kg, one standard deviation */
  unsureKg: number;
  /** how far over the reckoned floor a dry wine may still read, where a reading has narrowed it; else null */
  slackSg: number | null;
  /** the strongest it was found to be, % vol */
  peakAbv: number;
  /** yeasts that came with other wine; the batch's own are in its pitches */
  yeasts: Yeast[];
  /** readings of this very wine since sugar, or other wine, last came to it; oldest first */
  reads: Read[];
  /** when this very wine was racked, ms, oldest first: of several vessels each is racked by itself */
  racked: number[];
  /** hexose that a reading of one of several vessels, nobody knows which, took away: not shown to be gone here, kg */
  unshownKg: number;
  given: { sorbate: Given | null; sulphite: Given | null };
  stable: Stable | null;
  /** what was measured of its acid */
  acid: MeasuredAcid;
  /** gravity that sweeteners which do not ferment lifted before the wine was seen to be dry: sugar can hide under it */
  maskedSg: number;
  /** hexose that came late to a wine nobody had seen to be dry, kg: it counts until a fall of its own is read */
  lateKg: number;
  /** a reading that no wine of this must can give, until another agrees with it */
  odd: Read | null;
};

export const emptyFill = (vesselId: string): Fill => ({
  vesselId,
  stock: emptyStock(),
  fermentedKg: 0,
  powdersG: {},
  cost: 0,
  extractKg: 0,
  unsureKg: 0,
  slackSg: null,
  peakAbv: 0,
  yeasts: [],
  reads: [],
  racked: [],
  unshownKg: 0,
  given: { sorbate: null, sulphite: null },
  stable: null,
  acid: NOT_MEASURED,
  maskedSg: 0,
  lateKg: 0,
  odd: null
});

/**
 * Litres of liquid in a vessel.
 * @example fillL({ stock: stockAt(5, 1.01) }) // 5
 */
export const fillL = (fill: Pick<Fill, 'stock'>): number => liquid(fill.stock)?.volumeL ?? 0;

/** Less than this in a vessel is what clings to the wall, L. */
export const A_DREG_L = 0.02;

const part = <T extends { massG: number } | null>(given: T, share: number): T =>
  given && { ...given, massG: given.massG * share };

const partOf = (s: Stable | null, share: number): Stable | null =>
  s && { ...s, sorbateG: s.sorbateG * share, sulphiteG: s.sulphiteG * share };

/** Two wines poured together are as safe as the less safe of them. */
const bothStable = (a: Stable | null, b: Stable | null): Stable | null =>
  a && b
    ? {
        at: Math.max(a.at, b.at),
        sorbateG: a.sorbateG + b.sorbateG,
        sulphiteG: a.sulphiteG + b.sulphiteG,
        wasFinished: a.wasFinished && b.wasFinished
      }
    : null;

/**
 * Adds `share` of another fill into one, in place: what it holds, all that went into it, and its living yeast.
 * What was seen of a wine goes along into an empty vessel; of two wines mixed nothing has been seen yet.
 */
export function pourInto(fill: Fill, other: Omit<Fill, 'vesselId'>, share = 1): Fill {
  const hereL = fillL(fill);
  const thereL = fillL(other) * share;
  if (hereL <= A_DREG_L) {
    fill.reads = [...other.reads];
    fill.racked = [...other.racked];
    fill.slackSg = other.slackSg;
    fill.given = { sorbate: part(other.given.sorbate, share), sulphite: part(other.given.sulphite, share) };
    fill.stable = partOf(other.stable, share);
    fill.acid = other.acid;
  } else if (thereL > A_DREG_L) {
    fill.reads = [];
    fill.slackSg =
      fill.slackSg === null || other.slackSg === null
        ? null
        : (fill.slackSg * hereL + other.slackSg * thereL) / (hereL + thereL);
    fill.given = { sorbate: null, sulphite: null };
    fill.stable = bothStable(fill.stable, partOf(other.stable, share));
    fill.acid = mixedAcid(fill, other, [hereL, thereL], () =>
      addInto(scaled(fill.stock), other.stock, share)
    );
  }
  addInto(fill.stock, other.stock, share);
  fill.fermentedKg += other.fermentedKg * share;
  fill.cost += other.cost * share;
  fill.extractKg += other.extractKg * share;
  fill.unsureKg += other.unsureKg * share;
  fill.unshownKg += other.unshownKg * share;
  fill.lateKg += other.lateKg * share;
  fill.maskedSg = Math.max(fill.maskedSg, other.maskedSg);
  fill.peakAbv = Math.max(fill.peakAbv, other.peakAbv);
  for (const y of other.yeasts)
    if (!fill.yeasts.some((x) => x.yeastId === y.yeastId && x.toleranceAbv === y.toleranceAbv))
      fill.yeasts = [...fill.yeasts, y];
  for (const [id, g] of Object.entries(other.powdersG))
    fill.powdersG[id] = (fill.powdersG[id] ?? 0) + g * share;
  return fill;
}

/** Keeps `share` of what is in a fill, in place; what is poured away was paid for all the same. */
export function keepShare(fill: Fill, share: number): void {
  fill.stock = scaled(fill.stock, share);
  fill.fermentedKg *= share;
  fill.extractKg *= share;
  fill.unsureKg *= share;
  fill.unshownKg *= share;
  fill.lateKg *= share;
  fill.given = { sorbate: part(fill.given.sorbate, share), sulphite: part(fill.given.sulphite, share) };
  fill.stable = partOf(fill.stable, share);
  // Its own from now on: what is read of the rest, or put into it, is none of a part that was taken before.
  fill.powdersG = Object.fromEntries(Object.entries(fill.powdersG).map(([id, g]) => [id, g * share]));
  fill.reads = [...fill.reads];
  fill.racked = [...fill.racked];
}

/** Sulphur dioxide put into a fill, free and bound together, mg/L. */
export function addedSo2MgL(fill: Fill): number {
  const litres = fillL(fill);
  const g = (fill.powdersG.campden ?? 0) + (fill.powdersG.metabisulphite ?? 0);
  return litres > 0 ? (1000 * g * SO2_SHARE.potassium) / litres : 0;
}

/** Potassium sorbate in a fill, g/L. */
export function sorbateGL(fill: Fill): number {
  const litres = fillL(fill);
  return litres > 0 ? (fill.powdersG.sorbate ?? 0) / litres : 0;
}

/** A share of a wine as a blend writes it down: what it holds, and the living yeast in it. */
export function asBlended(fill: Fill, share: number, own: readonly Yeast[]) {
  const poured = pourInto(emptyFill(fill.vesselId), fill, share);
  const { stock, fermentedKg, powdersG, cost, extractKg, yeasts, stable } = poured;
  const acid = asMeasured(poured);
  return {
    stock,
    fermentedKg,
    powdersG,
    cost,
    extractKg,
    yeasts: [...own, ...yeasts].slice(0, 20),
    ...(stable ? { stable } : {}),
    ...(Object.keys(acid).length > 0 ? { acid } : {})
  };
}
