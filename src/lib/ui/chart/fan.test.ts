import { describe, expect, it } from 'vitest';
import type { Ahead } from '$core/belief/forecast';
import { fanOf, spanOf } from './fan';

const day = (d: number, sg: number): Ahead => ({
  d,
  sg: { low: sg - 0.004, likely: sg, high: sg + 0.006 },
  sgHalf: { low: sg - 0.002, high: sg + 0.002 },
  abv: { low: 9, likely: 10, high: 11 },
  done: 0.5,
  tempC: 20
});
const falling = Array.from({ length: 61 }, (_, d) => day(d, 0.992 + Math.max(0, 0.03 - d * 0.002)));

describe('the fan on the gravity chart', () => {
  it('ends a little after the wine has come to rest, and is never too short to see', () => {
    expect(spanOf({ days: falling })).toBe(20);
    expect(spanOf({ days: Array.from({ length: 61 }, (_, d) => day(d, 0.992)) })).toBe(7);
    expect(spanOf({ days: Array.from({ length: 61 }, (_, d) => day(d, 1.1 - d * 0.001)) })).toBe(60);
  });
  it('holds both bands and the likely course, from the moment it was asked', () => {
    const [high, low, halfHigh, halfLow, likely] = fanOf({ days: falling }, 1000, 10, 'green');
    expect(likely!.data).toHaveLength(11);
    expect(likely!.data[0]).toEqual({ x: 1000, y: falling[0]!.sg.likely });
    for (let i = 0; i <= 10; i++) {
      expect(high!.data[i]!.y).toBeGreaterThan(halfHigh!.data[i]!.y);
      expect(low!.data[i]!.y).toBeLessThan(halfLow!.data[i]!.y);
    }
  });
});
