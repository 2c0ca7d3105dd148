import { describe, expect, it } from 'vitest';
import type { Ingredient, Plan } from '../plan/plan';
import { formOf } from '../steps/do-step';
import { schedule } from '../steps/schedule';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import type { LedgerEvent } from '../ledger/log';
import { asBlended } from '../ledger/fill';
import { lastReadAt } from '../ledger/last-read';
import { foldBatch } from '../ledger/run';
import { checkBottling } from '../finish/judge';
import { saysOf } from './says';
import { standingOf } from './standing';

const T0 = Date.parse('2026-03-01T09:00:00Z');
const on = eventsFrom(T0);
const MUST: Ingredient[] = [
  { kind: 'sugar', sugarId: 'white', massKg: 2 },
  { kind: 'juice', produceId: 'apple', volumeL: 2 },
  { kind: 'water', volumeL: 7 }
];
const plan: Plan = { ingredients: MUST, yeast: { yeastId: 'wine' } };
const begun = [
  on(0, 'planned', { name: 'x', plan, vesselId: 'b' }),
  on(0, 'addition', { ingredients: MUST, vesselId: 'b' })
];
const pitched = [...begun, on(1, 'pitch', { yeast: { yeastId: 'wine' } })];
const rack = on(20, 'transfer', { from: 'b', to: [{ vesselId: 'j', volumeL: 9 }], lossL: 0.6 });
const at = (events: LedgerEvent[], day: number) => {
  const s = foldBatch(events, T0 + day * DAY)!;
  return saysOf(s, standingOf(s));
};
const split = on(20, 'transfer', {
  from: 'b',
  to: [
    { vesselId: 'j', volumeL: 5 },
    { vesselId: 'k', volumeL: 4 }
  ],
  lossL: 0.6
});
const read = (day: number, sg: number, vesselId?: string) =>
  on(day, 'reading', { sg, ...(vesselId ? { vesselId } : {}) });
const dry = [...pitched, read(18, 0.992), rack, read(30, 0.988, 'j'), read(36, 0.988, 'j')];
const stable = on(40, 'addition', {
  ingredients: [
    { kind: 'additive', additiveId: 'metabisulphite', massKg: 0.0006 },
    { kind: 'additive', additiveId: 'sorbate', massKg: 0.0027 }
  ],
  vesselId: 'j'
});
const sweet = on(42, 'addition', {
  ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.2 }],
  vesselId: 'j'
});
const bottle = (count: number) =>
  on(50, 'bottle', { from: 'j', bottles: [{ count, sizeL: 0.75, type: 'still' }] });

