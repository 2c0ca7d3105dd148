import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { abvOfDensity, densityOfAbv, ethanolWaterDensity } from './ethanol';
import { correctReading } from './hydrometer';
import { liquidOf, solidsAt } from './mix';
import { findRoot } from '../maths/root';
import { spiritIndication } from './spirit';
import { brixFromSg, gramsPerLitre, sgFromBrix, sgFromGramsPerLitre } from './sugar';
import { WATER_20, waterDensity } from './water';

describe('sugar and gravity', () => {
  // NBS Circular 440 / ICUMSA sucrose tables, 20/20 °C (from memory), ±0.0003.
  it.each([
    [0, 1],
    [5, 1.0197],
    [10, 1.04],
    [15, 1.0611],
    [20, 1.0829],
    [25, 1.1055],
    [30, 1.129],
    [40, 1.1786],
    [50, 1.2318],
    [60, 1.2888],
    [70, 1.3499]
  ])('%d %% sucrose reads %d', (brix, sg) => {
    expect(Math.abs(sgFromBrix(brix) - sg)).toBeLessThan(0.0003);
  });

  it('takes the inverse everywhere', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 79.9, noNaN: true }), (brix) => {
        expect(brixFromSg(sgFromBrix(brix))).toBeCloseTo(brix, 5);
      })
    );
    fc.assert(
      fc.property(fc.double({ min: 0, max: 900, noNaN: true }), (gL) => {
        expect(gramsPerLitre(sgFromGramsPerLitre(gL))).toBeCloseTo(gL, 3);
      })
    );
  });

  it('rises without a break where polynomial and table meet', () => {
    let before = sgFromBrix(28);
    for (let brix = 28.02; brix < 45; brix += 0.02) {
      const sg = sgFromBrix(brix);
      expect(sg - before).toBeGreaterThan(0.00005);
      expect(sg - before).toBeLessThan(0.00015);
      before = sg;
    }
  });

  it('refuses what is no solution', () => {
    expect(() => sgFromBrix(81)).toThrow(/outside/);
    expect(() => sgFromBrix(-1)).toThrow(/outside/);
    expect(() => brixFromSg(1.5)).toThrow(/outside/);
    expect(() => brixFromSg(NaN)).toThrow(/outside/);
  });
});

describe('water', () => {
  // Kell 1975 (from memory), kg/L.
  it.each([
    [0, 0.99984],
    [15, 0.9991],
    [20, 0.9982],
    [25, 0.99705],
    [40, 0.99221]
  ])('at %d °C weighs %d', (tempC, density) => {
    expect(Math.abs(waterDensity(tempC) - density)).toBeLessThan(1e-5);
  });

  it('corrects a warm hydrometer', () => {
    // Worked example of the ratio rule: 1.050 read at 30 °C on a 20 °C stem.
    expect(correctReading(1.05, 30, 20)).toBeCloseTo(1.0527, 4);
    expect(correctReading(1.05, 20, 20)).toBe(1.05);
    expect(correctReading(1.05, 15.6, 15.6)).toBe(1.05);
    expect(() => correctReading(1.05, 45)).toThrow(/cannot be trusted/);
  });
});

describe('alcohol', () => {
  // OIML R 22, table at 20 °C (from memory), kg/m³.
  it.each([
    [10, 984.71],
    [12, 982.35],
    [15, 978.97],
    [40, 948.05]
  ])('%d %% vol weighs %d kg/m³', (abv, density) => {
    expect(densityOfAbv(abv) * 1000).toBeCloseTo(density, 1);
  });

  it('pure alcohol weighs 789.24 kg/m³', () => {
    expect(ethanolWaterDensity(1) * 1000).toBeCloseTo(789.24, 2);
  });

  it('reads strength back from density', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 99, noNaN: true }), (abv) => {
        expect(abvOfDensity(densityOfAbv(abv))).toBeCloseTo(abv, 4);
      })
    );
    expect(() => abvOfDensity(1.01)).toThrow(/No spirit/);
  });

  it('adds alcohol and extract at equal volume, as spirit indication takes them apart', () => {
    const wine = liquidOf(0.87, 0.095, 0.03)!;
    const ethanolKgL = 0.095 / wine.volumeL;
    const residue = liquidOf(wine.volumeL * WATER_20 - 0.62 * 0.03, 0, 0.03)!;
    const abv = (100 * ethanolKgL) / 0.78924;
    expect(spiritIndication(wine.sg, residue.sg)).toBeCloseTo(abv, 1);
    expect(solidsAt(wine.sg, ethanolKgL)).toBeCloseTo((1000 * 0.03) / wine.volumeL, 2);
  });

  it('1.000 with 12 % alcohol still holds about 20 g/L', () => {
    // Consequence of OIML R 22 and the sucrose table: the wine is off-dry, with some extract of its own.
    expect(solidsAt(1, 0.12 * 0.78924)).toBeGreaterThan(36);
    expect(solidsAt(1, 0.12 * 0.78924)).toBeLessThan(48);
  });
});

describe('mixing', () => {
  const kg = fc.double({ min: 0, max: 5, noNaN: true });

  it('is steady as alcohol goes to nothing', () => {
    const dry = liquidOf(1, 0, 0.2)!;
    const trace = liquidOf(1, 1e-9, 0.2)!;
    expect(trace.volumeL).toBeCloseTo(dry.volumeL, 5);
    expect(trace.sg).toBeCloseTo(dry.sg, 5);
  });

  it('keeps mass, and more water never raises the gravity of a sweet must', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 50, noNaN: true }), kg, kg, (water, ethanol, solids) => {
        const one = liquidOf(water, ethanol / 10, solids / 10)!;
        expect(one.volumeL * one.sg * WATER_20).toBeCloseTo(water + ethanol / 10 + solids / 10, 6);
        const sweet = liquidOf(water, 0, solids)!;
        expect(liquidOf(water + 1, 0, solids)!.sg).toBeLessThanOrEqual(sweet.sg + 1e-9);
      })
    );
  });

  it('has no liquid without water', () => {
    expect(liquidOf(0, 0, 1)).toBeNull();
    expect(liquidOf(0.1, 0, 1)).toBeNull();
  });

  it('finds a root of any rising function', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 9.9, noNaN: true }), (root) => {
        expect(findRoot((x) => x ** 3 - root ** 3, 0, 10)).toBeCloseTo(root, 7);
      })
    );
  });
});
