import fc from 'fast-check';
import { bottleCost } from '../plan/cost';
import { describe, expect, it } from 'vitest';
import { abvOf } from '../ferment/convert';
import { estimateMust } from '../must/balance';
import type { Ingredient } from '../plan/plan';
import { liquid } from '../liquid/stock';
import { schedule } from '../steps/schedule';
import { civilDay } from '../units/zone';
import { DAY, eventsFrom } from './events.fixture';
import { eventSchema, liveEvents, type LedgerEvent } from './log';
import { mergeLogs } from './merge';
import { foldBatch } from './run';
import { contents, fermentedOf, volumeOf } from './state';
import { chosenAbv } from '../belief/chosen-abv';
import { standingOf, steadiness, whyAbvDiffers } from '../belief/standing';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const on = eventsFrom(T0);
const at = (day: number) => T0 + day * DAY;
const fold = (events: LedgerEvent[], day: number) => foldBatch(events, at(day))!;

const PLUMS: Ingredient[] = [
  { kind: 'produce', produceId: 'plum', massKg: 4.08 },
  { kind: 'sugar', sugarId: 'white', massKg: 2.3 },
  { kind: 'water', volumeL: 7.95 }
];
const start = (ingredients = PLUMS) => [
  on(0, 'planned', { name: 'Plum', plan: { ingredients, yeast: { yeastId: 'wine' } }, vesselId: 'bucket' }),
  on(0, 'addition', { ingredients })
];

