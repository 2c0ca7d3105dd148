import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ETHANOL_20, ethanolWaterDensity } from '../liquid/ethanol';
import { acidWater, liquid } from '../liquid/stock';
import { titratableAcidity } from '../liquid/acid';
import { abvOf } from '../ferment/convert';
import { DAY, eventsFrom } from './events.fixture';
import { batchesOf, eventSchema, type LedgerEvent } from './log';
import { blend as mixed } from '../commands/put';
import { questionsAbout } from './check';
import { mergeLogs } from './merge';
import { addedSo2MgL, asBlended, fillL, sorbateGL } from './fill';
import { foldBatch, historyOf } from './run';
import { volumeOf } from './state';
import type { BatchState } from './state';
import { compact, summaryOf } from '../report/sum-up';
import { expectedFinish, standingOf, tooCold } from '../belief/standing';
import { leavesAt, schedule } from '../steps/schedule';
import { checkBottling } from '../finish/judge';

const T0 = Date.parse('2026-03-01T08:00:00Z');
const on = eventsFrom(T0);
const VESSELS = ['a', 'b', 'c', 'd'] as const;
type V = (typeof VESSELS)[number];

type Act =
  | { do: 'sugar' | 'water' | 'lactose' | 'tartaric'; amount: number; in: V }
  | { do: 'split'; from: V; to: V; share: number; loss: number }
  | { do: 'read'; in: V; eaten: number }
  | { do: 'drink'; in: V; share: number }
  | { do: 'boil'; in: V; share: number }
  | { do: 'top'; in: V; amount: number };

const vessel = fc.constantFrom(...VESSELS);
const part = fc.double({ min: 0.05, max: 0.9, noNaN: true });
const acts: fc.Arbitrary<Act[]> = fc.array(
  fc.oneof(
    fc.record({
      do: fc.constantFrom('sugar' as const, 'water' as const, 'lactose' as const, 'tartaric' as const),
      amount: fc.double({ min: 0.01, max: 0.5, noNaN: true }),
      in: vessel
    }),
    fc.record({
      do: fc.constant('split' as const),
      from: vessel,
      to: vessel,
      share: part,
      loss: fc.double({ min: 0, max: 0.1, noNaN: true })
    }),
    fc.record({ do: fc.constant('read' as const), in: vessel, eaten: part }),
    fc.record({
      do: fc.constant('drink' as const),
      in: vessel,
      share: fc.double({ min: 0.01, max: 0.3, noNaN: true })
    }),
    fc.record({
      do: fc.constant('boil' as const),
      in: vessel,
      share: fc.double({ min: 0.01, max: 0.2, noNaN: true })
    }),
    fc.record({
      do: fc.constant('top' as const),
      in: vessel,
      amount: fc.double({ min: 0.05, max: 1, noNaN: true })
    })
  ),
  { minLength: 1, maxLength: 16 }
);

/** A vessel by hand, in plain kilograms; a kilogram of anything dissolved takes 0.62 L. */
type Jar = { water: number; sugar: number; dead: number; alcohol: number; acidEq: number };
const jar = (): Jar => ({ water: 0, sugar: 0, dead: 0, alcohol: 0, acidEq: 0 });
const litres = (j: Jar) =>
  j.water + j.alcohol <= 0
    ? 0
    : (j.water + j.alcohol) / ethanolWaterDensity(j.alcohol / (j.water + j.alcohol)) +
      0.62 * (j.sugar + j.dead);
const gravity = (j: Jar) => (j.water + j.sugar + j.dead + j.alcohol) / litres(j) / 0.9982;
const keys = ['water', 'sugar', 'dead', 'alcohol', 'acidEq'] as const;

