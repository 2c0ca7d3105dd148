import {
  ACID_DATA,
  ACIDS,
  acidCharge,
  bufferCharge,
  H_TITRATION,
  hydrogenAt,
  TARTARIC_G_PER_EQ,
  waterIons,
  type Acid
} from '../liquid/acid';
import { ETHANOL_20 } from '../liquid/ethanol';
import { solidsAt } from '../liquid/mix';
import { SUCROSE_TO_HEXOSE } from '../liquid/sugar';
import { addAcidity, addInto, emptyStock, liquid, type Stock } from '../liquid/stock';
import { WATER_20 } from '../liquid/water';
import { drawn } from '../maths/draw';
import {
  juiceLPerKg,
  NITROGEN_MG_KG,
  pulpFactor,
  RIPENESS,
  THAW_JUICE,
  type Ripeness
} from '../plan/extraction';
import type { Ingredient, JuiceReading } from '../plan/plan';
import type { Produce } from '../tables/produce';
import { SWEETENERS, type Sweetener } from '../tables/sweeteners';
import { ACID_ADDITIONS, NITROGEN_MG_G } from '../tables/substances';

/**
 * How far each uncertain figure of a produce lot lies from typical, as standard normals; 0 is typical.
 * Ripeness moves solids and sugars together; pace is how fast it gives, and how well it presses.
 */
export type LotDraw = {
  ripeness: number;
  acids: number;
  ph: number;
  insolubles: number;
  usable: number;
  nitrogen: number;
  pace: number;
};
export const TYPICAL: LotDraw = {
  ripeness: 0,
  acids: 0,
  ph: 0,
  insolubles: 0,
  usable: 0,
  nitrogen: 0,
  pace: 0
};
export const LOT_DIMENSIONS = 7;

type ProduceItem = Extract<Ingredient, { kind: 'produce' }>;
type JuiceItem = Extract<Ingredient, { kind: 'juice' }>;
type Lot = { ripeness?: Ripeness | undefined; measured?: JuiceReading | undefined };

/** What one ingredient brings: what is liquid at once, what the fruit still holds, and what of it stays pulp. */
export type Contribution = { poured: Stock; held: Stock; insolublesKg: number; pulpKg: number };

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

/** How far the lot may still differ from one sample of its juice: ±0.5 °Bx, ±4 % of TA, ±0.05 pH. Common practice. */
const SAMPLE = { brix: 0.5 / 1.28, taShare: 0.04 / 1.28, ph: 0.05 / 1.28 };
/** Spread that is left once ripeness has been judged. */
const JUDGED = 0.6;

/**
 * Adds what `massKg` of usable produce holds into `stock`; returns its insolubles, kg.
 * What was measured in the lot's juice stands in for the table. Dried flowers and herbs hold their
 * fresh matter in what weight is left at 12 % water. Common practice.
 */
