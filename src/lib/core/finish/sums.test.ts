import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { massOf } from '../liquid/stock';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';
import { finingG, hazeOf, helpsAgainst, nextTest } from './clear';
import { allergensOf } from '../plan/allergens';
import { DEPTHS, depthOf, mixColour } from '../plan/colour';
import { judgeDose } from '../tables/doses';
import { FININGS } from '../tables/finings';
import { blend, blendInto, type BlendWine } from './blend';
import {
  coreAfter,
  killsYeast,
  minutesFor,
  minutesInBath,
  pasteurUnits,
  WANTED_UNITS
} from '../ferment/heat';
import { gasWanted, prime } from './prime';
import { activeShare, freeFor, molecularOf } from '../liquid/preservers';
import { sorbateDoseGL } from './sorbate';
import { freeLeft, sulphiteDose } from './sulphite';
import { sweeten, sweetenWith } from './sweeten';
import { isStable } from '../ledger/preserved';
import { stabilising, hindrancesOf } from './stabilise';
import { afterTrial, glassesOf } from './trial';
import { toldOf, wineOf } from './wine';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import { questionsAbout } from '../ledger/check';
import { foldBatch } from '../ledger/run';
import { stabilise } from '../commands/finish';
import type { LedgerEvent } from '../ledger/log';

describe('sulphite', () => {
  // Free SO2, mg/L, for 0.8 and 0.5 mg/L molecular. Zoecklein, Fugelsang, Gump & Nury, Wine Analysis and Production
  // (1995), and Margalit, Concepts in Wine Chemistry (1997), as printed, whole milligrams (from memory).
  it.each([
    [2.9, 11, 7],
    [3.0, 13, 8],
    [3.1, 16, 10],
    [3.2, 21, 13],
    [3.3, 26, 16],
    [3.4, 32, 20],
    [3.5, 40, 25],
    [3.6, 50, 31],
    [3.7, 63, 39],
    [3.8, 79, 49],
    [3.9, 99, 62],
    [4.0, 125, 78]
  ])('pH %d wants %d and %d mg/L free', (ph, white, red) => {
    // To two parts in a hundred, or to the whole milligram that is printed, which some tables round up.
    const near = (ours: number, printed: number) =>
      expect(Math.abs(ours - printed)).toBeLessThanOrEqual(Math.max(0.02 * printed, 0.6));
    near(freeFor(0.8, ph), white);
    near(freeFor(0.5, ph), red);
    expect(molecularOf(freeFor(0.8, ph), ph)).toBeCloseTo(0.8, 9);
  });

  it('pH 3.4 at 0.8 is 32 mg/L; in 10 L that is 0.55 g, less what was measured', () => {
    const dose = sulphiteDose({ volumeL: 10, ph: 3.4, style: 'white' });
    expect(dose.freeTargetMgL).toBeCloseTo(31.92, 2);
    expect(dose.metabisulphiteG).toBeCloseTo(0.5542, 3);
    const less = sulphiteDose({ volumeL: 10, ph: 3.4, style: 'white', freeMgL: 20 });
    expect(less.metabisulphiteG).toBeCloseTo((dose.metabisulphiteG * 11.92) / 31.92, 3);
    expect(sulphiteDose({ volumeL: 10, ph: 3.4, style: 'white', freeMgL: 50 }).metabisulphiteG).toBe(0);
    expect(() => sulphiteDose({ volumeL: 10, ph: 4.4, style: 'white' })).toThrow(/no sane dose/);
  });

  it('what is left falls with days and rackings, and never under nought', () => {
    const at = (days: number, rackings = 0) => freeLeft({ addedMgL: 60, days, rackings });
    for (const [a, b] of [
      [at(0), at(30)],
      [at(30), at(30, 1)]
    ] as const) {
      expect(b.likely).toBeLessThan(a.likely);
      expect(b.low).toBeLessThanOrEqual(b.likely);
      expect(b.likely).toBeLessThanOrEqual(b.high);
    }
    expect(at(2000, 5).high).toBe(0);
    // A first dose of 30 has lost a third to a half by the next day (common practice).
    expect(freeLeft({ addedMgL: 30, days: 0, rackings: 0 })).toMatchObject({
      low: expect.closeTo(15, 9),
      high: expect.closeTo(20, 9)
    });
  });
});

