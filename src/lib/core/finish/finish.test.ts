import { describe, expect, it } from 'vitest';
import type { LedgerEvent } from '../ledger/log';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import { foldBatch } from '../ledger/run';
import { co2Solubility, CO2_PER_SUCROSE, gaugePressure, residualCo2 } from './carbonation';
import { pressureCheck } from './pressure';
import { dangersOf } from './danger';
import { checkBottling } from './judge';
import { testBottlesOf } from './test-bottle';

describe('carbon dioxide', () => {
  // Handbook solubilities at 1 bar of CO2, g/L (from memory).
  it.each([
    [0, 0, 3.35],
    [10, 0, 2.3],
    [20, 0, 1.7],
    [30, 0, 1.25],
    [0, 12, 3.0],
    [10, 12, 2.1],
    [20, 12, 1.44],
    [30, 12, 1.1]
  ])('at %d °C and %d %% dissolves %d g/L', (t, abv, gL) => expect(co2Solubility(t, abv)).toBeCloseTo(gL, 6));

  it('falls with warmth and with alcohol', () => {
    for (let t = 0; t < 30; t += 3) expect(co2Solubility(t + 3, 12)).toBeLessThan(co2Solubility(t, 12));
    expect(co2Solubility(15, 6)).toBeLessThan(co2Solubility(15, 0));
  });

  it('24 g/L of sucrose on a still wine gives 5–6 bar at 10–12 °C (sparkling practice)', () => {
    const gas = residualCo2(20, 12) + 24 * CO2_PER_SUCROSE;
    expect(gaugePressure(gas, 10, 12)).toBeGreaterThan(5);
    expect(gaugePressure(gas, 12, 12)).toBeLessThan(6.2);
  });

  it('a level teaspoon of sugar in 750 mL is 5.6 g/L', () => expect(4.2 / 0.75).toBeCloseTo(5.6, 9));
});

describe('the pressure check', () => {
  const input = { reachableGL: 0, primingGL: 0, abv: 12, warmestC: 20, bottle: 'still' as const };

  it('lets a finished still wine into corked bottles', () => expect(pressureCheck(input).level).toBe('fine'));
  it('stops sugar that yeast can reach', () => {
    const v = pressureCheck({ ...input, reachableGL: 10 });
    expect(v.level).toBe('stop');
    expect(v.bar20).toBeGreaterThan(2);
    expect(v.text).toMatch(/flying/);
  });
  it('judges each bottle by its own rating', () => {
    expect(pressureCheck({ ...input, primingGL: 6, bottle: 'crown' }).level).not.toBe('stop');
    expect(pressureCheck({ ...input, primingGL: 24, bottle: 'crown' }).level).toBe('stop');
    expect(pressureCheck({ ...input, primingGL: 18, bottle: 'sparkling' }).level).not.toBe('stop');
  });
  it('never falls when sugar rises', () => {
    let before = -1;
    for (let g = 0; g < 60; g += 2) {
      const { bar20, bar30 } = pressureCheck({ ...input, reachableGL: g });
      expect(bar20).toBeGreaterThanOrEqual(before);
      expect(bar30).toBeGreaterThanOrEqual(bar20);
      before = bar20;
    }
  });
});

