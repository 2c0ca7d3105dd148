import { expect, it } from 'vitest';
import { courseOf } from '../belief/course';
import { standingOf } from '../belief/standing';
import { eventsFrom } from '../ledger/events.fixture';
import { batchAt, historyOf } from '../ledger/run';
import type { Plan } from '../plan/plan';
import { reportOf } from './report';
import { standsOf } from './stands';
import { summaryOf } from './sum-up';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const PLAN: Plan = {
  ingredients: [
    { kind: 'produce', produceId: 'plum', massKg: 3 },
    { kind: 'water', volumeL: 6 },
    { kind: 'sugar', sugarId: 'white', massKg: 2 }
  ]
};

/** The life of a wine that stands in vessels of such names. */
function life(bucket: string, jar: string) {
  const on = eventsFrom(T0);
  const events = [
    on(0, 'planned', { name: 'Plum', plan: PLAN, vesselId: bucket }),
    on(0, 'addition', { ingredients: PLAN.ingredients, vesselId: bucket }),
    on(0, 'place', { vesselId: bucket, name: 'shed', tempC: 18 }),
    on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
    on(6, 'fruit-out', { press: 'drip', volumeL: 9 }),
    on(7, 'reading', { sg: 1.01, vesselId: bucket }),
    on(8, 'transfer', { from: bucket, to: [{ vesselId: jar, volumeL: 5 }], lossL: 0, emptied: false }),
    on(9, 'top-up', { vesselId: jar, item: { kind: 'water', volumeL: 0.2 } } as never),
    on(30, 'reading', { sg: 0.994, vesselId: jar })
  ];
  const id = events[0]!.batchId;
  const s = batchAt(events, T0 + 40 * 864e5)!;
  const stands = standsOf(s, standingOf(s), courseOf(s));
  const row = summaryOf(events, id, T0 + 40 * 864e5)!;
  const text = JSON.stringify([
    s.fills,
    stands.standing.abv,
    stands.standing.belief?.sg,
    stands.due.map((d) => [d.step.id, d.dueAt]),
    stands.says,
    reportOf(events, T0 + 40 * 864e5),
    historyOf(events, Infinity).map((h) => h.after),
    row.standing.volumeL
  ]);
  return text.replaceAll(JSON.stringify(bucket), '"A"').replaceAll(JSON.stringify(jar), '"B"');
}

it('vessels may be called as nothing in this language should be: the wine is the same', () => {
  const plain = life('bucket-a', 'jar-b');
  for (const [a, b] of [
    ['__proto__', 'jar-b'],
    ['bucket-a', '__proto__'],
    ['constructor', 'toString'],
    ['hasOwnProperty', 'valueOf']
  ] as const)
    expect(life(a, b), `${a}, ${b}`).toBe(plain);
});
