import { BOTTLE_L } from '../tables/bottles';
import { stockAt } from '../liquid/stock';
import { abvOf, finish, ferment, YIELD } from '../ferment/convert';
import { findRoot } from '../maths/root';
import { dissolves } from '../liquid/mix';
import { boilOffL, halfGivenH, shareGiven } from '../plan/extraction';
import type { Produce } from '../tables/produce';
import { rangeOf, type Estimate } from '../units/range';
import { InputError } from '../units/input-error';
import { phOf, titratableAcidity } from '../liquid/acid';
import { DRAWS, drawn, normals } from '../maths/draw';
import { costOf } from '../plan/cost';
import { entryOf, toleranceOf, usesEnzyme, type Ingredient, type Plan } from '../plan/plan';
import { afterFruit, drain, isStrained, isSweetenedLate, pulpL } from './strain';
import { SWEETENERS, type SweetenerId } from '../tables/substances';
import {
  addProduceRow,
  contribution,
  INSOLUBLE_DENSITY,
  LOT_DIMENSIONS,
  TYPICAL,
  usableKg,
  type LotDraw
} from './contribution';
import { acidWater, addInto, emptyStock, liquid, scaled, type Stock } from '../liquid/stock';

/** Share of the wine left behind with the lees at the first racking. Common practice: half to one litre of eight. */
export const FIRST_RACKING_LOSS = [0.06, 0.09, 0.13] as const;
/** At each later racking. Common practice. */
export const LATER_RACKING_LOSS = [0.01, 0.02, 0.04] as const;

/** Litres usually left behind with the lees when `volumeL` is racked for the first time, or again. */
export const rackingLossL = (volumeL: number, isFirst: boolean): number =>
  volumeL * (isFirst ? FIRST_RACKING_LOSS : LATER_RACKING_LOSS)[1];

/**
 * One plausible must: what is poured, what it will be once the fruit has given, and its pulp.
 * `now` is the must at the age asked about. Of what is strained before the sugar nothing stays in the must but what
 * it gave; `infusion` is that with its water, before it was strained, and `sweet` what sugar and honey bring.
 */
type Mix = {
  none: Stock;
  all: Stock;
  now: Stock;
  infusion: Stock;
  sweet: Stock;
  insolublesKg: number;
  produceKg: number;
  pulpKg: number;
  strainedKg: number;
};

const emptyMix = (): Mix => ({
  none: emptyStock(),
  all: emptyStock(),
  now: emptyStock(),
  infusion: emptyStock(),
  sweet: emptyStock(),
  insolublesKg: 0,
  produceKg: 0,
  pulpKg: 0,
  strainedKg: 0
});
const copyMix = (m: Mix, isAged: boolean): Mix => ({
  ...m,
  none: scaled(m.none),
  all: scaled(m.all),
  now: isAged ? scaled(m.now) : m.now,
  infusion: scaled(m.infusion)
});

/** When the must is looked at, and how it is treated. */
type Age = { ageH: number | null; hasEnzyme: boolean; isHeated: boolean; isLoose: boolean };
const NO_AGE: Age = { ageH: null, hasEnzyme: false, isHeated: false, isLoose: false };
const ageOf = (plan: Plan, ageH: number | null): Age => ({
  ageH,
  hasEnzyme: usesEnzyme(plan),
  isHeated: plan.wildYeast === 'heat',
  isLoose: plan.fruitIn === 'free'
});

