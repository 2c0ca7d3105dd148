import { describe, expect, it } from 'vitest';
import { courseOf } from '../../belief/course';
import { standingOf } from '../../belief/standing';
import { DAY, eventsFrom } from '../../ledger/events.fixture';
import type { LedgerEvent } from '../../ledger/log';
import { foldBatch } from '../../ledger/run';
import { stockAt } from '../../liquid/stock';
import type { Ingredient } from '../../plan/plan';
import { RUNG_IDS, type StepId } from '../../tables/step-id';
import { doStep } from '../do-step';
import { schedule } from '../schedule';
import { STEPS } from '../table/all';
import { troublesOf, TROUBLES, type TroubleId } from './all';
import { TROUBLE_WORDS } from './words';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const on = eventsFrom(T0);
const { solidsKg, waterKg } = stockAt(10, 1.085);
const MUST: Ingredient[] = [
  { kind: 'sugar', sugarId: 'white', massKg: solidsKg },
  { kind: 'water', volumeL: waterKg / 0.9982 },
  { kind: 'additive', additiveId: 'nutrient', massKg: 0.008 }
];
const begun = (): LedgerEvent[] => [
  on(0, 'planned', { name: 'Mead', plan: { ingredients: MUST, yeast: { yeastId: 'wine' } }, vesselId: 'b' }),
  on(0, 'addition', { ingredients: MUST }),
  on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5, how: 'dry' })
];
const read = (day: number, sg: number, tempC = 20) => on(day, 'reading', { sg, tempC });
const stateAt = (events: LedgerEvent[], day: number) => foldBatch(events, T0 + day * DAY)!;
const troubles = (events: LedgerEvent[], day: number) => {
  const s = stateAt(events, day);
  return troublesOf(s, standingOf(s).belief);
};
const ids = (events: LedgerEvent[], day: number) => troubles(events, day).map((t) => t.id);
const nextOf = (events: LedgerEvent[], day: number) => troubles(events, day)[0]?.next?.step ?? null;

/** What one tap of a step writes, as events. */
const tapped = (events: LedgerEvent[], day: number, step: StepId): LedgerEvent[] =>
  doStep(stateAt(events, day), step).map((d) => on(day, d.type, d.data as never));

describe('a must that does not begin', () => {
  const asleep = [...begun(), read(1.1, 1.085, 15), read(3.2, 1.085, 14)];
  it('is told two days after the yeast, once somebody looked; and not to who never does', () => {
    expect(ids(asleep, 2.9)).toEqual([]);
    expect(ids(asleep, 3.3)).toEqual(['not-begun']);
    expect(ids(begun(), 3.3)).toEqual([]);
    expect(ids([...begun(), read(3.2, 1.071)], 3.3)).toEqual([]);
  });
  it('is helped one rung at a time, each seen to be done by what was written', () => {
    const log = [...asleep];
    expect(nextOf(log, 3.3)).toBe('warm');
    // A tick of cold comfort: it is as cold as before.
    log.push(on(3.4, 'observation', { tempC: 14 }));
    expect(nextOf(log, 3.5)).toBe('warm');
    log.push(on(3.6, 'observation', { tempC: 22 }));
    expect(nextOf(log, 3.7)).toBe('air');
    log.push(...tapped(log, 3.8, 'air'));
    expect(nextOf(log, 3.9)).toBe('food');
    // What went in is its doing; a tick is not.
    expect(nextOf([...log, on(3.95, 'step', { step: 'food', outcome: 'done' })], 4)).toBe('food');
    log.push(...tapped(log, 4, 'food'));
    expect(nextOf(log, 4.1)).toBe('fresh-yeast');
    log.push(...tapped(log, 5, 'fresh-yeast'));
    expect(troubles(log, 5.1)[0]).toMatchObject({ id: 'not-begun', next: null });
    expect(ids([...log, read(6, 1.07)], 6.1)).toEqual([]);
  });
  it('its next rung is a job like any other, and can be put off', () => {
    const s = stateAt(asleep, 3.3);
    const found = troublesOf(s, standingOf(s).belief);
    expect(schedule(s, null, found).find((d) => d.step.id === 'warm')).toMatchObject({ status: 'due' });
    const later = [
      ...asleep,
      on(3.3, 'step', {
        step: 'warm',
        outcome: 'snoozed',
        until: new Date(T0 + 5 * DAY).toISOString()
      })
    ];
    const then = stateAt(later, 3.4);
    const due = schedule(then, null, troublesOf(then, standingOf(then).belief));
    expect(due.find((d) => d.step.id === 'warm')).toMatchObject({ status: 'coming' });
  });
});