/** The same history by hand and as events; what makes no sense in the order it came is left out of both. */
function both(history: Act[]): { jars: Record<V, Jar>; events: LedgerEvent[] } {
  const jars = { a: jar(), b: jar(), c: jar(), d: jar() };
  jars.a = { water: 9.982, sugar: 2, dead: 0, alcohol: 0, acidEq: (0.06 / 0.15009) * 2 };
  const start = [
    { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 2 },
    { kind: 'water' as const, volumeL: 10 },
    { kind: 'acid' as const, acidId: 'tartaric' as const, massKg: 0.06 }
  ];
  jars.a.dead += 0.06;
  const events: LedgerEvent[] = [
    on(0, 'planned', {
      name: 'W',
      plan: { ingredients: start, yeast: { yeastId: 'champagne' } },
      vesselId: 'a'
    }),
    on(0, 'addition', { ingredients: start, vesselId: 'a' }),
    on(0.1, 'pitch', { yeast: { yeastId: 'champagne' } })
  ];
  history.forEach((act, i) => {
    const day = 1 + i;
    const j = jars[act.do === 'split' ? act.from : act.in];
    const full = litres(j);
    if (full < 0.3) return;
    switch (act.do) {
      case 'sugar':
      case 'lactose': {
        const kind = {
          kind: 'sugar' as const,
          sugarId: act.do === 'sugar' ? ('white' as const) : ('lactose' as const),
          massKg: act.amount
        };
        if (act.do === 'sugar') j.sugar += act.amount;
        else {
          j.dead += 0.95 * act.amount;
          j.water += 0.05 * act.amount;
        }
        events.push(on(day, 'addition', { ingredients: [kind], vesselId: act.in }));
        break;
      }
      case 'water':
      case 'top': {
        j.water += act.amount * 0.9982;
        const ingredient = { kind: 'water' as const, volumeL: act.amount };
        events.push(
          act.do === 'top'
            ? on(day, 'top-up', { vesselId: act.in, ingredient })
            : on(day, 'addition', { ingredients: [ingredient], vesselId: act.in })
        );
        break;
      }
      case 'tartaric': {
        const kg = act.amount / 50;
        j.dead += kg;
        j.acidEq += (kg / 0.15009) * 2;
        events.push(
          on(day, 'addition', {
            ingredients: [{ kind: 'acid', acidId: 'tartaric', massKg: kg }],
            vesselId: act.in
          })
        );
        break;
      }
      case 'split': {
        if (act.from === act.to) break;
        const out = full * act.share;
        const lossL = full * (1 - act.share) * act.loss;
        // All of it leaves: a share there, what is lost, and the rest into a third vessel, or back where it was.
        const rest = full - out - lossL;
        const third = VESSELS.find((v) => v !== act.from && v !== act.to)!;
        for (const k of keys) {
          jars[act.to][k] += j[k] * (out / full);
          jars[third][k] += j[k] * (rest / full);
          j[k] = 0;
        }
        events.push(
          on(day, 'transfer', {
            from: act.from,
            to: [
              { vesselId: act.to, volumeL: out },
              { vesselId: third, volumeL: rest }
            ],
            lossL
          })
        );
        break;
      }
      case 'drink':
        for (const k of keys) j[k] *= 1 - act.share;
        events.push(on(day, 'sample', { vesselId: act.in, volumeL: full * act.share, returned: false }));
        break;
      case 'boil':
        j.water *= 1 - act.share;
        events.push(
          on(day, 'loss', {
            vesselId: act.in,
            volumeL: ((j.water / (1 - act.share)) * act.share) / 0.9982,
            how: 'boiled-off'
          })
        );
        break;
      case 'read': {
        const hexose = j.sugar * act.eaten * 1.0526;
        j.water -= hexose - j.sugar * act.eaten;
        j.sugar *= 1 - act.eaten;
        j.alcohol += hexose * 0.46;
        j.dead += hexose * 0.045;
        const sg = gravity(j);
        if (sg < 0.971 || sg > 1.29) break;
        events.push(on(day, 'reading', { sg, vesselId: act.in }));
        break;
      }
    }
  });
  return { jars, events };
}

