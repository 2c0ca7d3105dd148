import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { estimateMust, likelyFigures } from '../must/balance';
import type { Ingredient, Plan } from '../must/plan';
import { PRODUCE } from '../produce/table';
import { L_PER } from '../units/measure';
import {
  CUP_G,
  doseG,
  DOSES,
  ENZYME_G_PER_KG,
  judgeDose,
  slipText,
  SO2_SHARE,
  spoonText,
  TEASPOON_G
} from './doses';
import { scalePlan, solvePlan, usualVolumeL } from './solve';
import { heightAtVolume, outlineOf, SHAPES, VESSEL_PRESETS, vesselSchema, volumeAtHeight } from './vessels';

const free: Ingredient[] = [
  { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
  { kind: 'water', volumeL: 0, held: false }
];
const plan = (fruit: Ingredient[], abv: number | null, volumeL: number | null, rest = free): Plan => ({
  ingredients: [...fruit, ...rest],
  target: { abv, volumeL }
});
const rhubarb: Ingredient = { kind: 'produce', produceId: 'rhubarb', massKg: 4.1, held: true };

describe('the solver', () => {
  it('meets strength and amount, as the must balance sees them', () => {
    const { plan: solved, gaveWay } = solvePlan(plan([rhubarb], 12, 12));
    const f = likelyFigures(solved);
    expect(f.potentialAbv).toBeCloseTo(12, 3);
    expect(f.intoGlassL).toBeCloseTo(12, 3);
    expect(gaveWay).toEqual([]);
  });

  it('works the amount out from the fruit when none is asked for', () => {
    const { plan: solved, aimL } = solvePlan(plan([rhubarb], 12, null));
    expect(aimL).toBeCloseTo(4.1 / 0.36, 6);
    expect(likelyFigures(solved).intoGlassL).toBeCloseTo(aimL!, 3);
  });

  it('leaves what is held alone, and says what gave way', () => {
    const held: Ingredient[] = [
      { kind: 'sugar', sugarId: 'white', massKg: 1.5, held: true },
      { kind: 'water', volumeL: 7, held: true }
    ];
    const { plan: solved, gaveWay } = solvePlan(plan([rhubarb], 12, 20, held));
    expect(solved.ingredients.slice(1)).toEqual(held);
    expect(gaveWay.join(' ')).toMatch(/sugar is held.*water is held/);
  });

  it('says so when the fruit alone is too strong, too much, or the yeast too weak', () => {
    const raisins: Ingredient = { kind: 'produce', produceId: 'raisin', massKg: 8 };
    expect(solvePlan(plan([raisins], 5, 10)).gaveWay.join()).toMatch(/fruit alone brings/);
    expect(
      solvePlan(plan([{ kind: 'juice', produceId: 'apple', volumeL: 20 }], 12, 5)).gaveWay.join()
    ).toMatch(/Without any water/);
    expect(solvePlan({ ...plan([rhubarb], 12, 12), yeast: { yeastId: 'ale' } }).gaveWay.join()).toMatch(
      /stops near/
    );
  });

  it('hits its targets or says why, for any fruit, and never throws', () => {
    const ids = PRODUCE.map((p) => p.id);
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            produceId: fc.constantFrom(...ids),
            massKg: fc.double({ min: 0.01, max: 10, noNaN: true })
          }),
          { minLength: 1, maxLength: 4 }
        ),
        fc.double({ min: 3, max: 18, noNaN: true }),
        fc.double({ min: 2, max: 60, noNaN: true }),
        (fruit, abv, volumeL) => {
          const asked = {
            ...plan(
              fruit.map((f) => ({ kind: 'produce' as const, ...f })),
              abv,
              volumeL
            ),
            yeast: { toleranceAbv: 20 }
          };
          const { plan: solved, gaveWay } = solvePlan(asked);
          const f = likelyFigures(solved);
          const met = Math.abs(f.potentialAbv - abv) < 0.06 && Math.abs(f.intoGlassL - volumeL) < 0.06;
          expect(met || gaveWay.length > 0, `${f.potentialAbv} ${f.intoGlassL}`).toBe(true);
          for (const i of solved.ingredients)
            expect('massKg' in i ? i.massKg : i.volumeL).toBeGreaterThanOrEqual(0);
        }
      ),
      { numRuns: 300 }
    );
  });

  it('scaling up and back is the identity, and keeps every concentration', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 20, noNaN: true }), (factor) => {
        const { plan: small } = solvePlan(plan([rhubarb], 12, 12));
        const back = scalePlan(scalePlan(small, factor), 1 / factor);
        back.ingredients.forEach((i, n) => {
          const was = small.ingredients[n]!;
          expect('massKg' in i ? i.massKg : i.volumeL).toBeCloseTo(
            'massKg' in was ? was.massKg : was.volumeL,
            9
          );
        });
        expect(estimateMust(scalePlan(small, factor)).potentialAbv!.likely).toBeCloseTo(12, 2);
      }),
      { numRuns: 40 }
    );
  });

  it('leaves an empty plan as it is, and complains of nothing', () => {
    const empty = plan([], 12, null);
    expect(solvePlan(empty)).toEqual({ plan: empty, gaveWay: [], aimL: null });
  });

  it('has no usual amount without fruit', () => {
    expect(usualVolumeL(plan([], 12, null))).toBeNull();
  });
});

