import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../units/input-error';
import { parseTitratable } from '../units/parse';
import { taFromTitration } from '../liquid/acid';
import { acidityOf } from '../liquid/acidity';
import {
  acidToReach,
  acidWord,
  kindWays,
  lemonsToReach,
  mustOf,
  taFromDrops,
  USUAL_TA,
  usualTa,
  waterToReach,
  waysToReach,
  withAdded
} from './adjust';
import { PRODUCE, produceById } from '../tables/table';
import { usualWine } from '../solve/portrait';
import { amountOf } from '../plan/plan';
import { ALKALINITY_UNITS, alkalinityMgL, waterWord } from './water';

const must = (taGL: number, ph: number, volumeL = 10) => mustOf({ volumeL, sg: 1.05, taGL, ph });

describe('bringing acid right', () => {
  it('a must made from its measured acid has that acid', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 2.7, max: 4.4, noNaN: true }),
        fc.constantFrom('malic' as const, 'citric' as const, 'tartaric' as const),
        (taGL, ph, acid) => {
          const a = acidityOf(mustOf({ volumeL: 10, sg: 1.05, taGL, ph, acid }));
          expect(a.taGL).toBeCloseTo(taGL, 3);
          expect(a.ph).toBeCloseTo(ph, 3);
          expect(a.volumeL).toBeCloseTo(10, 6);
        }
      )
    );
  });

  // science.md 4; equivalents by molar mass, CRC Handbook (from memory).
  it('1.33 g of potassium bicarbonate, or 0.67 g of chalk, take a litre down by 1 g/L', () => {
    expect((acidToReach(must(8, 3.2), { taGL: 7 }, 'potassium-bicarbonate') * 1000) / 10).toBeCloseTo(
      1.33,
      1
    );
    expect((acidToReach(must(8, 3.2), { taGL: 7 }, 'calcium-carbonate') * 1000) / 10).toBeCloseTo(0.67, 2);
  });

  it('one gram a litre of tartaric lifts TA by one and lowers pH by 0.1 to 0.2 (common practice)', () => {
    for (const [ta, ph] of [
      [5, 3.4],
      [6.5, 3.3],
      [8, 3.3]
    ] as const) {
      const m = must(ta, ph);
      const after = acidityOf(withAdded(m, { kind: 'acid', acidId: 'tartaric', massKg: 0.01 }));
      expect(after.taGL - ta).toBeCloseTo(1, 1);
      expect(ph - after.ph).toBeGreaterThan(0.08);
      expect(ph - after.ph).toBeLessThan(0.22);
    }
  });

  it('lemons: about two a gallon for 1 g/L (juice of 60 to 70 g/L as tartaric, USDA citric 5–6 %, from memory)', () => {
    const { lemons, juiceL } = lemonsToReach(must(5, 3.4, 3.785), { taGL: 6 });
    expect(lemons).toBeGreaterThan(1);
    expect(lemons).toBeLessThan(2.5);
    expect(juiceL / lemons).toBeCloseTo(0.045, 6);
  });

  it('water thins acid in proportion, and hard water more', () => {
    const soft = waterToReach(must(9, 3.2), { taGL: 6 });
    expect(soft).toBeCloseTo(5, 1);
    expect(waterToReach(must(9, 3.2), { taGL: 6 }, 300)).toBeLessThan(soft);
  });

  it('every way ends where it was asked to, in acid or in pH', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 16, noNaN: true }),
        fc.double({ min: 2.9, max: 4.2, noNaN: true }),
        fc.double({ min: 3, max: 12, noNaN: true }),
        fc.boolean(),
        (ta, ph, wanted, byPh) => {
          const m = must(ta, ph);
          const toPh = 2.7 + wanted / 10;
          const target = byPh ? { ph: toPh } : { taGL: wanted };
          for (const w of waysToReach(m, target, 120)) {
            if (byPh) expect(Math.abs(w.after.ph - toPh)).toBeLessThan(2e-3);
            else expect(Math.abs(w.after.taGL - wanted)).toBeLessThan(2e-3);
          }
        }
      ),
      { numRuns: 20 }
    );
  });

  it('sharpens what is flat, softens what is sharp, and does nothing where it stands', () => {
    const ids = (ta: number, to: number) => waysToReach(must(ta, 3.3), { taGL: to }).map((w) => w.id);
    expect(ids(4, 6)).toEqual(['tartaric', 'lemon', 'citric', 'malic', 'acid-blend']);
    expect(ids(9, 6)).toEqual(['water', 'potassium-bicarbonate', 'calcium-carbonate']);
    expect(ids(6, 6)).toEqual([]);
    expect(() => acidToReach(must(9, 3.2), { taGL: 6 }, 'tartaric')).toThrow(InputError);
    expect(() => acidToReach(must(9, 3.2), { taGL: 12 }, 'calcium-carbonate')).toThrow(/softer/);
  });
});