describe('sorbate', () => {
  it('0.2 to 0.3 g/L is usual, 0.4 the most (common practice); half of it works at its pK', () => {
    for (let abv = 6; abv <= 16; abv++)
      for (let ph = 2.9; ph <= 4.2; ph += 0.1) {
        const g = sorbateDoseGL(abv, ph);
        expect(g).toBeGreaterThan(0.18);
        expect(g).toBeLessThanOrEqual(0.4);
        expect(sorbateDoseGL(abv + 1, ph)).toBeLessThanOrEqual(g);
      }
    expect(activeShare(4.76)).toBeCloseTo(0.5, 9);
    expect(sorbateDoseGL(10, 4)).toBeGreaterThan(sorbateDoseGL(10, 3.2));
    expect(() => sorbateDoseGL(12, 4.5)).toThrow(/relied on/);
  });
});

describe('a wine that is sweetened', () => {
  const wine = wineOf({ volumeL: 10, sg: 0.994, abv: 12 });

  it('is what was measured', () => {
    const told = toldOf(wine);
    expect(told.volumeL).toBeCloseTo(10, 5);
    expect(told.sg).toBeCloseTo(0.994, 7);
    expect(told.abv).toBeCloseTo(12, 6);
    expect(() => wineOf({ volumeL: 1, sg: 0.97, abv: 12 })).toThrow(/cannot read/);
  });

  it('a gram of sugar a litre lifts it by 0.38 points (handbook: 2.6 g/L a point)', () => {
    const { sg, volumeL, abv } = sweeten(wine, { addGL: 26 }, sweetenWith('white'));
    expect((sg - 0.994) * 1000).toBeCloseTo(10, 0);
    // A kilo of sugar takes 0.62 L.
    expect(volumeL - 10).toBeCloseTo(0.26 * 0.62, 2);
    expect(abv).toBeCloseTo((12 * 10) / volumeL, 6);
  });

  it('by any sweetener: the gravity is met, and mass closes to a tenth of a gram', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(SWEETENERS) as SweetenerId[])),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0.988, max: 1.002, noNaN: true }),
        fc.double({ min: 5, max: 15, noNaN: true }),
        fc.double({ min: 0.001, max: 0.03, noNaN: true }),
        (id, volumeL, sg, abv, lift) => {
          let from;
          try {
            from = wineOf({ volumeL, sg, abv });
          } catch {
            return;
          }
          const to = sweeten(from, { toSg: sg + lift }, sweetenWith(id));
          expect(to.sg).toBeCloseTo(sg + lift, 5);
          expect(Math.abs(massOf(to.stock) - massOf(from) - to.amount)).toBeLessThan(1e-4);
          // Alcohol is neither made nor lost.
          const told = toldOf(from);
          expect(to.abv).toBeLessThan(told.abv);
          expect(to.abv * to.volumeL).toBeCloseTo(told.abv * told.volumeL, 4);
        }
      ),
      { numRuns: 150 }
    ));

  it('what yeast cannot take lifts the gravity less for the sweetness it gives', () => {
    const sugar = sweeten(wine, { toSg: 1.004 }, sweetenWith('white'));
    const erythritol = sweeten(wine, { toSg: 1.004 }, sweetenWith('erythritol'));
    expect(erythritol.amount).toBeGreaterThan(sugar.amount);
    expect(erythritol.stock.hexoseKg).toBe(0);
    expect(() => sweeten(wine, { toSg: 0.99 }, sweetenWith('white'))).toThrow(/already/);
  });
});

