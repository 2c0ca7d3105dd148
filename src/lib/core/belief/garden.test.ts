import { describe, expect, it } from 'vitest';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import type { LedgerEvent } from '../ledger/log';
import { foldBatch } from '../ledger/run';
import { drawn, mulberry32, normalQuantile } from '../maths/draw';
import { estimateMust } from '../must/balance';
import type { Ingredient } from '../plan/plan';
import type { Produce } from '../tables/produce';
import { produceSchema } from '../tables/produce-schema';
import { produceById } from '../tables/table';
import { gardenEntry, ownPace, pooled, type Taught } from './garden';
import { taughtOf } from './teach';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const PLUM = produceById('plum')!;

/** Fruit of a garden as it truly is: `z` along the table's spread of sugar, `sour` along that of acid. */
const trueFruit = (z: number, sour: number): Produce => {
  const at = (s: readonly [number, number, number], by: number): [number, number, number] => {
    const x = drawn(s, by);
    return [x, x, x];
  };
  return {
    ...PLUM,
    solids: at(PLUM.solids, z),
    sugars: at(PLUM.sugars, z),
    acids: Object.fromEntries(Object.entries(PLUM.acids).map(([k, s]) => [k, at(s, sour)]))
  };
};

/** One plum wine of such fruit, read before the yeast and once it is dry. */
function wineOf(n: number, z: number, sour: number, random: () => number, isAcidRead = true): Taught | null {
  const on = eventsFrom(T0);
  const rows = (entry?: Produce): Ingredient[] => [
    { kind: 'produce', produceId: 'plum', massKg: 5, ...(entry ? { entry } : {}) },
    { kind: 'sugar', sugarId: 'white', massKg: 1.4 },
    { kind: 'water', volumeL: 6 }
  ];
  const truth = estimateMust({ ingredients: rows(trueFruit(z, sour)) });
  const slip = () => 0.001 * normalQuantile(0.001 + 0.998 * random());
  const batchId = `01890000-0000-7000-8000-${String(n).padStart(12, '0')}`;
  const events = (
    [
      on(0, 'planned', {
        name: 'Plum',
        plan: { ingredients: rows(), yeast: { yeastId: 'wine' } },
        vesselId: 'b'
      }),
      on(0, 'addition', { ingredients: rows() }),
      // Three days of cold: all is given, and nothing has begun.
      on(4, 'reading', {
        sg: truth.sgAllGiven!.likely + slip(),
        tempC: 20,
        ...(isAcidRead ? { taGL: truth.taGL!.likely + 0.2 * normalQuantile(0.01 + 0.98 * random()) } : {})
      }),
      on(4.1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 })
    ] as LedgerEvent[]
  ).map((e) => ({ ...e, batchId }));
  return taughtOf(foldBatch(events, T0 + 5 * DAY)!);
}

