import { describe, expect, it } from 'vitest';
import { aheadText, inDaysText, stallsText } from './ahead';
import { aboutAbv, abvParts, howFarText, unreadWord } from './how-far';

describe('how far a wine is, in words', () => {
  it('a strength that nobody could name is told from – to', () => {
    expect(aboutAbv({ low: 3.2, likely: 6.7, high: 10.4 })).toBe('3 to 10 %');
    expect(aboutAbv({ low: 11, likely: 12.4, high: 13.2 })).toBe('12.4 %, give or take 1');
    expect(aboutAbv({ low: 11.8, likely: 12, high: 12.3 })).toBe('12.0 %');
    expect(aboutAbv({ low: 0, likely: 0.1, high: 0.4 })).toBe('0.1 %');
  });
  it('a figure and what it may be off stand apart, so that the figure can be pressed', () => {
    expect(abvParts({ low: 11, likely: 12.4, high: 13.2 })).toEqual({
      figure: '12.4 %',
      off: ', give or take 1'
    });
    expect(abvParts({ low: 3.2, likely: 6.7, high: 10.4 })).toEqual({ figure: '3 to 10 %', off: '' });
  });
  it('a must that was read is not called never read', () => {
    expect(unreadWord({ readings: [] })).toBe('Never read');
    expect(unreadWord({ readings: [{ sg: 1.085 }] as never })).toBe('Read only as must');
  });
  it('a chance is told, but where nobody would bet against it', () => {
    expect(howFarText({ word: 'stuck', chance: 0.49 })).toBe('perhaps stuck with sugar left (49\u00a0%)');
    expect(howFarText({ word: 'finished', chance: 0.83 })).toBe('likely finished (83\u00a0%)');
    expect(howFarText({ word: 'finished', chance: 0.97 })).toBe('almost certainly finished');
    expect(howFarText({ word: 'working', chance: 0.99 })).toBe('still working');
  });
});

describe('what is to come, in words', () => {
  const e = (low: number, likely: number, high: number) => ({ low, likely, high });
  const day = (d: number, sg: number, done = 0) => ({
    d,
    sg: e(sg - 0.004, sg, sg + 0.004),
    sgHalf: { low: sg - 0.002, high: sg + 0.002 },
    abv: e(11.9, 12, 12.2),
    done,
    tempC: 20
  });
  const ahead = (chance: number, stuckChance: number) => ({
    days: [day(0, 1.06), day(60, 0.994, 1)],
    quiet: { inDays: e(3, 4, 5.4), chance: 0.9 },
    dry: { inDays: e(9, 12, 16), chance },
    stuckChance
  });
  it('days while they are few, weeks when they are many', () => {
    expect(inDaysText({ low: 3, high: 5.4 })).toBe('in 3 to 5 days');
    expect(inDaysText({ low: 1, high: 1 })).toBe('tomorrow');
    expect(inDaysText({ low: 0, high: 0.2 })).toBe('by now');
    expect(inDaysText({ low: 20, high: 41 })).toBe('in 3 to 6 weeks');
    expect(inDaysText({ low: 2, high: 30 })).toBe('in 1 to 5 weeks');
  });
  it('what is likely is told with its days, and what is not is told so', () => {
    expect(aheadText(ahead(0.9, 0))).toBe(
      'it reads 1.010 in 3 to 5 days and is done in 9 to 16 days, near 12.0 %'
    );
    expect(aheadText(ahead(0.3, 0.6), false)).toContain('most likely not done within 60 days');
    expect(stallsText({ stuckChance: 0.12 })).toBe('One such wine in 8 stands still with sugar left.');
    expect(stallsText({ stuckChance: 0.02 })).toBe('');
    expect(stallsText({ stuckChance: 0.8 })).toContain('Most');
  });
});