function addProduce(
  stock: Stock,
  produce: Produce,
  isDried: boolean,
  massKg: number,
  row: Lot,
  lot: LotDraw
): number {
  const judged = row.ripeness && row.ripeness !== 'ripe' ? RIPENESS[row.ripeness] : null;
  const sugarZ = judged ? judged.sugar + JUDGED * lot.ripeness : lot.ripeness;
  const acidZ = judged ? judged.acid + JUDGED * lot.acids : lot.acids;
  const measured = row.measured;
  const freshInsolubles = drawn(produce.insolubles, lot.insolubles) / 100;
  let freshSolids = Math.min(drawn(produce.solids, sugarZ) / 100, 0.99 - freshInsolubles);
  let freshSugar = Math.min(drawn(produce.sugars, sugarZ) / 100, freshSolids);
  if (measured?.brix !== undefined) {
    // What of the solids is no sugar stays as the table has it.
    const other = freshSolids - freshSugar;
    const brix = Math.max(0, measured.brix + SAMPLE.brix * lot.ripeness) / 100;
    freshSolids = Math.min(brix, 0.99) * (1 - freshInsolubles);
    freshSugar = Math.max(0, freshSolids - Math.min(other, freshSolids));
  }
  const dryShare = freshSolids + freshInsolubles;
  const freshKg = isDried ? massKg * Math.min(0.88 / dryShare, 6) : massKg;
  stock.waterKg += massKg - freshKg * dryShare;
  stock.solidsKg += freshSolids * freshKg;
  stock.fermentableKg += freshSugar * freshKg;
  stock.hexoseKg += freshSugar * freshKg * (1 + produce.sucroseShare * (SUCROSE_TO_HEXOSE - 1));
  stock.nitrogenMg += drawn(NITROGEN_MG_KG[produce.nitrogen], lot.nitrogen) * freshKg;
  const ph = measured?.ph !== undefined ? measured.ph + SAMPLE.ph * lot.ph : drawn(produce.ph, lot.ph);
  const h = hydrogenAt(ph);
  const juiceL = Math.max(0.05, 1 - dryShare) / WATER_20 + SOLIDS_L_KG * freshSolids;
  // How much stronger than the table the acids must be for the juice to titrate as it did.
  let strength = 1;
  if (measured?.taGL !== undefined) {
    let perStrength = 0;
    for (const { acid, spread, molPerG } of acidsOf(produce))
      perStrength +=
        drawn(spread, acidZ) * 10 * molPerG * (acidCharge(acid, H_TITRATION) - acidCharge(acid, h));
    const buffer = (produce.bufferMmolKg / 1000) * (bufferCharge(H_TITRATION) - bufferCharge(h));
    const wanted = (measured.taGL * (1 + SAMPLE.taShare * lot.acids) * juiceL) / TARTARIC_G_PER_EQ;
    strength = perStrength > 0 ? Math.max(0, wanted - buffer - h * juiceL) / perStrength : 1;
  }
  // The strong ion that gives this lot its pH, from its own acids in its own juice.
  let ionEq = (1e-14 / h - h) * juiceL + (produce.bufferMmolKg / 1000) * bufferCharge(h);
  for (const { acid, spread, molPerG } of acidsOf(produce)) {
    const mol = drawn(spread, acidZ) * 10 * molPerG * strength;
    stock.acidsMol[acid] += mol * freshKg;
    ionEq += mol * acidCharge(acid, h);
  }
  stock.strongIonEq += ionEq * freshKg;
  stock.bufferMol += (produce.bufferMmolKg / 1000) * freshKg;
  return freshInsolubles * freshKg;
}

/** Room that a kilogram of dissolved solids takes, L. */
const SOLIDS_L_KG = 0.62;

/**
 * Usable weight of a row of produce, kg: bought weight less what trimming takes.
 * @example usableKg({ kind: 'produce', produceId: 'plum', massKg: 4, weighed: 'bought' }, produceById('plum')!) // 3.76
 */
export const usableKg = (row: ProduceItem, produce: Produce, lot: LotDraw = TYPICAL): number =>
  row.massKg * (row.weighed === 'bought' ? Math.min(1, drawn(produce.usable, lot.usable)) : 1);

/**
 * Adds a row of produce: into `poured` when it was pressed for juice, else into `held`.
 * @returns insolubles and pulp that stand in the must, kg
 */
export function addProduceRow(
  poured: Stock,
  held: Stock,
  row: ProduceItem,
  produce: Produce,
  lot: LotDraw
): { insolublesKg: number; pulpKg: number } {
  const kg = usableKg(row, produce, lot);
  const isDried = row.form === 'dried' && produce.family !== 'dried';
  if (row.pressed) {
    const fruit = emptyStock();
    addProduce(fruit, produce, isDried, kg, row, lot);
    const juice = liquid(fruit);
    const yieldL = juiceLPerKg(row.pressed.press, row.pressed.mill, lot.pace) * kg;
    if (juice) addInto(poured, fruit, Math.min(0.95, yieldL / juice.volumeL));
    return NO_PULP;
  }
  if (row.thawJuice === 'poured-off' && row.form === 'frozen') {
    const fruit = emptyStock();
    const insolublesKg = addProduce(fruit, produce, isDried, kg, row, lot);
    addInto(held, fruit, 1 - drawn(THAW_JUICE, lot.pace));
    return { insolublesKg, pulpKg: kg };
  }
  const insolublesKg = addProduce(held, produce, isDried, kg, row, lot);
  return { insolublesKg, pulpKg: kg * pulpFactor(produce, row.form) };
}
const NO_PULP = { insolublesKg: 0, pulpKg: 0 };

/** Solids of bought juice concentrate, share by mass. Common practice: 68 °Bx. */
const CONCENTRATE = 0.68;

