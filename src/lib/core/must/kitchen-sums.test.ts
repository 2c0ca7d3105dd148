import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fermentedFromRefractometer } from '../liquid/refractometer';
import { brixFromSg, sgFromBrix } from '../liquid/sugar';
import {
  onAllScales,
  potentialAbv,
  PRINTED_AT_1100,
  printedPotential,
  sgFrom,
  sgOfPotential
} from '../ferment/scales';
import { coolingTauH, hoursToCool, tauFromReadings, tempAfter } from '../steps/cooling';
import { produceById, PRODUCE } from '../tables/table';
import { InputError } from '../units/input-error';
import { parsePh, parseStem } from '../units/parse';
import { bleachMl, stockMl, sulphiteG } from './dilute';
import { juiceOf, sharpWord, usualWine } from '../solve/portrait';

describe('the scales of a stem', () => {
  it('potential alcohol goes up with the gravity, and back, on either family of stems', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1.5, max: 20, noNaN: true }),
        fc.constantFrom(13.1, 13.5, 16.3),
        (abv, at) => {
          expect(printedPotential(sgOfPotential(abv, at), at)).toBeCloseTo(abv, 3);
        }
      )
    );
    for (const at of [13.1, 13.5, 16.3]) expect(printedPotential(1.1, at)).toBeCloseTo(at, 9);
    // As they are printed, common practice: 1.090 by about 12 %, and 1.070 by about 11.5, 1.090 by about 14.5.
    expect(printedPotential(1.09)).toBeCloseTo(11.8, 1);
    expect(Math.abs(printedPotential(1.07, PRINTED_AT_1100.sugar) - 11.5)).toBeLessThan(0.2);
    expect(Math.abs(printedPotential(1.09, PRINTED_AT_1100.sugar) - 14.5)).toBeLessThan(0.25);
    expect(potentialAbv(0.995)).toBe(0);
    // European Union practice, 16.83 g/L a per cent, lies near (from memory).
    expect(Math.abs(potentialAbv(1.09) - (onAllScales(1.09).sugarGL * 1.0526) / 16.83)).toBeLessThan(0.5);
  });

  it('reads what people say', () => {
    expect(parseStem('1.064')).toEqual({ scale: 'sg', reading: 1.064 });
    expect(parseStem('22 bx')).toEqual({ scale: 'brix', reading: 22 });
    expect(parseStem('bx 22')).toEqual({ scale: 'brix', reading: 22 });
    expect(parseStem('pa 12,5')).toEqual({ scale: 'potential', reading: 12.5 });
    expect(parseStem('12.5 %')).toEqual({ scale: 'potential', reading: 12.5 });
    expect(parseStem('22', 'brix')).toEqual({ scale: 'brix', reading: 22 });
    expect(sgFrom('brix', 22)).toBeCloseTo(1.092, 3);
    // A dry wine reads below nothing.
    expect(sgFrom('brix', parseStem('-1.5 bx').reading)).toBeCloseTo(0.994, 3);
    expect(sgFrom('potential', parseStem('−1 %').reading)).toBeCloseTo(0.992, 3);
    expect(parseStem('15.5 °Bx')).toEqual({ scale: 'brix', reading: 15.5 });
    expect(() => parseStem('1.064', 'brix')).toThrow(/looks like a gravity/);
    expect(() => parseStem('-9 bx')).toThrow(/off the °Bx scale/);
    expect(() => parseStem('95 bx')).toThrow(InputError);
    expect(() => parseStem('1.64')).toThrow(/heavier than any must/);
  });

  it('a refractometer is corrected for alcohol, or refused', () => {
    // Unfermented it shows the must itself.
    for (const bx of [12, 20, 26])
      expect(Math.abs(fermentedFromRefractometer(bx, bx) - sgFromBrix(bx))).toBeLessThan(0.004);
    // Grape wine that began at 22 °Bx and shows about 7 to 7.5 is dry. Common practice.
    for (const bx of [7, 7.5]) {
      const sg = fermentedFromRefractometer(22, bx);
      expect(sg).toBeGreaterThan(0.987);
      expect(sg).toBeLessThan(0.997);
    }
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 30, noNaN: true }),
        fc.double({ min: 0.3, max: 0.95, noNaN: true }),
        (start, share) => {
          const sg = fermentedFromRefractometer(start, start * share);
          expect(sg).toBeLessThan(sgFromBrix(start) + 0.004);
          // What it shows is always more than what is there.
          expect(brixFromSg(sg)).toBeLessThan(start * share + 0.5);
        }
      )
    );
    expect(() => fermentedFromRefractometer(3, 2)).toThrow(InputError);
    expect(() => fermentedFromRefractometer(20, 24)).toThrow(/more than the 20.0/);
  });

  it('asks about a pH ten times out', () => {
    expect(parsePh('pH 3,4')).toBe(3.4);
    expect(() => parsePh('34')).toThrow(InputError);
    try {
      parsePh('34');
    } catch (e) {
      expect((e as InputError).todo).toContain('3.4');
    }
  });
});

