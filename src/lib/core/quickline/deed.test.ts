import { describe, expect, it } from 'vitest';
import { standingOf } from '../belief/standing';
import { dangersOf } from '../finish/danger';
import { fillL } from '../ledger/fill';
import { foldBatch } from '../ledger/run';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import type { LedgerEvent } from '../ledger/log';
import type { Ingredient } from '../plan/plan';
import { schedule } from '../steps/schedule';
import { DEFAULT_SETTINGS } from '../units/settings';
import { VESSEL_PRESETS, type Vessel } from '../vessels/vessels';
import type { Context } from './context';
import { deedOf } from './deed';
import type { Home } from './home';
import { parse } from './parse';
import { planOf } from './plan-of';
import { evaluate } from '../must/evaluate';
import { solvePlan } from '../solve/solve';

const T0 = Date.parse('2026-04-01T09:00:00Z');
const on = eventsFrom(T0);
const GRAPES: Ingredient[] = [{ kind: 'juice', produceId: 'grape', volumeL: 10 }];
const VESSELS: Vessel[] = ['bucket-15', 'jar-10', 'jar-5', 'jar-us', 'bottle-2'].map((id) =>
  VESSEL_PRESETS.find((v) => v.id === id)!
);
const begun = (vesselId = 'bucket-15'): LedgerEvent[] => [
  on(0, 'planned', { name: 'Grape', plan: { ingredients: GRAPES }, vesselId }),
  on(0, 'addition', { ingredients: GRAPES, vesselId }),
  on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 })
];

let made = 0;
/** What a line would write in a household of one wine. */
function written(line: string, events: LedgerEvent[], atDay: number, settings = DEFAULT_SETTINGS) {
  const now = T0 + atDay * DAY;
  const state = foldBatch(events, now)!;
  const home: Home = {
    settings,
    vessels: VESSELS,
    free: VESSELS.filter((v) => !state.fills.some((f) => f.vesselId === v.id)),
    wines: [{ id: state.id, state, standing: standingOf(state), due: schedule(state) }],
    now,
    newId: () => `new-jar-${++made}`
  };
  const ctx: Context = {
    now,
    zone: 'UTC',
    mass: 'kg',
    volume: 'L',
    temp: 'C',
    country: 'us',
    wines: [{ id: state.id, name: state.name }],
    hereId: state.id,
    vessels: VESSELS,
    own: []
  };
  const { commands, asks } = parse(line, ctx);
  expect(asks, line).toEqual([]);
  return deedOf(commands[0] as never, home);
}

