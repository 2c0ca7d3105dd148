import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brixFromSg } from '../liquid/sugar';
import { juiceLPerKg, MILLS, PRESSES } from '../plan/extraction';
import { PRODUCE, produceById } from '../tables/table';
import { acidityOf } from '../liquid/acidity';
import { sweetenerEffect, sugarToReach, waterToLower } from './reach';
import { hoursToGive, likelyMix } from './mix';
import { estimateMust, sgAtAge } from './balance';
import { costOf } from '../plan/cost';
import type { Ingredient, Plan } from '../plan/plan';
import { planSchema } from '../plan/plan-schema';
import { liquid } from '../liquid/stock';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';

type Row = Extract<Ingredient, { kind: 'produce' }>;
const row = (produceId: string, massKg: number, over: Partial<Row> = {}): Row => ({
  kind: 'produce',
  produceId,
  massKg,
  ...over
});
const water = (volumeL: number): Ingredient => ({ kind: 'water', volumeL });
const juice = (over: Partial<Row>, id = 'plum') => {
  const { all } = likelyMix([row(id, 2, over)]);
  return { brix: brixFromSg(liquid(all)!.sg), ...acidityOf(all) };
};
const width = (r: { low: number; high: number } | null) => r!.high - r!.low;

describe('a lot whose juice was measured', () => {
  it('has the juice that was measured', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('plum', 'quince', 'rhubarb', 'blackcurrant', 'apple'),
        fc.double({ min: 4, max: 24, noNaN: true }),
        fc.double({ min: 3, max: 30, noNaN: true }),
        fc.double({ min: 2.8, max: 3.9, noNaN: true }),
        (id, brix, taGL, ph) => {
          const j = juice({ measured: { brix, taGL, ph } }, id);
          expect(j.brix).toBeCloseTo(brix, 1);
          expect(j.taGL).toBeCloseTo(taGL, 1);
          expect(Math.abs(j.ph - ph)).toBeLessThan(0.01);
        }
      ),
      { numRuns: 60 }
    );
  });

  it('narrows its ranges, and only those that were measured', () => {
    const plan = (measured?: Row['measured']): Plan => ({
      ingredients: [row('plum', 4, measured ? { measured } : {}), water(4)]
    });
    const table = estimateMust(plan());
    const brix = estimateMust(plan({ brix: 14 }));
    const acid = estimateMust(plan({ taGL: 14, ph: 3.2 }));
    expect(width(brix.sgAllGiven)).toBeLessThan(0.5 * width(table.sgAllGiven));
    expect(width(acid.taGL)).toBeLessThan(0.4 * width(table.taGL));
    expect(width(acid.ph)).toBeLessThan(0.5 * width(table.ph));
    expect(width(acid.sgAllGiven)).toBeGreaterThan(0.7 * width(table.sgAllGiven));
  });

  it('keeps what of the solids is no sugar', () => {
    const p = produceById('plum')!;
    const { all } = likelyMix([row('plum', 1, { measured: { brix: 20 } })]);
    expect(all.solidsKg - all.fermentableKg).toBeCloseTo((p.solids[1] - p.sugars[1]) / 100, 6);
  });
});