describe('what clouds a wine', () => {
  it('the tests are asked in turn, and one that speaks ends it (common practice)', () => {
    expect(nextTest({})).toBe('inSpirit');
    expect(hazeOf({ inSpirit: 'strings' })).toBe('pectin');
    expect(nextTest({ inSpirit: 'none' })).toBe('iodine');
    expect(hazeOf({ inSpirit: 'none', iodine: 'blue' })).toBe('starch');
    expect(hazeOf({ inSpirit: 'none', iodine: 'none' })).toBeNull();
    expect(hazeOf({ inSpirit: 'none', iodine: 'none', heated: 'flocks' })).toBe('protein');
    expect(hazeOf({ inSpirit: 'none', iodine: 'none', heated: 'none' })).toBe('yeast');
    for (const haze of ['pectin', 'starch', 'protein', 'yeast'] as const)
      expect(helpsAgainst(haze).length).toBeGreaterThan(0);
    expect(helpsAgainst('pectin')).toEqual(['enzyme']);
  });

  it('every part has a dose, and what is of egg, milk, fish or shells is on the label', () => {
    const fill = {
      stock: wineOf({ volumeL: 10, sg: 0.995, abv: 12 }),
      powdersG: {} as Record<string, number>
    };
    for (const id of helpsAgainst(null))
      for (const p of finingG(id, fill)) expect(judgeDose(p.id, p.massG, 10)).toBe('usual');
    const named = helpsAgainst(null).flatMap((id) =>
      FININGS[id].parts.flatMap((p) =>
        allergensOf({ kind: 'additive', additiveId: p as 'casein', massKg: 0 })
      )
    );
    expect(named.sort()).toEqual(['crustaceans', 'egg', 'fish', 'milk']);
    // The second of two parts is what is left, once the first is in.
    expect(finingG('two-part', { ...fill, powdersG: { kieselsol: 6 } }).map((p) => p.id)).toEqual([
      'chitosan'
    ]);
  });
});

describe('a bench trial', () => {
  const wine = wineOf({ volumeL: 5, sg: 0.994, abv: 12 });
  const trial = { glasses: 4, glassL: 0.1, stepGL: 10 };
  const of = sweetenWith('white');

  it('the glass one likes is the jar, a litre at a time', () => {
    expect(glassesOf(trial).map((g) => g.grams)).toEqual([0, 1, 2, 3]);
    const glass = sweeten(wineOf({ volumeL: 0.1, sg: 0.994, abv: 12 }), { addGL: 20 }, of);
    expect(afterTrial(wine, trial, 20, of, true).whole.sg).toBeCloseTo(glass.sg, 6);
  });

  it('what is poured back is counted, and what was drunk is not sweetened', () => {
    const back = afterTrial(wine, trial, 20, of, true);
    expect(back.whole.amount * 1000).toBeCloseTo(100, 6);
    expect(back.toWeighKg * 1000).toBeCloseTo(94, 6);
    const drunk = afterTrial(wine, trial, 20, of, false);
    expect(drunk.whole.amount * 1000).toBeCloseTo(92, 6);
    expect(drunk.inGlassesKg).toBe(0);
    // Nothing liked but the plain one: nothing goes in.
    expect(afterTrial(wine, trial, 0, of, true).toWeighKg).toBe(0);
  });
});