describe('any history over several vessels', () => {
  it('agrees, vessel by vessel, with an account kept by hand: alcohol 0.3 %, volume 1 %, sugar and acid 2 %', () => {
    fc.assert(
      fc.property(acts, (history) => {
        const { jars, events } = both(history);
        for (const e of events) expect(eventSchema.safeParse(e).success).toBe(true);
        const s = foldBatch(events, T0 + 60 * DAY)!;
        for (const v of VESSELS) {
          const hand = litres(jars[v]);
          if (hand < 0.2) continue;
          const fill = s.fills.find((f) => f.vesselId === v)!;
          const volume = fillL(fill);
          expect(Math.abs(volume / hand - 1), `${v} volume`).toBeLessThan(0.012);
          const abv = (100 * jars[v].alcohol) / ETHANOL_20 / hand;
          expect(Math.abs(abvOf(fill.stock) - abv), `${v} alcohol`).toBeLessThan(0.3);
          const sugar = (1000 * jars[v].sugar) / hand;
          expect(Math.abs((1000 * fill.stock.fermentableKg) / volume - sugar), `${v} sugar`).toBeLessThan(
            0.02 * sugar + 2.5
          );
          const ta = (75.04 * jars[v].acidEq) / hand;
          const found = titratableAcidity(acidWater(fill.stock, volume));
          expect(Math.abs(found - ta), `${v} acid`).toBeLessThan(0.02 * ta + 0.05);
        }
      }),
      { numRuns: 120 }
    );
  });

  it('creates and loses nothing: what went in is what is there, what left, and gas and lees', () => {
    fc.assert(
      fc.property(acts, (history) => {
        const { events } = both(history);
        const effects = historyOf(events, T0 + 60 * DAY);
        for (const { event, before, after } of effects) {
          if (event.type === 'transfer')
            // Measured litres stand: the two accounts differ by a few in a thousand.
            expect(Math.abs(before.volumeL - after.volumeL - event.data.lossL)).toBeLessThan(
              0.012 * before.volumeL
            );
          if (event.type === 'sample')
            expect(before.volumeL - after.volumeL).toBeCloseTo(event.data.volumeL, 4);
          if (event.type === 'addition' || event.type === 'top-up')
            expect(after.volumeL).toBeGreaterThan(before.volumeL);
          if (event.type === 'pitch') expect(after).toEqual(before);
        }
      }),
      { numRuns: 60 }
    );
  });

  it('does not care in what order two devices’ logs are put together, or how often', () => {
    fc.assert(
      fc.property(acts, fc.array(fc.boolean(), { minLength: 20, maxLength: 20 }), (history, side) => {
        const { events } = both(history);
        const a = events.filter((_, i) => side[i % side.length]);
        const b = events.filter((_, i) => !side[i % side.length]);
        const at = T0 + 60 * DAY;
        const state = JSON.stringify(foldBatch(events, at));
        expect(JSON.stringify(foldBatch(mergeLogs(a, b), at))).toBe(state);
        expect(JSON.stringify(foldBatch(mergeLogs(mergeLogs(b, a), b), at))).toBe(state);
        expect(JSON.stringify(foldBatch([...events].reverse(), at))).toBe(state);
      }),
      { numRuns: 40 }
    );
  });
});

