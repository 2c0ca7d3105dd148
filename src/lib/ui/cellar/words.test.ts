import { describe, expect, it } from 'vitest';
import type { CellarWine } from '$core/cellar/stock';
import { MONTH, type Age } from '$core/cellar/window';
import { ageWords, endWord, leftWords, monthWord, placeWords, runs } from './words';

const NOW = Date.parse('2026-11-27T10:00:00Z');
const RACKS = [
  { id: 'a', name: 'Stairs', rows: 4, cols: 8 },
  { id: 'b', name: 'Shed', rows: 3, cols: 6 }
];
const wine = (age: Age, more: Partial<CellarWine['bottling']> = {}, months = [-6, -2, 4, 10]): CellarWine =>
  ({
    name: 'Damson',
    zone: 'UTC',
    age,
    danger: null,
    drink: {
      first: NOW + months[0]! * MONTH,
      bestFrom: NOW + months[1]! * MONTH,
      bestTo: NOW + months[2]! * MONTH,
      last: NOW + months[3]! * MONTH,
      why: []
    },
    bottling: {
      at: NOW - 20 * MONTH,
      left: 8,
      count: 12,
      bottles: [{ left: 8 }],
      cells: [],
      gone: [],
      ...more
    }
  }) as unknown as CellarWine;

describe('what is said of a bottle', () => {
  it('where it is in its time, by months; the last weeks in weeks; a danger before all else', () => {
    expect(ageWords(wine('young', {}, [3, 8, 20, 30]), NOW)).toBe(
      'let it lie until Feb 2027; best from Jul 2027'
    );
    expect(ageWords(wine('drinkable', {}, [-1, 1, 20, 30]), NOW)).toBe('can be drunk; best from Dec');
    expect(ageWords(wine('best'), NOW)).toBe('at its best until Mar 2027');
    expect(ageWords(wine('best', {}, [-6, -2, 1, 6]), NOW)).toBe('at its best for 5 weeks more');
    expect(ageWords(wine('best', {}, [-6, -2, 0.01, 6]), NOW)).toBe('at its best for 1 week more');
    expect(ageWords(wine('fading'), NOW)).toMatch(/^drink it up by Sept 2027$/);
    expect(ageWords(wine('past'), NOW)).toMatch(/past its time/);
    expect(ageWords({ ...wine('best'), danger: {} as never }, NOW)).toMatch(/could burst/);
    expect(monthWord(NOW, NOW, 'UTC')).toBe('Nov');
  });

  it('how many will be left for its best, where they go faster than that', () => {
    const ahead = [-1, 3, 20, 30];
    const gone = (count: number) => ({ gone: [{ at: NOW - MONTH, count, how: 'opened' as const, to: '' }] });
    expect(leftWords(wine('drinkable', {}, ahead), NOW)).toBe('');
    expect(leftWords(wine('drinkable', gone(6), ahead), NOW)).toBe('as they go, 5 left for Feb 2027');
    expect(leftWords(wine('drinkable', gone(24), ahead), NOW)).toMatch(
      /none is left for Feb 2027: keep one back/
    );
    // Those that broke were not drunk, and it is at its best already.
    expect(
      leftWords(wine('drinkable', { gone: [{ at: NOW, count: 9, how: 'broken', to: '' }] }, ahead), NOW)
    ).toBe('');
    expect(leftWords(wine('best', gone(6)), NOW)).toBe('');
  });

  it('where it lies: runs of places, rack by rack, and what stands loose', () => {
    const cell = (rackId: string, row: number, col: number) => ({ rackId, row, col, kind: 0 });
    expect(runs([4, 2, 3, 7, 0])).toBe('1, 3–5, 8');
    expect(placeWords(wine('best'), RACKS)).toBe('in no rack yet');
    expect(
      placeWords(
        wine('best', { cells: [cell('a', 1, 2), cell('a', 1, 3), cell('b', 0, 5), cell('a', 0, 0)] }),
        RACKS
      )
    ).toBe('Stairs: row 1, place 1; row 2, places 3–4, Shed: row 1, place 6, 4 in no rack');
  });

  it('two letters for the end of a bottle, of any name', () => {
    expect(['Rhubarb', 'Old damson', 'x', '', '7', 'Ähre', 'plum & pear'].map(endWord)).toEqual([
      'Rh',
      'OD',
      'x',
      '',
      '7',
      'Äh',
      'PP'
    ]);
  });
});
