import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { courseOf } from '../belief/course';
import { emptyOut } from '../commands/move';
import { putOff, tick } from '../commands/tick';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import type { LedgerEvent } from '../ledger/log';
import { foldBatch } from '../ledger/run';
import { volumeOf } from '../ledger/state';
import type { Plan } from '../plan/plan';
import { STEP_IDS, type StepId } from '../tables/step-id';
import { VESSEL_PRESETS } from '../vessels/vessels';
import { whileAway, putOffAll } from './away';
import { schedule, type Due } from './schedule';
import { stepsOf } from './steps';
import { STEPS } from './table/all';
import { noRoom } from './no-room';
import { silentSince } from './silent';
import { inOrder, outingOf } from './walk';

const T0 = Date.parse('2026-06-01T08:00:00Z');
const on = eventsFrom(T0);
const PLUM = (more: Partial<Plan> = {}): Plan => ({
  ingredients: [
    { kind: 'produce', produceId: 'plum', massKg: 4 },
    { kind: 'sugar', sugarId: 'white', massKg: 2 },
    { kind: 'water', volumeL: 6 }
  ],
  ...more
});
const begun = (plan: Plan): LedgerEvent[] => [
  on(0, 'planned', { name: 'Plum', plan, vesselId: 'bucket-15' }),
  on(0, 'addition', { ingredients: plan.ingredients, vesselId: 'bucket-15' })
];
const at = (events: LedgerEvent[], day: number) => foldBatch(events, T0 + day * DAY)!;
const dueIn = (due: readonly Due[], id: StepId) => due.find((d) => d.step.id === id);
const write = (day: number, d: ReturnType<typeof tick>[number]) => on(day, 'step', d.data as never);

describe('a wine nobody writes of', () => {
  const log = [...begun(PLUM()), on(1, 'pitch', { yeast: { yeastId: 'wine' } }), on(7, 'stir', {})];
  const silent = (events: LedgerEvent[], day: number) => {
    const s = at(events, day);
    return silentSince(s, schedule(s), s.at);
  };

  it('is asked after when it is long late, until somebody writes of it again, or it is gone', () => {
    expect(silent(log, 40)).toBeNull();
    expect(silent(log, 150)).toBe(T0 + 7 * DAY);
    expect(silent([...log, on(150, 'note', { text: 'Still there.' })], 151)).toBeNull();
    const gone = emptyOut(at(log, 150), 'poured-away').map((d) => on(150, 'loss', d.data as never));
    expect(silent([...log, ...gone], 300)).toBeNull();
    expect(at([...log, ...gone], 300).fills).toEqual([]);
  });
  it('is left in peace while nothing of it is late', () => {
    const s = at(log, 150);
    expect(silentSince(s, [{ lateAt: s.at - 10 * DAY }], s.at)).toBeNull();
    expect(silentSince(s, [], s.at)).toBeNull();
  });
});

