import { describe, expect, it } from 'vitest';
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
} from '../tables/doses';
import { heightAtVolume, outlineOf, SHAPES, VESSEL_PRESETS, volumeAtHeight } from './vessels';
import { vesselSchema } from './vessel-schema';

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
