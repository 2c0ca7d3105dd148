import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import { looseOf } from '../ledger/bottles';
import { cellKey } from '../ledger/events/cell';
import type { LedgerEvent } from '../ledger/log';
import { foldBatch } from '../ledger/run';
import type { BatchState } from '../ledger/state';
import type { Ingredient, Plan } from '../plan/plan';
import { evaluate } from '../must/evaluate';
import { solvePlan } from '../solve/solve';
import { questionsAbout } from '../ledger/check';
import { letGo, shelve } from '../commands/cellar';
import { schedule } from '../steps/schedule';
import { summaryOf } from '../report/sum-up';
import { ELEMENTS, HABITS, TASTING, type Habit } from '../tables/tasting';
import { spoken } from '../units/say';
import { lessonsOf } from './lessons';
import { tastingDueOf } from './milestones';
import { astray, clashes, freeFrom, lyingIn } from './racks';
import { byYear, cellarOf, leftForBest, toDrink } from './stock';
import { ageOf, kindOf, MONTH, windowOf } from './window';
import { wishesOf } from './wishes';

const T0 = Date.parse('2024-09-01T09:00:00Z');
const on = eventsFrom(T0);
const DAMSON: Ingredient[] = [
  { kind: 'produce', produceId: 'damson', massKg: 3, form: 'fresh', held: true },
  { kind: 'sugar', sugarId: 'white', massKg: 1.6, held: false },
  { kind: 'water', volumeL: 6, held: false },
  { kind: 'acid', acidId: 'acid-blend', massKg: 0.02, held: true }
];
const PLAN: Plan = solvePlan({
  ingredients: DAMSON,
  target: { abv: 12, volumeL: 8 },
  yeast: { yeastId: 'wine' }
}).plan;
const filled = on(120, 'bottle', {
  from: 'jar',
  bottles: [
    { count: 8, sizeL: 0.75, type: 'still' },
    { count: 4, sizeL: 0.375, type: 'still' }
  ],
  bar20: 0,
  clear: true,
  emptied: true
});
const BASE: LedgerEvent[] = [
  on(0, 'planned', { name: 'Damson', plan: PLAN, vesselId: 'jar' }),
  on(0, 'addition', { ingredients: DAMSON }),
  on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
  on(9, 'fruit-out', { press: 'drip', volumeL: 8 }),
  on(100, 'reading', { sg: 0.994 }),
  on(115, 'reading', { sg: 0.994 }),
  filled
];
const at = (day: number) => T0 + day * DAY;
const state = (more: LedgerEvent[], day: number): BatchState => foldBatch([...BASE, ...more], at(day))!;
const cell = (row: number, col: number) => ({ rackId: 'r', row, col });
const left = (s: BatchState) => s.bottled[0]!.bottles.map((b) => b.left);

