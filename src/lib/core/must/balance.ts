import { abvOf, finish, ferment, YIELD } from '../ferment/convert';
import { findRoot } from '../liquid/root';
import { dissolves } from '../liquid/mix';
import { gramsPerLitre } from '../liquid/sugar';
import { WATER_20 } from '../liquid/water';
import { produceById } from '../produce/table';
import { rangeOf, type Estimate } from '../units/range';
import { InputError } from '../units/input-error';
import { phOf, titratableAcidity } from './acid';
import { DRAWS, drawn, normals } from './draw';
import { toleranceOf, type Ingredient, type Plan } from './plan';
import { SUCROSE_TO_HEXOSE } from './substances';
import {
  acidWater,
  addInto,
  addProduceRow,
  contribution,
  emptyStock,
  INSOLUBLE_DENSITY,
  liquid,
  LOT_DIMENSIONS,
  scaled,
  TYPICAL,
  type LotDraw,
  type Stock
} from './stock';

/** Liquid that stays in the pulp, litres per kg of produce, by how the fruit is taken out. Common practice. */
export const HELD_BY_PULP = {
  drip: [0.12, 0.2, 0.3],
  squeeze: [0.06, 0.11, 0.18],
  press: [0.03, 0.06, 0.1]
} as const;

/** Litres left in the pulp of `produceKg`; `z` 0 is typical. */
export const pulpL = (press: Plan['press'], produceKg: number, z = 0): number =>
  drawn(HELD_BY_PULP[press ?? 'drip'], z) * produceKg;

/** Share of the wine left behind with the lees at the first racking. Common practice: half to one litre of eight. */
export const FIRST_RACKING_LOSS = [0.06, 0.09, 0.13] as const;
/** At each later racking. Common practice. */
export const LATER_RACKING_LOSS = [0.01, 0.02, 0.04] as const;

/** Litres usually left behind with the lees when `volumeL` is racked for the first time, or again. */
export const rackingLossL = (volumeL: number, isFirst: boolean): number =>
  volumeL * (isFirst ? FIRST_RACKING_LOSS : LATER_RACKING_LOSS)[1];

/** One plausible must: what is poured, what the fruit still holds, and its pulp. */
type Mix = { none: Stock; all: Stock; insolublesKg: number; produceKg: number };

const emptyMix = (): Mix => ({ none: emptyStock(), all: emptyStock(), insolublesKg: 0, produceKg: 0 });
const copyMix = (m: Mix): Mix => ({ ...m, none: scaled(m.none), all: scaled(m.all) });

/** Adds an ingredient into a mix, in place. */
function addTo(m: Mix, ingredient: Ingredient, index: number, lot: LotDraw): void {
  const produce = 'produceId' in ingredient ? produceById(ingredient.produceId) : undefined;
  if ('produceId' in ingredient && !produce)
    throw new InputError(
      `No produce is called “${ingredient.produceId}”.`,
      'Choose one from the table.',
      `ingredients[${index}].produceId`
    );
  if (ingredient.kind === 'produce') {
    m.insolublesKg += addProduceRow(m.all, ingredient, produce!, lot);
    m.produceKg += ingredient.massKg;
    return;
  }
  const { poured } = contribution(ingredient, produce, lot);
  addInto(m.none, poured);
  addInto(m.all, poured);
}

/** The likely must, without ranges: what the solver and the ledger start from. */
export function likelyMix(ingredients: readonly Ingredient[]): Mix {
  const m = emptyMix();
  ingredients.forEach((ingredient, i) => addTo(m, ingredient, i, TYPICAL));
  return m;
}

type Figures = {
  liquidVolumeL: number;
  vesselVolumeL: number;
  sgNoneGiven: number;
  sgAllGiven: number;
  potentialAbv: number;
  finalAbv: number;
  finalSg: number;
  residualGL: number;
  taGL: number;
  ph: number;
  intoGlassL: number;
  bottles: number;
};

/** How one plausible plan turns out: yield, tolerance and losses as standard normals; 0 is typical. */
type Luck = { yield: number; tolerance: number; pulp: number; lees: number };
const TYPICAL_LUCK: Luck = { yield: 0, tolerance: 0, pulp: 0, lees: 0 };