describe('what goes with the wine', () => {
  const start = (over: object = {}) => [
    on(0, 'planned', {
      name: 'Plum',
      plan: { ingredients: [{ kind: 'water', volumeL: 10 }], prices: { white: 1, lactose: 4 }, ...over },
      vesselId: 'a'
    }),
    on(0, 'addition', {
      ingredients: [
        { kind: 'sugar', sugarId: 'white', massKg: 2 },
        { kind: 'water', volumeL: 10 }
      ]
    })
  ];
  const fold = (events: LedgerEvent[], day = 60) => foldBatch(events, T0 + day * DAY)!;

  it('sulphite and sorbate go with the litres they are in', () => {
    const s = fold([
      ...start(),
      on(1, 'transfer', {
        from: 'a',
        to: [
          { vesselId: 'b', volumeL: 5 },
          { vesselId: 'c', volumeL: 5 }
        ],
        lossL: 1.2
      }),
      on(2, 'addition', {
        ingredients: [{ kind: 'additive', additiveId: 'campden', massKg: 0.00088 }],
        vesselId: 'b'
      }),
      on(2, 'addition', {
        ingredients: [{ kind: 'additive', additiveId: 'sorbate', massKg: 0.0015 }],
        vesselId: 'b'
      }),
      on(3, 'transfer', { from: 'b', to: [{ vesselId: 'd', volumeL: 5 }], lossL: 0 })
    ]);
    const [c, d] = [s.fills.find((f) => f.vesselId === 'c')!, s.fills.find((f) => f.vesselId === 'd')!];
    expect(addedSo2MgL(c)).toBe(0);
    expect(addedSo2MgL(d)).toBeCloseTo((880 * 0.576) / 5, 0);
    expect(sorbateGL(d)).toBeCloseTo(0.3, 2);
  });

  it('cost follows, and a spill does not make it cheaper', () => {
    const s = fold([...start(), on(1, 'loss', { volumeL: 2, how: 'spilt' })]);
    expect(s.cost).toBeCloseTo(2, 9);
    expect(s.fills[0]!.cost).toBeCloseTo(2, 9);
    const racked = fold([
      ...start(),
      on(1, 'transfer', { from: 'a', to: [{ vesselId: 'b', volumeL: 8 }], lossL: 3 })
    ]);
    expect(racked.fills.reduce((sum, f) => sum + f.cost, 0)).toBeCloseTo(2, 6);
  });

  it('allergens are gathered, once', () => {
    const lactose = { kind: 'sugar' as const, sugarId: 'lactose' as const, massKg: 0.2 };
    const s = fold([
      ...start(),
      on(1, 'addition', { ingredients: [lactose] }),
      on(2, 'addition', { ingredients: [lactose] })
    ]);
    expect(s.allergens).toEqual(['milk']);
  });

  it('a second fruit gives its sugar while it hangs, and keeps its litres when it comes out', () => {
    const steep = on(30, 'steep', {
      ingredients: [{ kind: 'produce', produceId: 'raspberry', massKg: 1 }],
      tasteBy: new Date(T0 + 37 * DAY).toISOString()
    });
    const before = fold(start(), 30);
    const hanging = fold([...start(), steep], 36);
    expect(volumeOf(hanging)).toBeGreaterThan(volumeOf(before) + 0.6);
    expect(hanging.steeps).toMatchObject([{ names: ['Raspberries'], outAt: null }]);
    const out = fold([...start(), steep, on(37, 'steep-out', { steepId: steep.id })], 40);
    expect(volumeOf(out)).toBeLessThan(volumeOf(hanging));
    expect(out.pulpKg).toBe(0);
    expect(out.steeps[0]!.outAt).toBe(T0 + 37 * DAY);
    // The wine woke: it was fed.
    expect(out.fedAt).toBe(T0 + 30 * DAY);
  });

  it('a measured volume stands, and the difference is told', () => {
    const s = fold([...start(), on(1, 'reading', { volumeL: 10 })]);
    expect(volumeOf(s)).toBeCloseTo(10, 6);
    expect(s.corrections).toMatchObject([{ kind: 'volume', foundL: 10 }]);
  });

  it('spirit indication is kept beside the reckoned strength', () => {
    const s = fold([...start(), on(1, 'reading', { sg: 0.994, residueSg: 1.01 })]);
    expect(s.spiritAbv!.abv).toBeGreaterThan(10);
  });

  it('gas takes the air, not the wine', () => {
    const s = fold([...start(), on(5, 'top-up', { vesselId: 'a' })]);
    expect(s.toppedAt).toEqual({ a: T0 + 5 * DAY });
    expect(volumeOf(s)).toBeCloseTo(volumeOf(fold(start())), 9);
  });
});