describe('the fold', () => {
  it('is null until a batch is planned, and keeps events of the future out', () => {
    expect(foldBatch([], at(1))).toBeNull();
    expect(fold([...start(), on(5, 'stir', {})], 1).stirs).toEqual([]);
  });

  it('begins at none given and ends at all given, as the plan said', () => {
    const e = estimateMust({ ingredients: PLUMS });
    const now = liquid(contents(fold(start(), 0)))!;
    expect(now.sg).toBeCloseTo(e.sgNoneGiven!.likely, 5);
    const late = liquid(contents(fold(start(), 60)))!;
    expect(late.sg).toBeCloseTo(e.sgAllGiven!.likely, 5);
    expect(late.volumeL).toBeCloseTo(e.liquidVolumeL!.likely, 4);
    const between = liquid(contents(fold(start(), 1)))!.sg;
    expect(between).toBeLessThan(now.sg);
    expect(between).toBeGreaterThan(late.sg);
  });

  it('follows the gravity down to alcohol, and closes on the plan', () => {
    const e = estimateMust({ ingredients: PLUMS });
    const events = [
      ...start(),
      on(1.5, 'pitch', { yeast: { yeastId: 'wine' } }),
      on(40, 'reading', { sg: e.finalSg!.likely })
    ];
    const s = fold(events, 41);
    expect(standingOf(s).abv.likely).toBeCloseTo(e.potentialAbv!.likely, 0);
    expect(standingOf(s).residualGL).toBeLessThan(4);
  });

  it('a reading before the yeast corrects the table, and says by how much', () => {
    const events = [
      ...start([
        { kind: 'sugar', sugarId: 'white', massKg: 2.3 },
        { kind: 'water', volumeL: 9 }
      ]),
      on(0.5, 'reading', { sg: 1.09 })
    ];
    const s = fold(events, 1);
    const c = s.corrections.find((x) => x.kind === 'sugar');
    expect(c!.sg).toBe(1.09);
    const now = liquid(contents(s))!.sg;
    // Between what the sums said and what was read. Sugar and water read what they weigh: about half of it is believed.
    expect(Math.abs(now - 1.09)).toBeLessThan(0.7 * Math.abs(c!.expectedSg - 1.09));
    expect(Math.abs(now - c!.expectedSg)).toBeLessThan(0.7 * Math.abs(c!.expectedSg - 1.09));
  });

  it('of a fruit that varies, nearly all of a reading is believed', () => {
    const s = fold(
      [...start([{ kind: 'juice', produceId: 'grape', volumeL: 10 }]), on(0.5, 'reading', { sg: 1.085 })],
      1
    );
    const c = s.corrections.find((x) => x.kind === 'sugar')!;
    expect(Math.abs(liquid(contents(s))!.sg - 1.085)).toBeLessThan(
      0.15 * Math.abs((c as { expectedSg: number }).expectedSg - 1.085)
    );
  });

  it('clear sugar water is trusted to its weight, not to one odd reading, until another agrees', () => {
    const water = start([
      { kind: 'sugar', sugarId: 'white', massKg: 2.3 },
      { kind: 'water', volumeL: 9 }
    ]);
    const weighed = liquid(contents(fold(water, 1)))!.sg;
    const odd = fold([...water, on(0.5, 'reading', { sg: 1.06 })], 1);
    expect(liquid(contents(odd))!.sg).toBeCloseTo(weighed, 9);
    expect(odd.doubts).toMatchObject([{ code: 'impossible-figure' }]);
    const twice = fold([...water, on(0.5, 'reading', { sg: 1.06 }), on(0.6, 'reading', { sg: 1.061 })], 1);
    expect(liquid(contents(twice))!.sg).toBeLessThan(weighed - 0.008);
  });

  it('feeding in steps does not break the alcohol, as it breaks the classroom sum', () => {
    const sugar = (massKg: number): Ingredient => ({ kind: 'sugar', sugarId: 'white', massKg });
    const atOnce = [
      ...start([sugar(2.4), { kind: 'water', volumeL: 9 }]),
      on(0.9, 'reading', { sg: 1.0877 }),
      on(1, 'pitch', { yeast: { yeastId: 'champagne' } }),
      on(60, 'reading', { sg: 0.99 })
    ];
    const fed = [
      ...start([sugar(1.2), { kind: 'water', volumeL: 9 }]),
      on(0.9, 'reading', { sg: 1.0474 }),
      on(1, 'pitch', { yeast: { yeastId: 'champagne' } }),
      on(8, 'reading', { sg: 1.005 }),
      on(9, 'addition', { ingredients: [sugar(0.6)] }),
      on(16, 'reading', { sg: 1.004 }),
      on(17, 'addition', { ingredients: [sugar(0.6)] }),
      on(60, 'reading', { sg: 0.99 })
    ];
    const [a, b] = [standingOf(fold(atOnce, 61)), standingOf(fold(fed, 61))];
    expect(Math.abs(a.ledgerAbv - b.ledgerAbv)).toBeLessThan(0.05);
    // Of three hundred possible wines the middle is known to a fifth of a per cent.
    expect(Math.abs(a.abv.likely - b.abv.likely)).toBeLessThan(0.2);
    expect(b.classroom!).toBeLessThan(a.classroom! - 4);
    expect(whyAbvDiffers(fold(fed, 61), b)).toMatch(/sugar went in after the first reading/);
  });

  it('racking keeps strength and loses what was left behind', () => {
    const before = [
      ...start(),
      on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
      on(8, 'fruit-out', { press: 'drip' }),
      on(8, 'reading', { sg: 1.01 })
    ];
    const s = fold(before, 9);
    const racked = fold(
      [
        ...before,
        on(9, 'transfer', {
          from: 'bucket',
          to: [
            { vesselId: 'a', volumeL: 5 },
            { vesselId: 'b', volumeL: 4.5 }
          ],
          lossL: 0.7
        })
      ],
      9.1
    );
    expect(volumeOf(racked)).toBeCloseTo(9.5, 4);
    expect(racked.fills.map((f) => f.vesselId)).toEqual(['a', 'b']);
    expect(abvOf(contents(racked))).toBeCloseTo(abvOf(contents(s)), 6);
    expect(racked.fills[0]!.fermentedKg / fermentedOf(racked)).toBeCloseTo(5 / 9.5, 6);
  });

  it('fruit out leaves what the pulp keeps, or what was measured', () => {
    const drip = fold([...start(), on(8, 'fruit-out', { press: 'drip' })], 9);
    const press = fold([...start(), on(8, 'fruit-out', { press: 'press' })], 9);
    const told = fold([...start(), on(8, 'fruit-out', { press: 'drip', volumeL: 10 })], 9);
    expect(volumeOf(press)).toBeGreaterThan(volumeOf(drip));
    expect(volumeOf(told)).toBeCloseTo(10, 4);
    expect(drip.fruitOutAt).toBe(at(8));
  });

  it('a second fruit leaves its own pulp, not that of the first again', () => {
    const once = [...start(), on(8, 'fruit-out', { press: 'drip' })];
    const twice = [
      ...once,
      on(10, 'addition', { ingredients: [{ kind: 'produce', produceId: 'raspberry', massKg: 1 }] }),
      on(17, 'fruit-out', { press: 'drip' })
    ];
    expect(fold(once, 9).produceKg).toBe(0);
    // A kilogram dripped keeps 0.2 L, common practice.
    expect(fold(twice, 18).lostL - fold(once, 9).lostL).toBeCloseTo(0.2, 6);
  });

  it('what goes into two jars is shared by what stands in each', () => {
    const racked = [
      ...start(),
      on(8, 'fruit-out', { press: 'drip' }),
      on(9, 'transfer', {
        from: 'bucket',
        to: [
          { vesselId: 'a', volumeL: 6 },
          { vesselId: 'b', volumeL: 3 }
        ],
        lossL: 1
      })
    ];
    const sugar: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 0.3 };
    const [a, b] = fold([...racked, on(10, 'addition', { ingredients: [sugar] })], 11).fills;
    const [a0, b0] = fold(racked, 11).fills;
    expect(a!.stock.solidsKg - a0!.stock.solidsKg).toBeCloseTo(0.2, 6);
    expect(b!.stock.solidsKg - b0!.stock.solidsKg).toBeCloseTo(0.1, 6);
    const named = fold([...racked, on(10, 'addition', { ingredients: [sugar], vesselId: 'b' })], 11).fills;
    expect(named[1]!.stock.solidsKg - b0!.stock.solidsKg).toBeCloseTo(0.3, 6);
  });

  it('two jars are bottled one by one', () => {
    const events = [
      ...start(),
      on(8, 'fruit-out', { press: 'drip' }),
      on(9, 'transfer', {
        from: 'bucket',
        to: [
          { vesselId: 'a', volumeL: 6 },
          { vesselId: 'b', volumeL: 3 }
        ],
        lossL: 1
      }),
      on(90, 'bottle', { from: 'a', bottles: [{ count: 8, sizeL: 0.75, type: 'still' as const }] })
    ];
    expect(standingOf(fold(events, 91)).stage).not.toBe('bottled');
    expect(volumeOf(fold(events, 91))).toBeCloseTo(3, 3);
    events.push(on(91, 'bottle', { from: 'b', bottles: [{ count: 4, sizeL: 0.75, type: 'still' }] }));
    expect(standingOf(fold(events, 92)).stage).toBe('bottled');
  });

  it('what a wine has cost is paid in its bottles, over two evenings, sediment and all', () => {
    const [first, ...rest] = start();
    const priced = {
      ...first!,
      data: {
        ...(first!.data as { plan: object }),
        plan: { ...(first!.data as { plan: object }).plan, prices: { white: 1.2, bottle: 0.3 } }
      }
    } as unknown as LedgerEvent;
    const bottle = (day: number, count: number, emptied: boolean) =>
      on(day, 'bottle', { from: 'bucket', bottles: [{ count, sizeL: 0.75, type: 'still' }], emptied });
    const before = [priced, ...rest, on(8, 'fruit-out', { press: 'drip', volumeL: 10 })];
    const whole = fold(before, 89).cost;
    expect(whole).toBeGreaterThan(1);
    const s = fold([...before, bottle(90, 6, false), bottle(95, 7, true)], 96);
    const [one, two] = s.bottled;
    expect(one!.cost + two!.cost).toBeCloseTo(whole, 9);
    expect(one!.cost / whole).toBeCloseTo(0.45, 2);
    expect(bottleCost(one!, 0.75, 0.3)).toBeCloseTo((whole * 0.75) / 10 + 0.3, 2);
    // What was left in the bottom makes the second evening's dearer.
    expect(bottleCost(two!, 0.75, 0.3)).toBeGreaterThan(bottleCost(one!, 0.75, 0.3));
  });

  it('bottling empties the vessel', () => {
    const s = fold(
      [
        ...start(),
        on(8, 'fruit-out', { press: 'drip', volumeL: 10 }),
        on(90, 'bottle', { from: 'bucket', bottles: [{ count: 13, sizeL: 0.75, type: 'still' }] })
      ],
      91
    );
    expect(s.bottled[0]!.count).toBe(13);
    expect(s.fills).toEqual([]);
    expect(standingOf(s).abv.likely).toBeCloseTo(
      standingOf(fold([...start(), on(8, 'fruit-out', { press: 'drip', volumeL: 10 })], 90)).abv.likely,
      6
    );
    expect(standingOf(s).stage).toBe('bottled');
    // What is left to do is to taste it one day.
    expect(schedule(s).map((d) => d.step.id)).toEqual(['taste']);
  });
});

