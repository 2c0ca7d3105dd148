import { describe, expect, it } from 'vitest';
import { phOf, titratableAcidity } from '../liquid/acid';
import { acidToReach } from '../must/adjust';
import { likelyMix } from '../must/mix';
import { likelyFigures } from '../must/balance';
import type { Plan } from '../plan/plan';
import { acidWater, liquid } from '../liquid/stock';
import { PRODUCE } from '../tables/table';
import { eventsFrom } from './events.fixture';
import { batchAt } from './run';
import { markL, willHold, willHoldL } from './will-hold';

const T0 = Date.parse('2026-06-01T08:00:00Z');
const on = eventsFrom(T0);

describe('a batch one tap after its plan', () => {
  it('holds what the plan foretold: volume, mark, acid and pH, for every produce', () => {
    const odd = PRODUCE.filter((p) => p.forms.includes('fresh')).flatMap((p) => {
      const plan: Plan = {
        ingredients: [
          { kind: 'produce', produceId: p.id, massKg: 3 },
          { kind: 'sugar', sugarId: 'white', massKg: 1.5 },
          { kind: 'water', volumeL: 5 }
        ]
      };
      const s = batchAt(
        [
          on(0, 'planned', { name: 'x', plan, vesselId: 'b' }),
          on(0, 'addition', { ingredients: plan.ingredients, vesselId: 'b' })
        ],
        T0 + 1000
      )!;
      const f = likelyFigures(plan);
      const stock = willHold(s);
      const water = acidWater(stock, liquid(stock)!.volumeL);
      const off = [
        willHoldL(s) - f.liquidVolumeL,
        markL(s) - f.vesselVolumeL,
        titratableAcidity(water) - f.taGL,
        phOf(water) - f.ph
      ].map(Math.abs);
      return off.every((x) => x < 1e-6) ? [] : [`${p.id} ${off.join(' ')}`];
    });
    expect(odd).toEqual([]);
  });

  it('is advised the same acid as its plan', () => {
    const plan: Plan = {
      ingredients: [
        { kind: 'produce', produceId: 'strawberry', massKg: 3 },
        { kind: 'sugar', sugarId: 'white', massKg: 1.2 },
        { kind: 'water', volumeL: 5 }
      ]
    };
    const s = batchAt(
      [
        on(0, 'planned', { name: 'x', plan, vesselId: 'b' }),
        on(0, 'addition', { ingredients: plan.ingredients })
      ],
      T0 + 1000
    )!;
    const ways = (stock: Parameters<typeof acidToReach>[0]) => acidToReach(stock, { taGL: 6.5 }, 'tartaric');
    expect(ways(willHold(s))).toBeCloseTo(ways(likelyMix(plan.ingredients).all), 6);
    expect(liquid(willHold(s))!.sg).toBeCloseTo(liquid(likelyMix(plan.ingredients).all)!.sg, 9);
  });
});