describe('what is said of a lot', () => {
  it('very ripe is sweeter and softer, underripe sharper; both are surer than not knowing', () => {
    const [under, ripe, over] = (['under', 'ripe', 'over'] as const).map((ripeness) => juice({ ripeness }));
    expect(under!.brix).toBeLessThan(ripe!.brix);
    expect(over!.brix).toBeGreaterThan(ripe!.brix);
    expect(under!.taGL).toBeGreaterThan(ripe!.taGL);
    expect(over!.taGL).toBeLessThan(ripe!.taGL);
    const w = (ripeness: 'ripe' | 'over') =>
      width(estimateMust({ ingredients: [row('plum', 4, { ripeness }), water(4)] }).sgAllGiven);
    expect(w('over')).toBeLessThan(w('ripe'));
  });

  it('two pickings of one fruit are two lots: surer together than one', () => {
    const one = estimateMust({ ingredients: [row('plum', 4), water(4)] });
    const two = estimateMust({ ingredients: [row('plum', 2), row('plum', 2), water(4)] });
    expect(two.sgAllGiven!.likely).toBeCloseTo(one.sgAllGiven!.likely, 9);
    expect(width(two.taGL)).toBeLessThan(0.9 * width(one.taGL));
  });

  it('bought weight is brought down by trimming, pulp and all', () => {
    const usable = produceById('quince')!.usable[1];
    const bought = estimateMust({ ingredients: [row('quince', 5, { weighed: 'bought' }), water(6)] });
    const trimmed = estimateMust({ ingredients: [row('quince', 5 * usable), water(6)] });
    expect(bought.sgAllGiven!.likely).toBeCloseTo(trimmed.sgAllGiven!.likely, 9);
    expect(bought.intoGlassL!.likely).toBeCloseTo(trimmed.intoGlassL!.likely, 9);
    expect(bought.fruitPerL!.likely).toBeCloseTo(trimmed.fruitPerL!.likely, 9);
  });

  it('thaw juice that is poured off takes sugar, acid and water with it, not pulp', () => {
    const kept = likelyMix([row('blackcurrant', 3, { form: 'frozen' })]);
    const lost = likelyMix([row('blackcurrant', 3, { form: 'frozen', thawJuice: 'poured-off' })]);
    const share = lost.all.solidsKg / kept.all.solidsKg;
    expect(share).toBeCloseTo(0.75, 6);
    expect(lost.all.waterKg / kept.all.waterKg).toBeCloseTo(share, 9);
    expect(lost.insolublesKg).toBeCloseTo(kept.insolublesKg, 9);
  });

  it('dried flowers stand for more fresh ones, and soak up water', () => {
    const fresh = likelyMix([row('elderflower', 0.1)]);
    const dried = likelyMix([row('elderflower', 0.1, { form: 'dried' })]);
    expect(dried.all.solidsKg / fresh.all.solidsKg).toBeGreaterThan(2);
    expect(dried.pulpKg).toBeCloseTo(3 * fresh.pulpKg, 9);
  });

  it('pressed fruit brings its juice and no pulp; never more than it holds', () => {
    for (const press of Object.keys(PRESSES) as (keyof typeof PRESSES)[])
      for (const mill of Object.keys(MILLS) as (keyof typeof MILLS)[]) {
        const whole = likelyMix([row('apple', 10)]);
        const pressed = likelyMix([row('apple', 10, { pressed: { press, mill } })]);
        expect(pressed.insolublesKg).toBe(0);
        expect(pressed.pulpKg).toBe(0);
        expect(liquid(pressed.none)!.volumeL).toBeCloseTo(juiceLPerKg(press, mill) * 10, 6);
        expect(liquid(pressed.none)!.volumeL).toBeLessThan(liquid(whole.all)!.volumeL);
        expect(liquid(pressed.none)!.sg).toBeCloseTo(liquid(whole.all)!.sg, 9);
      }
  });

  it('a garden basket press gives 50 to 65 % of milled apples (common practice)', () => {
    const l = juiceLPerKg('basket', 'milled');
    expect(l).toBeGreaterThan(0.5);
    expect(l).toBeLessThan(0.65);
  });

  it('concentrate is its juice boiled down to 68 °Bx', () => {
    const { none } = likelyMix([{ kind: 'juice', produceId: 'apple', form: 'concentrate', volumeL: 1 }]);
    expect((100 * none.solidsKg) / (none.solidsKg + none.waterKg)).toBeCloseTo(68, 6);
    const juiceAlone = likelyMix([{ kind: 'juice', produceId: 'apple', volumeL: 1 }]).none;
    expect(none.acidsMol.malic / none.solidsKg).toBeCloseTo(
      juiceAlone.acidsMol.malic / juiceAlone.solidsKg,
      9
    );
  });

  it('a bottle of wine as a base keeps its strength, gravity and acid', () => {
    const wine: Ingredient = { kind: 'wine', volumeL: 0.75, abv: 12, sg: 0.995, taGL: 6.5, ph: 3.3 };
    const { none } = likelyMix([wine]);
    const now = liquid(none)!;
    expect(now.sg).toBeCloseTo(0.995, 3);
    expect(now.volumeL).toBeCloseTo(0.75, 2);
    expect(acidityOf(none).taGL).toBeCloseTo(6.5, 1);
    expect(acidityOf(none).ph).toBeCloseTo(3.3, 1);
  });
});