describe('correction, undo and merging', () => {
  it('a void takes an event back; voiding a void does nothing', () => {
    const wrong = on(3, 'reading', { sg: 1.001 });
    const undo = on(4, 'void', { eventId: wrong.id });
    const redo = on(5, 'void', { eventId: undo.id });
    const begun = start();
    const all = [...begun, wrong, undo, redo];
    expect(liveEvents(all).some((e) => e.id === wrong.id)).toBe(false);
    expect(fold(all, 6)).toEqual(fold(begun, 6));
  });

  it('the order of writing down makes no difference, and merging is a union', () => {
    const events = [
      ...start(),
      on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
      on(2, 'stir', {}),
      on(3, 'reading', { sg: 1.07 }, 6),
      on(5, 'reading', { sg: 1.04 }),
      on(6, 'addition', { ingredients: [{ kind: 'water', volumeL: 1 }] })
    ];
    const want = fold(events, 10);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(events, { minLength: events.length }),
        fc.integer({ min: 0, max: events.length }),
        (shuffled, cut) => {
          const merged = mergeLogs(shuffled.slice(0, cut + 1), shuffled.slice(Math.max(0, cut - 1)));
          expect(merged).toHaveLength(events.length);
          expect(mergeLogs(merged, shuffled)).toEqual(merged);
          expect(fold(merged, 10)).toEqual(want);
        }
      )
    );
  });

  it('refuses events that hold nonsense', () => {
    const good = on(1, 'reading', { sg: 1.05 });
    expect(eventSchema.safeParse(good).success).toBe(true);
    for (const bad of [
      { ...good, data: { sg: 2 } },
      { ...good, data: {} },
      { ...good, at: 'yesterday' },
      { ...good, id: '7' },
      { ...good, v: 2 },
      { ...good, type: 'sneeze' },
      { ...good, extra: 1 }
    ])
      expect(eventSchema.safeParse(bad).success).toBe(false);
  });
});