describe('bottles in the cellar', () => {
  it('leave by kind, from their places, or those first that stand in no rack', () => {
    const lay = on(121, 'shelve', {
      bottleId: filled.id,
      kind: 0,
      taken: [],
      put: [cell(0, 0), cell(0, 1), cell(0, 2), cell(0, 3), cell(0, 4), cell(0, 5)]
    });
    const loose = state(
      [lay, on(122, 'open', { bottleId: filled.id, count: 2, how: 'given', to: 'A' })],
      130
    );
    expect(left(loose)).toEqual([8, 2]);
    expect(loose.bottled[0]!.cells).toHaveLength(6);
    const named = state(
      [lay, on(122, 'open', { bottleId: filled.id, count: 2, from: [cell(0, 1), cell(0, 4)] })],
      130
    );
    expect(left(named)).toEqual([6, 4]);
    expect(named.bottled[0]!.cells.map(cellKey)).toEqual(['r:0:0', 'r:0:2', 'r:0:3', 'r:0:5']);
    const many = state([lay, on(122, 'open', { bottleId: filled.id, count: 4, kind: 0 })], 130);
    expect(left(many)).toEqual([4, 4]);
    expect(many.bottled[0]!.cells.map(cellKey)).toEqual(['r:0:0', 'r:0:1', 'r:0:2', 'r:0:3']);
    expect(many.bottled[0]!.gone).toEqual([{ at: at(122), count: 4, how: 'opened', to: '' }]);
  });

  it('whatever happens: none is made, none is lost, and no more lie in racks than there are', () => {
    const cells = fc.array(
      fc.record({ rackId: fc.constant('r'), row: fc.nat({ max: 2 }), col: fc.nat({ max: 4 }) }),
      { maxLength: 6 }
    );
    const kind = fc.nat({ max: 2 });
    const deed = fc.oneof(
      fc.record({ kind, count: fc.integer({ min: 1, max: 5 }) }),
      fc.record({ kind, taken: cells, put: cells.filter((c) => c.length > 0) })
    );
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 14 }), (list) => {
        const events = list.map((d, i) =>
          'count' in d
            ? on(130 + i, 'open', { bottleId: filled.id, ...d })
            : on(130 + i, 'shelve', { bottleId: filled.id, ...d })
        );
        const b = state(events, 160).bottled[0]!;
        const gone = b.gone.reduce((n, g) => n + g.count, 0);
        expect(b.left + gone).toBe(12);
        expect(b.bottles.reduce((n, x) => n + x.left, 0)).toBe(b.left);
        b.bottles.forEach((x, kind) => {
          const lying = b.cells.filter((c) => c.kind === kind).length;
          expect(lying + looseOf(b, kind)).toBe(x.left);
        });
        expect(new Set(b.cells.map(cellKey)).size).toBe(b.cells.length);
      }),
      { numRuns: 150 }
    );
  });

  it('are refused where there are none, and go to nobody while they could burst', () => {
    const many = on(130, 'open', { bottleId: filled.id, count: 13 });
    expect(questionsAbout(filled.batchId, BASE, [many])[0]).toMatchObject({
      level: 'refuse',
      text: 'There were not so many bottles left then.'
    });
    const b = state([], 130).bottled[0]!;
    expect(() => letGo('x', b, null, { count: 13 })).toThrow('only 12 left');
    expect(() => letGo('x', b, null, { count: 5, kind: 1 })).toThrow('only 4 left');
    expect(() => letGo('x', b, { bar20: 4 }, { count: 1, how: 'given', to: 'Ada' })).toThrow('nobody');
    expect(letGo('x', b, { bar20: 4 }, { count: 1, how: 'broken' })).toHaveLength(1);
    expect(() => shelve('x', b, 1, [cell(0, 0), cell(0, 1), cell(0, 2), cell(1, 0), cell(1, 1)])).toThrow(
      'only 4'
    );
  });

  it('lie in racks: free places, two in one, and a rack that is gone', () => {
    const rack = { id: 'r', name: 'Rack', rows: 2, cols: 3 };
    expect(freeFrom(rack, { row: 0, col: 1 }, 9, new Set(['r:0:2'])).map(cellKey)).toEqual([
      'r:0:1',
      'r:1:0',
      'r:1:1',
      'r:1:2'
    ]);
    const lay = on(121, 'shelve', { bottleId: filled.id, kind: 0, taken: [], put: [cell(0, 0), cell(5, 0)] });
    const [one] = cellarOf({ state: state([lay], 130), belief: null, dangers: [] }, at(130));
    expect(astray(one!, [rack]).map(cellKey)).toEqual(['r:5:0']);
    expect(clashes(lyingIn([one!, one!]))).toEqual(['r:0:0', 'r:5:0']);
  });
});

