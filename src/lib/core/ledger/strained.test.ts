import { describe, expect, it } from 'vitest';
import { brewCards } from '../steps/brew';
import { METHODS, withMethod } from '../plan/methods';
import { schedule } from '../steps/schedule';
import { stepsOf } from '../steps/steps';
import { sugarParts } from '../must/sugar-parts';
import { mixOf } from '../must/mix';
import { estimateMust, likelyFigures } from '../must/balance';
import { amountOf, type Ingredient, type Plan } from '../plan/plan';
import { liquid } from '../liquid/stock';
import { solvePlan } from '../solve/solve';
import { eventsFrom } from './events.fixture';
import { batchAt } from './run';
import { contents, volumeOf } from './state';

const T0 = Date.parse('2026-06-01T08:00:00Z');
const on = eventsFrom(T0);
const root = (id: string, massKg = 3): Plan =>
  withMethod(
    {
      ingredients: [
        { kind: 'produce', produceId: id, massKg, id: 'r' },
        { kind: 'sugar', sugarId: 'white', massKg: 1.8, id: 's' },
        { kind: 'water', volumeL: 8, id: 'w' }
      ]
    },
    METHODS.find((m) => m.id === 'root-simmer')!
  );
const planned = (plan: Plan) => on(0, 'planned', { name: 'x', plan, vesselId: 'b' });
const add = (day: number, ...ingredients: Ingredient[]) =>
  on(day, 'addition', { ingredients, vesselId: 'b' });
const ROOTS = ['parsnip', 'carrot', 'beetroot', 'ginger', 'potato'];

describe('what is simmered and strained', () => {
  it.each(ROOTS)(
    '%s: its water stays behind with it, in the plan as in the ledger, however it is written down',
    (id) => {
      const plan = root(id);
      const [produce, sugar, water] = plan.ingredients as [Ingredient, Ingredient, Ingredient];
      const f = likelyFigures(plan);
      const loose = likelyFigures({
        ...plan,
        ingredients: plan.ingredients.map((i) => (i.kind === 'produce' ? { ...i, strained: false } : i))
      });
      // Some 0.8 L a kilogram stay in drained roots, and nothing of the roots in the bucket.
      expect(loose.liquidVolumeL - f.liquidVolumeL).toBeGreaterThan(0.5 * 3);
      expect(f.intoGlassL).toBeCloseTo(f.liquidVolumeL, 9);
      expect(f.vesselVolumeL).toBeCloseTo(f.liquidVolumeL, 9);
      for (const events of [
        [planned(plan), add(0, ...plan.ingredients)],
        [planned(plan), add(0, produce), add(0.01, water), add(0.02, sugar)],
        [planned(plan), add(0, water), add(0.01, produce), add(0.02, sugar)]
      ]) {
        const s = batchAt(events, T0 + 3_600_000)!;
        expect(Math.abs(volumeOf(s) / f.liquidVolumeL - 1), id).toBeLessThan(0.01);
        expect(Math.abs(liquid(contents(s))!.sg - f.sgAllGiven), id).toBeLessThan(0.001);
        expect(s.pulpKg).toBe(0);
        expect(s.held.solidsKg).toBeCloseTo(0, 9);
      }
    }
  );

  it('is strained when the yeast goes in, whatever the order was', () => {
    const plan = root('carrot');
    const [produce, sugar, water] = plan.ingredients as [Ingredient, Ingredient, Ingredient];
    const events = [planned(plan), add(0, produce), add(0.01, sugar), add(0.02, water)];
    // The water was still to come when the sugar went in: it stands on the roots yet.
    expect(batchAt(events, T0 + 3_600_000)!.pulpKg).toBeGreaterThan(0);
    expect(
      batchAt([...events, on(1, 'pitch', { yeast: { yeastId: 'wine' } })], T0 + 2 * 86_400_000)!.pulpKg
    ).toBe(0);
  });

  it('has no cap to push down and no fruit to take out, and its water is asked for before it is boiled', () => {
    const plan = root('parsnip');
    const ids = stepsOf(plan).map((s) => s.id);
    expect(ids).not.toContain('fruit-out');
    expect(ids).not.toContain('stir');
    const s = batchAt(
      [planned(plan), add(0, ...plan.ingredients), on(1, 'pitch', { yeast: { yeastId: 'wine' } })],
      T0 + 6 * 86_400_000
    )!;
    expect(schedule(s).map((d) => d.step.id)).not.toContain('fruit-out');
    expect(
      brewCards(plan, 'bucket')
        .map((c) => c.id)
        .filter((id) => /^row|boil|strain/.test(id))
    ).toEqual(['row-r', 'row-w', 'boil', 'strain', 'row-s']);
  });

  it('with fruit in the must beside it, the fruit is still taken out', () => {
    const plan = root('parsnip');
    const both: Plan = {
      ...plan,
      ingredients: [...plan.ingredients, { kind: 'produce', produceId: 'raisin', massKg: 0.3, id: 'g' }]
    };
    expect(stepsOf(both).map((s) => s.id)).toContain('fruit-out');
    const cards = brewCards(both, 'bucket').map((c) => c.id);
    expect(cards.indexOf('row-g')).toBeGreaterThan(cards.indexOf('strain'));
  });

  it('is reckoned with by the solver: strength and amount are met', () => {
    for (const id of ROOTS)
      for (const press of ['drip', 'squeeze', 'press'] as const) {
        const p = root(id);
        const { plan, gaveWay } = solvePlan({
          ...p,
          press,
          ingredients: p.ingredients.map((i) => (i.kind === 'produce' ? i : { ...i, held: false })),
          target: { abv: 12, volumeL: 10 }
        });
        const f = likelyFigures(plan);
        expect(gaveWay, id).toEqual([]);
        expect(Math.abs(f.potentialAbv - 12), id).toBeLessThan(0.06);
        expect(Math.abs(f.intoGlassL - 10), id).toBeLessThan(0.06);
      }
  });

  it('keeps its range, and what is weighed is still shown', () => {
    const e = estimateMust(root('carrot'));
    expect(e.intoGlassL!.low).toBeLessThan(e.intoGlassL!.likely);
    expect(e.likely.produceKg).toBeCloseTo(3, 9);
    expect(e.assumptions.join()).toMatch(/strained before the sugar/);
  });
});