describe('where it stands', () => {
  it('is still only after three days of the same', () => {
    const base = [...start(), on(1, 'pitch', { yeast: { yeastId: 'wine' } })];
    const r = (days: [number, number][]) =>
      steadiness(fold([...base, ...days.map(([d, sg]) => on(d, 'reading', { sg }))], 100));
    expect(r([[30, 0.995]]).steady).toBe(false);
    expect(
      r([
        [30, 0.995],
        [32, 0.995]
      ]).steady
    ).toBe(false);
    expect(
      r([
        [30, 0.995],
        [33, 0.995]
      ]).steady
    ).toBe(true);
    expect(
      r([
        [30, 0.997],
        [33, 0.995]
      ]).steady
    ).toBe(false);
    expect(
      r([
        [20, 0.997],
        [30, 0.995],
        [34, 0.996]
      ]).days
    ).toBeCloseTo(4, 6);
  });

  it('1.000 with 12 % is not dry', () => {
    const s = fold(
      [
        ...start([
          { kind: 'produce', produceId: 'plum', massKg: 4 },
          { kind: 'sugar', sugarId: 'white', massKg: 2.5 },
          { kind: 'water', volumeL: 8 }
        ]),
        on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
        on(20, 'reading', { sg: 1.0 })
      ],
      21
    );
    const now = standingOf(s);
    expect(now.abv.likely).toBeGreaterThan(11);
    expect(now.residualGL).toBeGreaterThan(9);
    expect(now.sweetness).not.toBe('dry');
  });

  it('goes through its stages', () => {
    const events = start();
    expect(standingOf(fold(events, 1)).stage).toBe('must');
    events.push(on(1, 'pitch', { yeast: { yeastId: 'wine' } }));
    expect(standingOf(fold(events, 2)).stage).toBe('fermenting');
    events.push(on(8, 'transfer', { from: 'bucket', to: [{ vesselId: 'a', volumeL: 9 }], lossL: 1 }));
    expect(standingOf(fold(events, 9)).stage).toBe('in glass');
    events.push(on(40, 'transfer', { from: 'a', to: [{ vesselId: 'b', volumeL: 8.8 }], lossL: 0.2 }));
    expect(standingOf(fold(events, 41)).stage).toBe('clearing');
  });
});