describe('bottling sees what every vessel holds', () => {
  const start = [
    on(0, 'planned', {
      name: 'Plum',
      plan: { ingredients: [{ kind: 'water', volumeL: 10 }] },
      vesselId: 'a'
    }),
    on(0, 'addition', {
      ingredients: [
        { kind: 'sugar', sugarId: 'white', massKg: 2.2 },
        { kind: 'water', volumeL: 10 }
      ]
    }),
    on(0.5, 'pitch', { yeast: { yeastId: 'champagne' } })
  ];
  const still = [on(40, 'reading', { sg: 0.986 }), on(45, 'reading', { sg: 0.986 })];
  const at = (events: LedgerEvent[], day = 60) => foldBatch(events, T0 + day * DAY)!;

  it('a finished wine is safe; late fruit, or sugar in a layer, makes it unsafe again', () => {
    expect(checkBottling(at([...start, ...still]), 'still', 0, true)!.reachable.hexoseGL).toBe(0);
    const steep = on(50, 'steep', { ingredients: [{ kind: 'produce', produceId: 'raspberry', massKg: 2 }] });
    expect(
      checkBottling(at([...start, ...still, steep], 51), 'still', 0, true)!.reachable.hexoseGL
    ).toBeGreaterThan(5);
    const layer = on(50, 'addition', {
      ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.2, layered: true }]
    });
    expect(
      checkBottling(at([...start, ...still, layer], 50), 'still', 0, true)!.reachable.hexoseGL
    ).toBeGreaterThan(10);
    // What does not ferment does not count.
    const lactose = on(50, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'lactose', massKg: 0.5 }] });
    expect(checkBottling(at([...start, ...still, lactose], 51), 'still', 0, true)!.reachable.hexoseGL).toBe(
      0
    );
  });

  it('one jar that is stabilised does not speak for the other', () => {
    const sweet = { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 0.15 };
    const events = [
      ...start,
      on(30, 'transfer', {
        from: 'a',
        to: [
          { vesselId: 'b', volumeL: 5 },
          { vesselId: 'c', volumeL: 5 }
        ],
        lossL: 1
      }),
      ...['b', 'c'].flatMap((vesselId) => [
        on(40, 'reading', { sg: 0.986, vesselId }),
        on(45, 'reading', { sg: 0.986, vesselId })
      ]),
      on(50, 'addition', {
        ingredients: [
          sweet,
          { kind: 'additive', additiveId: 'sorbate', massKg: 0.0015 },
          { kind: 'additive', additiveId: 'metabisulphite', massKg: 0.0004 }
        ],
        vesselId: 'b'
      }),
      on(50, 'addition', { ingredients: [sweet], vesselId: 'c' }),
      ...['b', 'c'].flatMap((vesselId) => [
        on(52, 'reading', { sg: 0.998, vesselId }),
        on(56, 'reading', { sg: 0.998, vesselId })
      ])
    ];
    const s = at(events);
    expect(checkBottling(s, 'still', 0, true, 'b')!.reachable.hexoseGL).toBe(0);
    expect(checkBottling(s, 'still', 0, true, 'c')!.reachable.hexoseGL).toBeGreaterThan(10);
  });

  it('the most tolerant of several yeasts sets what can be reached', () => {
    const strong = [
      ...start,
      on(0.1, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 2 }] })
    ];
    const ale = strong.map((e) => (e.type === 'pitch' ? on(0.5, 'pitch', { yeast: { yeastId: 'ale' } }) : e));
    const both = [...ale, on(20, 'pitch', { yeast: { yeastId: 'champagne' } })];
    expect(expectedFinish(at(both))!.abv).toBeGreaterThan(expectedFinish(at(ale))!.abv + 4);
  });

  it('a layer of sugar dissolves by itself, in days', () => {
    const layer = on(0.1, 'addition', {
      ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 1, layered: true }]
    });
    const sg = (day: number) => liquid(at([...start, layer], day).fills[0]!.stock)!.sg;
    expect(sg(0.11)).toBeLessThan(sg(1.5) - 0.01);
    expect(sg(20)).toBeGreaterThan(sg(1.5) + 0.005);
    expect(at([...start, layer, on(1, 'fruit-out', { press: 'drip' })], 20).held.hexoseKg).toBeLessThan(1e-3);
  });

  it('says when it is too cold for the yeast', () => {
    const wine = start.map((e) =>
      e.type === 'pitch' ? on(0.5, 'pitch', { yeast: { yeastId: 'wine' } }) : e
    );
    expect(tooCold(at([...wine, on(3, 'reading', { sg: 1.06, tempC: 11 })]))).toEqual({
      tempC: 11,
      wantsC: 14
    });
    expect(tooCold(at([...wine, on(3, 'reading', { sg: 1.06, tempC: 20 })]))).toBeNull();
    expect(tooCold(at(wine))).toBeNull();
  });

  it('tells until when it stands where it stands', () => {
    const s = at(start, 5);
    expect(leavesAt(schedule(s))).toBeGreaterThan(T0 + 5 * DAY);
    expect(leavesAt([])).toBeNull();
  });
});