describe('the schedule as constraints', () => {
  /** A brute reference: when a step is due by its waits alone, without what the wine's own pace says. */
  const reference = (plan: Plan, doneDay: Map<StepId, number>, putOffDay: Map<StepId, number>) => {
    const steps = stepsOf(plan);
    const dueDay = (id: StepId): number => {
      const done = doneDay.get(id);
      if (done !== undefined) return done;
      const step = steps.find((s) => s.id === id)!;
      return Math.max(0, putOffDay.get(id) ?? 0, ...step.waits.map((w) => dueDay(w.step) + w.minH / 24));
    };
    return new Map(steps.map((s) => [s.id, dueDay(s.id)]));
  };
  const PLANS = fc.record({
    wildYeast: fc.constantFrom('sulphite', 'heat'),
    sugar: fc.constantFrom('start', 'halves', 'steps', 'strained'),
    clearing: fc.constantFrom('time', 'finings', 'cold'),
    finish: fc.constantFrom('dry', 'stabilise', 'heat'),
    fruitFor: fc.constantFrom('three', 'five', 'seven', 'ten'),
    stirring: fc.constantFrom('daily', 'shut')
  }) as fc.Arbitrary<Partial<Plan>>;

  it('no step before its wait, none lost, and what is put off moves only what hangs on it', () => {
    fc.assert(
      fc.property(
        PLANS,
        fc.array(
          fc.tuple(
            fc.constantFrom<StepId>(
              'campden',
              'enzyme',
              'fruit-out',
              'finings',
              'rack-2',
              'bottle',
              'stabilise'
            ),
            fc.integer({ min: 1, max: 90 })
          ),
          { maxLength: 4 }
        ),
        fc.integer({ min: 0, max: 20 }),
        (more, puts, day) => {
          const plan = PLUM(more);
          const steps = stepsOf(plan);
          const mine = puts.filter(([id]) => steps.some((s) => s.id === id));
          const events = [
            ...begun(plan),
            ...mine.map(([id, until], n) => write(day + n / 100, putOff('x', id, T0 + until * DAY)[0]!))
          ];
          const s = at(events, day + 1);
          const due = schedule(s);
          const want = reference(
            plan,
            new Map<StepId, number>([
              ['crush', 0],
              ['feed-1', 0],
              ['feed-2', 0]
            ]),
            new Map(mine)
          );
          for (const step of steps) {
            // All of the sugar went in on the first day.
            if (step.id === 'crush' || step.id.startsWith('feed') || STEPS[step.id].isOver?.(s)) continue;
            const found = dueIn(due, step.id);
            // None is lost: nothing was done yet.
            expect(found, step.id).toBeDefined();
            if (step.everyH) continue;
            // What waits for something overdue comes after today; else all is by its waits alone.
            const isLate = (id: StepId): boolean =>
              steps
                .find((x) => x.id === id)!
                .waits.some((w) => w.step !== 'crush' && (want.get(w.step)! < day + 1 || isLate(w.step)));
            const foundDay = (found!.dueAt - T0) / DAY;
            if (isLate(step.id)) expect(foundDay, step.id).toBeGreaterThan(want.get(step.id)! - 1e-6);
            else expect(foundDay, step.id).toBeCloseTo(want.get(step.id)!, 6);
            expect(found!.lateAt).toBeGreaterThanOrEqual(found!.dueAt);
          }
        }
      ),
      { numRuns: 150 }
    );
  });

  it('fruit stays in for the days that were chosen, or until the stem says 1.000', () => {
    const pitched = (plan: Plan) => [
      ...begun(plan),
      on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 })
    ];
    for (const [fruitFor, days] of [
      ['three', 3],
      ['ten', 10]
    ] as const) {
      const s = at(pitched(PLUM({ fruitFor })), 2);
      expect((dueIn(schedule(s, courseOf(s)), 'fruit-out')!.dueAt - T0) / DAY).toBeCloseTo(1 + days, 3);
    }
    const dry = pitched(PLUM({ fruitFor: 'dry' }));
    const early = at(dry, 3);
    const foreseen = dueIn(schedule(early, courseOf(early)), 'fruit-out')!;
    expect(foreseen.dueAt).toBeGreaterThan(courseOf(early)!.quietAt!.likely - DAY);
    expect(foreseen.step.how).toContain('1.000');
    const read = at([...dry, on(6, 'reading', { sg: 0.999 })], 6.1);
    expect(dueIn(schedule(read, courseOf(read)), 'fruit-out')!.status).toBe('due');
  });

  it('what is split for foam is no racking, and one of two that is racked leaves the other to be racked', () => {
    const events = [
      ...begun(PLUM()),
      on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 }),
      on(3, 'transfer', {
        from: 'bucket-15',
        to: [{ vesselId: 'bucket-10', volumeL: 3 }],
        lossL: 0,
        emptied: false
      })
    ];
    expect(dueIn(schedule(at(events, 3.1)), 'rack-1')).toBeDefined();
    // Put together again days later: no racking either.
    const joined = [
      ...events,
      on(5, 'transfer', { from: 'bucket-10', to: [{ vesselId: 'bucket-15', volumeL: 3 }], lossL: 0 })
    ];
    expect(at(joined, 5.1).rackings).toEqual([]);
    expect(at(joined, 5.1).fills).toHaveLength(1);
    // One of the two into glass: the other still wants it, and neither counts for the second racking.
    const one = [
      ...events,
      on(8, 'transfer', { from: 'bucket-10', to: [{ vesselId: 'jar-us', volumeL: 2.8 }], lossL: 0.2 })
    ];
    expect(dueIn(schedule(at(one, 8.1)), 'rack-1')).toBeDefined();
    const both = [
      ...one,
      on(8.2, 'transfer', {
        from: 'bucket-15',
        to: [{ vesselId: 'jar-10', volumeL: volumeOf(at(one, 8.1)) - 3.3 }],
        lossL: 0.5
      })
    ];
    const s = at(both, 8.3);
    expect(s.rackings).toHaveLength(2);
    expect(dueIn(schedule(s), 'rack-1')).toBeUndefined();
    expect(dueIn(schedule(s), 'rack-2')).toBeDefined();
    // Two jars into one, off their lees: that is the second racking of both.
    const again = [
      ...both,
      on(45, 'transfer', { from: 'jar-us', to: [{ vesselId: 'carboy-11', volumeL: 2.6 }], lossL: 0.2 }),
      on(45, 'transfer', {
        from: 'jar-10',
        to: [{ vesselId: 'carboy-11', volumeL: 5 }],
        lossL: 0.5,
        emptied: true
      })
    ];
    expect(dueIn(schedule(at(again, 45.1)), 'rack-2')).toBeUndefined();
  });
});