describe('stabilising a vessel', () => {
  const T0 = Date.parse('2026-01-01T10:00:00Z');
  const on = eventsFrom(T0);
  const ingredients = [
    { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 2.2 },
    { kind: 'acid' as const, acidId: 'tartaric' as const, massKg: 0.05 },
    { kind: 'water' as const, volumeL: 9 }
  ];
  const yeast = { yeastId: 'wine' as const };
  const begin = [
    on(0, 'planned', { name: 'Test', plan: { ingredients, yeast }, vesselId: 'b' }),
    on(0, 'addition', { ingredients }),
    on(1, 'pitch', { yeast })
  ];
  const dry = [...begin, on(40, 'reading', { sg: 0.988 }), on(50, 'reading', { sg: 0.988, ph: 3.4 })];
  const at = (events: LedgerEvent[]) => foldBatch(events, T0 + 60 * DAY)!;

  it('the dose of the form counts as both, in a finished wine; in one that works it does not', () => {
    for (const [events, hinders] of [
      [dry, []],
      [begin, ['not-finished']]
    ] as const) {
      const s = at([...events]);
      expect(hindrancesOf(s, s.fills[0]!)).toEqual(hinders);
      const deed = stabilise(s.id, 'b', stabilising(s, s.fills[0]!));
      const after = at([...events, on(55, 'addition', deed[0]!.data as never)]);
      expect(isStable(after.fills[0]!)).toBe(hinders.length === 0);
    }
  });

  it('goes by the pH that was measured, and by free sulphur dioxide that was', () => {
    const s = at(dry);
    const fill = s.fills[0]!;
    const plain = stabilising(s, fill);
    expect(plain.isMeasured).toBe(true);
    expect(plain.sulphite.freeTargetMgL).toBeCloseTo(31.92, 2);
    expect(plain.metabisulphiteG).toBeCloseTo(plain.sulphite.withBoundG.low, 9);
    // Enough is free: the least that keeps a sweet wine all the same.
    const enough = stabilising(s, fill, { freeMgL: 40 });
    expect(enough.metabisulphiteG).toBeCloseTo(0.04 * enough.volumeL, 9);
    expect(stabilising(s, fill, { style: 'red' }).metabisulphiteG).toBeLessThan(plain.metabisulphiteG);
  });

  it('counts on free sulphur dioxide that was written down, in that jar, since its last dose, for a fortnight', () => {
    const kit = (day: number, vesselId?: string) =>
      on(day, 'reading', { freeSo2MgL: 40, ...(vesselId ? { vesselId } : {}) });
    const dose = (events: LedgerEvent[]) => {
      const s = at(events);
      return stabilising(s, s.fills[0]!).metabisulphiteG;
    };
    const none = dose(dry);
    expect(dose([...dry, kit(55)])).toBeLessThan(0.9 * none);
    expect(dose([...dry, kit(55, 'b')])).toBeLessThan(0.9 * none);
    expect(dose([...dry, kit(55, 'elsewhere')])).toBe(none);
    expect(dose([...dry, kit(44)])).toBe(none);
    const given = on(57, 'addition', {
      ingredients: [{ kind: 'additive', additiveId: 'metabisulphite', massKg: 0.0001 }]
    } as never);
    expect(dose([...dry, kit(55), given])).toBe(none);
  });

  it('refuses sorbate where malolactic bacteria went in, and asks when either is added to the other', () => {
    const bacteria = on(52, 'addition', {
      ingredients: [{ kind: 'additive', additiveId: 'malolactic', massKg: 0.001 }]
    } as never);
    const s = at([...dry, bacteria]);
    expect(hindrancesOf(s, s.fills[0]!)).toEqual(['malolactic']);
    const sorbate = on(55, 'addition', {
      ingredients: [
        { kind: 'additive', additiveId: 'metabisulphite', massKg: 0.0006 },
        { kind: 'additive', additiveId: 'sorbate', massKg: 0.002 }
      ]
    } as never);
    const asked = (events: LedgerEvent[], last: LedgerEvent) =>
      questionsAbout(last.batchId, events, [last]).map((q) => q.text);
    expect(asked([...dry, bacteria], sorbate)).toEqual([expect.stringContaining('geranium')]);
    expect(asked([...dry, sorbate], { ...bacteria, at: sorbate.at })).toEqual([
      expect.stringContaining('geranium')
    ]);
    expect(asked(dry, sorbate)).toEqual([]);
  });

  it('at a high pH it stops at the most that anyone gives, and says so', () => {
    const s = at([...dry, on(52, 'reading', { ph: 3.95 })]);
    const dose = stabilising(s, s.fills[0]!);
    expect(dose.isMost).toBe(true);
    expect(judgeDose('metabisulphite', dose.metabisulphiteG, dose.volumeL)).toBe('usual');
    expect(stabilising(at(dry), at(dry).fills[0]!).isMost).toBe(false);
  });

  it('a cloud is yeast: not yet', () => {
    const s = at([...dry, on(52, 'observation', { clarity: 'hazy' })]);
    expect(hindrancesOf(s, s.fills[0]!)).toEqual(['not-clear']);
  });
});

