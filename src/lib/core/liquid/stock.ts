import {
  ACIDS,
  acidCharge,
  H_TITRATION,
  hydrogenAt,
  TARTARIC_G_PER_EQ,
  type Acid,
  type AcidWater
} from './acid';
import { liquidOf } from './mix';
import { gramsPerLitre, SUCROSE_TO_HEXOSE } from './sugar';
import { WATER_20 } from './water';

/**
 * What a liquid holds, as masses (kg) and amounts (mol, eq). Additive: mixing is adding.
 * `solidsKg` counts everything dissolved, fermentable sugar included.
 */
export type Stock = {
  waterKg: number;
  ethanolKg: number;
  solidsKg: number;
  /** fermentable sugar as it weighs now, part of solidsKg */
  fermentableKg: number;
  /** the same sugar as hexose, water of hydrolysis taken up */
  hexoseKg: number;
  acidsMol: Record<Acid, number>;
  strongIonEq: number;
  bufferMol: number;
  carbonateMol: number;
  /** nitrogen that yeast can take */
  nitrogenMg: number;
};

export const emptyStock = (): Stock => ({
  waterKg: 0,
  ethanolKg: 0,
  solidsKg: 0,
  fermentableKg: 0,
  hexoseKg: 0,
  acidsMol: { tartaric: 0, malic: 0, citric: 0, oxalic: 0, lactic: 0, succinic: 0, acetic: 0 },
  strongIonEq: 0,
  bufferMol: 0,
  carbonateMol: 0,
  nitrogenMg: 0
});

/** Adds `share` of `other` into `stock`, in place. A negative share takes out. */
export function addInto(stock: Stock, other: Stock, share = 1): Stock {
  stock.waterKg += other.waterKg * share;
  stock.ethanolKg += other.ethanolKg * share;
  stock.solidsKg += other.solidsKg * share;
  stock.fermentableKg += other.fermentableKg * share;
  stock.hexoseKg += other.hexoseKg * share;
  const to = stock.acidsMol;
  const from = other.acidsMol;
  to.tartaric += from.tartaric * share;
  to.malic += from.malic * share;
  to.citric += from.citric * share;
  to.oxalic += from.oxalic * share;
  to.lactic += from.lactic * share;
  to.succinic += from.succinic * share;
  to.acetic += from.acetic * share;
  stock.strongIonEq += other.strongIonEq * share;
  stock.bufferMol += other.bufferMol * share;
  stock.carbonateMol += other.carbonateMol * share;
  stock.nitrogenMg += other.nitrogenMg * share;
  return stock;
}

/** A copy of `stock`, scaled. */
export const scaled = (stock: Stock, share = 1): Stock => addInto(emptyStock(), stock, share);

/**
 * All that a stock weighs, kg.
 * @example massOf(stockAt(10, 1.08)) // 10.781
 */
export const massOf = (stock: Stock): number => stock.waterKg + stock.ethanolKg + stock.solidsKg;

/**
 * Volume (L) and gravity of a stock at 20 °C; null when there is no liquid.
 * @example liquid(stockAt(10, 1.08))!.sg // 1.08
 */
export const liquid = (stock: Stock) => liquidOf(stock.waterKg, stock.ethanolKg, stock.solidsKg);

/** The stock's acidity, per litre of `volumeL`. */
export function acidWater(stock: Stock, volumeL: number): AcidWater {
  const acids: AcidWater['acids'] = {};
  for (const acid of ACIDS) if (stock.acidsMol[acid] > 0) acids[acid] = stock.acidsMol[acid] / volumeL;
  return {
    acids,
    strongIon: stock.strongIonEq / volumeL,
    buffer: stock.bufferMol / volumeL,
    carbonate: stock.carbonateMol / volumeL
  };
}

/** Adds so much of one acid, and of strong ion, that `volumeL` titrates to `taGL` and stands at `ph`. */
export function addAcidity(stock: Stock, acid: Acid, taGL: number, ph: number, volumeL: number): void {
  const h = hydrogenAt(ph);
  const eqL = Math.max(0, taGL / TARTARIC_G_PER_EQ - h);
  const molL = eqL / (acidCharge(acid, H_TITRATION) - acidCharge(acid, h));
  stock.acidsMol[acid] += molL * volumeL;
  stock.strongIonEq += (molL * acidCharge(acid, h) - h) * volumeL;
}

/**
 * A must of sugar and water alone that fills `volumeL` and reads `sg`.
 * @example liquid(stockAt(10, 1.08)).volumeL // 10
 */
export function stockAt(volumeL: number, sg: number): Stock {
  const stock = emptyStock();
  const solidsKgL = gramsPerLitre(sg) / 1000;
  stock.solidsKg = stock.fermentableKg = solidsKgL * volumeL;
  stock.hexoseKg = stock.solidsKg * SUCROSE_TO_HEXOSE;
  stock.waterKg = (sg * WATER_20 - solidsKgL) * volumeL;
  return stock;
}