describe('what is said of a batch, stage by stage', () => {
  it('before the yeast: the sums, and no strength', () => {
    expect(at(begun, 0.5)).toMatchObject({ reading: 'sums', hasStrength: false, isStable: false });
  });
  it('pitched and never read: nobody knows, what it could hold, and no course', () => {
    for (const day of [4, 14, 44, 90]) {
      const says = at(pitched, day);
      expect(says).toMatchObject({ reading: 'never', hasStrength: false });
      expect(says.potentialAbv).toBeGreaterThan(10);
    }
    expect(at([...pitched, rack], 60).reading).toBe('never');
  });
  it('split, and one jar of two read: no strength of both together, until the other is read', () => {
    const one = [...pitched, split, read(40, 0.992, 'j'), read(45, 0.992, 'j')];
    expect(at(one, 46)).toMatchObject({
      reading: 'read',
      unreadIds: ['k'],
      hasStrength: false,
      notDry: false
    });
    expect(at([...one, read(46, 0.994, 'k')], 47)).toMatchObject({ unreadIds: [], hasStrength: true });
    // Read before it was split, each jar is known.
    expect(at([...pitched, read(18, 0.992), split, read(40, 0.992, 'j')], 46).unreadIds).toEqual([]);
  });
  it('a reading tells of today for three days, and of its own day ever after', () => {
    expect(at(begun, 5).lastRead).toBeNull();
    const one = [...pitched, read(6, 1.04)];
    expect(at(one, 8).lastRead).toEqual({ at: T0 + 6 * DAY, before: null, isFresh: true });
    expect(at(one, 10).lastRead).toEqual({ at: T0 + 6 * DAY, before: null, isFresh: false });
  });
  it('jars that read apart are told each, and those that read to the same point as one', () => {
    const two = (k: number) => at([...pitched, split, read(30, 1.012, 'j'), read(31, k, 'k')], 32).unlike;
    expect(two(1.004)).toMatchObject([
      { vesselId: 'j', sg: 1.012, at: T0 + 30 * DAY },
      { vesselId: 'k', sg: 1.004, at: T0 + 31 * DAY }
    ]);
    expect(two(1.011)).toEqual([]);
    expect(at([...pitched, split, read(30, 1.012, 'j')], 32).unlike).toEqual([]);
  });
  it('what was read before other wine went in is told as such, and its jar by itself', () => {
    const other = foldBatch([...pitched, read(18, 0.994)], T0 + 40 * DAY)!;
    const blend = (to: string) =>
      on(41, 'blend', {
        from: { batchId: '01900000-0000-7000-8000-0000000000b2', vesselId: 'x', name: 'Pear' },
        to,
        volumeL: 2,
        wine: { ...asBlended(other.fills[0]!, 0.2, []), allergens: [] }
      });
    const one = [...pitched, read(18, 0.996), rack, read(40, 0.994)];
    expect(at(one, 42).lastRead).toMatchObject({ before: null, isFresh: true });
    expect(at([...one, blend('j')], 42).lastRead).toMatchObject({ before: 'more', isFresh: false });
    expect(at([...one, blend('j'), read(43, 0.995)], 44).lastRead).toMatchObject({ before: null });
    // Of two jars the other's reading stands, and is told with its jar.
    const two = [...pitched, read(18, 1.02), split, read(40, 0.994, 'j'), blend('j')];
    const said = at(two, 42);
    expect(said.changedIds).toEqual(['j']);
    expect(said.unlike).toMatchObject([{ vesselId: 'k', sg: 1.02 }]);
    expect(at([...two, read(43, 0.995, 'j')], 44)).toMatchObject({ changedIds: [] });
    // So is juice into one jar, and two jars put together.
    const juice = on(41, 'addition', {
      ingredients: [{ kind: 'juice', produceId: 'apple', volumeL: 1 }],
      vesselId: 'j'
    });
    const parted = [...pitched, read(18, 1.02), split, read(40, 0.994, 'j'), read(40, 1.004, 'k')];
    expect(at([...parted, juice], 42)).toMatchObject({ changedIds: ['j'], unlike: [{ vesselId: 'k' }] });
    const sugar = on(41, 'addition', {
      ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.1 }],
      vesselId: 'j'
    });
    expect(at([...parted, sugar], 42)).toMatchObject({ changedIds: ['j'], lastRead: { before: null } });
    const together = on(41, 'transfer', {
      from: 'k',
      to: [{ vesselId: 'j', volumeL: 3.9 }],
      lossL: 0.1,
      emptied: true
    });
    expect(at([...parted, together], 41.5).lastRead).toMatchObject({ before: 'more', isFresh: false });
    // Two that read alike are together what each was.
    const alike = [...pitched, read(18, 1.02), split, read(40, 0.994, 'j'), read(40, 0.994, 'k'), together];
    expect(at(alike, 41.5).lastRead).toMatchObject({ before: null, isFresh: true });
  });
  it('of jars of which one is likely done, those that are not are named, and jars that go together are not', () => {
    const parted = [...pitched, read(18, 1.02), split];
    const apart = (j: number, k: number) =>
      at([...parted, read(30, j, 'j'), read(30, k, 'k'), read(36, j, 'j'), read(36, k - 0.001, 'k')], 40)
        .behind;
    expect(apart(0.989, 1.016)).toMatchObject([{ vesselId: 'k' }]);
    expect(apart(0.989, 1.016)[0]!.far.word).not.toBe('finished');
    expect(apart(0.989, 0.99)).toEqual([]);
    expect(at([...pitched, read(18, 0.99)], 20).behind).toEqual([]);
  });
  it('a wine falls from its own reading, not from that of its twin, nor across sugar', () => {
    const pace = (events: LedgerEvent[], day: number) => {
      const s = foldBatch(events, T0 + day * DAY)!;
      return standingOf(s).pointsPerDay;
    };
    const parted = [...pitched, read(18, 1.02), split, read(22, 1.012, 'j'), read(24, 1.004, 'k')];
    // k fell from 1.020 in the bowl, 6 days before; by j it would be 4 a day.
    expect(pace(parted, 25)).toBeCloseTo(16 / 6, 6);
    // Over a fortnight it fell fast, and then hardly.
    expect(pace([...pitched, read(8, 1.02), read(21, 0.996)], 21)).toBeNull();
    const fed = on(19, 'addition', {
      ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.5 }],
      vesselId: 'b'
    });
    expect(pace([...pitched, read(18, 1.002), fed, read(20, 1.02)], 21)).toBeNull();
  });
  it('a jar that nobody has read lately is not held against its twin', () => {
    const parted = [...pitched, read(18, 1.03), split];
    for (const day of [40, 60]) {
      const one = at([...parted, read(day, 1.014, 'j')], day + 0.1);
      expect([one.behind, one.sweetEach], `day ${day}`).toEqual([[], []]);
    }
    const both = at(
      [...parted, read(40, 1.014, 'j'), read(40, 0.99, 'k'), read(44, 1.014, 'j'), read(44, 0.99, 'k')],
      45
    );
    expect(both.behind.map((b) => b.vesselId)).toEqual(['j']);
    expect(both.sweetEach).toHaveLength(2);
  });
  it('what stood still weeks ago, and has likely gone on, is told as it is by now', () => {
    const still = [...pitched, read(12, 1.03), rack, read(40, 1.004), read(43, 1.003)];
    expect(at(still, 43.5).isCarriedOn).toBe(false);
    const [s, later] = [foldBatch(still, T0 + 120 * DAY)!, at(still, 120)];
    const moved = 1.003 - standingOf(s).belief!.sg.likely;
    expect(later.isCarriedOn).toBe(moved > 0.0015);
    expect(moved).toBeGreaterThan(0.0015);
    // At its end it stays as it was read, however long ago.
    expect(at(dry, 200)).toMatchObject({ isCarriedOn: false });
  });
  it('what was read before its sugar speaks no more of today, and what that does now is told', () => {
    const fed = on(35, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.3 }] });
    const before = [...pitched, read(20, 0.996)];
    expect(at([...before, on(21, 'stir', {})], 21)).toMatchObject({
      isCarriedOn: false,
      lastRead: { isFresh: true }
    });
    for (const day of [35.2, 38, 60])
      expect(at([...before, fed], day), `day ${day}`).toMatchObject({
        isCarriedOn: true,
        lastRead: { isFresh: false }
      });
  });
  it('read while it ferments: read, with its strength, on its course', () => {
    expect(at([...pitched, read(6, 1.04)], 7)).toMatchObject({
      reading: 'read',
      hasStrength: true,
      isOnCourse: true
    });
  });
  it('shown to be dry: no course any more', () => {
    expect(at(dry, 37)).toMatchObject({ reading: 'read', isOnCourse: false, notDry: false });
  });
  it('held by both it keeps its sugar for months; what is read to fall is held no more', () => {
    const told = (events: LedgerEvent[], day: number) => {
      const s = foldBatch(events, T0 + day * DAY)!;
      return { s, now: standingOf(s) };
    };
    const sweetened = [...dry, stable, sweet];
    const [soon, late] = [told(sweetened, 43).now, told(sweetened, 300).now];
    expect(late.abv.likely).toBeCloseTo(soon.abv.likely, 6);
    expect(late.residualGL).toBeCloseTo(soon.residualGL, 6);
    expect(late.residualGL).toBeGreaterThan(15);
    expect(late.belief!.chance.done).toBeCloseTo(1, 9);
    expect(late.belief!.chance.stalled).toBe(0);
    // One of the two holds nothing: then it may go on.
    const sulphite = on(40, 'addition', {
      ingredients: [{ kind: 'additive', additiveId: 'metabisulphite', massKg: 0.0006 }],
      vesselId: 'j'
    });
    const weak = [...dry, sulphite, sweet];
    expect(told(weak, 300).now.belief!.sugarGL.low).toBeLessThan(late.belief!.sugarGL.low / 2);
    // So is one that fresh yeast came to.
    const again = [...sweetened, on(50, 'pitch', { yeast: { yeastId: 'champagne' }, massG: 10 })];
    expect(told(again, 130).now.belief!.sugarGL.low).toBeLessThan(late.belief!.sugarGL.low / 2);
    const fell = [...sweetened, read(60, 0.996, 'j'), read(80, 0.99, 'j')];
    expect(told(fell, 130).now.abv.likely).toBeGreaterThan(soon.abv.likely + 0.2);
  });
  it('what holds holds in clear wine: whether it is clear is as it was last seen, until it is said', () => {
    const s = (more: LedgerEvent[]) => foldBatch([...dry, stable, sweet, ...more], T0 + 60 * DAY)!;
    const level = (more: LedgerEvent[], isClear: boolean | null) =>
      checkBottling(s(more), 'still', 0, isClear)!.verdict.level;
    const seen = (clarity: string, vesselId?: string) =>
      on(50, 'observation', { clarity, ...(vesselId ? { vesselId } : {}) } as never);
    expect([level([], true), level([], false), level([], null)]).toEqual(['fine', 'stop', 'stop']);
    expect(level([seen('clear')], null)).toBe('fine');
    expect(level([seen('clear', 'j')], null)).toBe('fine');
    expect(level([seen('clear', 'elsewhere')], null)).toBe('stop');
    expect(level([seen('clear'), seen('hazy')], null)).toBe('stop');
  });
  it('stabilised: no course, the yeast is held; sweetened: not dry by wish', () => {
    expect(at([...dry, stable], 41)).toMatchObject({ isStable: true, isOnCourse: false });
    expect(at([...dry, stable, sweet], 43)).toMatchObject({
      isStable: true,
      isSweetened: true,
      isOnCourse: false,
      notDry: false
    });
  });
  it('given too early, sulphite and sorbate are in, and hold nothing', () => {
    const early = [...pitched, read(10, 1.02), on(11, 'addition', stable.data as never)];
    expect(at(early, 12)).toMatchObject({ isStable: false });
  });
  it('bottled in part, and whole', () => {
    expect(at([...dry, bottle(5)], 51)).toMatchObject({ bottledInPart: 5 });
    expect(at([...dry, bottle(12)], 51)).toMatchObject({
      stage: 'bottled',
      hasStrength: true,
      bottledInPart: 0
    });
  });
  it('bottled and never read: no strength, not 0.0 %', () => {
    expect(at([...pitched, rack, bottle(12)], 60)).toMatchObject({
      stage: 'bottled',
      reading: 'never',
      hasStrength: false
    });
  });
});