describe('when the fruit gives', () => {
  const plums: Plan = {
    ingredients: [row('plum', 4.08), { kind: 'sugar', sugarId: 'white', massKg: 2.72 }, water(7.95)]
  };

  it('goes from none given to all given, and never back', () => {
    const e = estimateMust(plums);
    const at = [0, 6, 12, 24, 48, 96, 400].map((h) => sgAtAge(plums, h)!);
    expect(at[0]).toBeCloseTo(e.sgNoneGiven!.likely, 6);
    expect(at.at(-1)).toBeCloseTo(e.sgAllGiven!.likely, 3);
    for (let i = 1; i < at.length; i++) expect(at[i]!).toBeLessThan(at[i - 1]!);
  });

  // Common practice: 9 lb plums, 6 lb sugar, 2.1 US gal water read 1.101 a day in.
  it('plums read about 1.101 a day in', () => {
    expect(sgAtAge({ ...plums, enzyme: false }, 24)!).toBeGreaterThan(1.097);
    expect(sgAtAge({ ...plums, enzyme: false }, 24)!).toBeLessThan(1.104);
  });

  it('is faster thawed, blitzed, heated or with enzyme, slower whole', () => {
    const hours = (over: Partial<Row>, enzyme = false) =>
      hoursToGive({ ingredients: [row('plum', 4, over), water(8)], enzyme });
    const usual = hours({});
    expect(hours({ form: 'frozen' })).toBeLessThan(usual);
    expect(hours({ cut: 'blitzed' })).toBeLessThan(usual);
    expect(hours({ heat: 'poured' })).toBeLessThan(usual);
    expect(hours({ heat: 'simmered' })).toBeLessThan(hours({ heat: 'poured' }));
    expect(hours({}, true)).toBeLessThan(usual);
    expect(hours({ cut: 'whole' })).toBeGreaterThan(usual);
    expect(hoursToGive({ ingredients: [water(5)] })).toBe(0);
  });

  it('tells its range at an age', () => {
    const e = estimateMust(plums, 24);
    expect(e.sgNow!.low).toBeLessThan(e.sgNow!.likely);
    expect(e.sgNow!.likely).toBeLessThan(e.sgNow!.high);
    expect(estimateMust(plums).sgNow).toBeNull();
  });
});

describe('sugars', () => {
  const ids = Object.keys(SWEETENERS) as SweetenerId[];

  it.each(ids)('%s adds up', (id) => {
    const s = SWEETENERS[id];
    expect(s.fermentable).toBeLessThanOrEqual(s.solids);
    expect(s.water + s.solids).toBeLessThanOrEqual(1.001);
    expect(s.toHexose).toBeGreaterThanOrEqual(1);
    expect(s.toHexose).toBeLessThanOrEqual(1.0526);
    const e = sweetenerEffect(id, 0.1, 4.5);
    expect(e.points).toBeGreaterThan(0);
    if (s.fermentable < 0.1) expect(e.abv).toBeLessThanOrEqual(0);
    else expect(e.abv).toBeGreaterThan(0);
  });

  it('honey is 82 % solids, about 95 % of them fermentable', () => {
    expect(SWEETENERS.honey.solids).toBe(0.82);
    expect(SWEETENERS.honey.fermentable / SWEETENERS.honey.solids).toBeCloseTo(0.95, 2);
  });

  it('a pound of sugar in a US gallon is about 46 points, malt extract about 44 and 36 (brewing tables, from memory)', () => {
    const points = (id: SweetenerId) => {
      const water_ = 3.785;
      const { all } = likelyMix([{ kind: 'sugar', sugarId: id, massKg: 0.4536 }, water(water_)]);
      const l = liquid(all)!;
      return ((l.sg - 1) * 1000 * l.volumeL) / water_;
    };
    expect(Math.abs(points('white') - 46)).toBeLessThan(1.5);
    expect(Math.abs(points('dry-malt') - 44)).toBeLessThan(1.5);
    expect(Math.abs(points('liquid-malt') - 36.5)).toBeLessThan(1.5);
    expect(Math.abs(points('honey') - 37)).toBeLessThan(2);
  });

  it('takes a must up with any of them, and water takes it down again', () => {
    for (const id of ids.filter((x) => SWEETENERS[x].solids > 0.7)) {
      const kg = sugarToReach(10, 1.04, 1.08, id);
      expect(1.04 + sweetenerEffect(id, kg, 10, 1.04).points / 1000).toBeCloseTo(1.08, 6);
    }
    expect(waterToLower(10, 1.1, 1.05)).toBeGreaterThan(9);
    expect(() => waterToLower(10, 1.05, 1.1)).toThrow(/cannot be watered/);
    expect(() => sugarToReach(10, 1.04, 1.4, 'maple-syrup')).toThrow(/alone does not/);
  });
});

describe('cost', () => {
  it('is what was paid for, and says what has no price', () => {
    const c = costOf({
      ingredients: [
        row('plum', 4, { weighed: 'bought' }),
        { kind: 'sugar', sugarId: 'white', massKg: 2 },
        { kind: 'honey', massKg: 1 },
        water(8)
      ],
      prices: { plum: 2.5, white: 1.1 }
    })!;
    expect(c.total).toBeCloseTo(12.2, 9);
    expect(c.unpriced).toEqual(['honey']);
    expect(costOf({ ingredients: [water(1)] })).toBeNull();
    expect(costOf({ ingredients: [water(1)], prices: {} })).toBeNull();
  });
});

