import type { StepId } from '../tables/step-id';
import { choiceOf, isNatural } from '../tables/schools';
import { nutrientPlan, type Feed, type NutrientPlan } from './nitrogen';
import { usesEnzyme } from '../plan/chosen';
import { entryOf, type Plan } from '../plan/plan';
import type { Stock } from '../liquid/stock';
import { YEASTS } from '../tables/yeasts';
import type { AdditiveId } from '../tables/substances';
import { gramsText } from '../units/format';
import { L_PER } from '../units/measure';
import {
  CAMPDEN_TABLET_G,
  campdenTablets,
  doseG,
  DOSES,
  enzymeG,
  spoonText,
  tabletText,
  TEASPOON_G,
  yeastG,
  type DoseId
} from '../tables/doses';

/** One dose of a plan: how much, in which spoon, and at which step. */
export type Powder = {
  id: DoseId | 'tea';
  name: string;
  massG: number;
  /** as it is measured out: `2 tablets`, `3.4 g (1 tsp)` */
  amount: string;
  why: string;
  step: StepId;
};

/** A powder that is weighed or spooned. */
export const powderOf = (id: DoseId, massG: number, step: StepId): Powder => {
  const { name, teaspoonG, why } = DOSES[id];
  return {
    id,
    name,
    massG,
    amount: `${gramsText(massG)}${teaspoonG ? ` (${spoonText(massG, teaspoonG)})` : ''}`,
    why,
    step
  };
};

/** Grams of a strong tea bag’s tannin are not weighed: they are counted, one a US gallon. Common practice. */
const teaBags = (volumeL: number): number => Math.max(1, Math.round(volumeL / L_PER['us-gal']));

/**
 * The powders a plan wants by its schools, for so much must; nutrient apart, which has its own plan.
 * @param plan with its amounts worked out; `volumeL` litres of liquid once the fruit has given all
 */
export function powdersOf(plan: Plan, volumeL: number): Powder[] {
  if (!(volumeL > 0)) return [];
  const fruit = plan.ingredients.flatMap((i) =>
    i.kind === 'produce' && i.massKg > 0 ? [{ p: entryOf(i)!, kg: i.massKg }] : []
  );
  const fruitKg = fruit.reduce((s, f) => s + f.kg, 0);
  const out: Powder[] = [];
  /** What stands on the slip is not asked for again. */
  const onSlip = (id: string) =>
    plan.ingredients.some((i) => i.kind === 'additive' && i.additiveId === id && i.massKg > 0);
  const wild = choiceOf(plan, 'wildYeast');
  if (wild === 'sulphite' && !onSlip('campden') && !onSlip('metabisulphite')) {
    const tablets = campdenTablets(volumeL);
    out.push({
      id: 'campden',
      name: 'Campden',
      massG: tablets * CAMPDEN_TABLET_G,
      amount: tabletText(tablets),
      why: DOSES.campden.why,
      step: 'campden'
    });
  }
  if (usesEnzyme(plan) && !onSlip('pectic-enzyme'))
    out.push(powderOf('pectic-enzyme', enzymeG(volumeL, fruitKg), 'enzyme'));
  const tannin = choiceOf(plan, 'tannin');
  const isTannic = fruit.some((f) => f.p.tannin === 'high' || f.p.tannin === 'medium');
  const isOnSlip = onSlip('tannin') || onSlip('tea');
  if (!isTannic && !isOnSlip && tannin === 'powder')
    out.push(powderOf('tannin', doseG('tannin', volumeL)[0], 'crush'));
  if (!isTannic && !isOnSlip && tannin === 'tea') {
    const bags = teaBags(volumeL);
    out.push({
      id: 'tea',
      name: 'Tea',
      massG: 0,
      amount: `${bags} ${bags === 1 ? 'bag' : 'bags'}`,
      why: 'Simmered, never boiled hard; strained in.',
      step: 'crush'
    });
  }
  if (!isNatural(plan)) {
    const yeast = yeastG(volumeL);
    out.push(powderOf('yeast', yeast, choiceOf(plan, 'pitch') === 'starter' ? 'starter' : 'pitch'));
    if (choiceOf(plan, 'pitch') === 'rehydrated')
      out.push({
        ...powderOf('rehydration-nutrient', 1.25 * yeast, 'pitch'),
        amount: gramsText(1.25 * yeast)
      });
  }
  const clearing = choiceOf(plan, 'clearing');
  if (clearing === 'bentonite') out.push(powderOf('bentonite', doseG('bentonite', volumeL)[1], 'finings'));
  if (choiceOf(plan, 'finish') === 'stabilise')
    out.push(
      powderOf('metabisulphite', doseG('metabisulphite', volumeL)[1], 'stabilise'),
      powderOf('sorbate', doseG('sorbate', volumeL)[1], 'stabilise')
    );
  return out;
}

/** Steps whose powders are for making the must; the others are for finishing the wine. */
export const isForMust = (p: Powder): boolean => !['finings', 'stabilise', 'sweeten'].includes(p.step);

/** The nutrient a plan wants, by its school; null when it takes none or there is no must. */
export function nutrientOf(plan: Plan, must: Stock): NutrientPlan | null {
  const style = choiceOf(plan, 'nutrient');
  if (style === 'none') return null;
  return nutrientPlan(must, YEASTS[plan.yeast?.yeastId ?? 'wine'].appetite, style);
}

/** A feed of nutrient as it is measured out. */
export const feedText = ({ mixG, dapG }: Pick<Feed, 'mixG' | 'dapG'>): string =>
  [
    mixG > 0.05 ? `${gramsText(mixG)} nutrient mix (${spoonText(mixG, TEASPOON_G.nutrient)})` : '',
    dapG > 0.1 ? `${gramsText(dapG)} diammonium phosphate (${spoonText(dapG, TEASPOON_G.dap)})` : ''
  ]
    .filter(Boolean)
    .join(' and ');

/** The additive that a powder is written down as; null for what is no powder. */
export const additiveOf = (p: Powder): AdditiveId | null =>
  p.id === 'campden' ||
  p.id === 'nutrient' ||
  p.id === 'dap' ||
  p.id === 'pectic-enzyme' ||
  p.id === 'tannin' ||
  p.id === 'bentonite' ||
  p.id === 'metabisulphite' ||
  p.id === 'sorbate'
    ? p.id
    : null;