/** Adds an ingredient into a mix, in place. */
function addTo(m: Mix, ingredient: Ingredient, index: number, lot: LotDraw, age: Age): void {
  const produce = entryOf(ingredient);
  if ('produceId' in ingredient && !produce)
    throw new InputError(
      `No produce is called “${ingredient.produceId}”.`,
      'Choose one from the table.',
      `ingredients[${index}].produceId`
    );
  if (ingredient.kind !== 'produce') {
    const { poured } = contribution(ingredient, produce, lot);
    addInto(m.none, poured);
    addInto(m.all, poured);
    if (age.ageH !== null) addInto(m.now, poured);
    if (ingredient.kind === 'water') addInto(m.infusion, poured);
    if (ingredient.kind === 'sugar' || ingredient.kind === 'honey') addInto(m.sweet, poured);
    return;
  }
  if (isStrained(ingredient)) {
    const { poured, held, pulpKg } = contribution(ingredient, produce, lot);
    const given = addInto(poured, held);
    for (const s of [m.none, m.all, m.infusion, ...(age.ageH === null ? [] : [m.now])]) addInto(s, given);
    m.produceKg += usableKg(ingredient, produce!, lot);
    m.strainedKg += pulpKg;
    return;
  }
  m.produceKg += usableKg(ingredient, produce!, lot);
  if (age.ageH === null && !ingredient.pressed) {
    // Straight into the must: a hundred draws of ten fruits leave no time for go-betweens.
    const pulp = addProduceRow(m.none, m.all, ingredient, produce!, lot);
    m.insolublesKg += pulp.insolublesKg;
    m.pulpKg += pulp.pulpKg;
    return;
  }
  const { poured, held, insolublesKg, pulpKg } = contribution(ingredient, produce, lot);
  addInto(m.none, poured);
  addInto(addInto(m.all, poured), held);
  m.insolublesKg += insolublesKg;
  m.pulpKg += pulpKg;
  if (age.ageH !== null) {
    addInto(m.now, poured);
    addInto(m.now, held, shareGiven(halfOf(ingredient, produce!, age, lot.pace), age.ageH));
  }
}

const halfOf = (
  item: Extract<Ingredient, { kind: 'produce' }>,
  produce: Produce,
  age: Age,
  z: number
): number =>
  halfGivenH(
    produce,
    { ...item, heat: item.heat ?? (age.isHeated ? 'poured' : 'raw') },
    age.hasEnzyme,
    z,
    age.isLoose
  );

/** The likely must, without ranges: what the solver and the ledger start from. */
export function likelyMix(ingredients: readonly Ingredient[], age: Age = NO_AGE, press?: Plan['press']): Mix {
  const m = emptyMix();
  ingredients.forEach((ingredient, i) => addTo(m, ingredient, i, TYPICAL, age));
  return strained(m, press);
}

/** The likely must of a plan, as its fruit is taken out. */
export const mixOf = (plan: Plan): Mix => likelyMix(plan.ingredients, NO_AGE, plan.press);

/** The mix with what was strained off, and the infusion it kept, left behind; in place. */
function strained(m: Mix, press: Plan['press'], z = 0): Mix {
  if (m.strainedKg > 0) drain([m.none, m.all, m.now], m.infusion, pulpL(press, m.strainedKg, z));
  return m;
}

/** The likely gravity of a plan's must `ageH` hours after the fruit went in, before any ferment; null without liquid. */
export function sgAtAge(plan: Plan, ageH: number): number | null {
  const { now } = likelyMix(plan.ingredients, ageOf(plan, ageH), plan.press);
  return dissolves(now.waterKg, now.solidsKg) ? (liquid(now)?.sg ?? null) : null;
}

/** Hours until nine tenths of all that the plan's fruit holds is in the must; 0 without fruit. */
export function hoursToGive(plan: Plan): number {
  const age = ageOf(plan, 0);
  // Each lot gives at its own pace; what each holds need be found once.
  const lots = plan.ingredients.flatMap((item) => {
    const produce = entryOf(item);
    if (item.kind !== 'produce' || !produce || item.massKg <= 0 || isStrained(item)) return [];
    const { held } = contribution(item, produce, TYPICAL);
    return [{ solidsKg: held.solidsKg, halfH: halfOf(item, produce, age, 0) }];
  });
  const held = lots.reduce((sum, l) => sum + l.solidsKg, 0);
  if (held <= 1e-9) return 0;
  const left = (h: number) =>
    lots.reduce((sum, l) => sum + l.solidsKg * (1 - shareGiven(l.halfH, h)), 0) / held;
  return findRoot((h) => 0.1 - left(h), 0, 24 * 60, 1e-2);
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
  yanMgL: number;
  fruitPerL: number;
  sgNow: number;
  costPerBottle: number;
};

/** How one plausible plan turns out: yield, tolerance and losses as standard normals; 0 is typical. */
type Luck = { yield: number; tolerance: number; pulp: number; lees: number };
const TYPICAL_LUCK: Luck = { yield: 0, tolerance: 0, pulp: 0, lees: 0 };

