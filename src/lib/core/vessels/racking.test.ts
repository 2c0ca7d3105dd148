import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stockAt, liquid } from '../liquid/stock';
import { planRacking, rackingWord } from './racking';
import { topUps } from './top-up';
import { toTheNeck, type Vessel } from './vessels';

const jar = (id: string, capacityL: number): Vessel => ({ id, name: id, shape: 'jar', capacityL });
const JARS = [
  jar('five', 5.25),
  jar('five-b', 5.25),
  jar('uk', 4.75),
  jar('two', 2.1),
  jar('ten', 10.4),
  jar('big', 23.7)
];

/** Air and rest of every set of vessels, tried one by one. */
function bestByHand(volumeL: number, free: readonly Vessel[]): number {
  let best = Infinity;
  for (let set = 0; set < 2 ** free.length; set++) {
    const used = free.filter((_, i) => set & (1 << i));
    const room = used.reduce((sum, v) => sum + toTheNeck(v), 0);
    best = Math.min(best, Math.max(0, room - volumeL) + 4 * Math.max(0, volumeL - room) + 0.12 * used.length);
  }
  return best;
}

describe('which jars', () => {
  it('is never worse than the best of all sets tried one by one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 45, noNaN: true }),
        fc.subarray(JARS, { minLength: 1 }),
        (volumeL, free) => {
          const p = planRacking(volumeL, free);
          const cost = p.airL + 4 * p.restL + 0.12 * p.to.length;
          expect(cost).toBeLessThanOrEqual(bestByHand(volumeL, free) + 1e-6);
          expect(p.to.reduce((sum, t) => sum + t.volumeL, 0) + p.restL).toBeCloseTo(volumeL, 6);
          for (const t of p.to) expect(t.volumeL).toBeLessThanOrEqual(toTheNeck(t.vessel) + 1e-9);
        }
      ),
      { numRuns: 120 }
    );
  });

  it('ten litres go into the ten-litre jar, not into three', () => {
    const p = planRacking(10.2, JARS);
    expect(p.to.map((t) => t.vessel.id)).toEqual(['ten']);
    expect(rackingWord(p)).toBe('no air to speak of');
  });

  it('seven litres split, so that nothing stands half empty', () => {
    const p = planRacking(7.2, JARS);
    expect(p.to.length).toBe(2);
    expect(p.airL).toBeLessThan(0.2);
  });

  it('says what finds no room', () => {
    expect(rackingWord(planRacking(30, [jar('five', 5.25)]))).toMatch(/does not fit/);
    expect(planRacking(5, [])).toEqual({ to: [], airL: 0, restL: 5 });
    expect(rackingWord(planRacking(5.3, [jar('five', 5.25)]))).toMatch(/a glass over/);
  });
});

describe('topping up', () => {
  const wine = { ...stockAt(4, 1.02), ethanolKg: 0.35 };

  it('tells what each way does to strength, acid and sweetness', () => {
    const other = { batchId: 'b', vesselId: 'v', name: 'Plum', stock: stockAt(3, 1.05) };
    const all = topUps(wine, 1, [other]);
    const by = (id: string) => all.find((t) => t.id === id)!;
    expect(all.map((t) => t.id)).toEqual(['like-wine', 'water', 'juice', 'gas']);
    // A fifth of water takes a fifth of the strength.
    expect(by('water').after.abv / by('gas').after.abv).toBeCloseTo(0.8, 1);
    expect(by('juice').after.sugarGL).toBeGreaterThan(by('water').after.sugarGL);
    expect(by('juice').after.taGL).toBeGreaterThan(by('water').after.taGL);
    expect(by('like-wine').from).toEqual({ batchId: 'b', vesselId: 'v' });
    expect(by('gas').ingredient).toBeNull();
  });

  it('offers no wine that would not fill the gap, and nothing where there is no gap', () => {
    expect(
      topUps(wine, 1, [{ batchId: 'b', vesselId: 'v', name: 'x', stock: stockAt(0.5, 1) }]).map((t) => t.id)
    ).not.toContain('like-wine');
    expect(topUps(wine, 0, [])).toEqual([]);
    expect(liquid(wine)!.volumeL).toBeGreaterThan(4);
  });
});
