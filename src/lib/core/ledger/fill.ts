import { liquid, addInto, emptyStock, scaled, type Stock } from '../must/stock';
import { SO2_SHARE } from '../scale/doses';

/** A vessel's share of the batch: what is in it, and what went into that. */
export type Fill = {
  vesselId: string;
  stock: Stock;
  /** hexose that has fermented in it, kg */
  fermentedKg: number;
  /** grams of each powder in it, by its id */
  powdersG: Record<string, number>;
  /** what it cost so far */
  cost: number;
};

export const emptyFill = (vesselId: string): Fill => ({
  vesselId,
  stock: emptyStock(),
  fermentedKg: 0,
  powdersG: {},
  cost: 0
});

export const fillL = (fill: Fill): number => liquid(fill.stock)?.volumeL ?? 0;

/** Adds `share` of another fill into one, in place: what it holds and all that went into it. */
export function pourInto(fill: Fill, other: Omit<Fill, 'vesselId'>, share = 1): Fill {
  addInto(fill.stock, other.stock, share);
  fill.fermentedKg += other.fermentedKg * share;
  fill.cost += other.cost * share;
  for (const [id, g] of Object.entries(other.powdersG))
    fill.powdersG[id] = (fill.powdersG[id] ?? 0) + g * share;
  return fill;
}

/** Keeps `share` of what is in a fill, in place; what is poured away was paid for all the same. */
export function keepShare(fill: Fill, share: number): void {
  fill.stock = scaled(fill.stock, share);
  fill.fermentedKg *= share;
  for (const id of Object.keys(fill.powdersG)) fill.powdersG[id]! *= share;
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