describe('sugar that yeast can reach', () => {
  const T0 = Date.parse('2026-01-01T10:00:00Z');
  const on = eventsFrom(T0);
  const ingredients = [
    { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 2.2 },
    { kind: 'water' as const, volumeL: 9 }
  ];
  const begin = (sugarKg = 2.2, yeastId: 'wine' | 'ale' | 'champagne' = 'wine') => {
    const all = [{ ...ingredients[0]!, massKg: sugarKg } as (typeof ingredients)[0], ingredients[1]!];
    return [
      on(0, 'planned', { name: 'Test', plan: { ingredients: all, yeast: { yeastId } }, vesselId: 'b' }),
      on(0, 'addition', { ingredients: all }),
      on(1, 'pitch', { yeast: { yeastId } })
    ];
  };
  const reach = (events: LedgerEvent[], clear = true) =>
    checkBottling(foldBatch(events, T0 + 200 * DAY)!, 'still', 0, clear)!.reachable;

  it('never read: all of it, and a reading is asked for', () => {
    const r = reach(begin());
    expect(r.hexoseGL).toBeGreaterThan(200);
    expect(r.needsReading).toBe(true);
  });

  it('still for days where it should end: none', () => {
    expect(
      reach([...begin(), on(40, 'reading', { sg: 0.987 }), on(50, 'reading', { sg: 0.987 })]).hexoseGL
    ).toBe(0);
  });

  it('a little above where it should end: no month of stillness shows it is gone', () => {
    const at = (days: number) =>
      reach([...begin(), on(40, 'reading', { sg: 0.992 }), on(40 + days, 'reading', { sg: 0.992 })]).hexoseGL;
    expect(at(5)).toBeGreaterThan(5);
    expect(at(40)).toBeGreaterThan(5);
    expect(at(400)).toBeGreaterThan(5);
  });

  it('one dry reading is not enough', () => {
    const r = reach([...begin(), on(50, 'reading', { sg: 0.987 })]);
    expect(r.hexoseGL).toBeGreaterThan(0);
    expect(r.needsReading).toBe(true);
  });

  it('stalled with sugar left: the sugar counts, however long it has been still', () => {
    const r = reach([...begin(), on(40, 'reading', { sg: 1.02 }), on(80, 'reading', { sg: 1.02 })]);
    expect(r.hexoseGL).toBeGreaterThan(50);
    expect(r.why).toMatch(/stall/);
  });

  it('heated through in the bottle: no yeast reaches it; too little heat, or sugar for fizz, changes nothing', () => {
    const sweet = [
      ...begin(),
      on(40, 'reading', { sg: 0.987 }),
      on(50, 'reading', { sg: 0.987 }),
      on(55, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.3 }] })
    ];
    const level = (heat: { coreC: number; minutes: number } | null, priming = 0) =>
      checkBottling(foldBatch(sweet, T0 + 60 * DAY)!, 'still', priming, true, undefined, null, heat)!.verdict
        .level;
    expect(level(null)).toBe('stop');
    expect(level({ coreC: 63, minutes: 25 })).not.toBe('stop');
    expect(level({ coreC: 63, minutes: 5 })).toBe('stop');
    // Hours in a warm bath kill none.
    expect(level({ coreC: 54, minutes: 600 })).toBe('stop');
    expect(level({ coreC: 63, minutes: 25 }, 5)).toBe('stop');
    // In bottle it stays so: those that were heated are no danger, those that were not are.
    const filled = (heat?: { coreC: number; minutes: number }) =>
      foldBatch(
        [
          ...sweet,
          on(60, 'bottle', {
            from: 'b',
            bottles: [{ count: 10, sizeL: 0.75, type: 'still' }],
            clear: true,
            ...(heat ? { heat } : {})
          })
        ],
        T0 + 90 * DAY
      )!;
    expect(dangersOf(filled(), null)).toHaveLength(1);
    expect(dangersOf(filled({ coreC: 63, minutes: 25 }), null)).toEqual([]);
  });

  describe('what is found in a bottle that is opened', () => {
    const FIRST = '01890000-0000-7000-8000-0000000000aa';
    const dry = [...begin(), on(40, 'reading', { sg: 0.987 }), on(50, 'reading', { sg: 0.987 })];
    const bottled = (type: 'still' | 'crown', primingGL = 0) =>
      ({
        ...on(60, 'bottle', {
          from: 'b',
          bottles: [{ count: 10, sizeL: 0.75, type }],
          clear: true,
          ...(primingGL ? { primingGL } : {})
        }),
        id: FIRST
      }) as LedgerEvent;
    const opened = (day: number, found: 'still' | 'fizzy' | 'gushing') =>
      on(day, 'open', { bottleId: FIRST, count: 1, found });
    const at = (day: number, ...events: LedgerEvent[]) => foldBatch([...dry, ...events], T0 + day * DAY)!;
    const found = (day: number, ...events: LedgerEvent[]) =>
      dangersOf(at(day, ...events), null).map((d) => d.found);

    it('fizz in a still wine makes the others dangerous, whatever the sums say; wanted fizz does not', () => {
      expect(found(90, bottled('still'))).toEqual([]);
      expect(found(90, bottled('still'), opened(80, 'still'))).toEqual([]);
      expect(found(90, bottled('still'), opened(80, 'fizzy'))).toEqual(['fizzy']);
      expect(found(90, bottled('crown', 7), opened(80, 'fizzy'))).toEqual([]);
      expect(found(90, bottled('crown', 7), opened(80, 'gushing'))).toEqual(['gushing']);
      // Two still ones long ago say nothing once one was lively; two after it do.
      const lively = [bottled('still'), opened(70, 'still'), opened(125, 'still'), opened(130, 'fizzy')];
      expect(found(140, ...lively)).toEqual(['fizzy']);
      expect(found(170, ...lively, opened(140, 'still'), opened(160, 'still'))).toEqual([]);
    });

    it('a primed filling has a test bottle, after two weeks, until its fizz is found or does not come', () => {
      const due = (day: number, ...events: LedgerEvent[]) => {
        const now = T0 + day * DAY;
        return testBottlesOf(at(day, ...events)).map(({ dueAt, lateAt }) =>
          now > lateAt ? 'overdue' : now >= dueAt ? 'due' : 'coming'
        );
      };
      expect(due(70, bottled('still'))).toEqual([]);
      expect(due(70, bottled('crown', 7))).toEqual(['coming']);
      expect(due(74.2, bottled('crown', 7))).toEqual(['due']);
      expect(due(90, bottled('crown', 7))).toEqual(['overdue']);
      expect(due(90, bottled('crown', 7), opened(80, 'fizzy'))).toEqual([]);
      expect(due(90, bottled('crown', 7), opened(80, 'still'))).toEqual(['coming']);
      expect(due(95, bottled('crown', 7), opened(80, 'still'))).toEqual(['due']);
      const three = [opened(75, 'still'), opened(90, 'still'), opened(105, 'still')] as const;
      expect(due(140, bottled('crown', 7), ...three)).toEqual([]);
    });
  });

  it('a yeast at its limit is only trusted at the high end of its tolerance', () => {
    const sweet = reach([
      ...begin(2.6, 'ale'),
      on(40, 'reading', { sg: 1.03 }),
      on(80, 'reading', { sg: 1.03 })
    ]);
    expect(sweet.hexoseGL).toBeGreaterThan(10);
    expect(sweet.hexoseGL).toBeLessThan(100);
  });

  it('a second, stronger yeast reaches more', () => {
    const weak = [...begin(2.6, 'ale'), on(40, 'reading', { sg: 1.03 }), on(80, 'reading', { sg: 1.03 })];
    const strong = [...weak, on(30, 'pitch', { yeast: { yeastId: 'champagne' as const } })];
    expect(reach(strong).hexoseGL).toBeGreaterThan(reach(weak).hexoseGL);
  });

  it('stabilised counts only with sulphite and sorbate together, in finished, clear wine', () => {
    const dry = [...begin(), on(40, 'reading', { sg: 0.987 }), on(50, 'reading', { sg: 0.987 })];
    const powder = (additiveId: 'sorbate' | 'metabisulphite' | 'campden', day = 60) =>
      on(day, 'addition', {
        ingredients: [{ kind: 'additive', additiveId, massKg: additiveId === 'sorbate' ? 0.003 : 0.0008 }]
      });
    const sugar = on(62, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.4 }] });
    const sweet = on(70, 'reading', { sg: 1.003 });
    const both = [powder('sorbate'), powder('metabisulphite')];
    expect(reach([...dry, ...both, sugar, sweet]).hexoseGL).toBe(0);
    expect(reach([...dry, ...both, sugar, sweet], false).hexoseGL).toBeGreaterThan(20);
    expect(reach([...dry, powder('sorbate'), sugar, sweet]).hexoseGL).toBeGreaterThan(20);
    // One reading does not show that it was finished; a stall never was.
    expect(reach([...dry.slice(0, -1), ...both, sugar, sweet]).hexoseGL).toBeGreaterThan(20);
    const stalled = [...begin(), on(40, 'reading', { sg: 1.01 }), on(50, 'reading', { sg: 1.01 })];
    expect(reach([...stalled, ...both]).hexoseGL).toBeGreaterThan(20);
    // What went in at crushing is long bound.
    expect(reach([...dry, powder('campden', 0), powder('sorbate'), sugar, sweet]).hexoseGL).toBeGreaterThan(
      20
    );
    // Fresh yeast, and a gravity that falls again, undo it.
    expect(
      reach([...dry, ...both, sugar, on(64, 'pitch', { yeast: { yeastId: 'champagne' } })]).hexoseGL
    ).toBeGreaterThan(20);
    expect(reach([...dry, ...both, sugar, sweet, on(90, 'reading', { sg: 0.998 })]).hexoseGL).toBeGreaterThan(
      5
    );
  });

  it('sugar fed after the last reading counts', () => {
    const done = [...begin(), on(40, 'reading', { sg: 0.987 }), on(50, 'reading', { sg: 0.987 })];
    const fed = [
      ...done,
      on(55, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.3 }] })
    ];
    expect(reach(fed).hexoseGL).toBeGreaterThan(20);
  });
});
