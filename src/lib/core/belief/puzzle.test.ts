import { describe, expect, it } from 'vitest';
import { whyThisReading } from './detective';
import { estimateMust } from '../must/balance';
import type { Ingredient } from '../plan/plan';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import { trueWine } from '../finish/true-wines.fixture';
import { puzzleOf } from './puzzle';
import { tries } from '../../tries.fixture';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const on = eventsFrom(T0);
const PLUMS: Ingredient[] = [
  { kind: 'produce', produceId: 'plum', massKg: 4.08 },
  { kind: 'sugar', sugarId: 'white', massKg: 2.3 },
  { kind: 'water', volumeL: 7.95 }
];
const start = [
  on(0, 'planned', { name: 'Plum', plan: { ingredients: PLUMS }, vesselId: 'bucket' }),
  on(0, 'addition', { ingredients: PLUMS })
];
const e = estimateMust({ ingredients: PLUMS });
const ask = (events: Parameters<typeof puzzleOf>[0], day: number, sg: number, tempC: number | null = 20) =>
  puzzleOf(events, { sg, tempC }, T0 + day * DAY, 20)!;
const first = (p: ReturnType<typeof ask>) => whyThisReading(p).suspects[0]!.id;

describe('a wine that was never read before', () => {
  it('is judged by where it could be on that day: no accusation on day 5, 14, 44 or 60', () => {
    for (const ingredients of [
      [{ kind: 'juice', produceId: 'apple', volumeL: 10 }],
      [
        { kind: 'produce', produceId: 'plum', massKg: 4 },
        { kind: 'sugar', sugarId: 'white', massKg: 1.8 },
        { kind: 'water', volumeL: 7 }
      ],
      [
        { kind: 'honey', massKg: 3 },
        { kind: 'water', volumeL: 8 }
      ]
    ] as Ingredient[][])
      for (const day of [5, 14, 44, 60])
        for (const sg of [0.994, 0.998, 1.002, 1.01, 1.02]) {
          // Four days of yeast seldom leave a wine dry.
          if (day === 5 && sg < 1) continue;
          const at = T0 + day * 86_400_000;
          const events = [
            on(0, 'planned', { name: 'x', plan: { ingredients }, vesselId: 'b' }),
            on(0, 'addition', { ingredients }),
            on(1, 'pitch', { yeast: { yeastId: 'wine' } })
          ];
          const p = puzzleOf(events, { sg, tempC: 20 }, at, 20)!;
          const v = whyThisReading(p);
          expect(
            v.isFine,
            `${ingredients[0]!.kind} day ${day} ${sg}: ${v.suspects.map((s) => `${s.id} ${s.weight.toFixed(2)}`).join()}`
          ).toBe(true);
        }
  });
});

const WINES = tries(20, 300);
it(`of the true readings of ${WINES} wines of another model hardly one is accused, and most gross slips are`, () => {
  let [honest, accused, gross, caught] = [0, 0, 0, 0];
  for (let seed = 1; seed <= WINES; seed++) {
    const { events, slips } = trueWine(seed);
    for (const x of events) {
      if (x.type !== 'reading' || x.data.sg === undefined) continue;
      const { sg, tempC = null, vesselId } = x.data;
      const p = puzzleOf(
        events.filter((y) => y.at < x.at),
        { sg, tempC, vesselId },
        Date.parse(x.at),
        20
      );
      if (!p) continue;
      const isAccused = !whyThisReading(p).isFine;
      const off = slips.find((y) => y.eventId === x.id)?.offSg ?? 0;
      if (off === 0) [honest, accused] = [honest + 1, accused + Number(isAccused)];
      else if (Math.abs(off) > 0.012) [gross, caught] = [gross + 1, caught + Number(isAccused)];
    }
  }
  expect(honest).toBeGreaterThan(2 * WINES);
  expect(accused / honest).toBeLessThanOrEqual(0.02);
  expect(caught / Math.max(1, gross)).toBeGreaterThan(0.5);
});

describe('a reading of a batch', () => {
  it('knows what went in, how far the fruit has given, and how long it has stood', () => {
    const p = ask(start, 0.5, 1.09);
    expect(p.expected.likely).toBeCloseTo(e.sgAllGiven!.likely, 6);
    expect(p.noneGiven).toBeCloseTo(e.sgNoneGiven!.likely, 6);
    expect(p.shareGiven).toBeGreaterThan(0.1);
    expect(p.shareGiven).toBeLessThan(0.5);
    expect(p.mixedH).toBeCloseTo(12, 6);
    expect(p.hasFruit).toBe(true);
    expect(p.pitchedH).toBeNull();
    expect(p.withoutSugar!).toBeLessThan(p.expected.likely - 0.05);
    expect(p.before).toBeUndefined();
  });

  it('an early high reading is the fruit; the same later is not', () => {
    const high = e.sgNoneGiven!.likely - 0.002;
    expect(first(ask(start, 0.05, high))).toBe('fruit');
    expect(first(ask(start, 6, high))).not.toBe('fruit');
  });

  it('looks only at what was written before it', () => {
    const events = [
      ...start,
      on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
      on(5, 'reading', { sg: 1.04 }),
      on(9, 'reading', { sg: 1.01 })
    ];
    const p = ask(events, 5, 1.04);
    expect(p.before).toBeUndefined();
    expect(first(p)).toBe('fermenting');
    const later = ask(events, 9, 1.01);
    expect(later.before!.sg).toBeCloseTo(1.04, 3);
    expect(later.before!.hours).toBeCloseTo(96, 6);
    expect(whyThisReading(later).isFine).toBe(true);
    expect(whyThisReading(ask(events, 9, 1.06)).isFine).toBe(false);
  });

  it('with the fruit out there is no fruit to blame', () => {
    const events = [...start, on(6, 'fruit-out', { press: 'drip' })];
    expect(ask(events, 7, 1.09).hasFruit).toBe(false);
  });

  it('is nothing before a batch holds anything', () => {
    expect(puzzleOf([], { sg: 1.05, tempC: null }, T0, 20)).toBeNull();
    expect(puzzleOf(start.slice(0, 1), { sg: 1.05, tempC: null }, T0 + DAY, 20)).toBeNull();
  });
});
