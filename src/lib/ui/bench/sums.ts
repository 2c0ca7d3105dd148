import type { Sum } from './sum';
import { acid, nutrient, tapWater, titration } from './sums/acid';
import { blending, heating, priming, stabilise, sweeten } from './sums/finish';
import { addSugar, addWater, hydrometer, mixSugar, reading, spirit, strength } from './sums/gravity';
import { cooling, cost, measures, press, sanitiser } from './sums/kitchen';

/** The sums of the Bench, by what they are about. */
export const BENCH: { title: string; sums: Sum[] }[] = [
  { title: 'Gravity and strength', sums: [hydrometer, reading, strength, spirit] },
  { title: 'Making up a must', sums: [addSugar, addWater, mixSugar, press] },
  { title: 'Acid and nutrient', sums: [acid, titration, nutrient, tapWater] },
  { title: 'Finishing and bottling', sums: [stabilise, sweeten, blending, priming, heating] },
  { title: 'Kitchen and cleaning', sums: [measures, cooling, cost, sanitiser] }
];

export const SUMS: Sum[] = BENCH.flatMap((g) => g.sums);
export const sumById = (id: string): Sum | undefined => SUMS.find((s) => s.id === id);