/** Any plan a person could put together. */
const anyPlan: fc.Arbitrary<Plan> = fc.record({
  ingredients: fc.array(
    fc.oneof(
      fc.record({
        kind: fc.constant('produce' as const),
        produceId: fc.constantFrom(...PRODUCE.map((p) => p.id)),
        massKg: fc.double({ min: 0, max: 40, noNaN: true }),
        form: fc.constantFrom(
          undefined,
          'fresh' as const,
          'frozen' as const,
          'canned' as const,
          'dried' as const
        ),
        weighed: fc.constantFrom(undefined, 'bought' as const, 'trimmed' as const),
        cut: fc.constantFrom(undefined, 'whole' as const, 'blitzed' as const),
        heat: fc.constantFrom(undefined, 'simmered' as const),
        ripeness: fc.constantFrom(undefined, 'under' as const, 'over' as const),
        measured: fc.constantFrom(undefined, { brix: 12 }, { taGL: 9 }, { ph: 3.4, taGL: 6, brix: 3 }),
        pressed: fc.constantFrom(undefined, { press: 'basket' as const, mill: 'milled' as const })
      }),
      fc.record({
        kind: fc.constant('sugar' as const),
        sugarId: fc.constantFrom(...ids_()),
        massKg: fc.double({ min: 0, max: 20, noNaN: true })
      }),
      fc.record({
        kind: fc.constant('water' as const),
        volumeL: fc.double({ min: 0, max: 60, noNaN: true }),
        alkalinityMgL: fc.constantFrom(0, 300)
      }),
      fc.record({
        kind: fc.constant('juice' as const),
        produceId: fc.constantFrom('apple', 'grape', 'orange'),
        form: fc.constantFrom('juice' as const, 'concentrate' as const),
        volumeL: fc.double({ min: 0, max: 20, noNaN: true })
      }),
      fc.record({
        kind: fc.constant('acid' as const),
        acidId: fc.constantFrom('tartaric' as const, 'acid-blend' as const, 'potassium-bicarbonate' as const),
        massKg: fc.double({ min: 0, max: 0.2, noNaN: true })
      })
    ),
    { minLength: 1, maxLength: 7 }
  ) as unknown as fc.Arbitrary<Ingredient[]>,
  prices: fc.constantFrom(undefined, { white: 1, plum: 2, bottle: 0.3 })
}) as fc.Arbitrary<Plan>;
function ids_() {
  return Object.keys(SWEETENERS) as SweetenerId[];
}
/** As it comes out of a form: without the fields that were left empty. */
const tidy = (plan: Plan): Plan => JSON.parse(JSON.stringify(plan)) as Plan;

describe('any plan at all', () => {
  it('gives ranges that are finite, in order and not negative, or none, and says why there is none', () => {
    fc.assert(
      fc.property(anyPlan, fc.constantFrom(null, 10), (plan, ageH) => {
        const p = tidy(plan);
        expect(planSchema.safeParse(p).success).toBe(true);
        const { likely, assumptions, ...figures } = estimateMust(p, ageH);
        for (const [name, r] of Object.entries(figures)) {
          if (r === null) continue;
          expect(Number.isFinite(r.low) && Number.isFinite(r.high), name).toBe(true);
          expect(r.low, name).toBeGreaterThanOrEqual(0);
          expect(r.low <= r.likely && r.likely <= r.high, name).toBe(true);
        }
        if (figures.sgAllGiven === null && likely.all.waterKg > 0.01)
          expect(assumptions.join(' ')).toMatch(/dissolve|No liquid/);
      }),
      { numRuns: 150 }
    );
  });

  it('more water never raises the gravity, more sugar never lowers the strength', () => {
    fc.assert(
      fc.property(anyPlan, fc.double({ min: 0.01, max: 10, noNaN: true }), (plan, more) => {
        const p = tidy(plan);
        const sg = (x: Plan) => estimateMust(x).sgAllGiven?.likely;
        const abv = (x: Plan) => estimateMust(x).potentialAbv?.likely;
        const [a, b] = [sg(p), sg({ ingredients: [...p.ingredients, water(more)] })];
        if (a !== undefined && b !== undefined && a >= 1) expect(b).toBeLessThanOrEqual(a + 1e-9);
        const [c, d] = [
          abv(p),
          abv({ ingredients: [...p.ingredients, { kind: 'sugar', sugarId: 'white', massKg: more }] })
        ];
        if (c !== undefined && d !== undefined) expect(d).toBeGreaterThanOrEqual(c - 1e-9);
      }),
      { numRuns: 60 }
    );
  });

  it('units never change a result', () => {
    fc.assert(
      fc.property(anyPlan, fc.constantFrom('kg', 'lb', 'us-gal', 'uk-gal', 'piece'), (plan, unit) => {
        const p = tidy(plan);
        const other = { ...p, ingredients: p.ingredients.map((i) => ({ ...i, unit, id: unit })) };
        const figures = ({ likely: _, ...e }: ReturnType<typeof estimateMust>) => e;
        expect(figures(estimateMust(other))).toEqual(figures(estimateMust(p)));
      }),
      { numRuns: 25 }
    );
  });
});
