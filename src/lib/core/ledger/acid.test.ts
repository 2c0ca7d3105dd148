import { describe, expect, it } from 'vitest';
import { withAdded } from '../must/adjust';
import type { Ingredient } from '../plan/plan';
import { acidOf, measuredPh } from './acid-of';
import { eventsFrom } from './events.fixture';
import { asBlended } from './fill';
import type { LedgerEvent } from './log';
import { acidBySums, acidIn } from './measured-acid';
import { phIn } from './preserved';
import { batchAt } from './run';

const T0 = Date.parse('2026-06-01T08:00:00Z');
const on = eventsFrom(T0);
const juice: Ingredient = { kind: 'juice', produceId: 'apple', volumeL: 10, id: 'j' };
const acid = (acidId: 'tartaric' | 'potassium-bicarbonate', g: number): Ingredient => ({
  kind: 'acid',
  acidId,
  massKg: g / 1000
});
const made = [
  on(0, 'planned', { name: 'Apple', plan: { ingredients: [juice] }, vesselId: 'a' }),
  on(0, 'addition', { ingredients: [juice], vesselId: 'a' })
];
const split = on(1, 'transfer', {
  from: 'a',
  to: [{ vesselId: 'b', volumeL: 5 }],
  lossL: 0,
  emptied: false
});
const state = (...events: LedgerEvent[]) => batchAt([...made, ...events], T0 + 40 * 86_400_000)!;
const fill = (s: ReturnType<typeof state>, id: string) => s.fills.find((f) => f.vesselId === id)!;

describe('what was measured of acid', () => {
  it('speaks for its own jar: a twin keeps what it had', () => {
    const s = state(split, on(5, 'reading', { ph: 3.9, taGL: 4, vesselId: 'b' }));
    expect(acidIn(fill(s, 'b'))).toEqual({ ph: 3.9, taGL: 4, phFrom: 'measured', taFrom: 'measured' });
    expect(acidIn(fill(s, 'a'))).toMatchObject({ phFrom: 'sums', taFrom: 'sums' });
    expect(phIn(fill(s, 'a'))).toBeCloseTo(acidBySums(fill(s, 'a').stock).ph!, 9);
    // Of the batch as a whole only one half is measured.
    expect(measuredPh(s)).toBeNull();
    expect(acidOf(s).taGL).toBeCloseTo((4 + acidIn(fill(s, 'a')).taGL!) / 2, 2);
    // Named for no jar, it was of all.
    expect(measuredPh(state(split, on(5, 'reading', { ph: 3.9 })))).toBeCloseTo(3.9, 9);
  });

  it('moves by the sums with what goes in since, and a new figure stands for itself', () => {
    const measured = on(5, 'reading', { ph: 3.9, taGL: 4 });
    const s = state(measured, on(6, 'addition', { ingredients: [acid('tartaric', 20)], vesselId: 'a' }));
    const now = acidIn(fill(s, 'a'));
    // 2 g/L of tartaric acid are 2 g/L of acid as tartaric.
    expect(now.taGL).toBeCloseTo(6, 1);
    expect(now.ph).toBeLessThan(3.8);
    expect([now.phFrom, now.taFrom]).toEqual(['since', 'since']);
    expect(acidOf(s).taGL).toBeCloseTo(now.taGL!, 6);
    const before = state(measured);
    const bySums = (from: typeof s) => acidBySums(fill(from, 'a').stock).ph!;
    expect(now.ph! - 3.9).toBeCloseTo(bySums(s) - bySums(before), 9);
    const again = state(
      measured,
      on(6, 'addition', { ingredients: [acid('tartaric', 20)], vesselId: 'a' }),
      on(7, 'reading', { ph: 3.6 })
    );
    expect(acidIn(fill(again, 'a'))).toMatchObject({ ph: 3.6, phFrom: 'measured', taFrom: 'since' });
  });

  it('softened after it was measured, sulphite is judged by the softer wine', () => {
    const s = state(
      on(5, 'reading', { ph: 3.3 }),
      on(6, 'addition', { ingredients: [acid('potassium-bicarbonate', 15)], vesselId: 'a' })
    );
    expect(phIn(fill(s, 'a'))).toBeGreaterThan(3.4);
  });

  it('goes along into another jar, and of two jars mixed is between them and measured no more', () => {
    const rack = (emptied: boolean, volumeL: number) =>
      on(10, 'transfer', { from: 'b', to: [{ vesselId: 'c', volumeL }], lossL: 0, emptied });
    const measured = on(5, 'reading', { ph: 3.9, vesselId: 'b' });
    expect(acidIn(fill(state(split, measured, rack(true, 5)), 'c'))).toMatchObject({
      ph: 3.9,
      phFrom: 'measured'
    });
    const joined = state(
      split,
      measured,
      on(10, 'transfer', { from: 'b', to: [{ vesselId: 'a', volumeL: 5 }], lossL: 0, emptied: true })
    );
    const alone = acidBySums(fill(state(split), 'a').stock).ph!;
    const { ph, phFrom } = acidIn(fill(joined, 'a'));
    expect(ph).toBeCloseTo((3.9 + alone) / 2, 1);
    expect(phFrom).toBe('since');
  });

  it('goes along with a blend into another wine', () => {
    const giver = state(on(5, 'reading', { ph: 3.9, taGL: 4 }));
    const wine = { ...asBlended(fill(giver, 'a'), 0.5, []), allergens: [] };
    expect(wine.acid).toEqual({ ph: 3.9, taGL: 4 });
    const from = { batchId: '01900000-0000-7000-8000-0000000000b2', vesselId: 'x', name: 'Sharp' };
    const s = state(
      on(6, 'blend', { from, to: 'a', volumeL: 5, wine: { ...wine, acid: { ph: 3.2, taGL: 10 } } })
    );
    const now = acidIn(fill(s, 'a'));
    const bySums = acidIn(fill(state(), 'a'));
    expect(now.taGL).toBeCloseTo((10 * bySums.taGL! + 5 * 10) / 15, 6);
    expect([now.phFrom, now.taFrom]).toEqual(['since', 'since']);
    // Of a wine that nobody measured only the sums go along.
    expect(asBlended(fill(state(), 'a'), 0.5, [])).not.toHaveProperty('acid');
  });

  it('is kept in the bottles, and stands where no acid was written down', () => {
    const s = state(
      on(5, 'reading', { ph: 3.42 }),
      on(20, 'bottle', {
        from: 'a',
        bottles: [{ sizeL: 0.75, count: 13, type: 'still' }],
        emptied: true
      })
    );
    expect(s.fills).toEqual([]);
    expect(measuredPh(s)).toBeCloseTo(3.42, 9);
    const sugarWater = batchAt(
      [
        on(0, 'planned', { name: 'x', plan: { ingredients: [] }, vesselId: 'a' }),
        on(0, 'addition', { ingredients: [{ kind: 'water', volumeL: 5 }], vesselId: 'a' }),
        on(1, 'reading', { ph: 4.1 })
      ],
      T0 + 86_400_000 * 2
    )!;
    expect(acidOf(sugarWater)).toMatchObject({ ph: 4.1, phFrom: 'measured' });
    expect(acidBySums(withAdded(sugarWater.fills[0]!.stock, acid('tartaric', 10))).ph).not.toBeNull();
  });
});
