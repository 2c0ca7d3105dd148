import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hexoseGone } from '../ferment/alcohol';
import { abvOf, ferment, finish } from '../ferment/convert';
import { gramsPerLitre, sgFromGramsPerLitre } from '../liquid/sugar';
import { PRODUCE } from '../tables/table';
import { KG_PER, L_PER } from '../units/measure';
import { stockAt, liquid, massOf } from '../liquid/stock';
import { sugarToReach } from './reach';
import { likelyMix } from './mix';
import { estimateMust } from './balance';
import type { Ingredient, Plan } from '../plan/plan';

const lb = KG_PER.lb;
const gal = L_PER['us-gal'];
const produce = (produceId: string, massKg: number): Ingredient => ({ kind: 'produce', produceId, massKg });
const sugar = (massKg: number): Ingredient => ({ kind: 'sugar', sugarId: 'white', massKg });
const water = (volumeL: number): Ingredient => ({ kind: 'water', volumeL });
const near = (actual: number, wanted: number, within: number) =>
  expect(Math.abs(actual - wanted), `${actual} against ${wanted}`).toBeLessThanOrEqual(within);

/** Common practice, no published source: ±0.004 SG, ±5 % volume, and inside the shown range. */
describe('musts as country winemakers make them', () => {
  it('9 lb plums, 6 lb sugar, 2.1 US gal water', () => {
    const e = estimateMust({ ingredients: [produce('plum', 9 * lb), sugar(6 * lb), water(2.1 * gal)] });
    near(e.sgNoneGiven!.likely, 1.108, 0.004);
    near(e.sgAllGiven!.likely, 1.091, 0.004);
    expect(e.sgAllGiven!.low).toBeLessThan(1.0935);
    // Read 1.101 a day in: between the two, as it must be.
    expect(1.101).toBeLessThan(e.sgNoneGiven!.likely);
    expect(1.101).toBeGreaterThan(e.sgAllGiven!.likely);
  });

  it('3 kg raspberries, 1.24 kg sugar, 6 L water', () => {
    const e = estimateMust({ ingredients: [produce('raspberry', 3), sugar(1.24), water(6)] });
    near(e.sgNoneGiven!.likely, 1.07, 0.004);
    near(e.sgAllGiven!.likely, 1.062, 0.004);
    // The frequent slip: all the sugar over the 6 L of water alone.
    const all = likelyMix([produce('raspberry', 3), sugar(1.24)]).all;
    near(sgFromGramsPerLitre((1000 * all.fermentableKg) / 6), 1.086, 0.004);
  });

  it('2.5 lb sugar made up to 3.1 L', () => {
    near(sgFromGramsPerLitre((2.5 * lb * 1000) / 3.1), 1.14, 0.004);
  });

  it('12 lb sugar in 6 US gal water', () => {
    const e = estimateMust({ ingredients: [sugar(12 * lb), water(6 * gal)] });
    near(e.liquidVolumeL!.likely / gal, 6.9, 0.05 * 6.9);
    near(e.potentialAbv!.likely, 13, 0.3);
  });

  it('a tablespoon of sugar in 4.5 L is one point', () => {
    const e = estimateMust({ ingredients: [sugar(0.0125), water(4.5)] });
    near(e.sgAllGiven!.likely, 1.001, 0.0002);
  });

  it('400 g sugar takes 3.5 L from 1.042 to 1.080', () => {
    near(sugarToReach(3.5, 1.042, 1.08), 0.4, 0.04);
    expect(() => sugarToReach(3.5, 1.08, 1.042)).toThrow(/is below/);
  });

  it('dissolved sugar takes 0.62 L a kilogram, out of the density alone', () => {
    const before = liquid(likelyMix([water(10)]).all)!.volumeL;
    const after = liquid(likelyMix([water(10), sugar(2)]).all)!.volumeL;
    near((after - before) / 2, 0.62, 0.01);
  });
});

