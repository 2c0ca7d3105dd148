import { findRoot } from '../maths/root';
import { halfGivenH, shareGiven } from '../plan/extraction';
import type { Produce } from '../tables/produce';
import { InputError } from '../units/input-error';
import { usesEnzyme } from '../plan/chosen';
import { entryOf, type Ingredient, type Plan } from '../plan/plan';
import { drain, isStrained, pulpL } from './strain';
import { addProduceRow, contribution, TYPICAL, usableKg, type LotDraw } from './contribution';
import { addInto, emptyStock, scaled, type Stock } from '../liquid/stock';

/**
 * One plausible must: what is poured, what it will be once the fruit has given, and its pulp.
 * `now` is the must at the age asked about. Of what is strained before the sugar nothing stays in the must but what
 * it gave; `infusion` is that with its water, before it was strained, and `sweet` what sugar and honey bring.
 */
export type Mix = {
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

export const emptyMix = (): Mix => ({
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

export const copyMix = (m: Mix, isAged: boolean): Mix => ({
  ...m,
  none: scaled(m.none),
  all: scaled(m.all),
  now: isAged ? scaled(m.now) : m.now,
  infusion: scaled(m.infusion)
});

/** When the must is looked at, and how it is treated. */
type Age = { ageH: number | null; hasEnzyme: boolean; isHeated: boolean; isLoose: boolean };

const NO_AGE: Age = { ageH: null, hasEnzyme: false, isHeated: false, isLoose: false };

export const ageOf = (plan: Plan, ageH: number | null): Age => ({
  ageH,
  hasEnzyme: usesEnzyme(plan),
  isHeated: plan.wildYeast === 'heat',
  isLoose: plan.fruitIn === 'free'
});

/** Adds an ingredient into a mix, in place. */
export function addTo(m: Mix, ingredient: Ingredient, index: number, lot: LotDraw, age: Age): void {
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
export function strained(m: Mix, press: Plan['press'], z = 0): Mix {
  if (m.strainedKg > 0) drain([m.none, m.all, m.now], m.infusion, pulpL(press, m.strainedKg, z));
  return m;
}

/**
 * Hours until nine tenths of all that the plan's fruit holds is in the must; 0 without fruit.
 * @example
 * hoursToGive({ ingredients: [{ kind: 'produce', produceId: 'plum', massKg: 4 }, { kind: 'water', volumeL: 6 }] }) // 60.459
 */
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
  // Nobody leaves fruit in for longer.
  const most = 24 * 60;
  return left(most) >= 0.1 ? most : findRoot((h) => 0.1 - left(h), 0, most, 1e-2);
}