describe('a wine that stands still with sugar left', () => {
  const stuck = [
    ...begun(),
    read(1.1, 1.085),
    read(5, 1.052),
    read(8, 1.022),
    read(12, 1.018, 15),
    read(16, 1.018, 15)
  ];
  it('climbs its ladder, and gives up at the top of it', () => {
    const log = [...stuck];
    expect(troubles(log, 16.1)[0]).toMatchObject({ id: 'stuck' });
    const climbed: (string | null)[] = [];
    let day = 16.1;
    for (let k = 0; k < 9; k++) {
      const next = nextOf(log, day);
      climbed.push(next);
      if (!next) break;
      if (next === 'warm') log.push(on(day, 'observation', { tempC: 22 }), read(day + 3, 1.018, 22));
      else log.push(...tapped(log, day, next as StepId), read(day + 3, 1.018, 22));
      day += 8;
    }
    // Two thirds of its sugar are gone: food is past its time.
    expect(climbed).toEqual(['warm', 'hulls', 'build-up', 'fresh-yeast', 'fresh-yeast', null]);
    // What falls again is no longer stuck.
    expect(ids([...log, read(day + 1, 1.01, 22), read(day + 4, 1.001, 22)], day + 4.1)).toEqual(['woke']);
  });
  it('a reading on the same day is no second reading', () => {
    const log = [...begun(), read(1.1, 1.085), read(5, 1.052), read(9, 1.024), read(9.2, 1.024)];
    const found = troubles(log, 9.3).find((t) => t.id === 'stuck');
    if (found) expect(found.next!.step).toBe('read-again');
  });
  it('stabilised on purpose it is in no trouble', () => {
    const held = [
      ...stuck,
      on(17, 'addition', {
        ingredients: [
          { kind: 'additive', additiveId: 'metabisulphite', massKg: 0.0008 },
          { kind: 'additive', additiveId: 'sorbate', massKg: 0.003 }
        ]
      })
    ];
    expect(ids(held, 18)).toEqual([]);
  });
});

describe('what is seen and smelt', () => {
  const early = [...begun(), read(1.1, 1.085), read(3, 1.068)];
  const late = [
    ...early,
    read(9, 1.01),
    on(12, 'transfer', { from: 'b', to: [{ vesselId: 'j', volumeL: 9.5 }], lossL: 0.3 })
  ];
  const look = (day: number, data: object) => on(day, 'observation', data);
  it('eggs: stirred and fed while it is young, racked with a splash when it is not', () => {
    expect(nextOf([...early, look(3.1, { smell: 'eggs' })], 3.2)).toBe('air');
    const old = [...late, look(14, { smell: 'eggs' })];
    expect(nextOf(old, 14.1)).toBe('splash');
    expect(ids([...old, look(20, { smell: 'clean' })], 20.1)).not.toContain('eggs');
  });
  it('foam: over in a few days, and moving some of it is no racking', () => {
    const log = [...early, look(3.1, { foam: 'over' })];
    expect(nextOf(log, 3.2)).toBe('make-room');
    log.push(on(3.3, 'transfer', { from: 'b', to: [{ vesselId: 'j', volumeL: 3 }], lossL: 0 }));
    expect(nextOf(log, 3.4)).toBe('cool');
    const s = stateAt(log, 3.4);
    expect(s.rackings).toEqual([]);
    expect(standingOf(s).stage).toBe('fermenting');
    expect(ids(log, 8)).toEqual([]);
  });
  it('mould and vinegar are grave, and no rung leads out of mould', () => {
    expect(troubles([...late, look(40, { surface: 'mould' })], 40.1)[0]).toMatchObject({
      id: 'mould',
      isGrave: true,
      next: null,
      ladder: []
    });
    expect(troubles([...late, look(40, { smell: 'vinegar' })], 40.1)[0]).toMatchObject({ isGrave: true });
  });
  it('a film: sulphite given long ago is none given now, and topping up with wine is topping up', () => {
    const sulphited = (day: number, additiveId: 'campden' | 'metabisulphite') =>
      on(day, 'addition', { ingredients: [{ kind: 'additive', additiveId, massKg: 0.0005 }] });
    const log = [...late, sulphited(0.1, 'campden'), look(40, { surface: 'film' })];
    expect(nextOf(log, 40.1)).toBe('sulphite');
    log.push(sulphited(40.2, 'metabisulphite'));
    expect(nextOf(log, 40.3)).toBe('cover');
    const ingredient = { kind: 'wine' as const, volumeL: 0.3, abv: 12, sg: 0.995, taGL: 6, ph: 3.4 };
    log.push(on(40.4, 'top-up', { vesselId: 'j', ingredient }));
    expect(nextOf(log, 40.5)).toBe('splash');
  });
  it('haze: only long after it ended and was racked', () => {
    const dry = [...late, read(30, 0.99), read(60, 0.99)];
    expect(ids([...dry, look(20, { clarity: 'cloudy' })], 20.1)).not.toContain('haze');
    const hazy = [...dry, look(90, { clarity: 'hazy' })];
    expect(ids(hazy, 90.1)).toContain('haze');
    // Nothing in it: the test and the enzyme are skipped, and bentonite is left.
    hazy.push(
      on(90.2, 'step', { step: 'spirit-test', outcome: 'skipped' }),
      on(90.2, 'step', { step: 'late-enzyme', outcome: 'skipped' })
    );
    expect(troubles(hazy, 91).find((t) => t.id === 'haze')!.next!.step).toBe('fine');
  });
});