/** NaN stands for what is not defined: no liquid, sugar that cannot dissolve, no acid. */
function figures(m: Mix, plan: Plan, luck: Luck, nearPh?: number): Figures {
  const none = dissolves(m.none.waterKg, m.none.solidsKg) ? liquid(m.none) : null;
  const all = dissolves(m.all.waterKg, m.all.solidsKg) ? liquid(m.all) : null;
  const gone = NaN;
  if (!all)
    return {
      liquidVolumeL: gone,
      vesselVolumeL: gone,
      sgNoneGiven: none?.sg ?? gone,
      sgAllGiven: gone,
      potentialAbv: gone,
      finalAbv: gone,
      finalSg: gone,
      residualGL: gone,
      taGL: gone,
      ph: gone,
      intoGlassL: gone,
      bottles: gone
    };
  const ethanolYield = drawn(YIELD.ethanol, luck.yield);
  const dry = ferment(m.all, m.all.hexoseKg, ethanolYield).stock;
  const potentialAbv = abvOf(dry);
  const tolerance = drawn(toleranceOf(plan.yeast), luck.tolerance);
  const end = potentialAbv <= tolerance ? dry : finish(m.all, tolerance, ethanolYield).stock;
  const final = liquid(end)!;
  const intoGlassL = Math.max(0, all.volumeL - pulpL(plan.press, m.produceKg, luck.pulp));
  const afterLees =
    intoGlassL * (1 - drawn(FIRST_RACKING_LOSS, luck.lees)) * (1 - drawn(LATER_RACKING_LOSS, luck.lees));
  const water = acidWater(m.all, all.volumeL);
  const hasAcid = Object.values(water.acids).some((a) => a > 1e-6) || water.carbonate > 0;
  return {
    liquidVolumeL: all.volumeL,
    vesselVolumeL: all.volumeL + m.insolublesKg / INSOLUBLE_DENSITY,
    sgNoneGiven: none?.sg ?? gone,
    sgAllGiven: all.sg,
    potentialAbv,
    finalAbv: potentialAbv <= tolerance ? potentialAbv : abvOf(end),
    finalSg: final.sg,
    residualGL: (1000 * end.hexoseKg) / final.volumeL,
    taGL: titratableAcidity(water),
    ph: hasAcid ? phOf(water, nearPh) : gone,
    intoGlassL,
    bottles: afterLees / 0.75
  };
}

/** Figures of the likely must alone: no ranges, and fast. For the solver. */
export const likelyFigures = (plan: Plan): Figures =>
  figures(likelyMix(plan.ingredients), plan, TYPICAL_LUCK);

export type MustEstimate = { [K in keyof Figures]: Estimate | null } & {
  /** what the likely must holds in kg, for the ribbon */
  likely: { none: Stock; all: Stock; insolublesKg: number; produceKg: number };
  assumptions: string[];
};

/**
 * One must out of the population that the table's spreads describe: what a winemaker may really get.
 * For checking how often the ranges hold.
 * @param normal draws from a standard normal
 */
export function oneMust(plan: Plan, normal: () => number): Figures {
  const m = emptyMix();
  plan.ingredients.forEach((item, index) =>
    addTo(m, item, index, {
      ripeness: normal(),
      acids: normal(),
      ph: normal(),
      insolubles: normal(),
      usable: normal()
    })
  );
  return figures(m, plan, { yield: normal(), tolerance: normal(), pulp: normal(), lees: normal() });
}

const LUCK_DIMENSIONS = 4;

/**
 * The must balance: what a plan makes, with ranges. The heart of Vecino.
 * None given: what was poured and dissolved. All given: the fruit's water and solubles have joined.
 * @param plan a valid plan; produce ids must be in the table
 * @returns each figure low–likely–high (10th–90th percentile of a fixed sample), null where undefined
 * @throws InputError naming the ingredient that is unknown
 */
