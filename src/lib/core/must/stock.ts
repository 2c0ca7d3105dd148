import { ACIDS, type Acid, type Produce } from '../produce/schema';
import { liquidOf, solidsAt } from '../liquid/mix';
import { WATER_20 } from '../liquid/water';
import { ETHANOL_20 } from '../liquid/ethanol';
import { ACID_DATA, acidCharge, bufferCharge, TARTARIC_G_PER_EQ, waterIons, type AcidWater } from './acid';
import { drawn } from './draw';
import type { Ingredient } from './plan';
import { ACID_ADDITIONS, SUCROSE_TO_HEXOSE, SWEETENERS } from './substances';

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
  carbonateMol: 0
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
  return stock;
}

/** A copy of `stock`, scaled. */
export const scaled = (stock: Stock, share = 1): Stock => addInto(emptyStock(), stock, share);

export const massOf = (stock: Stock): number => stock.waterKg + stock.ethanolKg + stock.solidsKg;

/** Volume (L) and gravity of a stock at 20 °C; null when there is no liquid. */
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

/**
 * How far each uncertain figure of a produce lot lies from typical, as standard normals; 0 is typical.
 * Ripeness moves solids and sugars together.
 */
export type LotDraw = { ripeness: number; acids: number; ph: number; insolubles: number; usable: number };
export const TYPICAL: LotDraw = { ripeness: 0, acids: 0, ph: 0, insolubles: 0, usable: 0 };
export const LOT_DIMENSIONS = 5;

/** What one ingredient brings: what is liquid at once, and what the fruit still holds. */
export type Contribution = { poured: Stock; held: Stock; insolublesKg: number };

/** A produce entry's acids as a list, so that a draw need not look through all kinds. */
const acidList = new WeakMap<
  Produce,
  { acid: Acid; spread: readonly [number, number, number]; molPerG: number }[]
>();
function acidsOf(produce: Produce) {
  let list = acidList.get(produce);
  if (!list) {
    list = ACIDS.flatMap((acid) => {
      const spread = produce.acids[acid];
      return spread ? [{ acid, spread, molPerG: 1 / ACID_DATA[acid].molarMass }] : [];
    });
    acidList.set(produce, list);
  }
  return list;
}

/**
 * Adds what `massKg` of usable produce holds into `stock`; returns its insolubles, kg.
 * Dried flowers and herbs hold their fresh matter in what weight is left at 12 % water. Common practice.
 */
function addProduce(stock: Stock, produce: Produce, form: string, massKg: number, lot: LotDraw): number {
  const freshInsolubles = drawn(produce.insolubles, lot.insolubles) / 100;
  const freshSolids = Math.min(drawn(produce.solids, lot.ripeness) / 100, 0.99 - freshInsolubles);
  const freshSugar = Math.min(drawn(produce.sugars, lot.ripeness) / 100, freshSolids);
  const isDried = form === 'dried' && produce.family !== 'dried';
  const dryShare = freshSolids + freshInsolubles;
  const freshKg = isDried ? massKg * Math.min(0.88 / dryShare, 6) : massKg;
  stock.waterKg += massKg - freshKg * dryShare;
  stock.solidsKg += freshSolids * freshKg;
  stock.fermentableKg += freshSugar * freshKg;
  stock.hexoseKg += freshSugar * freshKg * (1 + produce.sucroseShare * (SUCROSE_TO_HEXOSE - 1));
  // The strong ion that gives this lot its pH, from its own acids in its own water.
  const h = 10 ** -drawn(produce.ph, lot.ph);
  const waterL = Math.max(0.05, 1 - dryShare);
  let ionEq = (1e-14 / h - h) * waterL + (produce.bufferMmolKg / 1000) * bufferCharge(h);
  for (const { acid, spread, molPerG } of acidsOf(produce)) {
    const mol = drawn(spread, lot.acids) * 10 * molPerG;
    stock.acidsMol[acid] += mol * freshKg;
    ionEq += mol * acidCharge(acid, h);
  }
  stock.strongIonEq += ionEq * freshKg;
  stock.bufferMol += (produce.bufferMmolKg / 1000) * freshKg;
  return freshInsolubles * freshKg;
}