describe('what a line writes', () => {
  it('is a reading corrected for its stem, as the form would', () => {
    const [d] = written('sg 1.064 30c', begun(), 3).deed;
    expect(d!.data).toMatchObject({ stemSg: 1.064, tempC: 30 });
    expect((d!.data as { sg: number }).sg).toBeGreaterThan(1.0655);
  });
  it('asks by what °Bx is read before it is taken', () => {
    expect(() => written('bx 12', begun(), 3)).toThrow(/refractometer/);
    expect(() => written('pa 12', begun(), 3)).toThrow(/1\.100/);
  });
  it('happened when it was said to', () => {
    expect(written('yesterday 8pm stirred', begun(), 3).deed[0]!.at).toBe(Date.parse('2026-04-03T20:00:00Z'));
  });
  it('puts off the racking that is to come, and says so where none is, or it is not for so soon', () => {
    const racked = on(9, 'transfer', {
      from: 'bucket-15',
      to: [{ vesselId: 'jar-10', volumeL: 9.4 }],
      lossL: 0.4,
      emptied: true
    });
    const put = (line: string, events: LedgerEvent[], day: number) =>
      written(line, events, day).deed[0]!.data;
    expect(put('put off racking 5 weeks', begun(), 3)).toMatchObject({ step: 'rack-1', outcome: 'snoozed' });
    const second = [...begun(), racked];
    expect(put('remind me to rack it in 12 weeks', second, 10)).toMatchObject({ step: 'rack-2' });
    expect(put('skip racking', second, 10)).toMatchObject({ step: 'rack-2', outcome: 'skipped' });
    expect(() => put('remind me to rack it in 2 days', second, 10)).toThrow(/not before \d+ May/);
    expect(() => put('put off the fruit out 2 days', second, 10)).toThrow(/not to come in the Grape/);
  });
  it('tops a jar up from another to its neck, and leaves the rest where it is', () => {
    const two = (inFirstL: number) => [
      ...begun(),
      on(8, 'transfer', {
        from: 'bucket-15',
        to: [
          { vesselId: 'jar-5', volumeL: inFirstL },
          { vesselId: 'jar-us', volumeL: 3.5 }
        ],
        lossL: 0.5,
        emptied: true
      })
    ];
    const line = 'topped up the 5 l jar from the 1 US gal jar';
    const [rack, ...more] = written(line, two(4.2), 30).deed;
    expect(more).toEqual([]);
    const s = foldBatch([...two(4.2), on(30, 'transfer', rack!.data as never)], T0 + 30 * DAY)!;
    const [full, rest] = ['jar-5', 'jar-us'].map((id) => s.fills.find((f) => f.vesselId === id)!);
    expect(fillL(full!)).toBeGreaterThan(4.8);
    expect(fillL(full!) + fillL(rest!)).toBeCloseTo(7.7, 2);
    expect(() => written(line, two(5.16), 30)).toThrow(/5 L jar is full/);
  });
  it('racks several into one: each gives what it held, once, and what was lost is shared by it', () => {
    const two = [
      ...begun(),
      on(8, 'transfer', {
        from: 'bucket-15',
        to: [
          { vesselId: 'jar-5', volumeL: 5 },
          { vesselId: 'jar-us', volumeL: 3.5 }
        ],
        lossL: 1,
        emptied: true
      })
    ];
    type Rack = { from: string; to: { vesselId: string; volumeL: number }[]; lossL: number };
    for (const line of [
      'racked everything into the 10 l jar, lost 0.4 l',
      'racked both jars to the 10 l jar'
    ]) {
      const { deed } = written(line, two, 40);
      const racks = deed.map((d) => d.data as Rack);
      expect(racks.map((r) => [r.from, r.to.map((t) => t.vesselId)])).toEqual([
        ['jar-5', ['jar-10']],
        ['jar-us', ['jar-10']]
      ]);
      const after = [...two, ...racks.map((r, i) => on(40 + i / 1e4, 'transfer', r as never))];
      const s = foldBatch(after, T0 + 41 * DAY)!;
      expect(s.fills.map((f) => [f.vesselId, f.racked.length])).toEqual([['jar-10', 2]]);
      const lostL = racks.reduce((sum, r) => sum + r.lossL, 0);
      const inL = racks.reduce((sum, r) => sum + r.to[0]!.volumeL, 0);
      expect(inL + lostL).toBeCloseTo(8.5, 1);
      if (line.includes('lost')) expect(lostL).toBeCloseTo(0.4, 6);
    }
    // One of them that takes the rest gives nothing, and has no room for it here.
    expect(() => written('racked everything into the 5 l jar', two, 40)).toThrow(/no room|does not fit/);
    // Where it stands it was not racked to.
    expect(() => written('racked everything into the 5 l jar and the 1 us gal jar', two, 40)).toThrow(
      /already/
    );
  });
  it('makes up to a mark what stands there by the sums, fruit and all', () => {
    const [d] = written('made up to 12 l with water', begun(), 0.5).deed;
    const [water] = (d!.data as { ingredients: Ingredient[] }).ingredients;
    expect(water).toMatchObject({ kind: 'water' });
    expect((water as { volumeL: number }).volumeL).toBeCloseTo(2, 1);
    expect(() => written('made up to 9 l with water', begun(), 0.5)).toThrow(/stands at .*10/);
    // Of the day before something else went in nobody knows.
    expect(() => written('yesterday made up to 12 l with water', begun(), 1.5)).toThrow(/since/);
  });
  it('racks into jars that are free, the smaller full, and knows a jar that is new', () => {
    const { deed, newVessels } = written('racked to 5 l and 1 us gal, lost 0.7 l', begun(), 20);
    const data = deed[0]!.data as { to: { vesselId: string; volumeL: number }[]; lossL: number };
    expect(data.to.map((t) => t.vesselId)).toEqual(['jar-5', 'jar-us']);
    expect(data.lossL).toBe(0.7);
    expect(data.to.reduce((sum, t) => sum + t.volumeL, 0)).toBeLessThanOrEqual(5.25 + 3.95);
    expect(newVessels).toEqual([]);
    const fresh = written('racked to 10 l and 1.5 l', begun('jar-10'), 20);
    expect(fresh.newVessels.map((v) => v.name)).toEqual(['10 L jar 2', '1.5 L jar']);
  });
  it('refuses a racking that finds no room, more than there was, and a jar of another wine', () => {
    expect(() => written('racked to 2 l', begun(), 20)).toThrow(/does not fit/);
    expect(() => written('racked 14 l to the 10 l jar', begun(), 20)).toThrow(/does not fit/);
  });
  it('never writes in silence what the forms would stop at', () => {
    expect(() => written('300 g campden', begun(), 3)).toThrow(/more than anyone puts in/);
    expect(() => written('pitched 400 g', begun(), 3)).toThrow(/ten times/);
    // Wine that nobody has read, days after its yeast.
    expect(() => written('bottled 12', begun('jar-10'), 30)).toThrow(/Do not bottle/);
    expect(() => written('bottled 60', begun('jar-10'), 30)).toThrow(/there are/);
    expect(() => written('fruit out', begun(), 5)).toThrow(/no fruit/);
    expect(() => written('done finings', begun(), 5)).toThrow(/has to be said/);
  });
  it('counts a dose with that of yesterday, and sulphite no more with that of last season', () => {
    const dosed = [
      ...begun(),
      on(1, 'addition', { ingredients: [{ kind: 'additive', additiveId: 'campden', massKg: 0.0026 }] }),
      on(1, 'addition', { ingredients: [{ kind: 'additive', additiveId: 'tannin', massKg: 0.004 }] })
    ];
    const warned = (line: string, day: number) =>
      written(line, dosed, day).cautions.some((c) => /more than anyone puts in/.test(c.text));
    expect([warned('3 campden', 2), warned('3 campden', 80)]).toEqual([true, false]);
    // Tannin stays where it is.
    expect([warned('3 g tannin', 2), warned('3 g tannin', 80)]).toEqual([true, true]);
  });
  it('takes the yeast of the plan where none is named', () => {
    expect(written('pitched 5 g', begun(), 3).deed[0]!.data).toMatchObject({
      yeast: { yeastId: 'wine' },
      massG: 5
    });
  });
  it('names the vessel where there are several', () => {
    const two = [
      ...begun(),
      on(20, 'transfer', {
        from: 'bucket-15',
        to: [
          { vesselId: 'jar-5', volumeL: 5 },
          { vesselId: 'jar-us', volumeL: 3.9 }
        ],
        lossL: 0.5
      }),
      on(21, 'addition', {
        ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 0.1 }],
        vesselId: 'jar-5'
      })
    ];
    expect(() => written('sg 1.010', two, 25)).toThrow(/in 2 vessels/);
    expect(written('sg 1.010 in the 5 l jar', two, 25).deed[0]!.data).toMatchObject({ vesselId: 'jar-5' });
    expect(() => written('topped up with gas', two, 25)).toThrow(/in 2 vessels/);
    // What was read alike in all is written of each.
    for (const said of ['in each', 'in both jars', 'in all of them', 'in every jar', 'in all the jars']) {
      const { deed } = written(`sg 1.010 21c ph 3.4 ${said}`, two, 25);
      expect(
        deed.map((d) => d.data),
        said
      ).toMatchObject([
        { vesselId: 'jar-5', tempC: 21, ph: 3.4 },
        { vesselId: 'jar-us', tempC: 21, ph: 3.4 }
      ]);
    }
    expect(written('sg 1.010 in each', begun(), 3).deed).toHaveLength(1);
  });
});