describe('jobs that have had their time', () => {
  const jobs = (events: LedgerEvent[], day: number) =>
    schedule(foldBatch(events, T0 + day * DAY)!).map((d) => d.step.id);
  it('air is stirred into a must without a cap for its days, and not a month later', () => {
    expect(jobs(pitched, 2)).toContain('stir');
    expect(jobs(pitched, 28)).not.toContain('stir');
  });
  it('nutrient comes in its parts, one at a time, each done by what went in, and none late', () => {
    expect(jobs(pitched, 2.5).filter((id) => id.startsWith('nutrient'))).toHaveLength(4);
    const s = foldBatch(pitched, T0 + 2.5 * DAY)!;
    expect(schedule(s).filter((d) => d.step.id.startsWith('nutrient') && d.status !== 'coming')).toHaveLength(
      1
    );
    const fed = [
      ...pitched,
      on(2.5, 'addition', {
        ingredients: [
          { kind: 'additive', additiveId: 'nutrient', massKg: 0.004 },
          { kind: 'additive', additiveId: 'dap', massKg: 0.003 }
        ]
      })
    ];
    expect(jobs(fed, 2.6)).not.toContain('nutrient-1');
    expect(jobs(pitched, 9).filter((id) => id.startsWith('nutrient'))).toEqual([]);
    expect(jobs([...pitched, read(4, 1.03)], 4.5).filter((id) => id.startsWith('nutrient'))).toEqual([]);
  });
});

