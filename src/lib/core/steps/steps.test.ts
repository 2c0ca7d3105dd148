import { describe, expect, it } from 'vitest';
import type { Plan } from '../plan/plan';
import { STEP_IDS } from '../tables/step-id';
import { PRODUCE } from '../tables/table';
import type { Deed } from '../commands/deed';
import { tick } from '../commands/tick';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import type { LedgerEvent } from '../ledger/log';
import { liquid } from '../liquid/stock';
import { courseOf } from '../belief/course';
import { howFar } from '../belief/how-far';
import { saysOf } from '../belief/says';
import { standingOf, tooCold } from '../belief/standing';
import { foldBatch } from '../ledger/run';
import { plain } from '../units/say';
import { leastRead } from '../ledger/last-read';
import { contents, NO_STEM, type BatchState } from '../ledger/state';
import { sugarParts } from '../must/sugar-parts';
import { beliefOf } from '../belief/believe';
import { stabilising } from '../finish/stabilise';
import { doStep, formOf, isOneTap, lookForOf, stepPuts } from './do-step';
import { COOL_CARD } from '../ledger/too-hot';
import { questionsAbout } from '../ledger/check';
import { coolingTauH, hoursToCool, tauFromReadings, tooWarm, YEAST_C } from './cooling';
import { schedule } from './schedule';
import { stepsOf } from './steps';
import { STEPS } from './table/all';
import { outingOf } from './walk';

const plan = (produceId: string, extra: Partial<Plan> = {}): Plan => ({
  ingredients: [
    { kind: 'produce', produceId, massKg: 2 },
    { kind: 'water', volumeL: 5 }
  ],
  ...extra
});
const ids = (p: Plan) => stepsOf(p).map((s) => s.id);

describe('the steps of a plan', () => {
  it('each waits only for steps before it, and waits make sense, for every produce and school', () => {
    const wrong: string[] = [];
    for (const { id } of PRODUCE)
      for (const wildYeast of ['sulphite', 'heat', 'wild'] as const)
        for (const sugar of ['start', 'halves', 'steps', 'strained'] as const) {
          const steps = stepsOf(plan(id, { wildYeast, sugar }));
          const seen = new Set<string>();
          const claim = (is: boolean, text: string) => void (is || wrong.push(`${id}: ${text}`));
          for (const step of steps) {
            claim(!seen.has(step.id), `${step.id} twice`);
            for (const w of step.waits) {
              claim(seen.has(w.step), `${step.id} waits for ${w.step}`);
              claim(w.minH <= w.maxH && w.why.length > 5, `${step.id} after ${w.step}`);
            }
            seen.add(step.id);
            claim(step.short.length < 12, `${step.short} is long for a tag`);
          }
          claim(steps[0]!.id === 'crush' && steps.at(-1)!.id === 'bottle', 'begins and ends otherwise');
        }
    expect(wrong).toEqual([]);
  });

  it('each school has its own beginning', () => {
    expect(ids(plan('plum', { wildYeast: 'sulphite' }))).toEqual(
      expect.arrayContaining(['campden', 'enzyme', 'pitch'])
    );
    expect(ids(plan('plum', { wildYeast: 'heat' }))).not.toContain('campden');
    expect(ids(plan('plum', { wildYeast: 'wild' }))).not.toContain('pitch');
    expect(ids(plan('plum', { wildYeast: 'wild' }))).not.toContain('campden');
  });

  it('enzyme only where there is pectin, fruit out only where there is fruit', () => {
    expect(ids(plan('elderflower'))).not.toContain('enzyme');
    expect(ids(plan('elderflower'))).toContain('fruit-out');
    const mead: Plan = {
      ingredients: [
        { kind: 'honey', massKg: 2 },
        { kind: 'water', volumeL: 6 }
      ]
    };
    expect(ids(mead)).not.toContain('fruit-out');
    expect(ids(mead)).not.toContain('enzyme');
  });

  it('yeast goes in no sooner than a day after sulphite (common practice)', () => {
    const pitch = stepsOf(plan('plum')).find((s) => s.id === 'pitch')!;
    expect(pitch.waits.find((w) => w.step === 'campden')!.minH).toBe(24);
    expect(pitch.waits.find((w) => w.step === 'enzyme')!.minH).toBeGreaterThanOrEqual(1);
  });
});