describe('the plan of a line', () => {
  const plum: Ingredient = { kind: 'produce', produceId: 'plum', massKg: 4.08, form: 'fresh' };
  const sugar: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 2.72 };
  it('keeps what was said, and makes so much of it', () => {
    const plan = planOf({ kind: 'plan', items: [plum, sugar], volumeL: 11.36 }, 120);
    const { likely } = evaluate(solvePlan(plan).plan);
    expect(likely.intoGlassL).toBeCloseTo(11.36, 1);
    expect(plan.ingredients.find((i) => i.kind === 'sugar')).toMatchObject({ massKg: 2.72, held: true });
  });
  it('takes as much fruit as is common where none was said', () => {
    const plan = planOf(
      {
        kind: 'plan',
        items: [
          { ...plum, massKg: 0 },
          { kind: 'honey', massKg: 0 }
        ],
        volumeL: 3.785,
        abv: 13
      },
      120
    );
    const solved = solvePlan(plan).plan;
    const { likely } = evaluate(solved);
    expect(likely.intoGlassL).toBeCloseTo(3.785, 1);
    expect(solved.ingredients.find((i) => i.kind === 'honey')).toHaveProperty('massKg');
    expect((solved.ingredients.find((i) => i.kind === 'honey') as { massKg: number }).massKg).toBeGreaterThan(
      0.8
    );
  });
});

describe('bottles in a line', () => {
  it('have left only as was said: one nobody spoke of proves nothing of the rest', () => {
    // Bottled sweet and alive, against the check.
    const live = [
      ...begun(),
      on(9, 'fruit-out', { press: 'drip' }),
      on(20, 'reading', { sg: 1.02 }),
      on(21, 'bottle', {
        from: 'bucket-15',
        bottles: [{ count: 12, sizeL: 0.75, type: 'still' }],
        emptied: true
      })
    ];
    const after = (lines: [day: number, line: string][]) => {
      const log = [...live];
      for (const [day, line] of lines)
        for (const d of written(line, log, day).deed) log.push(on(day, d.type as 'open', d.data as never));
      const s = foldBatch(log, T0 + 200 * DAY)!;
      return { left: s.bottled[0]!.left, dangers: dangersOf(s, standingOf(s).belief).length };
    };
    expect(after([])).toEqual({ left: 12, dangers: 1 });
    expect(
      after([
        [100, 'opened 1 bottle'],
        [120, 'opened 2 bottles']
      ])
    ).toEqual({ left: 9, dangers: 1 });
    // Found still a fortnight apart, two months on: that is proof.
    expect(
      after([
        [100, 'opened one, still'],
        [120, 'opened one, still']
      ])
    ).toEqual({ left: 10, dangers: 0 });
    // Broken ones are gone; given away they would be somebody else's danger.
    expect(after([[100, 'broke 2 bottles']])).toEqual({ left: 10, dangers: 1 });
    expect(() => after([[100, 'gave 2 bottles to the neighbours']])).toThrow('they go to nobody');
    expect(() => after([[100, 'opened 40 bottles']])).toThrow('only 12 left');
  });
});
