import { abvOf } from '../ferment/convert';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ETHANOL_20, ethanolWaterDensity } from '../liquid/ethanol';
import { massOf } from '../liquid/stock';
import { schedule } from '../steps/schedule';
import { foldBatch } from '../ledger/run';
import { batchTolerance, contents, fermentedOf, volumeOf } from '../ledger/state';
import { expectedFinish, standingOf, whyAbvDiffers } from '../belief/standing';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import type { LedgerEvent } from '../ledger/log';
import { tries } from '../../tries.fixture';

const T0 = Date.parse('2026-03-01T08:00:00Z');
const on = eventsFrom(T0);

/** Something that happens to a sugar-and-water wine, in the order of its day. */
type Act =
  | { do: 'sugar'; kg: number }
  | { do: 'water'; l: number }
  | { do: 'erythritol'; kg: number }
  | { do: 'read'; drop: number }
  | { do: 'rack'; share: number; loss: number }
  | { do: 'note' };

const acts: fc.Arbitrary<Act[]> = fc.array(
  fc.oneof(
    fc.record({ do: fc.constant('sugar' as const), kg: fc.double({ min: 0.01, max: 0.6, noNaN: true }) }),
    fc.record({ do: fc.constant('water' as const), l: fc.double({ min: 0.05, max: 2, noNaN: true }) }),
    fc.record({
      do: fc.constant('erythritol' as const),
      kg: fc.double({ min: 0.01, max: 0.2, noNaN: true })
    }),
    fc.record({ do: fc.constant('read' as const), drop: fc.double({ min: 0.05, max: 0.9, noNaN: true }) }),
    fc.record({
      do: fc.constant('rack' as const),
      share: fc.double({ min: 0.6, max: 0.97, noNaN: true }),
      loss: fc.double({ min: 0, max: 0.3, noNaN: true })
    }),
    fc.record({ do: fc.constant('note' as const) })
  ),
  { minLength: 1, maxLength: 14 }
);

/**
 * An independent account of the same history, kept by hand in plain kilograms: water, sucrose-like solids,
 * fermentable sugar, alcohol. A kilogram dissolved takes 0.62 L, of erythritol 0.71; alcohol and water by OIML R 22.
 */
function byHand(sugarKg: number, waterL: number, history: Act[]) {
  const s = { water: waterL * 0.9982, sugar: sugarKg, dead: 0, ery: 0, alcohol: 0, gone: 0 };
  const gravities: number[] = [];
  const spirit = () => s.water + s.alcohol;
  const volume = () =>
    spirit() / ethanolWaterDensity(s.alcohol / spirit()) + 0.62 * (s.sugar + s.dead) + 0.71 * s.ery;
  const gravity = () => (s.water + s.sugar + s.dead + s.ery + s.alcohol) / volume() / 0.9982;
  for (const act of history) {
    if (act.do === 'sugar') s.sugar += act.kg;
    if (act.do === 'water') s.water += act.l * 0.9982;
    if (act.do === 'erythritol') s.ery += act.kg;
    if (act.do === 'rack')
      for (const k of ['water', 'sugar', 'dead', 'ery', 'alcohol', 'gone'] as const) s[k] *= act.share;
    if (act.do === 'read') {
      const eaten = s.sugar * act.drop;
      const hexose = eaten * 1.0526;
      s.sugar -= eaten;
      s.water -= hexose - eaten;
      s.alcohol += hexose * 0.46;
      s.dead += hexose * 0.045;
      s.gone += hexose;
      gravities.push(gravity());
    }
  }
  return { ...s, volumeL: volume(), abv: (100 * s.alcohol) / ETHANOL_20 / volume(), gravities };
}

/** The same history as events, each reading as the given gravity. */
function asEvents(sugarKg: number, waterL: number, history: Act[], sgs: number[]): LedgerEvent[] {
  const ingredients = [
    { kind: 'sugar' as const, sugarId: 'white' as const, massKg: sugarKg },
    { kind: 'water' as const, volumeL: waterL }
  ];
  const events = [
    on(0, 'planned', { name: 'W', plan: { ingredients, yeast: { yeastId: 'champagne' } }, vesselId: 'v0' }),
    on(0, 'addition', { ingredients }),
    on(1, 'pitch', { yeast: { yeastId: 'champagne' } })
  ];
  let vessel = 0;
  let read = 0;
  history.forEach((act, i) => {
    const day = 3 + 3 * i;
    if (act.do === 'sugar')
      events.push(
        on(day, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: act.kg }] })
      );
    if (act.do === 'water')
      events.push(on(day, 'addition', { ingredients: [{ kind: 'water', volumeL: act.l }] }));
    if (act.do === 'erythritol')
      events.push(
        on(day, 'addition', { ingredients: [{ kind: 'sugar', sugarId: 'erythritol', massKg: act.kg }] })
      );
    if (act.do === 'note') events.push(on(day, 'note', { text: 'smells of bread' }));
    if (act.do === 'read') events.push(on(day, 'reading', { sg: sgs[read++]! }));
    if (act.do === 'rack') {
      const before = volumeOf(foldBatch(events, T0 + day * DAY)!);
      events.push(
        on(day, 'transfer', {
          from: `v${vessel}`,
          to: [{ vesselId: `v${vessel + 1}`, volumeL: before * act.share }],
          lossL: act.loss,
          emptied: true
        })
      );
      vessel += 1;
    }
  });
  return events;
}