describe('a blend', () => {
  const wines: BlendWine[] = [
    { name: 'elder', volumeL: 5, abv: 13, taGL: 5, hexoseGL: 2 },
    { name: 'rhubarb', volumeL: 4, abv: 11, taGL: 9, hexoseGL: 0 },
    { name: 'honey', volumeL: 3, abv: 14, taGL: 4, hexoseGL: 40 },
    { name: 'water', volumeL: 2, abv: 0, taGL: 0, hexoseGL: 0 }
  ];

  it('meets what can be met, within what each jar holds', () => {
    const b = blend(wines, { volumeL: 8, abv: 12, taGL: 6 });
    expect(b.misses).toEqual([]);
    expect(b.abv).toBeCloseTo(12, 6);
    expect(b.taGL).toBeCloseTo(6, 6);
    expect(b.volumeL).toBeCloseTo(8, 6);
    for (const t of b.take)
      expect(t.volumeL).toBeLessThanOrEqual(wines.find((w) => w.name === t.name)!.volumeL + 1e-9);
  });

  it('without a volume it makes as much as the jars allow', () => {
    // Elder and rhubarb alone, half and half, titrate to 7: four litres of rhubarb are the least.
    expect(blend(wines.slice(0, 2), { taGL: 7 }).volumeL).toBeCloseTo(8, 5);
    // Three litres at 14 carry one and a half at 11 beside the five at 13.
    expect(blend(wines, { abv: 13 }).volumeL).toBeCloseTo(9.5, 5);
  });

  it('says what it misses, and by how much', () => {
    const b = blend(wines, { volumeL: 20, abv: 15 });
    expect(b.misses.map((m) => m.of).sort()).toEqual(['abv', 'volumeL']);
    expect(() => blend(wines, {})).toThrow(/Nothing is wanted/);
    expect(() => blend([], { abv: 12 })).toThrow(/nothing to blend/);
  });

  it('into a jar that stands: all of that is kept, the least that serves is poured, and it does not run over', () => {
    const [elder, rhubarb, honey] = wines as [BlendWine, BlendWine, BlendWine];
    const sharper = blendInto(elder, [rhubarb, honey], { taGL: 6 }, 20);
    expect(sharper.take[0]).toEqual({ name: 'elder', volumeL: 5 });
    expect(sharper.take[1]!.name).toBe('rhubarb');
    expect(sharper.taGL).toBeCloseTo(6, 6);
    expect(sharper.volumeL).toBeCloseTo(5 + 5 / 3, 5);
    const full = blendInto(elder, [rhubarb], { taGL: 6 }, 5.5);
    expect(full.volumeL).toBeCloseTo(5.5, 6);
    expect(full.misses[0]).toMatchObject({ of: 'taGL' });
    // Two goals with two wines.
    const both = blendInto(elder, [rhubarb, honey], { taGL: 6, hexoseGL: 8 }, 20);
    expect(both.misses).toEqual([]);
    expect(() => blendInto(elder, [], { taGL: 6 }, 20)).toThrow(/nothing to blend/);
  });

  it('is as good as trying every half litre (brute force on three wines)', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            volumeL: fc.integer({ min: 1, max: 4 }),
            abv: fc.integer({ min: 0, max: 16 }),
            taGL: fc.integer({ min: 0, max: 12 }),
            hexoseGL: fc.integer({ min: 0, max: 80 })
          }),
          { minLength: 3, maxLength: 3 }
        ),
        fc.record({
          abv: fc.integer({ min: 8, max: 14 }),
          taGL: fc.integer({ min: 4, max: 8 }),
          hexoseGL: fc.integer({ min: 0, max: 30 })
        }),
        fc.integer({ min: 1, max: 6 }),
        (raw, want, volumeL) => {
          const some = raw.map((w, i) => ({ ...w, name: String(i) }));
          const total = Math.min(
            volumeL,
            some.reduce((s, w) => s + w.volumeL, 0)
          );
          const cost = (x: { abv: number; taGL: number; hexoseGL: number }) =>
            Math.abs(x.abv - want.abv) / 0.5 +
            Math.abs(x.taGL - want.taGL) / 0.4 +
            Math.abs(x.hexoseGL - want.hexoseGL) / 4;
          let best = Infinity;
          for (let a = 0; a <= some[0]!.volumeL; a += 0.5)
            for (let b = 0; b <= some[1]!.volumeL; b += 0.5) {
              const c = total - a - b;
              if (c < 0 || c > some[2]!.volumeL) continue;
              const mean = (q: 'abv' | 'taGL' | 'hexoseGL') =>
                (a * some[0]![q] + b * some[1]![q] + c * some[2]![q]) / total;
              best = Math.min(
                best,
                cost({ abv: mean('abv'), taGL: mean('taGL'), hexoseGL: mean('hexoseGL') })
              );
            }
          const ours = blend(some, { ...want, volumeL });
          expect(ours.volumeL).toBeCloseTo(total, 5);
          // A thousandth for choosing the first of two that serve alike.
          expect(cost(ours)).toBeLessThanOrEqual(best + 1e-3);
        }
      ),
      { numRuns: 200 }
    ));
});