/** NaN stands for what is not defined: no liquid, sugar that cannot dissolve, no acid. */
function figures(m: Mix, plan: Plan, luck: Luck, cost: number, nearPh?: number): Figures {
  const none = dissolves(m.none.waterKg, m.none.solidsKg) ? liquid(m.none) : null;
  const all = dissolves(m.all.waterKg, m.all.solidsKg) ? liquid(m.all) : null;
  const now = m.now.waterKg > 0 && dissolves(m.now.waterKg, m.now.solidsKg) ? liquid(m.now) : null;
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
      bottles: gone,
      yanMgL: gone,
      fruitPerL: gone,
      sgNow: gone,
      costPerBottle: gone
    };
  const ethanolYield = drawn(YIELD.ethanol, luck.yield);
  const heldL = pulpL(plan.press, m.pulpKg, luck.pulp);
  // Sugar that waits for the fruit to be out finds less must, and none of it stays in the pulp.
  const isLate = isSweetenedLate(plan) && m.pulpKg > 0 && m.sweet.solidsKg > 0;
  const wine = isLate ? afterFruit(m.all, m.sweet, heldL) : m.all;
  const made = isLate ? liquid(wine)! : all;
  const dry = ferment(wine, wine.hexoseKg, ethanolYield).stock;
  const potentialAbv = abvOf(dry);
  const tolerance = drawn(toleranceOf(plan.yeast), luck.tolerance);
  const end = potentialAbv <= tolerance ? dry : finish(wine, tolerance, ethanolYield).stock;
  const final = liquid(end)!;
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

/** Figures of the likely must alone: no ranges, and fast. For the solver. */
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
    said.push(
      `What simmers away, about ${boilOffL(simmerMin)[1].toFixed(1)} L, is made up with water to the mark.`
    );
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
 * Sugar to add so that a must reaches a gravity: kg of a sweetener into `volumeL` at `fromSg`.
 * @param volumeL free liquid, L; gravities 20/20
 * @throws InputError when the target is below where it stands, or denser than the sweetener itself
 */
export function sugarToReach(
  volumeL: number,
  fromSg: number,
  toSg: number,
  sugarId: SweetenerId = 'white'
): number {
  if (!(toSg >= fromSg))
    throw new InputError(
      `${toSg.toFixed(3)} is below ${fromSg.toFixed(3)}.`,
      'Sugar only lifts a gravity; add water to lower it.'
    );
  const stock = stockAt(volumeL, fromSg);
  const { poured } = contribution({ kind: 'sugar', sugarId, massKg: 1 }, undefined, TYPICAL);
  const read = (kg: number) => liquid(addInto(scaled(stock), poured, kg))?.sg ?? Infinity;
  const most = volumeL * 3;
  if (read(most) < toSg)
    throw new InputError(
      `${SWEETENERS[sugarId].name} alone does not bring it to ${toSg.toFixed(3)}.`,
      'Aim lower, or use a drier sugar.'
    );
  return findRoot((kg) => read(kg) - toSg, 0, most, 1e-9);
}

/** Litres of water that bring a must down to a gravity. @throws InputError when it is there or below already */
export function waterToLower(volumeL: number, fromSg: number, toSg: number): number {
  if (!(toSg <= fromSg && toSg > 1))
    throw new InputError(
      `${fromSg.toFixed(3)} cannot be watered to ${toSg.toFixed(3)}.`,
      'Water lowers a gravity, and never to 1.000.'
    );
  const stock = stockAt(volumeL, fromSg);
  const { poured } = contribution({ kind: 'water', volumeL: 1 }, undefined, TYPICAL);
  return findRoot((l) => toSg - liquid(addInto(scaled(stock), poured, l))!.sg, 0, volumeL * 200, 1e-6);
}

/**
 * What `massKg` of a sweetener does in `volumeL` of a must or wine: points of gravity, % of alcohol once it has
 * fermented, and sweetness as grams of sugar a litre while it has not.
 */
export function sweetenerEffect(sugarId: SweetenerId, massKg: number, volumeL: number, fromSg = 1.05) {
  const s = SWEETENERS[sugarId];
  const stock = stockAt(volumeL, fromSg);
  const { poured } = contribution({ kind: 'sugar', sugarId, massKg }, undefined, TYPICAL);
  const after = addInto(scaled(stock), poured);
  const strength = (x: Stock) => abvOf(ferment(x, x.hexoseKg).stock);
  const now = liquid(after)!;
  return {
    points: 1000 * (now.sg - liquid(stock)!.sg),
    abv: strength(after) - strength(stock),
    sweetGL: (1000 * massKg * s.sweetness) / now.volumeL,
    volumeL: now.volumeL - liquid(stock)!.volumeL
  };
}