describe('when a wine is to be drunk', () => {
  const facts = { abv: { low: 12, likely: 12, high: 12 }, sugarGL: 3, isSparkling: false };
  const windowAt = (more: LedgerEvent[], day = 400, f = facts) => {
    const s = state(more, day);
    return windowOf(s, s.bottled[0]!, f);
  };
  const months = (t: number) => (t - T0) / MONTH;

  it('fruit wine from six months, at its best from twelve; roots and flowers later, cider sooner (common practice)', () => {
    const plan = (i: Ingredient): Plan => ({ ingredients: [i] });
    const kg = (produceId: string): Ingredient => ({ kind: 'produce', produceId, massKg: 3 });
    expect(['damson', 'parsnip', 'elderflower', 'banana'].map((id) => kindOf(plan(kg(id))))).toEqual([
      'fruit',
      'slow',
      'slow',
      'slow'
    ]);
    expect(kindOf(plan({ kind: 'juice', produceId: 'apple', volumeL: 5 }))).toBe('cider');
    expect(kindOf(plan({ kind: 'honey', massKg: 2 }))).toBe('mead');
    const w = windowAt([]);
    expect(months(w.first)).toBeGreaterThanOrEqual(6);
    expect(months(w.bestFrom)).toBeGreaterThanOrEqual(11);
    expect([w.first, w.bestFrom, w.bestTo, w.last]).toEqual(
      [w.first, w.bestFrom, w.bestTo, w.last].toSorted((a, b) => a - b)
    );
  });

  it('moves by what is tasted: too young later, ready now, past its best at once', () => {
    const plain = windowAt([]);
    const young = windowAt([on(390, 'tasting', { text: 'x', when: 'young' })]);
    expect(young.first).toBe(at(390) + 3 * MONTH);
    expect(young.bestFrom).toBeGreaterThan(plain.bestFrom);
    const ready = windowAt([on(200, 'tasting', { text: 'x', when: 'ready' })]);
    expect([ready.first, ready.bestFrom]).toEqual([plain.first, at(200)]);
    const past = windowAt([on(400, 'tasting', { text: 'x', when: 'past' })]);
    expect(past.bestTo).toBe(at(400));
    expect(ageOf(past, at(401))).toBe('fading');
    expect(ageOf(past, at(520))).toBe('past');
    const less = windowAt(
      [on(500, 'tasting', { text: 'x', liking: 5 }), on(600, 'tasting', { text: 'x', liking: 2 })],
      610
    );
    expect(less.bestTo).toBe(at(600));
    // What was said of it in the jar is not said of the bottle.
    expect(windowAt([on(60, 'tasting', { text: 'x', when: 'past' })])).toEqual(plain);
  });

  it('of two fillings of one wine each is told by its own bottles', () => {
    const first = on(120, 'bottle', {
      from: 'jar',
      bottles: [{ count: 4, sizeL: 0.75, type: 'still' }],
      clear: true
    });
    const second = on(150, 'bottle', {
      from: 'jar',
      bottles: [{ count: 4, sizeL: 0.75, type: 'still' }],
      clear: true,
      emptied: true
    });
    const log = [
      ...BASE.filter((e) => e !== filled),
      first,
      second,
      on(400, 'tasting', { text: 'x', when: 'past', liking: 2, bottleId: first.id }),
      on(410, 'tasting', { text: 'y', when: 'ready', liking: 5, bottleId: second.id })
    ];
    const wines = cellarOf({ state: foldBatch(log, at(500))!, belief: null, dangers: [] }, at(500));
    expect(wines.map((w) => [w.age, w.liking])).toEqual([
      ['past', 2],
      ['best', 5]
    ]);
    // What was said of no filling is said of both.
    const both = [...log, on(420, 'tasting', { text: 'z', liking: 3 })];
    const all = cellarOf({ state: foldBatch(both, at(500))!, belief: null, dangers: [] }, at(500));
    expect(all.map((w) => w.liking)).toEqual([3, 3]);
  });

  it('always runs first, best, last, whatever was tasted and whatever it holds', () => {
    const tasting = fc.record({
      day: fc.integer({ min: 121, max: 1200 }),
      when: fc.constantFrom('young', 'ready', 'past', undefined),
      liking: fc.integer({ min: 1, max: 5 })
    });
    fc.assert(
      fc.property(
        fc.array(tasting, { maxLength: 6 }),
        fc.record({
          abv: fc.integer({ min: 4, max: 18 }),
          sugarGL: fc.nat({ max: 120 }),
          isSparkling: fc.boolean()
        }),
        (list, f) => {
          const w = windowAt(
            list.map((t) =>
              on(t.day, 'tasting', { text: 'x', liking: t.liking, ...(t.when ? { when: t.when } : {}) })
            ),
            1300,
            { ...f, abv: { low: f.abv, likely: f.abv, high: f.abv } }
          );
          expect(w.first <= w.bestFrom && w.bestFrom <= w.bestTo && w.bestTo < w.last).toBe(true);
        }
      ),
      { numRuns: 200 }
    );
  });

  it('says what to drink, what will be left, and what there is by year', () => {
    const day = 430;
    const gone = [300, 350, 400].map((d) => on(d, 'open', { bottleId: filled.id, count: 2 }));
    const wines = cellarOf({ state: state(gone, day), belief: null, dangers: [] }, at(day));
    expect(wines).toHaveLength(1);
    const young = {
      ...wines[0]!,
      drink: { ...wines[0]!.drink, bestFrom: at(day) + 2 * MONTH },
      age: 'drinkable' as const
    };
    expect(toDrink(wines, at(day))).toHaveLength(wines[0]!.age === 'best' ? 1 : 0);
    // Six in the last half year is one a month.
    expect(leftForBest(young, at(day))).toBe(4);
    expect(byYear(wines, () => 2024)).toMatchObject([{ year: 2024, bottles: 6 }]);
    const danger = [{ ...wines[0]!, danger: {} as never, age: 'best' as const }];
    expect(toDrink(danger, at(day))).toEqual([]);
  });
});