describe('priming', () => {
  // Sugar for ale of 5 % in 19 L (5 US gal) that stood at 20 °C, g of sucrose. Common carbonation charts of brewers:
  // residual 0.86 volumes at 20 °C, 3.82 g/L of sucrose a volume (from memory).
  it.each([
    [2.0, 83],
    [2.4, 112],
    [2.8, 141],
    [3.2, 170]
  ])('%d volumes want %d g, to a twentieth', (volumes, g) => {
    const ours = prime({ volumeL: 19, abv: 5, tempC: 20, want: { volumes } }).sugarG;
    expect(Math.abs(ours - g) / g).toBeLessThan(0.05);
  });

  it('sparkling practice: four grams of sugar a litre are about one bar at 10 °C (Peynaud, from memory)', () => {
    // From a wine without gas: what 24 g/L give, less what that much less gives, by bars at 10 °C.
    const perBar = 2.1 / 0.514;
    expect(perBar).toBeGreaterThan(3.8);
    expect(perBar).toBeLessThan(4.2);
    const p = prime({ volumeL: 0.75, abv: 12, tempC: 20, want: { gL: 1.44 + 24 * 0.514 } });
    expect(p.sugarGL).toBeCloseTo(24, 6);
    expect(p.perBottleG).toBeCloseTo(18, 6);
  });

  it('counts the gas and the sugar it has, and three ways of asking agree', () => {
    const at = (hexoseGL: number, tempC = 20) =>
      prime({ volumeL: 10, abv: 12, tempC, hexoseGL, want: { bar20: 4 } });
    expect(at(0).bar20).toBeCloseTo(4, 9);
    expect(at(4).sugarG).toBeCloseTo(at(0).sugarG - (10 * 4 * 0.49) / 0.514, 6);
    expect(at(0, 10).sugarG).toBeLessThan(at(0).sugarG);
    expect(at(0).bar30).toBeGreaterThan(4);
    const gL = gasWanted({ bar20: 4 }, 12);
    expect(gasWanted({ volumes: gL / 1.96 }, 12)).toBeCloseTo(gL, 9);
    expect(() => prime({ volumeL: 10, abv: 12, tempC: 20, hexoseGL: 40, want: { gL: 8 } })).toThrow(
      /its own sugar/
    );
  });
});