describe('sugar after straining', () => {
  it.each(['plum', 'elderflower', 'raspberry'])(
    '%s: the pulp keeps thin must, in the plan as in the ledger',
    (id) => {
      const plan: Plan = {
        ingredients: [
          { kind: 'produce', produceId: id, massKg: id === 'elderflower' ? 0.4 : 4 },
          { kind: 'sugar', sugarId: 'white', massKg: 2 },
          { kind: 'water', volumeL: 7 }
        ],
        sugar: 'strained',
        press: 'drip'
      };
      const f = likelyFigures(plan);
      const early = likelyFigures({ ...plan, sugar: 'start' });
      expect(f.potentialAbv).toBeGreaterThan(early.potentialAbv);
      const { now, later } = sugarParts(plan);
      expect(later[0]!.ingredients.reduce((n, i) => n + amountOf(i), 0)).toBeCloseTo(2, 9);
      const s = batchAt(
        [
          planned(plan),
          add(0, ...now.ingredients.filter((i) => amountOf(i) > 0)),
          on(30, 'fruit-out', { press: 'drip', vesselId: 'b' }),
          add(30.01, ...later[0]!.ingredients)
        ],
        T0 + 31 * 86_400_000
      )!;
      expect(Math.abs(volumeOf(s) / f.intoGlassL - 1)).toBeLessThan(0.01);
      expect(Math.abs(liquid(contents(s))!.sg - f.sgAllGiven)).toBeLessThan(0.001);
    }
  );

  it('is met by the solver too', () => {
    const { plan } = solvePlan({
      ingredients: [
        { kind: 'produce', produceId: 'plum', massKg: 4 },
        { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
        { kind: 'water', volumeL: 0, held: false }
      ],
      sugar: 'strained',
      target: { abv: 12, volumeL: 10 }
    });
    const f = likelyFigures(plan);
    expect(f.potentialAbv).toBeCloseTo(12, 1);
    expect(f.intoGlassL).toBeCloseTo(10, 1);
    expect(mixOf(plan).strainedKg).toBe(0);
  });
});