describe('a tasting as a job', () => {
  it('comes at six, nine, twelve and eighteen months, once each, and is let go after two', () => {
    const due = (more: LedgerEvent[], day: number) => tastingDueOf(state(more, day))?.months ?? null;
    expect(due([], 125)).toBe(6);
    expect(due([], 250)).toBe(9);
    expect(due([on(186, 'tasting', { text: 'x' })], 190)).toBe(9);
    expect(due([on(186, 'step', { step: 'taste', outcome: 'skipped' })], 190)).toBe(9);
    expect(due([on(275, 'tasting', { text: 'x' })], 280)).toBe(12);
    expect(due([], 700)).toBeNull();
    const jobs = (day: number) => schedule(state([], day), null, []).filter((d) => d.step.id === 'taste');
    expect(jobs(150).map((d) => d.status)).toEqual(['coming']);
    expect(jobs(190).map((d) => d.status)).toEqual(['due']);
  });

  it('is not asked of the last bottle, and a wine is found on its day without reading the others', () => {
    const last = on(130, 'open', { bottleId: filled.id, count: 11 });
    expect(tastingDueOf(state([last], 200))).toBeNull();
    const sum = (day: number) => summaryOf(BASE, filled.batchId, at(day))!;
    expect(sum(130)).toMatchObject({ running: 0, bottles: 12 });
    expect(sum(130).tasteAt).toBeCloseTo(T0 + 6 * MONTH, -3);
    // Nobody tasted it: two months on the next time stands instead.
    expect(sum(190).nextAt).toBeGreaterThan(at(230));
    expect(sum(250).tasteAt).toBeCloseTo(T0 + 9 * MONTH, -3);
  });
});