describe('a wine that was read yesterday', () => {
  it('has moved on since while it works, and not once it is dry', () => {
    const on = eventsFrom(T0);
    const PLUMS = [
      { kind: 'produce' as const, produceId: 'plum', massKg: 4 },
      { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 1.9 },
      { kind: 'water' as const, volumeL: 8 }
    ];
    const events = [
      on(0, 'planned', {
        name: 'Plum',
        plan: { ingredients: PLUMS, yeast: { yeastId: 'wine' } },
        vesselId: 'b'
      }),
      on(0, 'addition', { ingredients: PLUMS }),
      on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 }),
      on(4, 'reading', { sg: 1.05, tempC: 21 })
    ];
    const says = (list: typeof events, day: number) => {
      const s = foldBatch(list, T0 + day * DAY)!;
      return saysOf(s, standingOf(s));
    };
    expect(says(events, 4.1).hasMovedOn).toBe(false);
    expect(says(events, 5.2)).toMatchObject({ hasMovedOn: true, isCarriedOn: false });
    expect(says(events, 9)).toMatchObject({ hasMovedOn: false, isCarriedOn: true });
    const dry = [...events, on(30, 'reading', { sg: 0.993, tempC: 21 })];
    expect(says(dry, 31).hasMovedOn).toBe(false);
  });
});

