import { describe, expect, it } from 'vitest';
import type { Ingredient } from '../plan/plan';
import { dependentsOf, questionsAbout } from './check';
import { DAY, eventsFrom } from './events.fixture';
import type { EventData, EventType, LedgerEvent } from './log';
import { fillL } from './fill';
import { foldBatch } from './run';
import { volumeOf } from './state';

const T0 = Date.parse('2026-03-01T08:00:00Z');
const on = eventsFrom(T0);
const white = (massKg: number): Ingredient => ({ kind: 'sugar', sugarId: 'white', massKg });
const ingredients: Ingredient[] = [white(2.2), { kind: 'water', volumeL: 9 }];
const begun = [
  on(0, 'planned', { name: 'Test', plan: { ingredients, yeast: { yeastId: 'wine' } }, vesselId: 'a' }),
  on(0, 'addition', { ingredients }),
  on(1, 'pitch', { yeast: { yeastId: 'wine' } })
];
const id = begun[0]!.batchId;
const there = volumeOf(foldBatch(begun, T0 + 3 * DAY)!);
const asked = <T extends EventType>(type: T, data: EventData<T>, log: LedgerEvent[] = begun, day = 5) =>
  questionsAbout(id, log, [on(day, type, data)]);
const levels = (...args: Parameters<typeof asked>) => asked(...args).map((q) => q.level);
const fills = (events: LedgerEvent[], day = 300) => foldBatch(events, T0 + day * DAY)!.fills;

describe('what is asked before it is written', () => {
  it('nothing about what can well be', () => {
    expect(levels('reading', { sg: 1.04 })).toEqual([]);
    expect(
      levels('transfer', { from: 'a', to: [{ vesselId: 'b', volumeL: there - 0.7 }], lossL: 0.7 })
    ).toEqual([]);
    expect(levels('addition', { ingredients: [white(0.5)] })).toEqual([]);
    expect(levels('loss', { volumeL: 0.5, how: 'spilt' })).toEqual([]);
  });

  it.each([
    ['more spilt than there is', 'loss', { volumeL: 40, how: 'spilt' }, 'refuse'],
    ['more drunk than there is', 'sample', { volumeL: 40, returned: false }, 'refuse'],
    [
      'racked out of an empty vessel',
      'transfer',
      { from: 'x', to: [{ vesselId: 'b', volumeL: 2 }], lossL: 0 },
      'refuse'
    ],
    [
      'more racked than there is',
      'transfer',
      { from: 'a', to: [{ vesselId: 'b', volumeL: 15 }], lossL: 0 },
      'refuse'
    ],
    [
      'more bottled than there is',
      'bottle',
      { from: 'a', bottles: [{ count: 30, sizeL: 0.75, type: 'still' }] },
      'refuse'
    ],
    ['a 40 % loss', 'transfer', { from: 'a', to: [{ vesselId: 'b', volumeL: 6 }], lossL: 4.3 }, 'ask'],
    ['a pressing that leaves half', 'fruit-out', { press: 'drip', volumeL: 4 }, 'ask'],
    [
      'half thrown away as sediment',
      'bottle',
      { from: 'a', emptied: true, bottles: [{ count: 6, sizeL: 0.75, type: 'still' }] },
      'ask'
    ],
    ['a spirit indication of 1.22', 'reading', { sg: 0.99, residueSg: 1.22 }, 'refuse'],
    ['a residue under the wine', 'reading', { sg: 1.01, residueSg: 1.0 }, 'refuse'],
    ['a gravity that no such must gives', 'reading', { sg: 0.972 }, 'ask'],
    ['a vessel that holds none of it', 'reading', { sg: 1.02, vesselId: 'q' }, 'refuse'],
    [
      'sugar into a vessel that holds none of it',
      'addition',
      { ingredients: [white(0.1)], vesselId: 'q' },
      'ask'
    ],
    [
      'so much sugar into a running must that no yeast goes on',
      'addition',
      { ingredients: [white(3)] },
      'ask'
    ],
    ['250 kg of sugar', 'addition', { ingredients: [white(250)] }, 'ask'],
    [
      'a kilogram of tannin a litre',
      'addition',
      { ingredients: [{ kind: 'additive', additiveId: 'tannin', massKg: 19 }] },
      null
    ],
    ['a measure of twice what there is', 'reading', { volumeL: 25 }, 'refuse'],
    ['taking out what was never hung in', 'steep-out', { steepId: id }, 'refuse'],
    ['opening bottles that were never filled', 'open', { bottleId: id, count: 1 }, 'refuse']
  ] as const)('%s', (_, type, data, level) => {
    const found = asked(type as EventType, data as never).map((q) => q.level);
    expect(found[0] ?? null).toBe(level);
  });

  it('pounds typed as kilograms: a strength that no yeast stands is asked about', () => {
    const heavy = begun.map((e) =>
      e.type === 'addition' ? { ...e, data: { ingredients: [white(4.9), ingredients[1]!] } } : e
    ) as LedgerEvent[];
    expect(asked('reading', { sg: 1.01 }, heavy, 30)[0]).toMatchObject({
      level: 'ask',
      text: /more than this yeast/
    });
    expect(asked('reading', { sg: 1.01 }, begun, 30)).toEqual([]);
  });

  it('of several unlike jars, which one was read', () => {
    const two = [
      ...begun,
      on(10, 'transfer', {
        from: 'a',
        to: [
          { vesselId: 'b', volumeL: 5 },
          { vesselId: 'c', volumeL: 4.5 }
        ],
        lossL: 0.4
      }),
      on(20, 'addition', { ingredients: [white(0.3)], vesselId: 'c' })
    ];
    expect(levels('reading', { sg: 1.02 }, two, 25)).toEqual(['refuse']);
    expect(levels('reading', { sg: 1.02, vesselId: 'c' }, two, 25)).toEqual([]);
  });

  it('one jar is not racked twice', () => {
    const racked = on(10, 'transfer', {
      from: 'a',
      to: [{ vesselId: 'b', volumeL: there - 0.5 }],
      lossL: 0.5
    });
    expect(levels('transfer', racked.data as never, [...begun, racked], 10.001)).toEqual(['refuse']);
  });
});