describe('heat', () => {
  it('a minute at 60 °C is a unit, and z is 6.94 °C (Del Vecchio 1951, from memory)', () => {
    expect(pasteurUnits(60, 1)).toBe(1);
    expect(pasteurUnits(66.94, 1)).toBeCloseTo(10, 1);
    expect(pasteurUnits(53.06, 1)).toBeCloseTo(0.1, 2);
    expect(minutesFor(62, pasteurUnits(62, 20))).toBeCloseTo(20, 9);
  });

  it('what is wanted kills wine yeast more than five times over, its spores too (Put & De Jong 1982, from memory)', () => {
    // Spores of Saccharomyces at 60 °C: a tenth is left after about 10 min, z about 5.5 °C; growing cells go in seconds.
    const decades = (coreC: number, minutes: number) => (minutes / 10) * 10 ** ((coreC - 60) / 5.5);
    for (const coreC of [60, 62, 65, 68]) {
      const minutes = minutesFor(coreC, WANTED_UNITS);
      expect(decades(coreC, minutes)).toBeGreaterThanOrEqual(5 - 1e-9);
      expect(killsYeast({ coreC, minutes: minutes * 1.001 })).toBe(true);
      expect(killsYeast({ coreC, minutes: minutes * 0.99 })).toBe(false);
    }
    expect(killsYeast({ coreC: 58, minutes: 600 })).toBe(false);
  });

  it('a bottle in its bath warms towards it, a larger one later, and its units add up on the way', () => {
    const core = (volumeL: number, minutes: number) => coreAfter({ startC: 18, bathC: 65, volumeL, minutes });
    expect(core(0.75, 0)).toBe(18);
    expect(core(5, 40)).toBeLessThan(core(0.75, 40));
    const plan = minutesInBath({ startC: 18, bathC: 65, volumeL: 0.75, units: 50 })!;
    expect(plan.minutes).toBeGreaterThan(minutesFor(65, 50));
    expect(plan.units).toBeGreaterThanOrEqual(50);
    expect(minutesInBath({ startC: 18, bathC: 48, volumeL: 0.75, units: 50 })).toBeNull();
  });
});

describe('the colour of a blend', () => {
  const pale = { name: 'pale', volumeL: 5, abv: 11, taGL: 6, hexoseGL: 0, depth: depthOf('#e6d9ae') };
  const dark = { name: 'dark', volumeL: 5, abv: 12, taGL: 6, hexoseGL: 0, depth: depthOf('#5a1f3d') };

  it('goes by the litres, as absorbances do (Beer and Lambert), and is what is drawn', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        (a, b) => {
          const mixed = mixColour([
            { colour: '#e6d9ae', volumeL: a },
            { colour: '#5a1f3d', volumeL: b }
          ]);
          expect(depthOf(mixed)).toBeCloseTo((a * pale.depth + b * dark.depth) / (a + b), 1);
        }
      )
    );
    expect(mixColour([{ colour: '#5a1f3d', volumeL: 2 }])).toBe('#5a1f3d');
  });

  it('is brought to what is wanted of it, or as near as there is', () => {
    const red = blendInto(pale, [dark], { depth: DEPTHS.pink }, 10);
    expect(red.depth).toBeCloseTo(DEPTHS.pink, 6);
    expect(red.misses).toEqual([]);
    const deep = blendInto(pale, [dark], { depth: 3 }, 10);
    expect(deep.take.at(-1)).toEqual({ name: 'dark', volumeL: 5 });
    expect(deep.misses).toMatchObject([{ of: 'depth' }]);
    // So for every goal that is out of reach: what is nearer to it is poured all the same.
    const sour = { name: 'sour', volumeL: 3, abv: 11, taGL: 8, hexoseGL: 0 };
    const sharper = blendInto(pale, [sour], { taGL: 9 }, 10);
    expect(sharper.take.at(-1)).toEqual({ name: 'sour', volumeL: 3 });
    expect(sharper.taGL).toBeCloseTo((5 * 6 + 3 * 8) / 8, 6);
    // What lies on the far side brings it no nearer, and stays where it is.
    expect(blendInto(pale, [{ ...sour, taGL: 5 }], { taGL: 9 }, 10).take).toHaveLength(1);
    // Where nobody asks for a colour, a wine without one gives as before.
    const { depth: _, ...plain } = dark;
    expect(blendInto(pale, [plain], { abv: 11.5 }, 10).volumeL).toBeCloseTo(10, 6);
  });
});
