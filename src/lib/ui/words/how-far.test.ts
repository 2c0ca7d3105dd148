import { describe, expect, it } from 'vitest';
import { aboutAbv, howFarText } from './how-far';

describe('how far a wine is, in words', () => {
  it('a strength that nobody could name is told from – to', () => {
    expect(aboutAbv({ low: 3.2, likely: 6.7, high: 10.4 })).toBe('3 to 10 %');
    expect(aboutAbv({ low: 11, likely: 12.4, high: 13.2 })).toBe('12.4 %, give or take 1');
    expect(aboutAbv({ low: 11.8, likely: 12, high: 12.3 })).toBe('12.0 %');
    expect(aboutAbv({ low: 0, likely: 0.1, high: 0.4 })).toBe('0.1 %');
  });
  it('a chance is told, but where nobody would bet against it', () => {
    expect(howFarText({ word: 'finished', chance: 0.83 })).toBe('likely finished (83\u00a0%)');
    expect(howFarText({ word: 'finished', chance: 0.97 })).toBe('almost certainly finished');
    expect(howFarText({ word: 'working', chance: 0.99 })).toBe('still working');
  });
});
