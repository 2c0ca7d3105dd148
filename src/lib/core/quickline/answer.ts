import { onAllScales, sgFrom } from '../ferment/scales';
import { nameOf } from '../plan/name';
import { amountOf, type Ingredient } from '../plan/plan';
import { solvePlan } from '../solve/solve';
import { campdenTablets, DOSES, doseG, doseOf, spoonText, tabletText, usualG } from '../tables/doses';
import { gramsText, significant } from '../units/format';
import { InputError } from '../units/input-error';
import { fromCelsius } from '../units/measure';
import { parseStem, parseTemperature } from '../units/parse';
import { readAmount } from '../units/reckon';
import { inKg, inL } from '../units/say';
import { UNIT_LABEL, fromBase, isMassUnit, type Unit } from '../units/measure';
import { sayAmount } from '../units/amount';
import type { CommandOf } from './command';
import type { Context } from './context';

/** What is told, with its figures marked, and the page with more of it. */
export type Answer = { text: string; href: string };

/**
 * The answer to a question that is of no wine: how much sugar, how much of a powder, one measure in another.
 * @param about the wine that a powder is for, where the question named no volume: its litres, and the fruit in it, kg
 * @returns null for a question of a wine
 * @throws InputError that asks
 */
export function answer(
  q: CommandOf<'question'>,
  ctx: Pick<Context, 'country' | 'temp'>,
  about: { volumeL: number; fruitKg: number } | null = null
): Answer | null {
  if (q.about === 'sugar') return sugarFor(q.volumeL!, q.abv!, q.item?.kind === 'honey');
  if (q.about === 'dose') return doseFor(q.item!, q.volumeL ? { volumeL: q.volumeL, fruitKg: 0 } : about);
  return q.about === 'convert' ? { text: converted(q.from!, q.to!, ctx), href: '/bench/measures' } : null;
}

function sugarFor(volumeL: number, abv: number, isHoney: boolean): Answer {
  const sweet: Ingredient = isHoney
    ? { kind: 'honey', massKg: 0, held: false }
    : { kind: 'sugar', sugarId: 'white', massKg: 0, held: false };
  const { plan } = solvePlan({
    ingredients: [sweet, { kind: 'water', volumeL: 0, held: false }],
    target: { abv, volumeL }
  });
  const kg = amountOf(plan.ingredients[0]!);
  if (!(kg > 0)) throw new InputError(`No sugar makes ${inL(volumeL)} of ${abv} %.`, 'Ask for less.');
  return {
    text: `${inKg(kg)} of ${isHoney ? 'honey' : 'sugar'} in all make ${inL(volumeL)} of ${significant(abv, 3)} %: less what the fruit brings.`,
    href: '/plan'
  };
}

function doseFor(item: Ingredient, about: { volumeL: number; fruitKg: number } | null): Answer {
  const id = doseOf(item as { additiveId?: string; acidId?: string });
  const name = nameOf(item).toLowerCase();
  if (!id)
    throw new InputError(`For ${name} there is no usual dose.`, 'Go by taste, or by a trial in a glass.');
  if (!about) throw new InputError(`${nameOf(item)} for how much?`, `Such as: how much ${name} for 10 l.`);
  const { volumeL, fruitKg } = about;
  if (id === 'campden')
    return {
      text: `${tabletText(campdenTablets(volumeL))} for ${inL(volumeL)}, crushed.`,
      href: '/almanac/doses'
    };
  const [low, , most] = doseG(id, volumeL);
  const usual = usualG(id, volumeL, fruitKg);
  const high = Math.max(most, usual);
  const tsp = 'teaspoonG' in DOSES[id] ? DOSES[id].teaspoonG : null;
  return {
    text: `${gramsText(usual)} of ${name} for ${inL(volumeL)}${tsp ? `, about ${spoonText(usual, tsp)}` : ''}; ${gramsText(low)} to ${gramsText(high)} is usual.`,
    href: '/almanac/doses'
  };
}

const SCALES = { bx: 'brix', sg: 'sg', pa: 'potential' } as const;

function converted(from: string, to: string, ctx: Pick<Context, 'country' | 'temp'>): string {
  if (to === '°C' || to === '°F') {
    const tempC = parseTemperature(from, to === '°C' ? 'F' : 'C');
    return `${from} is ${fromCelsius(tempC, to === '°C' ? 'C' : 'F').toFixed(1)} ${to}.`;
  }
  if (to in SCALES) {
    const { scale, reading } = parseStem(from);
    const all = onAllScales(sgFrom(scale, reading));
    const said = {
      brix: `${all.brix.toFixed(1)} °Bx`,
      sg: all.sg.toFixed(3),
      potential: `${all.potential.toFixed(1)} % potential`
    };
    return `${from} is ${said[SCALES[to as 'bx']]}.`;
  }
  const target = sayAmount(`1 ${to}`, ctx.country).parts[0]!.measure;
  if (target?.kind !== 'unit') throw new InputError(`“${to}” is no unit.`, 'Such as: 9 lb in kg.');
  const unit: Unit = target.unit;
  const amount = readAmount(from, null, null, ctx.country);
  if (isMassUnit(amount.unit) !== isMassUnit(unit))
    throw new InputError(
      `${from} is a ${isMassUnit(amount.unit) ? 'weight' : 'volume'}.`,
      'Say of what it is on the Bench, under Kitchen measures.'
    );
  return `${from} is ${significant(fromBase(amount.base, unit), 4)} ${UNIT_LABEL[unit]}.`;
}