describe('random histories', () => {
  const start = fc.record({
    sugarKg: fc.double({ min: 0.8, max: 2.6, noNaN: true }),
    waterL: fc.double({ min: 8, max: 12, noNaN: true })
  });

  it('agree with an account kept by hand: alcohol within 0.3 % vol, volume within 1 %, sugar within 2 % of all there was', () => {
    fc.assert(
      fc.property(start, acts, ({ sugarKg, waterL }, history) => {
        const hand = byHand(sugarKg, waterL, history);
        const sgs = hand.gravities;
        fc.pre(sgs.every((sg) => sg > 0.975 && sg < 1.25));
        const s = foldBatch(asEvents(sugarKg, waterL, history, sgs), T0 + 400 * DAY)!;
        const now = standingOf(s);
        const ledger = abvOf(contents(s));
        const all = sugarKg + history.reduce((n, a) => n + (a.do === 'sugar' ? a.kg : 0), 0);
        expect(Math.abs(ledger - hand.abv)).toBeLessThan(0.3);
        expect(Math.abs(now.volumeL / hand.volumeL - 1)).toBeLessThan(0.01);
        expect(Math.abs(contents(s).hexoseKg / 1.0526 - hand.sugar)).toBeLessThan(0.02 * all + 0.005);
      }),
      { numRuns: tries(50, 1500) }
    );
  });

  it('lose nothing: what went in is in the wine, gone as gas and lees, or left behind', () => {
    fc.assert(
      fc.property(start, acts, ({ sugarKg, waterL }, history) => {
        const still = history.filter((a) => a.do !== 'rack');
        const hand = byHand(sugarKg, waterL, still);
        fc.pre(hand.gravities.every((sg) => sg > 0.975 && sg < 1.25));
        const s = foldBatch(asEvents(sugarKg, waterL, still, hand.gravities), T0 + 400 * DAY)!;
        const put =
          waterL * 0.9982 +
          sugarKg +
          still.reduce((n, a) => n + ('kg' in a ? a.kg : 'l' in a ? a.l * 0.9982 : 0), 0);
        const corrected = s.corrections.reduce((n, c) => n + (c.kind === 'sugar' ? c.sugarKg : 0), 0);
        const gone = fermentedOf(s) * (1 - 0.46 - 0.045);
        expect(massOf(contents(s)) + gone).toBeCloseTo(put + corrected, 6);
      }),
      { numRuns: tries(35, 1000) }
    );
  });

  it('always have a standing, a finish and a schedule that make sense', () => {
    fc.assert(
      fc.property(start, acts, fc.integer({ min: 0, max: 300 }), ({ sugarKg, waterL }, history, day) => {
        const hand = byHand(sugarKg, waterL, history);
        fc.pre(hand.gravities.every((sg) => sg > 0.975 && sg < 1.25));
        const s = foldBatch(asEvents(sugarKg, waterL, history, hand.gravities), T0 + day * DAY)!;
        const now = standingOf(s);
        expect(now.abv.low).toBeLessThanOrEqual(now.abv.likely);
        expect(now.residualGL).toBeGreaterThanOrEqual(-1e-6);
        expect(now.day).toBe(day + 1);
        const end = expectedFinish(s)!;
        expect(end.sg.low).toBeLessThanOrEqual(end.sg.likely);
        expect(end.sg.likely).toBeLessThanOrEqual(end.sg.high);
        expect(end.abv).toBeLessThanOrEqual(Math.max(batchTolerance(s)[1], now.ledgerAbv) + 0.01);
        const why = whyAbvDiffers(s, now);
        if (now.classroom !== null && Math.abs(now.classroom - now.abv.likely) > 0.2)
          expect(why).toMatch(/%/);
        const due = schedule(s);
        for (const d of due) {
          expect(d.lateAt).toBeGreaterThanOrEqual(d.dueAt);
          if (d.after) expect(d.status).toBe('coming');
        }
        expect(new Set(due.map((d) => d.step.id)).size).toBe(due.length);
      }),
      { numRuns: tries(35, 1000) }
    );
  });
});
