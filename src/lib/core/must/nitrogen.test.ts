import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DOSES } from '../tables/doses';
import { KG_PER, L_PER } from '../units/measure';
import { stockAt, liquid } from '../liquid/stock';
import { likelyMix } from './mix';
import { estimateMust } from './balance';
import { DAP_CEILING_GL, nitrogenNeed, nutrientPlan } from './nitrogen';
import type { Ingredient } from '../plan/plan';
import { NITROGEN_MG_G } from '../tables/substances';

const withNitrogen = (sg: number, mgL: number, volumeL = 10) => ({
  ...stockAt(volumeL, sg),
  nitrogenMg: mgL * volumeL
});

describe('nitrogen', () => {
  it('is wanted at 0.75, 0.9 and 1.25 mg a gram of sugar (common practice)', () => {
    expect(nitrogenNeed(200, 'low')).toBe(150);
    expect(nitrogenNeed(200, 'medium')).toBe(180);
    expect(nitrogenNeed(200, 'high')).toBe(250);
  });

  it('diammonium phosphate is 21.2 % nitrogen, (NH₄)₂HPO₄ by its formula', () => {
    expect(NITROGEN_MG_G.dap! / 1000).toBeCloseTo((2 * 14.007) / 132.06, 3);
  });

  it('brings the must to its need, within both ceilings, or says what is missing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.03, max: 1.14, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.constantFrom('low' as const, 'medium' as const, 'high' as const),
        (sg, has, appetite) => {
          const p = nutrientPlan(withNitrogen(sg, has), appetite)!;
          const given = (p.mixG * NITROGEN_MG_G.nutrient! + p.dapG * NITROGEN_MG_G.dap!) / 10;
          expect(p.dapG / 10).toBeLessThanOrEqual(DAP_CEILING_GL + 1e-6);
          expect(p.mixG / 10).toBeLessThanOrEqual(DOSES.nutrient.perL[2] + 1e-6);
          expect(has + given + p.missingMgL).toBeCloseTo(Math.max(has, p.needMgL), 4);
          expect(p.feeds.length).toBe(p.shortMgL > 0 ? 4 : 0);
          expect(p.feeds.reduce((s, f) => s + f.mixG, 0)).toBeCloseTo(p.shortMgL > 0 ? p.mixG : 0, 9);
        }
      )
    );
  });

  it('the ceiling is 8 lb of diammonium phosphate in 1000 US gal (27 CFR 24.246, from memory)', () => {
    expect(DAP_CEILING_GL).toBeCloseTo((8 * KG_PER.lb * 1000) / (1000 * L_PER['us-gal']), 2);
  });

  it('goes in quarters at 24, 48 and 72 h and at the third break, none later', () => {
    const p = nutrientPlan(withNitrogen(1.09, 20), 'medium')!;
    expect(p.feeds.map((f) => f.hours)).toEqual([24, 48, 72, null]);
    expect(p.feeds[3]!.sg).toBe(p.breakSg);
    // A third of 90 points is 30; with alcohol made, the reading falls a little further.
    expect(p.breakSg).toBeGreaterThan(1.052);
    expect(p.breakSg).toBeLessThan(1.06);
    expect(nutrientPlan(withNitrogen(1.09, 20), 'medium', 'at-once')!.feeds).toHaveLength(1);
  });

  it('counts its break on all the sugar that is planned, fed in steps or not', () => {
    const all: Ingredient[] = [
      { kind: 'honey', massKg: 3 },
      { kind: 'water', volumeL: 8 }
    ];
    const whole = nutrientPlan(likelyMix(all).all, 'medium')!;
    const half = nutrientPlan(
      likelyMix([
        { kind: 'honey', massKg: 1.5 },
        { kind: 'honey', massKg: 1.5 },
        { kind: 'water', volumeL: 8 }
      ]).all,
      'medium'
    )!;
    expect(half.breakSg).toBeCloseTo(whole.breakSg, 9);
    expect(half.mixG).toBeCloseTo(whole.mixG, 9);
  });

  it('flowers and honey bring almost none, grapes and malt a good deal (published must analyses, from memory)', () => {
    const yan = (ingredients: Ingredient[]) => estimateMust({ ingredients }).yanMgL!.likely;
    const sugar: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 2.2 };
    expect(
      yan([{ kind: 'produce', produceId: 'elderflower', massKg: 0.2 }, sugar, { kind: 'water', volumeL: 9 }])
    ).toBeLessThan(10);
    expect(
      yan([
        { kind: 'honey', massKg: 3 },
        { kind: 'water', volumeL: 8 }
      ])
    ).toBeLessThan(25);
    const grapes = yan([{ kind: 'juice', produceId: 'grape', volumeL: 10 }]);
    expect(grapes).toBeGreaterThan(60);
    expect(grapes).toBeLessThan(300);
    expect(
      yan([
        { kind: 'sugar', sugarId: 'dry-malt', massKg: 1.5 },
        { kind: 'water', volumeL: 9 }
      ])
    ).toBeGreaterThan(120);
  });

  it('is nothing without sugar or liquid', () => {
    expect(nutrientPlan(likelyMix([{ kind: 'water', volumeL: 5 }]).all, 'low')).toBeNull();
    expect(nutrientPlan(likelyMix([]).all, 'low')).toBeNull();
    expect(liquid(likelyMix([]).all)).toBeNull();
  });
});