describe('the end of a ferment', () => {
  it('a sucrose wash from 1.090 ends near 0.985', () => {
    const end = finish(stockAt(10, 1.09), 20).stock;
    near(liquid(end)!.sg, 0.985, 0.002);
    // It shrinks about a hundredth.
    expect(liquid(end)!.volumeL).toBeGreaterThan(9.75);
    expect(liquid(end)!.volumeL).toBeLessThan(9.95);
  });

  it('a fruit wine of 11–13 % ends near 0.990–0.998', () => {
    const e = estimateMust({
      ingredients: [produce('plum', 9 * lb), sugar(5 * lb), water(2.1 * gal)],
      yeast: { yeastId: 'wine' }
    });
    expect(e.potentialAbv!.likely).toBeGreaterThan(10.5);
    expect(e.potentialAbv!.likely).toBeLessThan(13.5);
    expect(e.finalSg!.likely).toBeGreaterThan(0.99);
    expect(e.finalSg!.likely).toBeLessThan(0.998);
  });

  it('a yeast at its limit leaves the rest sweet', () => {
    const e = estimateMust({ ingredients: [sugar(3.6), water(7)], yeast: { toleranceAbv: 16 } });
    expect(e.potentialAbv!.likely).toBeGreaterThan(19);
    near(e.finalAbv!.likely, 16, 0.05);
    expect(e.residualGL!.likely).toBeGreaterThan(40);
  });

  it('European Union and chaptalising practice lie inside the yield range', () => {
    // 16.83 g/L of hexose and 17 g/L of sucrose make one per cent.
    for (const [hexoseG, made] of [
      [16.83, 1],
      [17 * 1.0526, 1]
    ] as const) {
      const grams = made * 7.8924;
      expect(grams / hexoseG).toBeGreaterThan(0.44);
      expect(grams / hexoseG).toBeLessThan(0.475);
    }
  });

  it('the ledger finds the sugar that a reading says is gone, and takes it back', () => {
    const start = stockAt(10, 1.085);
    fc.assert(
      fc.property(fc.double({ min: 0.99, max: 1.084, noNaN: true }), (sg) => {
        const { hexoseKg, met } = hexoseGone(start, 0, sg);
        expect(met).toBe(true);
        const now = ferment(start, hexoseKg).stock;
        expect(liquid(now)!.sg).toBeCloseTo(sg, 6);
        const back = hexoseGone(now, hexoseKg, 1.085).hexoseKg;
        expect(back).toBeCloseTo(-hexoseKg, 5);
        expect(abvOf(ferment(now, back).stock)).toBeCloseTo(0, 4);
      })
    );
  });
});