/** Common practice: five hours after the boiling water a covered bucket is still at 40 °C; overnight to room temperature. */
describe('cooling', () => {
  it('a covered bucket is still near 40 °C after five hours, near the room next morning', () => {
    const tau = coolingTauH(12);
    expect(tempAfter(90, 20, tau, 5)).toBeGreaterThan(36);
    expect(tempAfter(90, 20, tau, 5)).toBeLessThan(46);
    expect(tempAfter(90, 20, tau, 12)).toBeLessThan(26);
    expect(coolingTauH(12, 'water')).toBeLessThan(tau / 3);
    expect(coolingTauH(25)).toBeGreaterThan(tau);
  });

  it('two readings give the same law as they were made by', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 100, noNaN: true }),
        fc.double({ min: 5, max: 25, noNaN: true }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        (from, room, tau, hours) => {
          const to = tempAfter(from, room, tau, hours);
          expect(tauFromReadings(from, to, room, hours)).toBeCloseTo(tau, 6);
          expect(hoursToCool(from, to, room, tau)).toBeCloseTo(hours, 6);
        }
      )
    );
    expect(hoursToCool(20, 25, 18, 4)).toBe(0);
    expect(() => hoursToCool(80, 20, 22, 4)).toThrow(/will not fall/);
    expect(() => tauFromReadings(40, 50, 20, 1)).toThrow(InputError);
  });
});

describe('dilution', () => {
  it('a stock solution keeps what is in it', () => {
    expect(stockMl(5, 0.001, 0.1)).toBeCloseTo(50, 9);
    expect(() => stockMl(5, 0.2, 0.1)).toThrow(/weaker/);
    // 150 mg/L from 5 % bleach: 3 mL a litre.
    expect(bleachMl(1, 150, 5)).toBeCloseTo(3, 9);
  });

  it('1500 mg/L of sulphur dioxide wants 2.6 g a litre of the potassium salt, 2.2 of the sodium one', () => {
    expect(sulphiteG(1, 1500)).toBeCloseTo(2.6, 1);
    expect(sulphiteG(1, 1500, 'sodium')).toBeCloseTo(2.2, 1);
  });
});

describe('a portrait of produce', () => {
  it('every entry has a juice and a wine', () => {
    for (const p of PRODUCE) {
      const j = juiceOf(p);
      expect(j.brix, p.id).toBeGreaterThanOrEqual(0);
      expect(j.taGL, p.id).toBeGreaterThanOrEqual(0);
      expect(j.ph, p.id).toBeGreaterThan(1.5);
      expect(j.ph, p.id).toBeLessThan(8);
      const wine = usualWine(p, p.amountKgL[1]);
      expect(wine.estimate.intoGlassL!.likely, p.id).toBeGreaterThan(9.5);
      expect(wine.estimate.potentialAbv!.likely, p.id).toBeGreaterThan(11.9);
    }
  });

  // Published juice acidities, g/L as tartaric (handbooks of fruit juice, from memory).
  it.each([
    ['apple', 3, 9],
    ['lemon', 50, 75],
    ['blackcurrant', 25, 45],
    ['rhubarb', 11, 22],
    ['quince', 6, 14],
    ['grape', 4, 9],
    ['orange', 6, 12]
  ])('%s juice titrates to %f–%f', (id, low, high) => {
    const ta = juiceOf(produceById(id)!).taGL;
    expect(ta).toBeGreaterThan(low);
    expect(ta).toBeLessThan(high);
  });

  it('says so in a word, and its juice alone is a cider', () => {
    expect(sharpWord(juiceOf(produceById('quince')!).taGL)).toBe('sharp');
    expect(sharpWord(juiceOf(produceById('carrot')!).taGL)).toBe('mild');
    const cider = usualWine(produceById('apple')!, null);
    expect(cider.sugarKg).toBe(0);
    expect(cider.estimate.potentialAbv!.likely).toBeGreaterThan(5);
    expect(cider.estimate.potentialAbv!.likely).toBeLessThan(8);
  });
});