describe('the table of steps', () => {
  const on = eventsFrom(Date.parse('2026-05-01T10:00:00Z'));
  const made: Plan = {
    ingredients: [
      { kind: 'produce', produceId: 'plum', massKg: 4 },
      { kind: 'sugar', sugarId: 'white', massKg: 2 },
      { kind: 'water', volumeL: 6 }
    ],
    sugar: 'steps',
    clearing: 'bentonite',
    finish: 'stabilise',
    yeast: { yeastId: 'wine' }
  };
  const begun: LedgerEvent[] = [
    on(0, 'planned', { name: 'Plum', plan: made, vesselId: 'bucket' }),
    on(0, 'addition', { ingredients: sugarParts(made).now.ingredients, vesselId: 'bucket' })
  ];
  const after = (deed: Deed, day = 2) => [...begun, ...deed.map((d) => on(day, d.type, d.data as never))];
  const at = (day: number) => Date.parse('2026-05-01T10:00:00Z') + day * DAY;
  const due = (log: LedgerEvent[], day: number) =>
    schedule(foldBatch(log, at(day))!).map((d) => d.step.id as string);

  it('one tap stabilises with the dose of the form, also a wine that nobody read', () => {
    const s = foldBatch(after([], 2).concat(on(2, 'pitch', { yeast: { yeastId: 'wine' } })), at(60))!;
    const fill = s.fills[0]!;
    const { metabisulphiteG, sorbateG } = stabilising(s, fill, { belief: beliefOf(s) });
    expect(stepPuts(s, 'stabilise', beliefOf(s))).toEqual([
      {
        vesselId: fill.vesselId,
        ingredients: [
          { kind: 'additive', additiveId: 'metabisulphite', massKg: metabisulphiteG / 1000 },
          { kind: 'additive', additiveId: 'sorbate', massKg: sorbateG / 1000 }
        ]
      }
    ]);
    // By the ledger alone it would be must yet, and want more.
    expect(sorbateG).toBeLessThan(stabilising(s, fill).sorbateG);
  });

  it('what to look for, and to take along, is what this maker has: without a stem, nothing that only a stem shows', () => {
    const pitched = [...begun, on(2, 'pitch', { yeast: { yeastId: 'wine' } })];
    const aside = [...pitched, on(3, 'step', { step: NO_STEM, outcome: 'done' })];
    const [read, unread] = [pitched, aside].map((log) => foldBatch(log, at(8))!) as [BatchState, BatchState];
    expect(lookForOf(read, 'read')).toMatch(/flat of the liquid/);
    expect(lookForOf(unread, 'read')).toMatch(/bubbles .* a cap that falls, and sweetness that goes/i);
    for (const { id } of stepsOf(made))
      expect(lookForOf(unread, id), id).not.toMatch(/flat of the liquid|stem (?:says|spinning)/);
    const must = foldBatch([...begun, on(1, 'step', { step: NO_STEM, outcome: 'done' })], at(1.2))!;
    const natural: BatchState = { ...must, plan: { ...must.plan, pitch: 'natural' } };
    expect(lookForOf(must, 'stir')).not.toMatch(/fizz/i);
    expect(lookForOf(unread, 'stir')).toMatch(/fizz/i);
    expect(schedule(must).map((d) => d.step.id)).not.toContain('read');
    // What begins by itself is looked at from its first day.
    expect(schedule(natural).map((d) => d.step.id)).toContain('read');
    const takes = (s: BatchState) => outingOf(schedule(s).filter((d) => d.step.id === 'read')).takes;
    expect(takes(read)).toContain('hydrometer and its jar');
    expect(takes(unread)).toEqual(['a clean spoon']);
  });

  it('one tap of a step does it: it is not asked for again', () => {
    const taps = stepsOf(made).filter((x) => isOneTap(foldBatch(begun, at(2))!, x.id));
    expect(taps.length).toBeGreaterThan(8);
    let log = begun;
    for (const [n, { id, everyH }] of taps.entries()) {
      const day = 2 + n / 100;
      const deed = doStep(foldBatch(log, at(day))!, id);
      log = [...log, ...deed.map((d) => on(day, d.type, d.data as never))];
      // What comes again is due later, what is done once is gone.
      const again = schedule(foldBatch(log, at(day + 0.005))!).find((d) => d.step.id === id);
      expect(again?.status, id).toBe(everyH ? 'coming' : undefined);
    }
  });

  it('a split wine is read once each jar was: one does not speak for its twin', () => {
    const split = [
      ...begun,
      on(2, 'pitch', { yeast: { yeastId: 'wine' } }),
      on(9, 'fruit-out', { press: 'drip' }),
      on(9, 'reading', { sg: 1.01 }),
      on(10, 'transfer', {
        from: 'bucket',
        to: [
          { vesselId: 'jar-a', volumeL: 5 },
          { vesselId: 'jar-b', volumeL: 4 }
        ],
        lossL: 0.5,
        emptied: true
      })
    ];
    const reading = (day: number, vesselId: string) => on(day, 'reading', { sg: 0.998, vesselId });
    const dueAt = (log: LedgerEvent[], day: number) =>
      (schedule(foldBatch(log, at(day))!).find((d) => d.step.id === 'read')!.dueAt - at(0)) / DAY;
    // What was read in the bucket holds for both; a week on, each wants its own.
    expect(dueAt(split, 12)).toBeCloseTo(16, 6);
    expect(dueAt([...split, reading(16, 'jar-a')], 17)).toBeCloseTo(16, 6);
    const both = [...split, reading(16, 'jar-a'), reading(18, 'jar-b')];
    expect(dueAt(both, 19)).toBeCloseTo(23, 6);
    expect(leastRead(foldBatch(both, at(19))!)?.vesselId).toBe('jar-a');
  });

  it('a tick never stands in for what goes in; leaving out is allowed', () => {
    const puts = STEP_IDS.filter((id) => STEPS[id].isPut && stepsOf(made).some((x) => x.id === id));
    expect(puts).toEqual(expect.arrayContaining(['campden', 'pitch', 'feed-1', 'stabilise', 'sweeten']));
    for (const id of puts) {
      expect(due(after(tick('b', id)), 2.01), id).toContain(id);
      expect(due(after(tick('b', id, 'skipped')), 2.01), id).not.toContain(id);
    }
  });

  it('what no tap can say wants its form, and is refused without', () => {
    const s = foldBatch(begun, at(2))!;
    for (const id of STEP_IDS) {
      const form = formOf(s, id);
      if (!isOneTap(s, id)) expect(form).not.toBeNull();
      if (form === 'add') expect(() => doStep(s, id)).toThrow(/has to be said/);
    }
    expect(formOf(s, 'rack-2')).toBe('rack');
    expect(formOf(s, 'stir')).toBeNull();
  });
});