describe('advice that does a good wine no harm', () => {
  const USUAL_GL = { tartaric: 1, malic: 1, citric: 1, 'acid-blend': 4.7 / 3.785 };
  const wines = PRODUCE.flatMap((p) => p.amountKgL.map((kgL) => ({ p, kgL, wine: usualWine(p, kgL) })));

  it('never doses past pH 3.1 or twice the usual, whatever it is made of', () => {
    for (const { p, kgL, wine } of wines) {
      const must = wine.estimate.likely.all;
      const now = acidityOf(must);
      for (const target of [
        { taGL: usualTa(wine.plan.ingredients)[1] },
        { taGL: 9 },
        { ph: 2.8 },
        { ph: 3.4 }
      ])
        for (const w of kindWays(must, target)) {
          if (w.item.kind !== 'acid' && w.id !== 'lemon') continue;
          const isAcid = w.after.taGL > now.taGL;
          if (!isAcid) continue;
          const what = `${p.id} ${kgL} ${w.id} ${JSON.stringify(target)}`;
          expect(w.after.ph, what).toBeGreaterThan(3.1 - 1e-3);
          const gL =
            w.id === 'lemon'
              ? (55 * amountOf(w.item)) / now.volumeL
              : (1000 * amountOf(w.item)) / now.volumeL;
          expect(gL, what).toBeLessThan(2 * (USUAL_GL[w.id as 'citric'] ?? 1) + 1e-6);
        }
    }
  });

  it('counts what is in already', () => {
    const flower = usualWine(produceById('elderflower')!, 0.06).estimate.likely.all;
    const fresh = kindWays(flower, { taGL: 6.5 }).find((w) => w.id === 'citric')!;
    const half = acidityOf(flower).volumeL; // a gram a litre
    const more = kindWays(flower, { taGL: 6.5 }, 0, half).find((w) => w.id === 'citric')!;
    expect(amountOf(more.item)).toBeLessThanOrEqual(amountOf(fresh.item) + 1e-9);
    expect(kindWays(flower, { taGL: 9 }, 0, 10 * half).filter((w) => w.id !== 'lemon')).toEqual([]);
  });

  it('mango and elderflower stay drinkable', () => {
    for (const id of ['mango', 'elderflower']) {
      const p = produceById(id)!;
      const must = usualWine(p, p.amountKgL[1]).estimate.likely.all;
      for (const w of kindWays(must, { taGL: 6.5 })) {
        expect(w.after.ph, `${id} ${w.id}`).toBeGreaterThanOrEqual(3.1 - 1e-3);
        if (w.after.taGL < 6.4) expect(w.stops).not.toBeNull();
      }
    }
  });

  it('calls flat only what more acid would help', () => {
    expect(acidWord({ taGL: 3, ph: 3.2 }, USUAL_TA.fruit)).toBeNull();
    expect(acidWord({ taGL: 3, ph: 3.6 }, USUAL_TA.fruit)).toBe('Flat');
    expect(acidWord({ taGL: 12, ph: 3 }, USUAL_TA.fruit)).toBe('Sharp');
    for (const { p, kgL, wine } of wines) {
      const now = acidityOf(wine.estimate.likely.all);
      const usual = usualTa(wine.plan.ingredients);
      if (acidWord(now, usual) === 'Flat')
        expect(
          kindWays(wine.estimate.likely.all, { taGL: usual[1] }).length,
          `${p.id} ${kgL}`
        ).toBeGreaterThan(0);
    }
  });
});

describe('measuring acid', () => {
  it('titration and drops', () => {
    expect(taFromTitration(8, 0.1, 10)).toBeCloseTo(6.003, 3);
    expect(taFromDrops(13, 0.5)).toBe(6.5);
    expect(() => taFromDrops(-1, 0.5)).toThrow(InputError);
    expect(() => taFromDrops(3, 0)).toThrow(InputError);
  });

  it.each([
    ['6.2', 6.2],
    ['6,2 g/L', 6.2],
    ['0.62 %', 6.2],
    ['0.55%', 5.5],
    ['4 g/L as sulphuric', 6.12],
    ['0.4 % sulphuric', 6.12],
    ['0.9 g/L', 0.9]
  ])('%s is %f g/L as tartaric', (text, gL) => expect(parseTitratable(text)).toBeCloseTo(gL, 6));

  it('asks when it looks ten times out', () => {
    expect(() => parseTitratable('0.62')).toThrow(/next to no acid/);
    expect(() => parseTitratable('62')).toThrow(/sharper than any wine/);
    try {
      parseTitratable('0.62');
    } catch (e) {
      expect((e as InputError).todo).toContain('6.2 g/L');
    }
    expect(parseTitratable('45', 60)).toBe(45);
    for (const bad of ['', 'sharp', '6.2 kg', '300 g/L'])
      expect(() => parseTitratable(bad), bad).toThrow(InputError);
  });
});

/** Degrees by their definitions: 10 mg/L CaO, 10 mg/L CaCO₃, one grain a UK gallon (German, French and British standards, from memory). */
describe('water', () => {
  it.each([
    ['dkh', 17.85],
    ['fh', 10],
    ['clark', 14.25],
    ['meq', 50.05],
    ['hco3', 0.82]
  ] as const)('one %s', (unit, mgL) => expect(alkalinityMgL(1, unit)).toBeCloseTo(mgL, 2));

  it('is named by what it does', () => {
    expect(waterWord(30)).toBe('soft');
    expect(waterWord(280)).toBe('very hard');
    expect(Object.keys(ALKALINITY_UNITS)).toContain('caco3');
    expect(() => alkalinityMgL(-1, 'fh')).toThrow(InputError);
  });
});