/** Adds a produce row of the plan into `stock`, bought weight brought down to usable; returns its insolubles, kg. */
export function addProduceRow(
  stock: Stock,
  row: Extract<Ingredient, { kind: 'produce' }>,
  produce: Produce,
  lot: LotDraw
): number {
  const usable = row.weighed === 'bought' ? Math.min(1, drawn(produce.usable, lot.usable)) : 1;
  return addProduce(stock, produce, row.form ?? 'fresh', row.massKg * usable, lot);
}

/**
 * What an ingredient brings to the must.
 * @param ingredient from a valid plan
 * @param produce its table entry, when it is produce or juice
 * @param lot where this lot lies in the table's spreads
 */
export function contribution(
  ingredient: Ingredient,
  produce: Produce | undefined,
  lot: LotDraw
): Contribution {
  const poured = emptyStock();
  const held = emptyStock();
  let insolublesKg = 0;
  switch (ingredient.kind) {
    case 'produce': {
      insolublesKg = addProduceRow(held, ingredient, produce!, lot);
      break;
    }
    case 'juice': {
      const one = emptyStock();
      addProduce(one, produce!, 'fresh', 1, lot);
      const volume = liquid(one)!.volumeL;
      addInto(poured, one, ingredient.volumeL / volume);
      break;
    }
    case 'sugar':
    case 'honey': {
      const s = SWEETENERS[ingredient.kind === 'honey' ? 'honey' : ingredient.sugarId];
      poured.waterKg = s.water * ingredient.massKg;
      poured.solidsKg = s.solids * ingredient.massKg;
      poured.fermentableKg = s.fermentable * ingredient.massKg;
      poured.hexoseKg = poured.fermentableKg * s.toHexose;
      if (ingredient.kind === 'honey' || ingredient.sugarId === 'honey') {
        poured.acidsMol.lactic = HONEY_ACID_MOL_KG * ingredient.massKg;
        poured.strongIonEq = HONEY_ACID_MOL_KG * HONEY_NEUTRAL * ingredient.massKg;
      }
      break;
    }
    case 'water': {
      const ions = waterIons(ingredient.alkalinityMgL ?? 0);
      poured.waterKg = ingredient.volumeL * WATER_20;
      poured.strongIonEq = ions.strongIon * ingredient.volumeL;
      poured.carbonateMol = ions.carbonate * ingredient.volumeL;
      break;
    }
    case 'wine': {
      const ethanolKgL = (ingredient.abv / 100) * ETHANOL_20;
      const solidsKgL = Math.max(0, solidsAt(ingredient.sg, ethanolKgL)) / 1000;
      // About 22 g/L of a dry wine's extract is not sugar: acids, glycerol, minerals. Common practice.
      const sugarKgL = Math.max(0, solidsKgL - 0.022);
      poured.ethanolKg = ethanolKgL * ingredient.volumeL;
      poured.solidsKg = solidsKgL * ingredient.volumeL;
      poured.waterKg = Math.max(0, ingredient.sg * WATER_20 - ethanolKgL - solidsKgL) * ingredient.volumeL;
      poured.fermentableKg = poured.hexoseKg = sugarKgL * ingredient.volumeL;
      poured.acidsMol.tartaric = ((ingredient.taGL ?? 6) / TARTARIC_G_PER_EQ / 2) * 1.25 * ingredient.volumeL;
      poured.strongIonEq =
        poured.acidsMol.tartaric * 2 - ((ingredient.taGL ?? 6) / TARTARIC_G_PER_EQ) * ingredient.volumeL;
      break;
    }
    case 'acid': {
      const a = ACID_ADDITIONS[ingredient.acidId];
      if (a.acid) {
        poured.acidsMol[a.acid] = (ingredient.massKg * 1000 * a.purity) / ACID_DATA[a.acid].molarMass;
        poured.solidsKg = ingredient.massKg;
      } else {
        poured.strongIonEq = a.strongIonEqKg * ingredient.massKg;
        poured.carbonateMol = 0;
      }
      break;
    }
    case 'additive':
      break;
  }
  return { poured, held, insolublesKg };
}

/**
 * Honey's own acid is mostly gluconic, counted as lactic (nearly the same constant): about 35 mmol/kg,
 * half of it already salts, which gives honey its pH near 3.9.
 * @source published honey analyses (from memory)
 */
const HONEY_ACID_MOL_KG = 0.035;
const HONEY_NEUTRAL = 0.5;

/** Density of dissolved-solids-free pulp matter, kg/L: cellulose and seed are near 1.5. Handbook, from memory. */
export const INSOLUBLE_DENSITY = 1.5;
