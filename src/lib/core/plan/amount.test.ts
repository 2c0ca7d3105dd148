import { describe, expect, it } from 'vitest';
import { readAmountOf } from './amount';
import { AMOUNTS } from './amounts.fixture';

const UNITS = {
  us: { mass: 'kg', volume: 'L' },
  uk: { mass: 'kg', volume: 'L' },
  metric: { mass: 'kg', volume: 'L' }
} as const;

describe('amounts as people say and write them', () => {
  it('are three hundred and more', () => {
    expect(Object.values(AMOUNTS).flat().length).toBeGreaterThanOrEqual(300);
  });
  for (const [shape, cases] of Object.entries(AMOUNTS))
    it(shape, () => {
      for (const [text, of, expected, country = 'us'] of cases) {
        const read = readAmountOf(text, of, UNITS[country], country);
        const row = `“${text}” of ${of}: ${JSON.stringify(read)}`;
        if (expected === 'asks') {
          expect(read.asks?.[0]?.length, row).toBeGreaterThan(15);
          expect(read.massKg ?? read.volumeL ?? read.count, row).toBeUndefined();
          continue;
        }
        expect(read.asks, row).toBeUndefined();
        if (expected.kg !== undefined) expect(read.massKg, row).toBeCloseTo(expected.kg, 9);
        if (expected.L !== undefined) expect(read.volumeL, row).toBeCloseTo(expected.L, 9);
        if (expected.n !== undefined) expect(read.count, row).toBeCloseTo(expected.n, 9);
      }
    });
});
