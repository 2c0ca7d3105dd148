import { inKg, inKgL, inL } from '$core/units/say';
import { ETHANOL_20 } from '$core/liquid/ethanol';
import { liquid } from '$core/liquid/stock';
import { ferment } from '$core/ferment/convert';
import { hoursToGive } from '$core/must/mix';
import { sgAtAge, type MustEstimate } from '$core/must/balance';
import { costOf } from '$core/plan/cost';
import type { Plan } from '$core/plan/plan';

/** How each headline number of a plan came about, as lines to read. */
export function howOf(e: MustEstimate, plan: Plan) {
  const { none, all, insolublesKg, produceKg, pulpKg } = e.likely;
  const cost = costOf(plan);
  const dry = ferment(all, all.hexoseKg).stock;
  const dryL = liquid(dry)?.volumeL ?? 0;
  const [mustL, intoGlassL] = [e.liquidVolumeL?.likely ?? 0, e.intoGlassL?.likely ?? 0];
  return {
    abv: [
      `${inKg(all.hexoseKg)} of sugar (as hexose) × 0.46 = ${inKg(dry.ethanolKg)} of alcohol, with what was in already.`,
      `÷ ${ETHANOL_20} kg/L = ${inL(dry.ethanolKg / ETHANOL_20)}, in ${inL(dryL)} of wine: ${((100 * dry.ethanolKg) / ETHANOL_20 / (dryL || 1)).toFixed(1)} %.`,
      'The range: how sweet fruit varies, and 0.445 to 0.475 for the yeast.'
    ],
    sg: [
      `Poured and dissolved: ${inKg(none.solidsKg)} of solids in ${inKg(none.waterKg)} of water.`,
      `Once the fruit has given: ${inKg(all.solidsKg)} in ${inKg(all.waterKg)}. The fruit brings more water than sugar, so the reading falls.`,
      ...(produceKg > 0 ? [givingText(plan)] : [])
    ],
    bottles: [
      `${inL(mustL)} of must, less the ${inL(Math.max(0, mustL - intoGlassL))} that ${pulpKg > produceKg * 1.5 ? 'the soaked' : `${inKg(produceKg)} of`} pulp keeps: ${inL(intoGlassL)} into glass.`,
      ...(e.fruitPerL
        ? [
            `${inKgL(e.fruitPerL.likely, 2)} of fruit: light is ${inKgL(0.25)}, common ${inKgL(0.36)}, full ${inKgL(0.55)}.`
          ]
        : []),
      `Less about 9 % with the lees at the first racking and 2 % at the next, in bottles of ${inL(0.75, 'rule')}.`,
      ...(cost
        ? [
            `Cost: ${cost.total.toFixed(2)} in all${cost.unpriced.length > 0 ? `, without ${cost.unpriced.join(', ')}` : ''}.`
          ]
        : [])
    ],
    ta: [
      'Acid equivalents of every fruit, less the potassium and lime that hold part of them, up to pH 8.2; as tartaric.',
      'Before the ferment. Fruit wine is good at 6–7, flower wine at less.'
    ],
    ph: [
      'From the charge balance of acids, minerals and water.',
      'Under 4.2 is safe to stand; 3.2–3.6 keeps best.'
    ],
    fill: [
      `${e.liquidVolumeL?.likely.toFixed(1)} L of liquid and ${insolublesKg.toFixed(2)} kg of pulp that never dissolves.`,
      'The mark is the same before and after the fruit gives.'
    ]
  };
}

const AGES = [0, 12, 24, 48, 96] as const;

/** When the fruit gives: the gravity to expect by the hour, before any ferment. */
export function givingText(plan: Plan): string {
  const at = AGES.map((h) => [h, sgAtAge(plan, h)] as const)
    .filter(([, sg]) => sg !== null)
    .map(
      ([h, sg]) => `${sg!.toFixed(3)} ${h === 0 ? 'at once' : h < 24 ? `after ${h} h` : `after ${h / 24} d`}`
    );
  return `Before any ferment it should read ${at.join(', ')}; nine tenths are out in ${spanText(hoursToGive(plan))}.`;
}

/** Hours as people say them: `9 hours`, `2½ days`. */
export function spanText(hours: number): string {
  if (hours < 1) return 'an hour';
  if (hours < 30) return `${Math.round(hours)} hours`;
  const halves = Math.round(hours / 12);
  return `${halves % 2 === 0 ? halves / 2 : `${Math.floor(halves / 2)}½`} days`;
}