describe('a walk', () => {
  const due = (...ids: StepId[]): Due[] =>
    ids.map((id) => ({
      step: { id, title: id, short: id, how: '', waits: [] },
      dueAt: T0,
      lateAt: T0,
      status: 'due',
      why: '',
      after: null
    }));
  it('says how long it takes, what is taken along, and cleans once', () => {
    const one = outingOf(due('stir'));
    const both = outingOf(due('stir', 'stir', 'rack-2'));
    expect(both.minutes).toBe(one.minutes + STEPS.stir.chore.minutes + STEPS['rack-2'].chore.minutes);
    expect(both.takes).toEqual([...STEPS.stir.chore.takes, ...STEPS['rack-2'].chore.takes]);
    expect(outingOf([])).toMatchObject({ jobs: 0, minutes: 0, takes: [], isClean: false });
    // A bottling is no part of a walk's minutes.
    const evening = outingOf(due('stir', 'bottle'));
    expect(evening.minutes).toBe(one.minutes);
    expect([...evening.evenings]).toEqual([['bottle', 1]]);
  });
  it('goes to what is dangerous first, then as the vessels stand', () => {
    const stop = (id: string, vesselId: string, isDanger = false) => ({
      id,
      isDanger,
      due: [],
      state: { fills: [{ vesselId }] as never }
    });
    const stops = [stop('a', 'v3'), stop('b', 'v1'), stop('c', 'new'), stop('d', 'v2', true)];
    expect(inOrder(stops, ['v1', 'v2', 'v3']).map((x) => x.id)).toEqual(['d', 'b', 'a', 'c']);
  });
  it('every step says what it takes, what waiting costs, and what to look for', () => {
    for (const [id, { chore }] of Object.entries(STEPS)) {
      expect(chore.minutes, id).toBeGreaterThan(0);
      expect(chore.takes.length, id).toBeGreaterThan(0);
      for (const text of [chore.ifLate, chore.lookFor]) expect(text.length, id).toBeGreaterThan(20);
    }
  });
  it('knows that no jar is free, and when one is', () => {
    const s = at(
      [
        ...begun(PLUM()),
        on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
        on(7, 'fruit-out', { press: 'drip' })
      ],
      8
    );
    const rack = dueIn(schedule(s), 'rack-1')!;
    const vessel = (id: string) => VESSEL_PRESETS.find((v) => v.id === id)!;
    const jars = [{ vessel: vessel('jar-10'), freeAt: rack.dueAt + 9 * DAY }];
    expect(noRoom(s, rack, [{ vessel: vessel('jar-10'), freeAt: null }])).toBeNull();
    expect(noRoom(s, rack, jars)).toEqual({ vesselId: 'jar-10', freeAt: rack.dueAt + 9 * DAY });
    expect(noRoom(s, dueIn(schedule(s), 'read')!, jars)).toBeNull();
  });
});