describe('the schedule', () => {
  const due = (events: LedgerEvent[], day: number) =>
    Object.fromEntries(schedule(fold(events, day)).map((d) => [d.step.id, d]));

  it('holds yeast back until the sulphite has had its day and the enzyme its half', () => {
    const first = due(start(), 0.01);
    expect(first.campden!.status).toBe('due');
    expect(first.pitch!.status).toBe('coming');
    const powder = (day: number, additiveId: 'campden' | 'pectic-enzyme') =>
      on(day, 'addition', { ingredients: [{ kind: 'additive', additiveId, massKg: 0.001 }] });
    const treated = [...start(), powder(0.1, 'campden'), powder(0.7, 'pectic-enzyme')];
    expect(due(treated, 0.8).pitch!.dueAt).toBeCloseTo(at(1.2), -3);
    expect(due(treated, 3).pitch!.status).toBe('overdue');
  });

  it('stirring is a job of each civil day, until the fruit is out', () => {
    const events = [...start(), on(1, 'pitch', { yeast: { yeastId: 'wine' } }), on(2, 'stir', {})];
    expect(due(events, 2.1).stir!.status).toBe('coming');
    expect(due(events, 3).stir!.status).toBe('due');
    expect(due([...events, on(8, 'fruit-out', { press: 'drip' })], 9).stir).toBeUndefined();
  });

  it('a step waits for the one before it, however late', () => {
    const events = [...start(), on(1, 'pitch', { yeast: { yeastId: 'wine' } })];
    const late = due(events, 30);
    expect(late['fruit-out']!.status).toBe('overdue');
    expect(late['rack-1']!.status).toBe('coming');
    expect(late['rack-1']!.after!.id).toBe('fruit-out');
  });

  it('a skipped step is done with, a snoozed one comes back', () => {
    const events = [...start(), on(1, 'pitch', { yeast: { yeastId: 'wine' } })];
    expect(
      due([...events, on(8, 'step', { step: 'fruit-out', outcome: 'skipped' })], 9)['fruit-out']
    ).toBeUndefined();
    const put = [
      ...events,
      on(8, 'step', { step: 'fruit-out', outcome: 'snoozed', until: new Date(at(10)).toISOString() })
    ];
    expect(due(put, 9)['fruit-out']!.status).toBe('coming');
    expect(due(put, 10.5)['fruit-out']!.status).not.toBe('coming');
  });

  it('a day is the civil day of its zone', () => {
    const late = Date.parse('2026-05-01T23:30:00Z');
    expect(civilDay(late, 'UTC')).toBe('2026-05-01');
    expect(civilDay(late, 'Europe/Lisbon')).toBe('2026-05-02');
    expect(civilDay(late, 'America/New_York')).toBe('2026-05-01');
  });
});

describe('strength by the formula that was chosen', () => {
  it('is the ledger’s unless the plan says otherwise; the two habits are 2.9 % apart', () => {
    const events = [
      ...start(),
      on(2, 'reading', { sg: 1.09 }),
      on(2.1, 'pitch', { yeast: {} }),
      on(20, 'reading', { sg: 1.0 })
    ];
    const s = fold(events, 21);
    const now = standingOf(s);
    const by = (alcohol?: 'ledger' | '131' | '135') =>
      chosenAbv({ plan: { ...s.plan, ...(alcohol ? { alcohol } : {}) } }, now);
    expect(by()).toBe(now.abv.likely);
    expect(by('131')).toBe(now.classroom);
    expect(by('135') / by('131')).toBeCloseTo(135 / 131.25, 9);
    // Nothing read: there is no classroom sum to show.
    const unread = standingOf(fold(start(), 5));
    expect(chosenAbv({ plan: { ...s.plan, alcohol: '135' } }, unread)).toBe(unread.abv.likely);
  });
});