const PECTIC = { kind: 'additive', additiveId: 'pectic-enzyme', massKg: 0.003 } as const;
const WHITE = { kind: 'sugar', sugarId: 'white', massKg: 1 } as const;

describe('a must that is too warm', () => {
  const T0 = Date.parse('2026-07-01T18:00:00Z');
  const H = 3_600_000;
  const hot: Plan = {
    ...plan('plum', { wildYeast: 'heat', enzyme: false, roomC: 18 }),
    yeast: { yeastId: 'wine' }
  };
  const e = eventsFrom(T0);
  type Temps = readonly (readonly [hours: number, tempC: number])[];
  // As the brew day writes it: a thermometer alone, and no gravity.
  const begun = (p: Plan, temps: Temps) => [
    e(0, 'planned', { name: 'P', plan: p, vesselId: 'b' }),
    e(0, 'addition', { ingredients: p.ingredients }),
    ...temps.map(([h, tempC]) => e(h / 24, 'reading', { tempC }))
  ];
  const at = (hours: number, temps: Temps, more: LedgerEvent[] = []) => {
    const s = foldBatch([...begun(hot, temps), ...more], T0 + hours * H)!;
    return { s, pitch: schedule(s).find((d) => d.step.id === 'pitch')! };
  };

  it('waits with its yeast until it has cooled, and says what it was; a cooler reading frees it at once', () => {
    const { pitch, s } = at(21, [[20.5, 40]]);
    expect(pitch.status).toBe('coming');
    expect(plain(pitch.step.how)).toMatch(/^It was 40 °C, and must be below 25 °C\. /);
    // Newton's law: from 40 to 25 over a room of 18 is ln(22/7) of the time constant.
    const litres = liquid(contents(s))!.volumeL;
    expect((pitch.dueAt - (T0 + 20.5 * H)) / H).toBeCloseTo(coolingTauH(litres) * Math.log(22 / 7), 6);
    expect(at(30, [[20.5, 40]]).pitch).toMatchObject({ status: 'due' });
    expect(
      at(21, [
        [20.5, 40],
        [20.8, 24]
      ]).pitch.status
    ).toBe('due');
    expect(at(21, []).pitch.status).toBe('due');
  });

  it('two readings tell how fast it cools, better than its volume does', () => {
    const { s } = at(21, [
      [19, 60],
      [20, 50]
    ]);
    const tau = tauFromReadings(60, 50, 18, 1);
    expect(tooWarm(s, 25)!.until).toBeCloseTo(T0 + (20 + hoursToCool(50, 25, 18, tau)) * H, 0);
    // Warmed up again in between: they are no cooling.
    const { s: warmed } = at(21, [
      [19, 40],
      [20, 50]
    ]);
    expect(tooWarm(warmed, 25)!.until).toBeCloseTo(
      T0 + (20 + hoursToCool(50, 25, 18, coolingTauH(liquid(contents(warmed))!.volumeL))) * H,
      0
    );
  });

  it('what a look says of its warmth counts the same; said to be cool enough it is', () => {
    const felt = e(20.5 / 24, 'observation', { tempC: 38 });
    expect(at(21, [], [felt]).pitch.status).toBe('coming');
    const said = e(20.6 / 24, 'step', { step: COOL_CARD, outcome: 'done' });
    expect(at(21, [], [felt, said]).pitch.status).toBe('due');
    // Felt warm after that, it waits again.
    const again = e(20.7 / 24, 'reading', { tempC: 33 });
    expect(at(21, [], [felt, said, again]).pitch.status).toBe('coming');
  });

  it.each([
    ['yeast', 'pitch', { yeast: { yeastId: 'wine' } }, 71, /^It was 71 °C when it was last felt: yeast dies/],
    ['yeast in a warm must', 'pitch', { yeast: { yeastId: 'wine' } }, 30, null],
    ['enzyme', 'addition', { ingredients: [PECTIC] }, 71, /the enzyme is undone by that/],
    ['enzyme in a warm must', 'addition', { ingredients: [PECTIC] }, 45, null],
    ['sugar, which dissolves the better', 'addition', { ingredients: [WHITE] }, 71, null]
  ] as const)('is asked about before it undoes what goes in: %s', (_, type, data, tempC, says) => {
    const asks = (felt: LedgerEvent[], hours: number) => {
      const log = [...begun(hot, []), ...felt];
      return questionsAbout(log[0]!.batchId, log, [e(hours / 24, type, data as never)]).map((q) =>
        plain(q.text)
      );
    };
    const felt = e(20 / 24, 'reading', { tempC });
    const about = asks([felt], 21).filter((text) => /felt/.test(text));
    if (!says) return expect(about).toEqual([]);
    expect(about).toEqual([expect.stringMatching(says)]);
    // Felt long ago, felt cooler since, or said to be cool enough, nothing is asked.
    const since = (type: 'reading' | 'step', data: object) => e(20.5 / 24, type, data as never);
    for (const [more, hours] of [
      [[], 24],
      [[since('reading', { tempC: 24 })], 21],
      [[since('step', { step: COOL_CARD, outcome: 'done' })], 21]
    ] as const)
      expect(asks([felt, ...more], hours).filter((text) => /felt/.test(text))).toEqual([]);
  });

  it('in a room as warm as itself it is never held for good', () => {
    const inHeat = { ...hot, roomC: 31 };
    const s = foldBatch(begun(inHeat, [[12, 33]]), T0 + 13 * H)!;
    expect(tooWarm(s, YEAST_C)).toBeNull();
    const boiled = foldBatch(begun(inHeat, [[12, 70]]), T0 + 13 * H)!;
    const { until } = tooWarm(boiled, YEAST_C)!;
    expect(until).toBeGreaterThan(T0 + 12 * H);
    expect(until).toBeLessThan(T0 + 48 * H);
  });

  it('a thermometer by itself also tells that a wine is too cold, and that it was moved', () => {
    const working = [
      ...begun(hot, []),
      e(1, 'pitch', { yeast: { yeastId: 'wine' } }),
      e(4, 'reading', { sg: 1.03, tempC: 20 }),
      e(6, 'observation', { tempC: 8 })
    ];
    const cold = foldBatch(working, T0 + 7 * DAY)!;
    expect(tooCold(cold)).toMatchObject({ tempC: 8 });
    const moved = foldBatch([...working, e(7, 'reading', { tempC: 21 })], T0 + 8 * DAY)!;
    expect(tooCold(moved)).toBeNull();
    expect(STEPS.warm.doneAt(moved, T0 + 6 * DAY)).toBe(T0 + 7 * DAY);
  });
});

