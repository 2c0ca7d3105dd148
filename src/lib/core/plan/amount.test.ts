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
    it.each(cases)(`${shape}: “%s” of %s`, (text, of, expected, country = 'us') => {
      const read = readAmountOf(text, of, UNITS[country], country);
      if (expected === 'asks') {
        expect(read.asks?.[0]?.length, JSON.stringify(read)).toBeGreaterThan(15);
        expect(read.massKg ?? read.volumeL ?? read.count).toBeUndefined();
        return;
      }
      expect(read.asks).toBeUndefined();
      if (expected.kg !== undefined) expect(read.massKg).toBeCloseTo(expected.kg, 9);
      if (expected.L !== undefined) expect(read.volumeL).toBeCloseTo(expected.L, 9);
      if (expected.n !== undefined) expect(read.count).toBeCloseTo(expected.n, 9);
    });
});