export function estimateMust(plan: Plan): MustEstimate {
  const m = likelyMix(plan.ingredients);
  const likely = figures(m, plan, TYPICAL_LUCK);
  const names = Object.keys(likely) as (keyof Figures)[];
  const columns = names.map(() => new Float64Array(DRAWS));
  // What is weighed pure is the same in every draw; only fruit and juice vary.
  const varies = plan.ingredients
    .map((item, index) => ({ item, index, first: LUCK_DIMENSIONS + index * LOT_DIMENSIONS }))
    .filter(({ item }) => 'produceId' in item)
    .map((v) => ({ ...v, z: Array.from({ length: LOT_DIMENSIONS }, (_, d) => normals(v.first + d)) }));
  const luck = Array.from({ length: LUCK_DIMENSIONS }, (_, d) => normals(d));
  const fixed = emptyMix();
  plan.ingredients.forEach((item, index) => {
    if (!('produceId' in item)) addTo(fixed, item, index, TYPICAL);
  });
  for (let i = 0; i < DRAWS; i++) {
    const one = copyMix(fixed);
    for (const { item, index, z } of varies)
      addTo(one, item, index, {
        ripeness: z[0]![i]!,
        acids: z[1]![i]!,
        ph: z[2]![i]!,
        insolubles: z[3]![i]!,
        usable: z[4]![i]!
      });
    const drawnFigures = figures(
      one,
      plan,
      {
        yield: luck[0]![i]!,
        tolerance: luck[1]![i]!,
        pulp: luck[2]![i]!,
        lees: luck[3]![i]!
      },
      Number.isFinite(likely.ph) ? likely.ph : undefined
    );
    for (let n = 0; n < names.length; n++) columns[n]![i] = drawnFigures[names[n]!];
  }
  const estimate = Object.fromEntries(
    names.map((n, column) => {
      const known = columns[column]!.filter(Number.isFinite);
      return [n, Number.isFinite(likely[n]) && known.length > 0 ? rangeOf(known, likely[n]) : null];
    })
  ) as { [K in keyof Figures]: Estimate | null };
  return { ...estimate, likely: m, assumptions: assumptions(plan, m, estimate) };
}

/** What an estimate takes for granted, in plain words. */
function assumptions(plan: Plan, m: Mix, e: { [K in keyof Figures]: Estimate | null }): string[] {
  const said: string[] = [];
  const produce = plan.ingredients.filter((i) => i.kind === 'produce');
  if (produce.some((i) => i.weighed !== 'bought'))
    said.push('Produce is weighed trimmed: stones, stalks and peel already off.');
  if (produce.some((i) => i.weighed === 'bought'))
    said.push('Bought weight is brought down by what trimming usually takes.');
  if (produce.length > 0 && e.sgAllGiven)
    said.push(
      'The fruit gives all its water and sugar in the end; a reading taken early is nearer the none-given figure.'
    );
  if (!e.sgNoneGiven)
    said.push(
      m.none.waterKg > 0
        ? 'There is more sugar than the poured water can dissolve, so there is no first gravity to give.'
        : 'No liquid is poured, so there is no gravity until the fruit gives its juice.'
    );
  if (!e.sgAllGiven && m.all.waterKg > 0)
    said.push('There is more sugar than all the water in the must can dissolve at 20 °C.');
  if (e.finalAbv && e.potentialAbv && e.finalAbv.likely < e.potentialAbv.likely - 0.05)
    said.push(
      `The yeast stops near ${toleranceOf(plan.yeast)[1]} %, so about ${Math.round(e.residualGL!.likely)} g/L of sugar stays: sweet, and alive.`
    );
  else said.push('All fermentable sugar goes; 0.46 g of alcohol from each gram of hexose (0.445–0.475).');
  if (plan.ingredients.some((i) => i.kind === 'water' && i.alkalinityMgL === undefined))
    said.push('Water is taken as soft; hard water lifts the pH a little.');
  if (e.ph) said.push('Acid and pH are before fermentation, which shifts both.');
  return said;
}

/**
 * Sugar to add so that a must reaches a gravity: kg of sucrose into `volumeL` at `fromSg`.
 * @param volumeL free liquid, L; gravities 20/20
 * @throws InputError when the target is below where it stands
 */
export function sugarToReach(volumeL: number, fromSg: number, toSg: number): number {
  if (!(toSg >= fromSg))
    throw new InputError(
      `${toSg.toFixed(3)} is below ${fromSg.toFixed(3)}.`,
      'Sugar only lifts a gravity; add water to lower it.'
    );
  const stock = stockAt(volumeL, fromSg);
  return findRoot(
    (kg) => {
      const more = scaled(stock);
      more.solidsKg += kg;
      return liquid(more)!.sg - toSg;
    },
    0,
    volumeL * 3,
    1e-9
  );
}

/** A must of sugar and water alone that fills `volumeL` and reads `sg`. */
export function stockAt(volumeL: number, sg: number): Stock {
  const stock = emptyStock();
  const solidsKgL = gramsPerLitre(sg) / 1000;
  stock.solidsKg = stock.fermentableKg = solidsKgL * volumeL;
  stock.hexoseKg = stock.solidsKg * SUCROSE_TO_HEXOSE;
  stock.waterKg = (sg * WATER_20 - solidsKgL) * volumeL;
  return stock;
}