describe('a wine that nobody has read for a while', () => {
  it('is carried on to today, and no longer said to be on course', () => {
    const events = [...pitched, read(6, 1.04)];
    expect(at(events, 7)).toMatchObject({ isCarriedOn: false, isOnCourse: true });
    // One that is told to be stronger already is on its way to no such end.
    const now = foldBatch(events, T0 + 7 * DAY)!;
    const told = standingOf(now);
    expect(saysOf(now, { ...told, expectedAbv: told.abv.likely - 0.5 }).isOnCourse).toBe(false);
    expect(at(events, 30)).toMatchObject({ isCarriedOn: true, isOnCourse: false });
    // What was seen to be over is not carried on.
    expect(at(dry, 90).isCarriedOn).toBe(false);
  });
  it('a jar that is all bottled speaks no more for the one that still stands', () => {
    const inTwo = [...pitched, split, read(60, 0.992, 'k'), read(66, 0.992, 'k'), read(66.1, 0.998, 'j')];
    const bottled = on(70, 'bottle', {
      from: 'j',
      bottles: [{ count: 6, sizeL: 0.75, type: 'still' }],
      emptied: true
    });
    const s = (events: LedgerEvent[], day: number) => foldBatch(events, T0 + day * DAY)!;
    expect(standingOf(s(inTwo, 69)).sg!.sg).toBe(0.998);
    const after = s([...inTwo, bottled], 71);
    expect(standingOf(after).sg).toMatchObject({ sg: 0.992, at: T0 + 66 * DAY });
    expect(saysOf(after, standingOf(after)).lastRead!.at).toBe(T0 + 66 * DAY);
    // It was read before the last of the other, and is due sooner for it.
    expect(lastReadAt(after, after.fills[0]!)).toBe(T0 + 66 * DAY);
    // All of it in bottle: the last reading of all is told.
    const rest = on(72, 'bottle', {
      from: 'k',
      bottles: [{ count: 5, sizeL: 0.75, type: 'still' }],
      emptied: true
    });
    expect(standingOf(s([...inTwo, bottled, rest], 73)).sg!.sg).toBe(0.998);
  });

  it('a reading that fits none of the rest is said to, and a true one is not', () => {
    const events = [...pitched, read(6, 1.04), read(10, 1.01)];
    expect(at(events, 10.1).isLastOdd).toBe(false);
    expect(at([...events, read(16, 1.06)], 16.1).isLastOdd).toBe(true);
  });
});

describe('who owns no hydrometer', () => {
  const aside = [...pitched, on(3, 'step', { step: 'no-stem', outcome: 'done' })];
  const job = (events: LedgerEvent[], day: number) =>
    schedule(foldBatch(events, T0 + day * DAY)!).find((d) => d.step.id === 'read')!;
  it('is asked what can be seen, until something is read all the same', () => {
    expect(job(pitched, 4).step.title).toMatch(/Read/);
    expect(job(aside, 4).step.title).toMatch(/bubbles/);
    const s = foldBatch(aside, T0 + 4 * DAY)!;
    expect(formOf(s, 'read')).toBe('look');
    expect(job([...aside, read(5, 1.05)], 9).step.title).toMatch(/Read/);
  });
  it('and looking is the job done', () => {
    const looked = on(5, 'observation', { bubbles: { count: 12, seconds: 60 } });
    expect(job([...aside, looked], 5.1).dueAt).toBeGreaterThan(T0 + 6.5 * DAY);
  });
});
