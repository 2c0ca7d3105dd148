import { describe, expect, it } from 'vitest';
import { FIRST_RACKING_LOSS, rackingLossL } from '../must/balance';
import type { Ingredient } from '../plan/plan';
import { eventsFrom } from './events.fixture';
import { leesL } from './lees';
import { batchAt } from './run';

const T0 = Date.parse('2026-06-01T08:00:00Z');
const DAY = 86_400_000;
const on = eventsFrom(T0);
const WATER: Ingredient = { kind: 'water', volumeL: 10, id: 'w' };
const PLUMS: Ingredient = { kind: 'produce', produceId: 'plum', massKg: 4, id: 'p' };
const SUGAR: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 2, id: 's' };

const begun = (...ingredients: Ingredient[]) => [
  on(0, 'planned', { name: 'x', plan: { ingredients }, vesselId: 'b' }),
  on(0.01, 'addition', { ingredients, vesselId: 'b' })
];
const pitched = on(1, 'pitch', { yeast: { yeastId: 'wine' } });
const lees = (events: ReturnType<typeof begun>, day: number, at?: number) => {
  const s = batchAt(events, T0 + day * DAY)!;
  return leesL(s, s.fills.at(-1)!, 10, at);
};

describe('what stays behind with the lees of 10 L', () => {
  it('nothing before there is yeast, and of yeast alone as much as grew', () => {
    const must = begun(WATER, SUGAR);
    expect(lees(must, 1)).toBe(0);
    const yeast = [...must, pitched];
    expect(lees(yeast, 1)).toBe(0);
    expect(lees(yeast, 4.5)).toBeCloseTo((10 * FIRST_RACKING_LOSS[0]) / 2, 6);
    expect(lees(yeast, 40)).toBeCloseTo(10 * FIRST_RACKING_LOSS[0], 6);
  });

  it('goes by the moment of the racking, not by the moment it is written down', () => {
    const yeast = [...begun(WATER, SUGAR), pitched];
    expect(lees(yeast, 40, T0 + 4.5 * DAY)).toBeCloseTo(lees(yeast, 4.5), 6);
    expect(lees(yeast, 1, T0 + 40 * DAY)).toBeCloseTo(lees(yeast, 40), 6);
  });

  it('fruit leaves more than yeast alone, and a later racking less than a first', () => {
    const fruit = [...begun(PLUMS, WATER, SUGAR), pitched];
    expect(lees(fruit, 20)).toBe(rackingLossL(10, true));
    expect(lees(fruit, 20)).toBeGreaterThan(lees([...begun(WATER, SUGAR), pitched], 20));
    const racked = [
      ...fruit,
      on(20, 'transfer', { from: 'b', to: [{ vesselId: 'c', volumeL: 9 }], lossL: 1, emptied: true })
    ];
    expect(lees(racked, 60)).toBe(rackingLossL(10, false));
  });
});
