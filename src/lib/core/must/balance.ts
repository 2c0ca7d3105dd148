import { inC, inL } from '../units/say';
import { BOTTLE_L } from '../tables/bottles';
import { abvOf, finish, ferment, YIELD } from '../ferment/convert';
import { dissolves } from '../liquid/mix';
import { boilOffL } from '../plan/extraction';
import { rangeOf, type Estimate } from '../units/range';
import { phOf, titratableAcidity } from '../liquid/acid';
import { DRAWS, drawn, normals } from '../maths/draw';
import { costOf } from '../plan/cost';
import { toleranceOf } from '../plan/chosen';
import type { Plan } from '../plan/plan';
import { afterFruit, isStrained, isSweetenedLate, pulpL } from './strain';
import { INSOLUBLE_DENSITY, LOT_DIMENSIONS, TYPICAL, type LotDraw } from './contribution';
import { acidWater, liquid } from '../liquid/stock';
import { type Mix, emptyMix, copyMix, ageOf, addTo, likelyMix, mixOf, strained } from './mix';

/** Share of the wine left behind with the lees at the first racking. Common practice: half to one litre of eight. */
export const FIRST_RACKING_LOSS = [0.06, 0.09, 0.13] as const;

/** At each later racking. Common practice. */
export const LATER_RACKING_LOSS = [0.01, 0.02, 0.04] as const;

/**
 * Litres usually left behind with the lees when `volumeL` is racked for the first time, or again.
 * @example rackingLossL(10, true) // 0.9
 */
export const rackingLossL = (volumeL: number, isFirst: boolean): number =>
  volumeL * (isFirst ? FIRST_RACKING_LOSS : LATER_RACKING_LOSS)[1];

/**
 * The likely gravity of a plan's must `ageH` hours after the fruit went in, before any ferment; null without liquid.
 * @example sgAtAge({ ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 1 }, { kind: 'water', volumeL: 4 }] }, 24) // 1.0831
 */
export function sgAtAge(plan: Plan, ageH: number): number | null {
  const { now } = likelyMix(plan.ingredients, ageOf(plan, ageH), plan.press);
  return dissolves(now.waterKg, now.solidsKg) ? (liquid(now)?.sg ?? null) : null;
}

export type Figures = {
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
  yanMgL: number;
  fruitPerL: number;
  sgNow: number;
  costPerBottle: number;
};

/** How one plausible plan turns out: yield, tolerance and losses as standard normals; 0 is typical. */
type Luck = { yield: number; tolerance: number; pulp: number; lees: number };

const TYPICAL_LUCK: Luck = { yield: 0, tolerance: 0, pulp: 0, lees: 0 };

/** No must, and so no figure of one. */
const undefinedFigures = (sgNoneGiven = NaN): Figures => ({
  liquidVolumeL: NaN,
  vesselVolumeL: NaN,
  sgNoneGiven,
  sgAllGiven: NaN,
  potentialAbv: NaN,
  finalAbv: NaN,
  finalSg: NaN,
  residualGL: NaN,
  taGL: NaN,
  ph: NaN,
  intoGlassL: NaN,
  bottles: NaN,
  yanMgL: NaN,
  fruitPerL: NaN,
  sgNow: NaN,
  costPerBottle: NaN
});

/** NaN stands for what is not defined: no liquid, sugar that cannot dissolve, no acid. */
function figures(m: Mix, plan: Plan, luck: Luck, cost: number, nearPh?: number): Figures {
  const none = dissolves(m.none.waterKg, m.none.solidsKg) ? liquid(m.none) : null;
  const all = dissolves(m.all.waterKg, m.all.solidsKg) ? liquid(m.all) : null;
  const now = m.now.waterKg > 0 && dissolves(m.now.waterKg, m.now.solidsKg) ? liquid(m.now) : null;
  const gone = NaN;
  if (!all) return undefinedFigures(none?.sg);
  const ethanolYield = drawn(YIELD.ethanol, luck.yield);
  const heldL = pulpL(plan.press, m.pulpKg, luck.pulp);
  // Sugar that waits for the fruit to be out finds less must, and none of it stays in the pulp.
  const isLate = isSweetenedLate(plan) && m.pulpKg > 0 && m.sweet.solidsKg > 0;
  const wine = isLate ? afterFruit(m.all, m.sweet, heldL) : m.all;
  const made = isLate ? liquid(wine) : all;
  if (!made) return undefinedFigures(none?.sg);
  const dry = ferment(wine, wine.hexoseKg, ethanolYield).stock;
  const potentialAbv = abvOf(dry);
  const tolerance = drawn(toleranceOf(plan.yeast), luck.tolerance);
  const end = potentialAbv <= tolerance ? dry : finish(wine, tolerance, ethanolYield).stock;
  const final = liquid(end);
  // All but saturated, it takes more water to split its sugar than it has: nothing that ferments.
  if (!final) return undefinedFigures(none?.sg);
  const intoGlassL = isLate ? made.volumeL : Math.max(0, all.volumeL - heldL);
  const afterLees =
    intoGlassL * (1 - drawn(FIRST_RACKING_LOSS, luck.lees)) * (1 - drawn(LATER_RACKING_LOSS, luck.lees));
  const water = acidWater(wine, made.volumeL);
  const hasAcid = Object.values(water.acids).some((a) => a > 1e-6) || water.carbonate > 0;
  return {
    liquidVolumeL: all.volumeL,
    vesselVolumeL: all.volumeL + m.insolublesKg / INSOLUBLE_DENSITY,
    sgNoneGiven: none?.sg ?? gone,
    sgAllGiven: made.sg,
    potentialAbv,
    finalAbv: potentialAbv <= tolerance ? potentialAbv : abvOf(end),
    finalSg: final.sg,
    residualGL: (1000 * end.hexoseKg) / final.volumeL,
    taGL: titratableAcidity(water),
    ph: hasAcid ? phOf(water, nearPh) : gone,
    intoGlassL,
    bottles: afterLees / BOTTLE_L,
    yanMgL: wine.nitrogenMg / made.volumeL,
    fruitPerL: m.produceKg > 0 && intoGlassL > 0 ? m.produceKg / intoGlassL : gone,
    sgNow: now?.sg ?? gone,
    costPerBottle: (cost * BOTTLE_L) / afterLees + (plan.prices?.bottle ?? 0)
  };
}