describe('what a garden teaches', () => {
  it('one batch teaches nothing yet; a wine that nobody read nothing at all', () => {
    const one = wineOf(1, 0.5, 0, mulberry32(1))!;
    expect(one.lessons[0]!.produceId).toBe('plum');
    expect(gardenEntry(PLUM, one.lessons)).toBeNull();
    const on = eventsFrom(T0);
    const ingredients: Ingredient[] = [{ kind: 'produce', produceId: 'plum', massKg: 5 }];
    const unread = [
      on(0, 'planned', { name: 'Plum', plan: { ingredients }, vesselId: 'b' }),
      on(0, 'addition', { ingredients })
    ];
    expect(taughtOf(foldBatch(unread, T0 + 9 * DAY)!)).toBeNull();
  });
  it('leans to gardens that are sweeter, or sourer, than the table, and holds them, narrower', () => {
    const random = mulberry32(7);
    const normal = () => normalQuantile(0.001 + 0.998 * random());
    let [held, nearer, gardens] = [0, 0, 0];
    for (let g = 0; g < 24; g++) {
      const [sweet, sour] = [0.7 * normal(), 0.7 * normal()];
      const lessons = Array.from({ length: 4 }, (_, k) =>
        wineOf(100 * g + k, sweet + 0.7 * normal(), sour + 0.7 * normal(), random)
      ).flatMap((t) => t?.lessons ?? []);
      const entry = gardenEntry(PLUM, lessons);
      // Now and then only the acid was seen well enough.
      if (!entry || entry.sugars === PLUM.sugars) continue;
      expect(produceSchema.safeParse(entry).error).toBeUndefined();
      gardens += 1;
      const mean = drawn(PLUM.sugars, sweet);
      nearer += Number(
        Math.abs(entry.sugars[1] - mean) <= Math.abs(PLUM.sugars[1] - mean) + 0.05 * PLUM.sugars[1]
      );
      const next = drawn(PLUM.sugars, sweet + 0.7 * normal());
      held += Number(next >= entry.sugars[0] && next <= entry.sugars[2]);
      expect(entry.sugars[2] - entry.sugars[0]).toBeLessThan(PLUM.sugars[2] - PLUM.sugars[0]);
      expect(entry.garden!.batches).toBeGreaterThanOrEqual(2);
    }
    expect(gardens).toBeGreaterThan(16);
    // Eight in ten, of two dozen.
    expect(held / gardens).toBeGreaterThan(0.6);
    expect(nearer / gardens).toBeGreaterThan(0.6);
  });
  it('acid that was titrated leans the acid, and none that was not', () => {
    const random = mulberry32(3);
    const sour = Array.from({ length: 5 }, (_, k) => wineOf(k, 0, 1.2, random)!).flatMap((t) => t.lessons);
    expect(gardenEntry(PLUM, sour)!.acids.malic![1]).toBeGreaterThan(PLUM.acids.malic![1] * 1.03);
    const unread = Array.from({ length: 5 }, (_, k) => wineOf(k, 0, 1.2, random, false)).flatMap(
      (t) => t?.lessons ?? []
    );
    expect(unread.every((l) => l.acid === null)).toBe(true);
  });
  it('pools as partial pooling does: no lot decides alone, and many come to their own mean', () => {
    expect(pooled([]).is).toBe(0);
    expect(pooled([]).sd).toBeCloseTo(1, 6);
    const one = pooled([{ is: 2, sd: 0.3 }]);
    expect(one.is).toBeGreaterThan(0.5);
    expect(one.is).toBeLessThan(1.2);
    expect(pooled(Array.from({ length: 200 }, () => ({ is: 2, sd: 0.3 }))).is).toBeCloseTo(2, 1);
  });
  it('a wine that fell slowly, reading by reading, says that the cellar is slow; a brisk one that it is not', () => {
    const on = eventsFrom(T0);
    const rows: Ingredient[] = [
      { kind: 'produce', produceId: 'plum', massKg: 5 },
      { kind: 'sugar', sugarId: 'white', massKg: 1.4 },
      { kind: 'water', volumeL: 6 }
    ];
    const paceOf = (reads: [day: number, sg: number][]) =>
      taughtOf(
        foldBatch(
          [
            on(0, 'planned', {
              name: 'P',
              plan: { ingredients: rows, yeast: { yeastId: 'wine' } },
              vesselId: 'b'
            }),
            on(0, 'addition', { ingredients: rows }),
            on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5, how: 'rehydrated' }),
            ...reads.map(([day, sg]) => on(day, 'reading', { sg, tempC: 20 }))
          ],
          T0 + 40 * DAY
        )!
      )!.pace!;
    const slow = paceOf([
      [1.1, 1.079],
      [5, 1.068],
      [10, 1.052],
      [15, 1.038],
      [20, 1.026]
    ]);
    const brisk = paceOf([
      [1.1, 1.079],
      [2.5, 1.06],
      [4, 1.03],
      [5.5, 1.008]
    ]);
    expect(slow.is).toBeLessThan(-0.2);
    expect(slow.sd).toBeLessThan(0.6);
    expect(brisk.is).toBeGreaterThan(slow.is + 0.4);
  });
  it('a slow cellar is slow in the next plan', () => {
    expect(ownPace([{ is: -0.6, sd: 0.2 }])).toBeNull();
    const slow = ownPace(Array.from({ length: 5 }, () => ({ is: -0.6, sd: 0.2 })))!;
    expect(slow).toBeGreaterThan(0.5);
    expect(slow).toBeLessThan(0.8);
  });
});