describe('properties of any plan', () => {
  const ids = PRODUCE.map((p) => p.id);
  const juices = PRODUCE.filter((p) => p.forms.includes('juice')).map((p) => p.id);
  const any: fc.Arbitrary<Ingredient> = fc.oneof(
    fc.record({
      kind: fc.constant('produce' as const),
      produceId: fc.constantFrom(...ids),
      massKg: fc.double({ min: 0, max: 30, noNaN: true })
    }),
    fc.record({
      kind: fc.constant('juice' as const),
      produceId: fc.constantFrom(...juices),
      volumeL: fc.double({ min: 0, max: 20, noNaN: true })
    }),
    fc.double({ min: 0, max: 15, noNaN: true }).map(sugar),
    fc.double({ min: 0, max: 15, noNaN: true }).map((massKg) => ({ kind: 'honey' as const, massKg })),
    fc.record({
      kind: fc.constant('water' as const),
      volumeL: fc.double({ min: 0, max: 60, noNaN: true }),
      alkalinityMgL: fc.double({ min: 0, max: 400, noNaN: true })
    }),
    fc.record({
      kind: fc.constant('wine' as const),
      volumeL: fc.double({ min: 0, max: 10, noNaN: true }),
      abv: fc.constant(12),
      sg: fc.constant(0.995)
    })
  );
  const plans: fc.Arbitrary<Plan> = fc.record({ ingredients: fc.array(any, { minLength: 1, maxLength: 8 }) });

  it('ranges are finite, ordered and not negative; pH lies on its scale', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const e = estimateMust(plan);
        for (const key of [
          'liquidVolumeL',
          'vesselVolumeL',
          'sgNoneGiven',
          'sgAllGiven',
          'potentialAbv',
          'finalSg',
          'taGL',
          'ph',
          'intoGlassL'
        ] as const) {
          const r = e[key];
          if (!r) continue;
          expect(Number.isFinite(r.low) && Number.isFinite(r.high)).toBe(true);
          expect(r.low).toBeLessThanOrEqual(r.likely);
          expect(r.likely).toBeLessThanOrEqual(r.high);
          expect(r.low).toBeGreaterThanOrEqual(0);
        }
        if (e.ph) expect(e.ph.high).toBeLessThan(14);
      }),
      { numRuns: 120 }
    );
  });

  it('more water never raises the gravity, more sugar never lowers the alcohol', () => {
    fc.assert(
      fc.property(plans, fc.double({ min: 0.1, max: 10, noNaN: true }), (plan, more) => {
        const before = estimateMust(plan);
        const wetter = estimateMust({ ingredients: [...plan.ingredients, water(more)] });
        const sweeter = estimateMust({ ingredients: [...plan.ingredients, sugar(more / 5)] });
        if (before.sgAllGiven && wetter.sgAllGiven && before.sgAllGiven.likely >= 1.0)
          expect(wetter.sgAllGiven.likely).toBeLessThanOrEqual(before.sgAllGiven.likely + 1e-7);
        if (before.potentialAbv && sweeter.potentialAbv)
          expect(sweeter.potentialAbv.likely).toBeGreaterThanOrEqual(before.potentialAbv.likely - 1e-7);
      }),
      { numRuns: 60 }
    );
  });

  it('mass closes from must to wine', () => {
    fc.assert(
      fc.property(plans, fc.double({ min: 0, max: 1, noNaN: true }), (plan, share) => {
        const { all } = likelyMix(plan.ingredients);
        const { stock, co2Kg, leesKg } = ferment(all, all.hexoseKg * share);
        expect(massOf(stock) + co2Kg + leesKg).toBeCloseTo(massOf(all), 8);
        const weighed = plan.ingredients.reduce((sum, i) => {
          if (i.kind === 'juice' || i.kind === 'wine') return NaN;
          return sum + (i.kind === 'water' ? i.volumeL * 0.9982 : i.massKg);
        }, 0);
        const m = likelyMix(plan.ingredients);
        if (Number.isFinite(weighed)) expect(massOf(m.all) + m.insolublesKg).toBeCloseTo(weighed, 6);
      })
    );
  });

  it('doubling everything changes no concentration', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const twice: Plan = {
          ingredients: plan.ingredients.map((i) =>
            'volumeL' in i ? { ...i, volumeL: i.volumeL * 2 } : { ...i, massKg: i.massKg * 2 }
          )
        };
        const [a, b] = [estimateMust(plan), estimateMust(twice)];
        if (a.sgAllGiven) near(b.sgAllGiven!.likely, a.sgAllGiven.likely, 1e-7);
        if (a.liquidVolumeL) near(b.liquidVolumeL!.likely, 2 * a.liquidVolumeL.likely, 1e-5);
        if (a.ph) near(b.ph!.likely, a.ph.likely, 1e-3);
      }),
      { numRuns: 60 }
    );
  });

  it('is the same every time', () => {
    const plan: Plan = { ingredients: [produce('rhubarb', 4), sugar(2.3), water(7)] };
    expect(estimateMust(plan)).toEqual(estimateMust(structuredClone(plan)));
  });
});

describe('what is not defined is null', () => {
  it('fruit and sugar without water have no first gravity', () => {
    const e = estimateMust({ ingredients: [produce('strawberry', 3), sugar(1)] });
    expect(e.sgNoneGiven).toBeNull();
    expect(e.sgAllGiven).not.toBeNull();
    expect(e.assumptions.join(' ')).toMatch(/No liquid is poured/);
  });

  it('water alone has no acidity to speak of', () => {
    const e = estimateMust({ ingredients: [water(5)] });
    expect(e.ph).toBeNull();
    expect(e.taGL!.likely).toBeLessThan(0.01);
    expect(e.potentialAbv!.likely).toBe(0);
  });

  it('sugar alone is no must', () => {
    const e = estimateMust({ ingredients: [sugar(1)] });
    expect(e.liquidVolumeL).toBeNull();
    expect(e.finalSg).toBeNull();
  });
});

describe('bought weight', () => {
  it('loses its trimming', () => {
    const trimmed = estimateMust({ ingredients: [produce('banana', 1), water(4)] });
    const bought = estimateMust({
      ingredients: [{ kind: 'produce', produceId: 'banana', massKg: 1, weighed: 'bought' }, water(4)]
    });
    expect(bought.potentialAbv!.likely / trimmed.potentialAbv!.likely).toBeGreaterThan(0.6);
    expect(bought.potentialAbv!.likely / trimmed.potentialAbv!.likely).toBeLessThan(0.72);
  });

  it('a pressed juice reads what its table entry says', () => {
    const e = estimateMust({ ingredients: [{ kind: 'juice', produceId: 'apple', volumeL: 10 }] });
    near(e.liquidVolumeL!.likely, 10, 1e-6);
    expect(gramsPerLitre(e.sgAllGiven!.likely)).toBeGreaterThan(120);
    near(e.sgAllGiven!.likely, 1.053, 0.004);
  });
});