describe('away', () => {
  const events = [
    ...begun(PLUM()),
    on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 }),
    on(1, 'stir', {})
  ];
  const stands = (es: LedgerEvent[], day: number) => {
    const s = at(es, day);
    return [{ id: s.id, state: s, due: schedule(s, courseOf(s)) }];
  };
  it('hands over the stirring and what falls in between, puts off what can wait, and names what is done before', () => {
    const list = whileAway(stands(events, 2), T0 + 2.5 * DAY, T0 + 9 * DAY);
    const how = (id: StepId) => list.find((x) => x.step.id === id)?.how;
    expect(how('stir')).toBe('hand-over');
    expect(list.find((x) => x.step.id === 'stir')!.times).toBeGreaterThanOrEqual(6);
    expect(how('read')).toBe('waits');
    expect(list.every((x) => x.ifLate.length > 10)).toBe(true);
    expect(how('bottle')).toBeUndefined();
  });
  it('what was put off is due when one is back, and nothing that can wait is asked for before', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 80 }), fc.integer({ min: 2, max: 40 }), (day, long) => {
        const [leaves, returns] = [T0 + day * DAY, T0 + (day + long) * DAY];
        const list = whileAway(stands(events, day), leaves, returns);
        const deed = putOffAll(list, returns);
        const after = [...events, ...deed.map((d) => write(day, d as never))];
        const s = at(after, day + 0.01);
        for (const x of list.filter((y) => y.how === 'waits'))
          expect(dueIn(schedule(s, courseOf(s)), x.step.id)!.dueAt).toBeGreaterThanOrEqual(returns);
        for (const id of STEP_IDS)
          if (!list.some((x) => x.step.id === id && x.how === 'waits'))
            expect(s.steps.some((x) => x.step === id)).toBe(false);
      }),
      { numRuns: 20 }
    );
  });
});

describe('steps that wait for one another', () => {
  it('are not all for one day: parts of the nutrient, overdue, come a day apart', () => {
    const log = [...begun(PLUM()), on(1, 'pitch', { yeast: { yeastId: 'wine' } })];
    const s = at(log, 4);
    const parts = schedule(s)
      .filter((d) => d.step.id.startsWith('nutrient'))
      .map((d) => Math.round((d.dueAt - s.at) / (DAY / 24)));
    expect(parts.length).toBeGreaterThan(2);
    for (let i = 2; i < parts.length; i++) expect(parts[i]! - parts[i - 1]!).toBeGreaterThanOrEqual(20);
  });
  it('a powder that waits some hours for another is not for now', () => {
    const log = [...begun(PLUM({ wildYeast: 'sulphite', powders: 'sequence' }))];
    const put = on(0.1, 'addition', {
      ingredients: [{ kind: 'additive', additiveId: 'campden', massKg: 0.00132 }]
    });
    const enzyme = (day: number) => dueIn(schedule(at([...log, put], day)), 'enzyme')!.status;
    expect(enzyme(0.2)).toBe('coming');
    expect(enzyme(0.1 + 12.5 / 24)).not.toBe('coming');
  });
});

describe('fruit that goes into the glass', () => {
  it('comes out again: a week later it is due', () => {
    const racked = on(9, 'transfer', {
      from: 'bucket-15',
      to: [{ vesselId: 'jar', volumeL: 8 }],
      lossL: 0.5,
      emptied: true
    });
    const log = [
      ...begun(PLUM()),
      on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
      on(8, 'fruit-out', { press: 'drip' }),
      racked
    ];
    const more = on(30, 'addition', {
      ingredients: [{ kind: 'produce', produceId: 'raspberry', massKg: 1 }],
      vesselId: 'jar'
    });
    expect(dueIn(schedule(at(log, 32)), 'fruit-out')).toBeUndefined();
    const due = dueIn(schedule(at([...log, more], 32)), 'fruit-out')!;
    expect((due.dueAt - T0) / DAY).toBeCloseTo(37, 3);
    const out = on(38, 'fruit-out', { press: 'drip' });
    expect(dueIn(schedule(at([...log, more, out], 39)), 'fruit-out')).toBeUndefined();
  });
});