describe('wine that is left stays', () => {
  const bottled = (data: Partial<EventData<'bottle'>>) =>
    fills([
      ...begun,
      on(90, 'bottle', { from: 'a', bottles: [{ count: 8, sizeL: 0.75, type: 'still' }], ...data })
    ]);
  it('bottling part of a jar leaves the rest in it, unless that was all', () => {
    expect(fillL(bottled({})[0]!)).toBeCloseTo(there - 6, 1);
    expect(bottled({ emptied: true })).toEqual([]);
    expect(bottled({ bottles: [{ count: 13, sizeL: 0.75, type: 'still' }] })).toEqual([]);
    expect(bottled({ emptied: false, bottles: [{ count: 13, sizeL: 0.75, type: 'still' }] })).toHaveLength(1);
  });
  it('racking part of it leaves the rest, and makes no wine', () => {
    const out = (volumeL: number, emptied?: boolean) =>
      fills([
        ...begun,
        on(20, 'transfer', {
          from: 'a',
          to: [{ vesselId: 'b', volumeL }],
          lossL: 0,
          ...(emptied === undefined ? {} : { emptied })
        })
      ]);
    expect(out(4).map((f) => +fillL(f).toFixed(1))).toEqual([+(there - 4).toFixed(1), 4]);
    expect(out(4, true)).toHaveLength(1);
    expect(out(30).reduce((sum, f) => sum + fillL(f), 0)).toBeLessThan(1.16 * there);
  });
  it('a volume measured with the fruit out stands', () => {
    const all: Ingredient[] = [...ingredients, { kind: 'produce', produceId: 'plum', massKg: 3 }];
    const wine = [
      on(0, 'planned', { name: 'Plum', plan: { ingredients: all }, vesselId: 'a' }),
      on(0, 'addition', { ingredients: all }),
      on(8, 'fruit-out', { press: 'drip', volumeL: 11.4 })
    ];
    expect(volumeOf(foldBatch(wine, T0 + 9 * DAY)!)).toBeCloseTo(11.4, 6);
  });
  it('all of it spilt: nothing stands anywhere', () =>
    expect(fills([...begun, on(20, 'loss', { volumeL: there, how: 'spilt' })])).toEqual([]));
});

describe('taking back', () => {
  const racked = on(10, 'transfer', { from: 'a', to: [{ vesselId: 'b', volumeL: 10 }], lossL: 0.3 });
  const again = on(40, 'transfer', { from: 'b', to: [{ vesselId: 'c', volumeL: 9.7 }], lossL: 0.3 });
  const note = on(41, 'note', { text: 'clear' });
  const bottle = on(90, 'bottle', { from: 'c', bottles: [{ count: 12, sizeL: 0.75, type: 'still' }] });
  const log = [...begun, racked, again, note, bottle];
  it('names what hangs on it, and what hangs on that', () => {
    expect(dependentsOf(log, [racked.id]).map((e) => e.type)).toEqual(['transfer', 'bottle']);
    expect(dependentsOf(log, [again.id]).map((e) => e.type)).toEqual(['bottle']);
    expect(dependentsOf(log, [note.id])).toEqual([]);
    expect(dependentsOf(log, [bottle.id])).toEqual([]);
  });
});