/**
 * Figures of the likely must alone: no ranges, and fast. For the solver.
 * @example
 * likelyFigures({ ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 1 }, { kind: 'water', volumeL: 4 }] }).potentialAbv // 13.509
 */
export const likelyFigures = (plan: Plan): Figures => figures(mixOf(plan), plan, TYPICAL_LUCK, NaN);

export type MustEstimate = { [K in keyof Figures]: Estimate | null } & {
  /** what the likely must holds in kg, for the ribbon and the workings */
  likely: Mix;
  assumptions: string[];
};

/**
 * One must out of the population that the table's spreads describe: what a winemaker may really get.
 * For checking how often the ranges hold.
 * @param normal draws from a standard normal
 */
export function oneMust(plan: Plan, normal: () => number, ageH: number | null = null): Figures {
  const m = emptyMix();
  const age = ageOf(plan, ageH);
  plan.ingredients.forEach((item, index) => addTo(m, item, index, lotFrom(normal), age));
  const luck = { yield: normal(), tolerance: normal(), pulp: normal(), lees: normal() };
  strained(m, plan.press, luck.pulp);
  return figures(m, plan, luck, costOf(plan)?.total ?? NaN);
}

/** A lot drawn figure by figure. */
const lotFrom = (z: (dimension: number) => number): LotDraw => ({
  ripeness: z(0),
  acids: z(1),
  ph: z(2),
  insolubles: z(3),
  usable: z(4),
  nitrogen: z(5),
  pace: z(6)
});

const LUCK_DIMENSIONS = 4;

/**
 * The must balance: what a plan makes, with ranges. The heart of Vecino.
 * None given: what was poured and dissolved. All given: the fruit's water and solubles have joined.
 * @param plan a valid plan; produce ids must be in the table, or bring their entry
 * @param ageH hours since the fruit went in, for `sgNow`; null when it is not asked
 * @returns each figure low–likely–high (10th–90th percentile of a fixed sample), null where undefined
 * @throws InputError naming the ingredient that is unknown
 * @example
 * estimateMust({ ingredients: [{ kind: 'produce', produceId: 'plum', massKg: 4 }, { kind: 'water', volumeL: 6 }] }).liquidVolumeL!.likely // 9.7613
 */
export function estimateMust(plan: Plan, ageH: number | null = null): MustEstimate {
  const age = ageOf(plan, ageH);
  const cost = costOf(plan)?.total ?? NaN;
  const m = likelyMix(plan.ingredients, age, plan.press);
  const likely = figures(m, plan, TYPICAL_LUCK, cost);
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
    if (!('produceId' in item)) addTo(fixed, item, index, TYPICAL, age);
  });
  for (let i = 0; i < DRAWS; i++) {
    const one = copyMix(fixed, ageH !== null);
    for (const { item, index, z } of varies)
      addTo(
        one,
        item,
        index,
        lotFrom((d) => z[d]![i]!),
        age
      );
    strained(one, plan.press, luck[2]![i]!);
    const drawnFigures = figures(
      one,
      plan,
      { yield: luck[0]![i]!, tolerance: luck[1]![i]!, pulp: luck[2]![i]!, lees: luck[3]![i]! },
      cost,
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
  const isUsed = (test: (i: (typeof produce)[number]) => boolean) =>
    produce.some((i) => i.massKg > 0 && test(i));
  const simmerMin = produce.reduce((sum, i) => sum + (i.heat === 'simmered' ? (i.simmerMin ?? 20) : 0), 0);
  if (simmerMin > 0)
    said.push(`What simmers away, about ${inL(boilOffL(simmerMin)[1])}, is made up with water to the mark.`);
  if (isUsed(isStrained))
    said.push(
      'What is strained before the sugar keeps its share of the thin infusion; nothing of it stays in the bucket.'
    );
  if (isUsed((i) => i.form === 'canned'))
    said.push('Canned fruit is weighed drained; syrup would bring sugar of its own.');
  if (isUsed((i) => i.form === 'frozen' && i.thawJuice !== 'poured-off'))
    said.push('The thaw juice goes in with the fruit.');
  if (isUsed((i) => i.pressed !== undefined))
    said.push('Pressed fruit brings its juice only; the pomace never goes in.');
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
    said.push(`There is more sugar than all the water in the must can dissolve at ${inC(20)}.`);
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
