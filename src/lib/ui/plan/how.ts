import { ETHANOL_20 } from '$core/liquid/ethanol';
import { liquid } from '$core/must/stock';
import { ferment } from '$core/ferment/convert';
import type { MustEstimate } from '$core/must/balance';

const kg = (n: number) => `${n.toFixed(2)} kg`;

/** How each headline number of a plan came about, as lines to read. */
export function howOf(e: MustEstimate) {
  const { none, all, insolublesKg, produceKg } = e.likely;
  const dry = ferment(all, all.hexoseKg).stock;
  const dryL = liquid(dry)?.volumeL ?? 0;
  return {
    abv: [
      `${kg(all.hexoseKg)} of sugar (as hexose) × 0.46 = ${kg(dry.ethanolKg)} of alcohol, with what was in already.`,
      `÷ ${ETHANOL_20} kg/L = ${(dry.ethanolKg / ETHANOL_20).toFixed(2)} L, in ${dryL.toFixed(1)} L of wine: ${((100 * dry.ethanolKg) / ETHANOL_20 / (dryL || 1)).toFixed(1)} %.`,
      'The range: how sweet fruit varies, and 0.445 to 0.475 for the yeast.'
    ],
    sg: [
      `Poured and dissolved: ${kg(none.solidsKg)} of solids in ${kg(none.waterKg)} of water.`,
      `Once the fruit has given: ${kg(all.solidsKg)} in ${kg(all.waterKg)}. The fruit brings more water than sugar, so the reading falls.`,
      'A reading taken early lies between the two.'
    ],
    bottles: [
      `${e.liquidVolumeL?.likely.toFixed(1)} L of must, less what ${produceKg.toFixed(1)} kg of pulp keeps: ${e.intoGlassL?.likely.toFixed(1)} L into glass.`,
      'Less about 9 % with the lees at the first racking and 2 % at the next, in bottles of 0.75 L.'
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
