import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOTTLE_TYPES, BOTTLES, COMMON_BOTTLES } from '../tables/bottles';
import { bottledL, bottlesFor, weakest, type BottleRow } from './bottling';

const row = (sizeL: number, count = 0, isHeld = false): BottleRow => ({
  sizeL,
  type: 'still',
  count,
  isHeld
});

describe('bottling day', () => {
  it('counts the bottles before they are washed: volume, loss, one taster', () => {
    // Five bottles are in a US gallon by the figures, four full ones and a taster once the foot of the siphon has its own.
    expect(bottlesFor(bottledL(3.785), [row(0.75)]).rows[0]!.count).toBe(4);
    expect(bottlesFor(bottledL(5), [row(0.75)]).rows[0]!.count).toBe(6);
    const mixed = bottlesFor(bottledL(5), [row(0.75), row(0.375)]);
    expect(mixed.rows.map((r) => r.count)).toEqual([6, 1]);
    expect(mixed.leftL).toBeCloseTo(0.025, 9);
  });

  it('what was said stands, and the others follow', () => {
    const { rows, leftL } = bottlesFor(9, [row(0.75, 4, true), row(0.5), row(0.33, 3, true)]);
    expect(rows.map((r) => r.count)).toEqual([4, 10, 3]);
    expect(leftL).toBeCloseTo(0.01, 9);
    expect(bottlesFor(2, [row(0.75, 4, true)]).leftL).toBeLessThan(0);
  });

  it('never fills more than there is, nor leaves a bottle that would be full', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.array(fc.constantFrom(...COMMON_BOTTLES), { minLength: 1, maxLength: 5 }),
        (litres, kinds) => {
          const { rows, leftL } = bottlesFor(
            litres,
            kinds.map((k) => ({ ...k, count: 0 }))
          );
          const sum = rows.reduce((l, r) => l + r.count * r.sizeL, 0);
          expect(sum + leftL).toBeCloseTo(litres, 6);
          expect(leftL).toBeGreaterThan(-1e-6);
          expect(leftL).toBeLessThan(Math.min(...kinds.map((k) => k.sizeL)) + 1e-6);
        }
      )
    ));

  it('the mix is judged by the bottle that bears least', () => {
    expect(weakest(['sparkling', 'crown', 'swing'])).toBe('swing');
    expect(weakest([])).toBe('still');
    for (const type of BOTTLE_TYPES) expect(BOTTLES[type].ratingBar).toBeGreaterThan(0);
  });
});