function addJuice(poured: Stock, item: JuiceItem, produce: Produce, lot: LotDraw): void {
  const one = emptyStock();
  const isConcentrate = item.form === 'concentrate';
  // Of a concentrate the °Bx says how far it was boiled down, not how sweet the fruit was.
  addProduce(one, produce, false, 1, isConcentrate ? {} : item, lot);
  if (isConcentrate) {
    const share = item.measured?.brix === undefined ? CONCENTRATE : Math.max(5, item.measured.brix) / 100;
    one.waterKg = Math.min(one.waterKg, (one.solidsKg * (1 - share)) / share);
  }
  addInto(poured, one, item.volumeL / liquid(one)!.volumeL);
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
  let pulp = NO_PULP;
  switch (ingredient.kind) {
    case 'produce':
      pulp = addProduceRow(poured, held, ingredient, produce!, lot);
      break;
    case 'juice':
      addJuice(poured, ingredient, produce!, lot);
      break;
    case 'sugar':
      addSweetener(poured, SWEETENERS[ingredient.sugarId], ingredient.massKg);
      break;
    case 'honey':
      addSweetener(poured, SWEETENERS.honey, ingredient.massKg);
      break;
    case 'water': {
      const ions = waterIons(ingredient.alkalinityMgL ?? 0);
      poured.waterKg = ingredient.volumeL * WATER_20;
      poured.strongIonEq = ions.strongIon * ingredient.volumeL;
      poured.carbonateMol = ions.carbonate * ingredient.volumeL;
      break;
    }
    case 'wine':
      addWine(poured, ingredient);
      break;
    case 'acid':
      addAcid(poured, ACID_ADDITIONS[ingredient.acidId], ingredient.massKg);
      break;
    case 'additive':
      if (ingredient.additiveId === 'acid-blend')
        addAcid(poured, ACID_ADDITIONS['acid-blend'], ingredient.massKg);
      poured.nitrogenMg = (NITROGEN_MG_G[ingredient.additiveId] ?? 0) * ingredient.massKg * 1000;
      break;
  }
  return { poured, held, ...pulp };
}

function addSweetener(poured: Stock, s: Sweetener, massKg: number): void {
  poured.waterKg = s.water * massKg;
  poured.solidsKg = s.solids * massKg;
  poured.fermentableKg = s.fermentable * massKg;
  poured.hexoseKg = poured.fermentableKg * s.toHexose;
  poured.nitrogenMg = (s.nitrogenMgKg ?? 0) * massKg;
  // Honey's own acid is mostly gluconic, counted as lactic (nearly the same constant).
  const h = hydrogenAt(s.ph ?? 7);
  for (const [acid, gKg] of Object.entries(s.acids ?? {}) as [Acid, number][]) {
    const mol = (gKg / ACID_DATA[acid].molarMass) * massKg;
    poured.acidsMol[acid] += mol;
    poured.strongIonEq += mol * acidCharge(acid, h);
  }
}

/** Grams a litre of a dry wine's extract that are no sugar: acids, glycerol, minerals. Common practice. */
const DRY_EXTRACT_GL = 22;

function addWine(poured: Stock, wine: Extract<Ingredient, { kind: 'wine' }>): void {
  const ethanolKgL = (wine.abv / 100) * ETHANOL_20;
  const solidsKgL = Math.max(0, solidsAt(wine.sg, ethanolKgL)) / 1000;
  const sugarKgL = Math.max(0, solidsKgL - DRY_EXTRACT_GL / 1000);
  poured.ethanolKg = ethanolKgL * wine.volumeL;
  poured.solidsKg = solidsKgL * wine.volumeL;
  poured.waterKg = Math.max(0, wine.sg * WATER_20 - ethanolKgL - solidsKgL) * wine.volumeL;
  poured.fermentableKg = poured.hexoseKg = sugarKgL * wine.volumeL;
  addAcidity(poured, 'tartaric', wine.taGL ?? 6, wine.ph ?? 3.4, wine.volumeL);
}

/** A base leaves its carbonate as gas, so only its ion stays. */
function addAcid(
  poured: Stock,
  a: (typeof ACID_ADDITIONS)[keyof typeof ACID_ADDITIONS],
  massKg: number
): void {
  let acidKg = 0;
  for (const [acid, share] of Object.entries(a.acids) as [Acid, number][]) {
    poured.acidsMol[acid] += (massKg * 1000 * share) / ACID_DATA[acid].molarMass;
    acidKg += massKg * share;
  }
  poured.solidsKg += acidKg;
  poured.strongIonEq += a.strongIonEqKg * massKg;
}

/** Density of dissolved-solids-free pulp matter, kg/L: cellulose and seed are near 1.5. Handbook, from memory. */
export const INSOLUBLE_DENSITY = 1.5;
