import { describe, expect, it } from 'vitest';
import { DAY, eventsFrom } from '$core/ledger/events.fixture';
import type { LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import { standingOf } from '$core/belief/standing';
import { standsOf } from '$core/report/stands';
import { warningsOf } from './warnings';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const on = eventsFrom(T0);
const fruit = { kind: 'produce' as const, produceId: 'plum', massKg: 4 };
const sugar = { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 1.8 };
const water = (volumeL: number) => ({ kind: 'water' as const, volumeL });
const begun = (litres: number, vesselId = 'bucket-15'): LedgerEvent[] => [
  on(0, 'planned', { name: 'Plum', plan: { ingredients: [fruit, sugar, water(litres)] }, vesselId }),
  on(0, 'addition', { ingredients: [fruit, sugar, water(litres)], vesselId })
];
const pitched = on(1, 'pitch', { yeast: { yeastId: 'wine' } });
const said = (events: LedgerEvent[], day: number) => {
  const at = T0 + day * DAY;
  return warningsOf(standsOf(foldBatch(events, at)!, standingOf(foldBatch(events, at)!), null), at, 'L').map(
    (w) => `${w.tone}: ${w.text}`
  );
};

describe('what is wrong with a batch, on the walk', () => {
  it('a ferment that does not start is told by readings alone: who never measures is not accused', () => {
    expect(said([...begun(6), pitched], 6)).toEqual([]);
    const still = on(4, 'reading', { sg: 1.078 });
    const log = [...begun(6), on(0.5, 'reading', { sg: 1.078 }), pitched, still];
    expect(said(log, 6).join()).toMatch(/danger: still asleep, 120 h after the yeast/);
    expect(said([...log, on(5, 'reading', { sg: 1.05 })], 6)).toEqual([]);
    // What was read once tells nothing of the months after.
    expect(said(log, 100).join()).not.toMatch(/asleep/);
  });

  it('a bucket without room for its foam, by what its fruit will bring', () => {
    expect(said(begun(10), 0.1).join()).toMatch(/little room left for foam/);
    expect(said(begun(6), 0.1)).toEqual([]);
    // What has long ended foams no more, whatever nobody wrote down of its fruit.
    expect(said([...begun(10), pitched], 120).join()).not.toMatch(/foam/);
    expect(said([...begun(10), on(7, 'fruit-out', { press: 'drip' })], 8).join()).not.toMatch(/foam/);
  });

  it('a jar that is far from full', () => {
    const racked = (volumeL: number) => [
      ...begun(6),
      pitched,
      on(7, 'fruit-out', { press: 'drip', volumeL: 9.5 }),
      on(8, 'transfer', {
        from: 'bucket-15',
        to: [{ vesselId: 'jar-10', volumeL }],
        lossL: 9.5 - volumeL,
        emptied: true
      })
    ];
    expect(said(racked(7), 9).join()).toMatch(/caution: 3\.2 L of air over it/);
    expect(said(racked(9.4), 9)).toEqual([]);
  });

  it('what was written that cannot have been is named on the walk too', () => {
    const odd = on(2, 'loss', { volumeL: 300, how: 'spilt' });
    expect(said([...begun(6), odd], 3).join()).toMatch(/one thing was written that cannot have been so/);
  });

  it('a clearing wine that could burst bottles is not called safe', () => {
    const log = [
      ...begun(6),
      pitched,
      on(7, 'fruit-out', { press: 'drip', volumeL: 9.5 }),
      on(8, 'transfer', { from: 'bucket-15', to: [{ vesselId: 'jar-10', volumeL: 9.4 }], lossL: 0.1 }),
      on(40, 'transfer', { from: 'jar-10', to: [{ vesselId: 'jar-5', volumeL: 5 }], lossL: 4.4 }),
      on(60, 'reading', { sg: 1.02 }),
      on(64, 'reading', { sg: 1.02 })
    ];
    expect(said(log, 65).join()).toMatch(/not safe to bottle: it could reach \d+\.\d bar/);
  });
});