it('every rung of every ladder is a step that can be written down', () => {
  const used = new Set<StepId>();
  for (const [id, { rungs }] of Object.entries(TROUBLES)) {
    expect(TROUBLE_WORDS[id as TroubleId].giveUp.length).toBeGreaterThan(20);
    for (const { step } of rungs) {
      used.add(step);
      expect(STEPS[step].inPlan, step).toBeUndefined();
    }
  }
  expect([...used].sort()).toEqual([...RUNG_IDS].sort());
});

describe('the wine’s own pace sets its jobs', () => {
  const due = (events: LedgerEvent[], day: number, step: StepId) => {
    const s = stateAt(events, day);
    return schedule(s, courseOf(s)).find((d) => d.step.id === step)!;
  };
  it('into glass once it has quietened, sooner for a fast one and later for a slow one', () => {
    const fast = due([...begun(), read(1.1, 1.085), read(3, 1.05), read(4, 1.03)], 4.1, 'rack-1');
    const slow = due([...begun(), read(1.1, 1.085), read(6, 1.075), read(10, 1.064)], 10.1, 'rack-1');
    expect((fast.dueAt - T0) / DAY).toBeLessThan(8);
    expect((slow.dueAt - T0) / DAY).toBeGreaterThan(11);
    expect(slow.lateAt).toBeGreaterThan(fast.lateAt);
    const quiet = due([...begun(), read(1.1, 1.085), read(5, 1.02), read(7, 1.006)], 7.1, 'rack-1');
    expect(quiet.status).toBe('due');
  });
  it('fruit comes out when the cap has fallen, though its days are not over', () => {
    const FRUIT: Ingredient[] = [
      { kind: 'produce', produceId: 'elderberry', massKg: 4 },
      { kind: 'sugar', sugarId: 'white', massKg: 1.6 },
      { kind: 'water', volumeL: 9 }
    ];
    const fruity = [
      on(0, 'planned', {
        name: 'E',
        plan: { ingredients: FRUIT, yeast: { yeastId: 'wine' } },
        vesselId: 'b'
      }),
      on(0, 'addition', { ingredients: FRUIT }),
      on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5, how: 'dry' }),
      read(1.1, 1.075)
    ];
    const usual = due(fruity, 1.2, 'fruit-out');
    const fast = due([...fruity, read(4, 1.016), read(4.6, 1.008)], 4.7, 'fruit-out');
    expect(fast.dueAt).toBeLessThan(usual.dueAt);
    expect(fast.dueAt).toBeGreaterThanOrEqual(T0 + 4 * DAY);
  });
  it('no bottle is asked for before it is done', () => {
    const racked = [
      ...begun(),
      read(1.1, 1.085),
      read(20, 1.05, 12),
      on(30, 'transfer', { from: 'b', to: [{ vesselId: 'j', volumeL: 9.5 }], lossL: 0.3 }),
      on(60, 'transfer', { from: 'j', to: [{ vesselId: 'k', volumeL: 9 }], lossL: 0.2 }),
      read(118, 1.034, 12)
    ];
    const s = stateAt(racked, 119);
    const course = courseOf(s)!;
    expect(due(racked, 119, 'bottle').dueAt).toBeGreaterThan(course.doneAt?.low ?? T0 + 118 * DAY);
  });
});
