import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { tries } from '../../tries.fixture';
import { leftKg, type HarvestLot } from './harvest';
import type { Ingredient } from './plan';
import { fromStock, frozenOf, type InStock } from './stock';

const lot = (id: string, massKg: number, more: Partial<HarvestLot> = {}): HarvestLot => ({
  id: `00000000-0000-4000-8000-00000000000${id}`,
  produceId: 'plum',
  massKg,
  form: 'fresh',
  weighed: 'bought',
  at: `2026-09-0${id}T10:00:00.000Z`,
  fates: [],
  ...more
});
const inStock = (l: HarvestLot, used = 0): InStock => ({ lot: l, leftKg: leftKg(l, used) });
const plums = (massKg: number, more: object = {}): Ingredient =>
  ({ kind: 'produce', produceId: 'plum', massKg, form: 'fresh', ...more }) as Ingredient;
const taken = (items: readonly Ingredient[]) =>
  items.map((i) => [(i as { lotId?: string }).lotId?.at(-1) ?? '-', (i as { massKg: number }).massKg]);

describe('what a wine takes from the stock', () => {
  it('is of the oldest lot first, out of as many as it needs, as they were weighed', () => {
    const stock = [inStock(lot('2', 3)), inStock(lot('1', 2))];
    const { items, short } = fromStock([plums(4)], stock);
    expect(taken(items)).toEqual([
      ['1', 2],
      ['2', 2]
    ]);
    expect(items[0]).toMatchObject({ weighed: 'bought' });
    expect(short).toEqual([]);
  });
  it('is asked about where the stock holds less, or both fresh and frozen', () => {
    expect(fromStock([plums(4)], [inStock(lot('1', 1))])).toMatchObject({
      short: [{ name: 'plums', wantsKg: 4, leftKg: 1 }]
    });
    const both = [inStock(lot('1', 3, { form: 'frozen' })), inStock(lot('2', 3))];
    const found = fromStock([plums(2)], both);
    expect(found.either).toEqual([{ name: 'plums', forms: ['fresh', 'frozen'] }]);
    expect(taken(found.items)).toEqual([['2', 2]]);
    expect(taken(fromStock([plums(2, { form: 'frozen' })], both).items)).toEqual([['1', 2]]);
  });
  it('is nothing of what is not in hand, and of a lot that was named no other', () => {
    const stock = [inStock(lot('1', 2))];
    expect(taken(fromStock([{ kind: 'produce', produceId: 'pear', massKg: 3 }], stock).items)).toEqual([
      ['-', 3]
    ]);
    expect(taken(fromStock([plums(1, { lotId: 'x9' })], stock).items)).toEqual([['9', 1]]);
  });
  it('never takes more of a lot than it holds, and keeps the weight that was said', () => {
    const kg = fc.double({ min: 0.05, max: 6, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(kg, { maxLength: 5 }),
        fc.array(kg, { minLength: 1, maxLength: 4 }),
        (lots, wants) => {
          const stock = lots.map((m, i) => inStock(lot(String(i + 1), m, i % 2 ? { form: 'frozen' } : {})));
          const { items, takenKg } = fromStock(
            wants.map((m) => plums(m)),
            stock
          );
          for (const s of stock) expect(takenKg.get(s.lot.id) ?? 0).toBeLessThanOrEqual(s.leftKg + 1e-9);
          const sum = items.reduce((n, i) => n + (i as { massKg: number }).massKg, 0);
          const wanted = wants.reduce((a, b) => a + b, 0);
          expect(Math.abs(sum - wanted)).toBeLessThan(0.006 * (lots.length + wants.length));
        }
      ),
      { numRuns: tries(200, 5000), seed: Number(process.env.SEED ?? 1) }
    );
  });
});

describe('what goes into the freezer', () => {
  let n = 5;
  const newId = () => `00000000-0000-4000-8000-00000000000${n++}`;
  const fruit = (massKg: number) => plums(massKg) as Extract<Ingredient, { kind: 'produce' }>;
  const left = (lots: readonly HarvestLot[]) => lots.map((l) => [l.form, leftKg(l, 0)]);

  it('moves: the whole lot, or a part of it into one of its own', () => {
    const stock = [inStock(lot('1', 2))];
    expect(left(frozenOf(fruit(2), stock, '2026-09-02T10:00:00.000Z', newId).lots)).toEqual([['frozen', 2]]);
    expect(left(frozenOf(fruit(0.5), stock, '2026-09-02T10:00:00.000Z', newId).lots)).toEqual([
      ['fresh', 1.5],
      ['frozen', 0.5]
    ]);
  });
  it('was picked with it where it is not in hand', () => {
    expect(frozenOf(fruit(2), [], '2026-09-02T10:00:00.000Z', newId)).toEqual({ lots: [], restKg: 2 });
    const { lots, restKg } = frozenOf(fruit(5), [inStock(lot('1', 2))], '2026-09-02T10:00:00.000Z', newId);
    expect([left(lots), restKg]).toEqual([[['frozen', 2]], 3]);
  });
});