/** Common practice, per US gallon, as in the dose table. */
describe('usual doses', () => {
  it('a Campden tablet a US gallon is about 67 mg/L of sulphur dioxide', () => {
    expect(
      ((doseG('campden', L_PER['us-gal'])[1] * SO2_SHARE.potassium) / L_PER['us-gal']) * 1000
    ).toBeCloseTo(67, 0);
  });

  it('a quarter teaspoon for 6 US gal is about 38 mg/L', () => {
    const litres = 6 * L_PER['us-gal'];
    expect(((doseG('metabisulphite', litres)[1] * SO2_SHARE.potassium) / litres) * 1000).toBeCloseTo(38, 0);
  });

  it('half a teaspoon of pectic enzyme a gallon; a tenth a pound of fruit', () => {
    expect(doseG('pectic-enzyme', L_PER['us-gal'])[1]).toBeCloseTo(TEASPOON_G['pectic-enzyme'] / 2, 9);
    expect(ENZYME_G_PER_KG * 0.45359237).toBeCloseTo(TEASPOON_G['pectic-enzyme'] / 10, 9);
  });

  it('run low, usual, high, and only tenfold the high is absurd', () => {
    for (const id of Object.keys(DOSES) as (keyof typeof DOSES)[]) {
      const [low, usual, high] = doseG(id, 10);
      expect(low <= usual && usual <= high).toBe(true);
      expect(judgeDose(id, high, 10)).toBe('usual');
      expect(judgeDose(id, high * 2, 10)).toBe('high');
      expect(judgeDose(id, high * 11, 10)).toBe('absurd');
    }
  });

  it('a slip is guessed at: spoons, ounces, a point', () => {
    const usual = doseG('nutrient', 10)[1];
    expect(slipText('nutrient', usual * 3, 10)).toMatch(/teaspoon meant, not a tablespoon/);
    expect(slipText('nutrient', usual * 28.35, 10)).toMatch(/grams meant, not ounces/);
    expect(slipText('nutrient', usual * 1000, 10)).toMatch(/grams meant, not kilograms/);
  });

  it('what is in already counts', () => {
    const high = doseG('sorbate', 10)[2];
    expect(judgeDose('sorbate', high, 10, 0)).toBe('usual');
    expect(judgeDose('sorbate', high, 10, high)).toBe('high');
  });

  it('a cup of white sugar is 200 g, 16 tablespoons of 12.5 g (kitchen tables, from memory)', () => {
    expect(CUP_G['white-sugar'] / 16).toBeCloseTo(12.5, 9);
    expect(CUP_G['white-sugar'] / 48).toBeCloseTo(TEASPOON_G.sugar, 1);
  });

  it('finds the nearest practical spoon', () => {
    expect(spoonText(3, 3)).toBe('1 tsp');
    expect(spoonText(1.5, 3)).toBe('½ tsp');
    expect(spoonText(5.25, 3)).toBe('1¾ tsp');
    expect(spoonText(12, 4)).toBe('1 tbsp');
    expect(spoonText(0.1, 3)).toBe('a pinch');
    expect(spoonText(0.01, 3)).toBe('a pinch');
  });
});

describe('vessels', () => {
  it.each(VESSEL_PRESETS.map((v) => [v.name, v] as const))(
    '%s holds what it says, and level and volume are inverse',
    (_n, v) => {
      expect(vesselSchema.safeParse(v).success).toBe(true);
      const brim = outlineOf(v).at(-1)![0];
      expect(volumeAtHeight(v, brim)).toBeCloseTo(v.capacityL, 6);
      for (const share of [0.05, 0.3, 0.8, 0.97]) {
        expect(volumeAtHeight(v, heightAtVolume(v, v.capacityL * share))).toBeCloseTo(v.capacityL * share, 4);
      }
      expect(() => heightAtVolume(v, v.capacityL * 1.1)).toThrow(/does not fit/);
    }
  );

  it('takes a measured outline', () => {
    // A cylinder 20 cm wide and 30 cm high, declared to hold 9.42 L, is what geometry says.
    const v = {
      id: 'c',
      name: 'cylinder',
      shape: 'bucket' as const,
      capacityL: (Math.PI * 100 * 30) / 1000,
      profile: [
        [0, 20],
        [30, 20]
      ] as [number, number][]
    };
    expect(heightAtVolume(v, v.capacityL / 2)).toBeCloseTo(15, 4);
  });

  it('has an outline for every shape', () => {
    for (const shape of SHAPES)
      expect(outlineOf({ id: 'x', name: 'x', shape, capacityL: 5 }).length).toBeGreaterThan(2);
  });
});