describe('what a tasting changes next year', () => {
  const stood = { sweetGL: 3, taGL: 6.4, abv: 12 };
  const say = (text: string) => spoken(text, { mass: 'kg', volume: 'L', temp: 'C' });
  const lessons = (
    words: string[],
    wanted: { sweetGL: number; taGL: number } | null = null,
    left?: Set<string>
  ) => {
    const l = lessonsOf(PLAN, wishesOf({ words, wanted }, stood), stood, left);
    return { ...l, said: l.changes.map((c) => say(c.text)) };
  };

  it('less acid by what was put in, with its grams: the must then has so much less', () => {
    const { plan, said } = lessons([], { sweetGL: 3, taGL: 5.2 });
    expect(said[0]).toMatch(/^Less acid: 5\.2 for 6\.4 g\/L, \d+ g less acid blend.* in [\d.]+ L$/);
    const before = evaluate(PLAN).likely.taGL;
    expect(evaluate(plan).likely.taGL).toBeCloseTo(before - 1.2, 1);
    // A litre of wine has a gram of tartaric less for a g/L: acid blend is about its weight.
    const grams = Number(/(\d+) g less/.exec(said[0]!)![1]);
    expect(grams / evaluate(PLAN).likely.intoGlassL).toBeGreaterThan(0.8);
    expect(grams / evaluate(PLAN).likely.intoGlassL).toBeLessThan(1.6);
  });

  it('more acid, sugar, strength and fruit each as much as was said', () => {
    const pear = solvePlan({
      ingredients: [{ kind: 'produce', produceId: 'pear', massKg: 5, held: true }, ...DAMSON.slice(1, 3)],
      target: { abv: 11, volumeL: 8 }
    }).plan;
    const sharp = lessonsOf(pear, wishesOf({ words: ['flat'], wanted: null }, stood), stood);
    expect(say(sharp.changes[0]!.text)).toMatch(/^More acid: 7\.2 for 6\.4 g\/L, \d+ g more acid blend/);
    expect(evaluate(sharp.plan).likely.taGL - evaluate(pear).likely.taGL).toBeCloseTo(0.8, 1);
    const sweet = lessons(['too-dry']);
    expect(sweet.plan).toMatchObject({ finish: 'stabilise', target: { sweetGL: 11 } });
    const light = lessons(['hot']);
    expect(evaluate(light.plan).likely.potentialAbv).toBeCloseTo(evaluate(PLAN).likely.potentialAbv - 1, 0);
    expect(light.said[0]).toMatch(/^Lighter: 11\.0 for 12\.0 %, \d+ g less sugar/);
    const full = lessons(['thin']);
    expect(full.plan.ingredients[0]).toMatchObject({ massKg: expect.closeTo(3.6, 6) });
  });

  it('is said in the household’s own measures: fruit and sugar in pounds, powders in grams', () => {
    const us = (text: string) => spoken(text, { mass: 'lb', volume: 'us-gal', temp: 'F' });
    const said = (words: string[]) =>
      lessonsOf(PLAN, wishesOf({ words, wanted: null }, stood), stood).changes.map((c) => us(c.text));
    expect(said(['thin'])[0]).toBe('More fruit: 7.94 lb for 6.61 lb');
    expect(said(['hot'])[0]).toMatch(
      /^Lighter: 11\.0 for 12\.0 %, [\d.]+ (?:lb|oz) less sugar in [\d.]+ US gal$/
    );
    expect(said(['too-sharp'])[0]).toMatch(/\d+ g less acid blend.* in [\d.]+ US gal$/);
    for (const e of ELEMENTS)
      for (const w of TASTING[e].words)
        for (const t of said([w.id])) expect(t).not.toMatch(/\d\s?(?:kg|L|mL|°C)\b/);
  });

  it('sharp and flat at once is neither; a place on the field goes before words; one can be left out', () => {
    expect(lessons(['too-sharp', 'flat']).changes.map((c) => c.id)).toEqual(['acid']);
    expect(wishesOf({ words: ['a-little-sharp', 'flat'], wanted: null }, stood).acid).toBeCloseTo(0.2, 9);
    expect(wishesOf({ words: ['too-sharp'], wanted: { sweetGL: 3, taGL: 6.4 } }, stood).acid).toBeUndefined();
    const none = lessons(['hot', 'hazy'], null, new Set(['strength', 'enzyme']));
    expect(none.plan).toEqual(PLAN);
    expect(none.changes).toHaveLength(2);
  });

  it('every word that asks for something says what to change; no word breaks a plan', () => {
    const all = ELEMENTS.flatMap((e) => TASTING[e].words as readonly { id: string; wish?: unknown }[]);
    for (const w of all) {
      const l = lessons([w.id]);
      expect(l.changes.length > 0, w.id).toBe(w.wish !== undefined);
      expect(evaluate(l.plan).likely.potentialAbv, w.id).toBeGreaterThan(5);
      for (const t of l.said) expect(t, w.id).not.toMatch(/undefined|NaN|-\d/);
    }
    const habits = all.flatMap((w) =>
      (w.wish as { do?: Habit } | undefined)?.do ? [(w.wish as { do: Habit }).do] : []
    );
    expect([...new Set(habits)].sort()).toEqual(Object.keys(HABITS).sort());
  });
});