describe('blends', () => {
  const other = '01900000-0000-7000-8000-0000000000b2';
  const plum = [
    on(0, 'planned', { name: 'Plum', plan: { ingredients: [{ kind: 'water', volumeL: 8 }] }, vesselId: 'a' }),
    on(0, 'addition', {
      ingredients: [
        { kind: 'sugar', sugarId: 'white', massKg: 2 },
        { kind: 'water', volumeL: 8 }
      ]
    })
  ];
  const sloe = plum.map((e, i) => ({
    ...e,
    id: `01900000-0000-7000-8000-00000000010${i}`,
    batchId: other
  })) as LedgerEvent[];
  const at = T0 + 9 * DAY;
  const source = foldBatch(sloe, at)!;
  const wine = asBlended(source.fills[0]!, 0.25, []);
  const blend = on(5, 'blend', {
    from: { batchId: other, vesselId: 'a', name: 'Sloe' },
    to: 'b',
    volumeL: 0.25 * volumeOf(source),
    wine: { ...wine, allergens: ['milk'] }
  });

  it('take from one and give to the other, and one event names both', () => {
    expect(eventSchema.safeParse(blend).success).toBe(true);
    expect(batchesOf(blend)).toEqual([blend.batchId, other]);
    const taker = foldBatch([...plum, blend], at)!;
    const giver = foldBatch([...sloe, blend], at)!;
    expect(volumeOf(taker) + volumeOf(giver)).toBeCloseTo(2 * volumeOf(source), 6);
    expect(liquid(taker.fills.find((f) => f.vesselId === 'b')!.stock)!.sg).toBeCloseTo(
      liquid(source.fills[0]!.stock)!.sg,
      9
    );
    expect(taker.allergens).toEqual(['milk']);
    expect(giver.id).toBe(other);
    expect(summaryOf([...sloe, blend], other, at)!.id).toBe(other);
    expect(summaryOf([...plum, blend], plum[0]!.batchId, at)!.id).toBe(plum[0]!.batchId);
  });

  it('a wine is not blended into itself, and an old log that says so makes no wine of nothing', () => {
    const whole = foldBatch(plum, at)!;
    const self = {
      ...blend,
      data: { ...blend.data, from: { batchId: whole.id, vesselId: 'a', name: 'Plum' } }
    };
    for (const to of ['a', 'b']) {
      const said = { ...self, data: { ...self.data, to } } as LedgerEvent;
      expect(questionsAbout(whole.id, plum, [said])[0]).toMatchObject({ level: 'refuse' });
      expect(volumeOf(foldBatch([...plum, said], at)!)).toBeCloseTo(volumeOf(whole), 6);
    }
    expect(() => mixed(whole.id, 'b', whole, 'a', 1)).toThrow(/the Plum itself/);
  });
});

describe('summaries', () => {
  it('tell the same of what comes next as the whole state, however long it is', () => {
    const events = [
      on(0, 'planned', {
        name: 'Rhubarb Extra',
        plan: { ingredients: [{ kind: 'produce', produceId: 'rhubarb', massKg: 4 }] },
        vesselId: 'a'
      }),
      on(0, 'addition', {
        ingredients: [
          { kind: 'produce', produceId: 'rhubarb', massKg: 4 },
          { kind: 'sugar', sugarId: 'white', massKg: 2 },
          { kind: 'water', volumeL: 7 }
        ]
      }),
      on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
      ...Array.from({ length: 200 }, (_, i) => on(1 + i / 20, 'stir', {})),
      ...Array.from({ length: 120 }, (_, i) => on(2 + i / 10, 'reading', { sg: 1.08 - i * 6e-4 }))
    ];
    const whole = foldBatch(events, T0 + 20 * DAY)!;
    const small = compact(whole);
    expect(small.readings.length).toBeLessThan(40);
    expect(schedule(small)).toEqual(schedule(whole));
    // What is believed of it is kept in the summary, and not reckoned again from what is left.
    const known = (s: BatchState) => ({
      ...standingOf(s),
      belief: null,
      abv: null,
      residualGL: null,
      sugarKg: null,
      sweetness: null
    });
    expect(known(small)).toEqual(known(whole));
    expect(JSON.stringify(small).length).toBeLessThan(JSON.stringify(whole).length / 2);
    expect(summaryOf(events, whole.id, T0 + 20 * DAY)).toMatchObject({
      running: 1,
      words: ['rhubarb', 'extra']
    });
  });
});