describe('a must whose yeast nobody wrote down', () => {
  const T0 = Date.parse('2026-06-01T18:00:00Z');
  const on = eventsFrom(T0);
  const made = (wildYeast: 'sulphite' | 'wild' = 'sulphite') => {
    const ingredients: Plan['ingredients'] = [
      { kind: 'produce', produceId: 'elderflower', massKg: 0.15 },
      { kind: 'sugar', sugarId: 'white', massKg: 1.05 },
      { kind: 'water', volumeL: 4 }
    ];
    return [
      on(0, 'planned', { name: 'Elderflower', plan: { ingredients, wildYeast }, vesselId: 'b' }),
      on(0, 'addition', { ingredients })
    ];
  };
  const at = (events: LedgerEvent[], day: number) => {
    const s = foldBatch(events, T0 + day * DAY)!;
    const now = standingOf(s);
    return { s, now, says: saysOf(s, now), due: schedule(s, courseOf(s)) };
  };
  const strained = [...made(), on(5, 'fruit-out', { press: 'drip' })];
  const dueIds = (due: ReturnType<typeof schedule>) =>
    due.filter((d) => d.status !== 'coming').map((d) => d.step.id);

  it('is asked for its yeast, whatever was done after, and nothing that waits for it is due', () => {
    for (const day of [6, 12, 40, 90]) {
      const { due, says, now } = at(strained, day);
      expect(dueIds(due)[0], `day ${day}`).toBe('pitch');
      expect(dueIds(due)).not.toContain('rack-1');
      expect(due.filter((d) => d.step.id === 'bottle').every((d) => d.after !== null)).toBe(true);
      expect([says.lacksYeast, says.isOnCourse, now.stage]).toEqual(['stands', false, 'must']);
    }
    // Skipped it is not asked for again.
    const skipped = [...strained, on(6, 'step', { step: 'pitch', outcome: 'skipped' })];
    expect(dueIds(at(skipped, 7).due)).not.toContain('pitch');
  });

  it('once it is seen to work it is told by what it does, and by its end like any other', () => {
    const seen = [...strained, on(6, 'observation', { bubbles: { count: 12, seconds: 60 } })];
    const works = at(seen, 7);
    expect(dueIds(works.due)).not.toContain('pitch');
    expect([works.says.lacksYeast, works.says.reading, works.now.stage]).toEqual([
      'works',
      'never',
      'fermenting'
    ]);
    expect(howFar(works.now.belief!).word).toBe('working');
    const dry = [
      ...seen,
      on(40, 'observation', { taste: 'dry', clarity: 'clear' }),
      on(50, 'observation', { taste: 'dry', stillDays: 9 })
    ];
    const over = at(dry, 51);
    expect(howFar(over.now.belief!).word).toBe('finished');
    expect(over.now.abv.likely).toBeGreaterThan(7);
  });

  it('foam of the first evening is no ferment, nor is a cap of floating fruit', () => {
    for (const look of [
      [0.1, { foam: 'some' }],
      [0.3, { bubbles: { count: 3, seconds: 60 } }],
      [3, { cap: 'up' }],
      [3, { bubbles: { count: 1, seconds: 600 } }]
    ] as const) {
      const { says, due } = at([...made(), on(look[0], 'observation', look[1])], 4);
      expect(says.lacksYeast, JSON.stringify(look)).toBe('stands');
      expect(due.map((d) => d.step.id)).toContain('pitch');
    }
    // Who leaves it to wild yeast is not asked for another.
    expect(at(made('wild'), 6).says.lacksYeast).toBeNull();
  });

  it('a finished wine has stood still since it first read so: each further reading puts nothing off', () => {
    const events = [
      ...made(),
      on(0.2, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 }),
      on(5, 'fruit-out', { press: 'drip' }),
      on(6, 'step', { step: 'rack-1', outcome: 'done' }),
      on(7, 'step', { step: 'rack-2', outcome: 'done' }),
      ...[80, 81, 82, 83, 84].map((day) => on(day, 'reading', { sg: 0.993, tempC: 20 }))
    ];
    const dues = [81, 82, 83, 84].map((day) => {
      const upTo = events.filter((x) => Date.parse(x.at) <= T0 + day * DAY);
      return (at(upTo, day).due.find((d) => d.step.id === 'bottle')!.dueAt - T0) / DAY;
    });
    expect(dues).toEqual([83, 83, 83, 83]);
  });

  it('left alone for months, it is asked for what still helps: yeast before a forgotten powder, and no air', () => {
    const ingredients: Plan['ingredients'] = [
      { kind: 'produce', produceId: 'plum', massKg: 3 },
      { kind: 'sugar', sugarId: 'white', massKg: 1.05 },
      { kind: 'water', volumeL: 4 }
    ];
    const begun = [
      on(0, 'planned', { name: 'Plum', plan: { ingredients }, vesselId: 'b' }),
      on(0, 'addition', { ingredients })
    ];
    const fresh = dueIds(at(begun, 2).due);
    expect(fresh).toContain('stir');
    expect(fresh).toContain('campden');
    expect(fresh).not.toContain('pitch');
    const old = dueIds(at(begun, 100).due);
    expect(old[0]).toBe('pitch');
    expect(old).not.toContain('stir');
  });

  it('a racking that is late stays late, however often the wine is read or looked at', () => {
    const ingredients: Plan['ingredients'] = [
      { kind: 'honey', massKg: 1.3 },
      { kind: 'water', volumeL: 4 }
    ];
    const begun = [
      on(0, 'planned', { name: 'Honey wine', plan: { ingredients }, vesselId: 'b' }),
      on(0, 'addition', { ingredients }),
      on(0.2, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 })
    ];
    const rack = (events: LedgerEvent[], day: number) => {
      const due = at(events, day).due.find((d) => d.step.id === 'rack-1')!;
      return { status: due.status, late: Math.round((due.lateAt - T0) / DAY) };
    };
    const read = [...begun, on(20, 'reading', { sg: 1.006, tempC: 20 })];
    const was = rack(read, 40);
    expect(was).toMatchObject({ status: 'overdue', late: 24 });
    const more = [...read, on(60, 'reading', { sg: 0.999, tempC: 20 })];
    expect(rack(more, 60.1)).toEqual(was);
    expect(rack([...more, on(64, 'observation', { cap: 'fallen' })], 64.1)).toEqual(was);
    // Fed since, it has to quieten once more.
    const fed = [
      ...more,
      on(61, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.15 }] })
    ];
    expect(rack(fed, 61.1).late).toBeGreaterThan(62);
    // Who never reads goes by the cap.
    const unread = [...begun, on(5.1, 'step', { step: NO_STEM, outcome: 'done' })];
    const seen = [14, 20, 30, 40].map((day) => on(day, 'observation', { cap: 'fallen' }));
    const lates = [20, 30, 40].map(
      (day) => rack([...unread, ...seen.filter((x) => Date.parse(x.at) <= T0 + day * DAY)], day + 0.1).late
    );
    expect(new Set(lates).size).toBe(1);
  });
});
