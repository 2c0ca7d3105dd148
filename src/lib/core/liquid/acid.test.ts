import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseTitratable } from '../units/parse';
import { PRODUCE } from '../tables/table';
import { ACIDS, ACID_DATA, phOf, strongIonFor, taFromTitration, titratableAcidity, waterIons } from './acid';

const pure = (acids: Record<string, number>, strongIon = 0) => ({
  acids,
  strongIon,
  buffer: 0,
  carbonate: 0
});

describe('pH of pure acids', () => {
  // Textbook values from the dissociation constants (general chemistry, from memory).
  it.each([
    ['citric', 0.1, 2.08],
    ['citric', 0.01, 2.62],
    ['malic', 0.1, 2.21],
    ['tartaric', 0.01, 2.55]
  ])('%s at %d mol/L is %d', (acid, mol, ph) => {
    expect(Math.abs(phOf(pure({ [acid]: mol })) - ph)).toBeLessThan(0.02);
  });

  it('pure water is neutral', () => {
    expect(phOf(pure({}))).toBeCloseTo(7, 3);
  });

  it('agrees with a plain bisection for any mixture', () => {
    const amount = fc.double({ min: 0, max: 0.2, noNaN: true });
    fc.assert(
      fc.property(
        amount,
        amount,
        amount,
        fc.double({ min: -0.05, max: 0.4, noNaN: true }),
        amount,
        (a, b, c, ion, buffer) => {
          const water = {
            acids: { tartaric: a, malic: b, citric: c },
            strongIon: ion,
            buffer: buffer / 10,
            carbonate: 0
          };
          const ph = phOf(water);
          let [lo, hi] = [0, 14];
          for (let i = 0; i < 60; i++) {
            const mid = (lo + hi) / 2;
            if (strongIonFor(water.acids, water.buffer, mid) > ion) hi = mid;
            else lo = mid;
          }
          expect(ph).toBeGreaterThanOrEqual(0);
          expect(ph).toBeLessThanOrEqual(14);
          expect(Math.abs(ph - lo)).toBeLessThan(1e-3);
        }
      ),
      { numRuns: 500 }
    );
  });
});

describe('titratable acidity', () => {
  it('of 5 g/L of each pure acid follows equivalent weights', () => {
    // Equivalent weights (handbook): tartaric 75.04, malic 67.05, citric 64.04, lactic 90.08.
    const eq = { tartaric: 75.04, malic: 67.05, citric: 64.04, lactic: 90.08 };
    for (const [acid, weight] of Object.entries(eq)) {
      const mol = 5 / ACID_DATA[acid as keyof typeof ACID_DATA].molarMass;
      expect(titratableAcidity(pure({ [acid]: mol }))).toBeCloseTo((5 / weight) * 75.04, 1);
    }
  });

  it('is what a titration to pH 8.2 finds', () => {
    const water = pure({ malic: 0.04, citric: 0.01 }, 0.03);
    const base = titratableAcidity(water) / 75.04;
    expect(phOf({ ...water, strongIon: water.strongIon + base })).toBeCloseTo(8.2, 3);
    expect(taFromTitration(base * 10_000, 0.1, 1000)).toBeCloseTo(titratableAcidity(water), 6);
  });

  it('reads kits', () => {
    expect(taFromTitration(6, 0.1, 6)).toBeCloseTo(7.5, 2);
    expect(parseTitratable('4 g/L as sulphuric')).toBeCloseTo(6.12, 2);
    expect(() => taFromTitration(6, 0.1, 0)).toThrow(/positive/);
  });

  it('potassium bicarbonate takes 1 g/L of TA for 1.33 g', () => {
    const before = pure({ malic: 0.06 }, 0.02);
    const after = { ...before, strongIon: before.strongIon + 1.334 / 100.12 };
    expect(titratableAcidity(before) - titratableAcidity(after)).toBeCloseTo(1, 2);
  });
});

describe('musts', () => {
  const must = { acids: { malic: 0.045, citric: 0.01 }, strongIon: 0.03, buffer: 0.001, carbonate: 0 };

  it('1 g/L of tartaric lowers pH by 0.1 to 0.2 (common practice)', () => {
    const more = { ...must, acids: { ...must.acids, tartaric: 1 / 150.09 } };
    expect(titratableAcidity(must)).toBeGreaterThan(4.5);
    const drop = phOf(must) - phOf(more);
    expect(drop).toBeGreaterThan(0.08);
    expect(drop).toBeLessThan(0.22);
  });

  it('tenfold dilution with pure water moves pH a few tenths at most', () => {
    const thin = {
      acids: { malic: 0.0045, citric: 0.001 },
      strongIon: 0.003,
      buffer: 0.0001,
      carbonate: 0
    };
    expect(Math.abs(phOf(thin) - phOf(must))).toBeLessThan(0.5);
  });

  it('hard water lifts pH', () => {
    const hard = waterIons(250);
    expect(
      phOf({ ...must, strongIon: must.strongIon + hard.strongIon, carbonate: hard.carbonate })
    ).toBeGreaterThan(phOf(must));
  });
});

describe('produce acidity', () => {
  const derived = (id: string) => {
    const p = PRODUCE.find((x) => x.id === id)!;
    const acids = Object.fromEntries(
      ACIDS.flatMap((a) => (p.acids[a] ? [[a, (p.acids[a][1] * 10) / ACID_DATA[a].molarMass]] : []))
    );
    return strongIonFor(acids, p.bufferMmolKg / 1000, p.ph[1]);
  };

  it('the derived ion of acid fruit is 0.3–1.3 of K + Na + Ca + Mg', () => {
    const acidFruit = PRODUCE.filter((p) => p.ph[1] < 4.2 && !['flower', 'leaf', 'sap'].includes(p.family));
    expect(acidFruit.length).toBeGreaterThan(20);
    for (const p of acidFruit) {
      const { k, na, ca, mg } = p.minerals;
      const cations = (k / 39.1 + na / 22.99 + ca / 20.04 + mg / 12.15) / 100;
      const ratio = derived(p.id) / cations;
      expect(ratio, `${p.id} ${ratio.toFixed(2)}`).toBeGreaterThan(0.3);
      expect(ratio, `${p.id} ${ratio.toFixed(2)}`).toBeLessThan(1.3);
    }
  });

  // FDA, Approximate pH of Foods (from memory).
  it.each([
    ['strawberry', 3.0, 3.9],
    ['gooseberry', 2.8, 3.1],
    ['rhubarb', 3.1, 3.4],
    ['blackberry', 3.85, 4.5],
    ['raspberry', 3.2, 3.95],
    ['plum', 2.8, 3.4],
    ['peach', 3.3, 4.05],
    ['apple', 3.3, 4.0],
    ['orange', 3.7, 4.3],
    ['lemon', 2.0, 2.6],
    ['carrot', 5.9, 6.4],
    ['beetroot', 5.3, 6.6],
    ['banana', 4.5, 5.2]
  ])('%s lies in its published pH range', (id, low, high) => {
    const ph = PRODUCE.find((p) => p.id === id)!.ph[1];
    expect(ph).toBeGreaterThanOrEqual(low);
    expect(ph).toBeLessThanOrEqual(high);
  });
});
