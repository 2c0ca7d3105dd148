import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amountOf } from './plan';
import { likelyFigures } from '../must/balance';
import { solvePlan } from '../solve/solve';
import { parseHaul, planOfHaul } from './haul';

const said = (text: string, country: 'us' | 'uk' = 'uk') => parseHaul(text, country);
const got = (text: string) =>
  said(text).ingredients.map((i) => [
    'produceId' in i ? i.produceId : i.kind === 'sugar' ? i.sugarId : i.kind,
    Number(amountOf(i).toFixed(2))
  ]);

describe('what somebody has got', () => {
  it.each([
    [
      '3 lb rhubarb and a bag of sugar',
      [
        ['rhubarb', 1.36],
        ['white', 1]
      ]
    ],
    [
      "I've got 2 kg gooseberries, 1 kg pears and some sugar",
      [
        ['gooseberry', 2],
        ['pear', 1],
        ['white', 0]
      ]
    ],
    [
      'two bags of sugar and 4.5 kg plums',
      [
        ['white', 2],
        ['plum', 4.5]
      ]
    ],
    [
      '1,5 kg elderberries + 500 g honey',
      [
        ['elderberry', 1.5],
        ['honey', 0.5]
      ]
    ],
    [
      '1 kg rhubarb,2 kg sugar and the juice of two lemons',
      [
        ['rhubarb', 1],
        ['white', 2],
        ['lemon', 0.09]
      ]
    ],
    [
      '6 lemons; 1 kg parsnips',
      [
        ['lemon', 0.6],
        ['parsnip', 1]
      ]
    ]
  ])('%s', (text, wanted) => {
    const found = got(text);
    expect(found.map(([id]) => id)).toEqual(wanted.map(([id]) => id));
    found.forEach(([, amount], i) => {
      if (wanted[i]![0] !== 'lemon' || (wanted[i]![1] as number) < 0.1)
        expect(amount).toBeCloseTo(wanted[i]![1] as number, 1);
      else expect(amount).toBeGreaterThan(0.2);
    });
  });

  it('a bag is 4 lb in the United States, and says so', () => {
    const h = said('a bag of sugar', 'us');
    expect(amountOf(h.ingredients[0]!)).toBeCloseTo(1.814, 3);
    expect(h.assumed.join()).toMatch(/4 lb/);
  });

  it('says which of two it took, when the word names both', () => {
    const h = said('2 kg cherries');
    expect(h.assumed.join()).toMatch(
      /sour cherries; there are sweet cherries too|sweet cherries; there are sour cherries too/
    );
    expect(said('2 kg sweet cherries').assumed).toEqual([]);
  });

  it('refuses what is poison, asks about what it does not know, and drops nothing', () => {
    const h = said('1 kg foxglove and 2 kg plums and a zorp');
    expect(h.ingredients).toHaveLength(1);
    expect(h.unknown.map((u) => u.text)).toEqual(['1 kg foxglove', 'a zorp']);
    expect(h.unknown[0]!.why).toMatch(/poison/);
  });

  it('asks how much when only a name was said', () => {
    expect(said('rhubarb').assumed.join()).toMatch(/how much there is of the rhubarb/);
  });

  it('never throws, and accounts for every part', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const h = said(text);
        expect(h.ingredients.every((i) => Number.isFinite(amountOf(i)))).toBe(true);
      }),
      { numRuns: 300 }
    );
  });

  it('makes a plan of it: all the fruit, no more sugar than there is', () => {
    const plan = planOfHaul(said('3 lb rhubarb and a bag of sugar'), 100);
    const solved = solvePlan(plan);
    expect(solved.gaveWay).toEqual([]);
    expect(likelyFigures(solved.plan).potentialAbv).toBeCloseTo(12, 2);
    const short = solvePlan(planOfHaul(said('9 kg rhubarb and a bag of sugar'), 100));
    expect(amountOf(short.plan.ingredients[1]!)).toBeCloseTo(1, 6);
    expect(short.gaveWay[0]).toMatchObject({ goal: 'abv', because: 'most' });
  });
});
