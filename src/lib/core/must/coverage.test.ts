import { describe, expect, it } from 'vitest';
import { solvePlan } from '../solve/solve';
import { estimateMust, oneMust } from './balance';
import { mulberry32, normalQuantile } from '../maths/draw';
import type { Ingredient, Plan } from '../plan/plan';

const free: Ingredient[] = [
  { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
  { kind: 'water', volumeL: 0, held: false }
];
const fruit = (produceId: string, massKg: number, weighed: 'trimmed' | 'bought' = 'trimmed'): Ingredient => ({
  kind: 'produce',
  produceId,
  massKg,
  weighed
});
const plan = (items: Ingredient[], abv = 12): Plan =>
  solvePlan({ ingredients: [...items, ...free], target: { abv, volumeL: null } }).plan;

const PLANS: Record<string, Plan> = {
  rhubarb: plan([fruit('rhubarb', 4)]),
  'plums and apples': plan([fruit('plum', 3), fruit('apple', 2)]),
  'five fruits': plan([
    fruit('elderberry', 2),
    fruit('blackberry', 2),
    fruit('raisin', 0.3),
    fruit('banana', 0.3),
    fruit('damson', 1)
  ]),
  'bought quince': plan([fruit('quince', 4, 'bought')], 13),
  'carrot and orange': plan([fruit('carrot', 3), { kind: 'juice', produceId: 'orange', volumeL: 1.5 }]),
  'pressed apples': { ingredients: [{ kind: 'juice', produceId: 'apple', volumeL: 20 }] },
  'frozen, bought, very ripe': plan([
    { ...fruit('blackcurrant', 3, 'bought'), form: 'frozen', ripeness: 'over' } as Ingredient,
    { ...fruit('elderflower', 0.1), form: 'dried' } as Ingredient
  ]),
  'measured damsons': plan([
    { ...fruit('damson', 4), measured: { brix: 16, taGL: 18, ph: 3.1 } } as Ingredient
  ]),
  'apples from the press': {
    ingredients: [{ ...fruit('apple', 30), pressed: { press: 'basket', mill: 'milled' } } as Ingredient]
  },
  'beyond its yeast': { ...plan([fruit('gooseberry', 3)], 17), yeast: { yeastId: 'wine' } }
};
const FIGURES = [
  'liquidVolumeL',
  'vesselVolumeL',
  'sgAllGiven',
  'potentialAbv',
  'finalAbv',
  'finalSg',
  'taGL',
  'ph',
  'intoGlassL',
  'bottles',
  'yanMgL',
  'fruitPerL',
  'sgNow'
] as const;
const AGE_H = 18;
const POPULATION = 4000;

/** How often the 80 % ranges hold, by another generator than the one that made them. */
describe('the 8-in-10 ranges', () => {
  it('hold 75 to 85 % of a simulated population, wherever they have width', () => {
    const shares: number[] = [];
    const bad: string[] = [];
    for (const [name, p] of Object.entries(PLANS)) {
      const e = estimateMust(p, AGE_H);
      const random = mulberry32(20_261_124);
      const people = Array.from({ length: POPULATION }, () =>
        oneMust(p, () => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random()))), AGE_H)
      );
      for (const f of FIGURES) {
        const range = e[f];
        if (!range || range.high - range.low < 1e-4 * range.likely) continue;
        const share = people.filter((m) => m[f] >= range.low && m[f] <= range.high).length / POPULATION;
        shares.push(share);
        if (share < 0.75 || share > 0.85) bad.push(`${name} ${f} ${share.toFixed(3)}`);
      }
    }
    const mean = shares.reduce((a, b) => a + b, 0) / shares.length;
    console.log(
      `coverage of the 8-in-10 ranges: mean ${(100 * mean).toFixed(1)} %, ${(100 * Math.min(...shares)).toFixed(1)} to ${(100 * Math.max(...shares)).toFixed(1)} %, ${shares.length} figures`
    );
    expect(bad.join('; ')).toBe('');
    expect(mean).toBeGreaterThan(0.78);
    expect(mean).toBeLessThan(0.82);
  });
});
