import { describe, expect, it } from 'vitest';
import { checkBottling } from '../finish/judge';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import { foldBatch } from '../ledger/run';
import { saysOf } from '../belief/says';
import { standingOf } from '../belief/standing';
import { sgFromBrix } from '../liquid/sugar';
import type { Ingredient } from '../plan/plan';
import { DEFAULT_SETTINGS, type Settings } from '../units/settings';
import { askOf, readStem } from './stem';

const T0 = Date.parse('2026-04-01T09:00:00Z');
const on = eventsFrom(T0);
const owns = (hydrometer: Partial<Settings['hydrometer']>): Settings => ({
  ...DEFAULT_SETTINGS,
  hydrometer: { ...DEFAULT_SETTINGS.hydrometer, ...hydrometer }
});
const GRAPES: Ingredient[] = [{ kind: 'juice', produceId: 'grape', volumeL: 10 }];
const begun = [
  on(0, 'planned', { name: 'x', plan: { ingredients: GRAPES }, vesselId: 'b' }),
  on(0, 'addition', { ingredients: GRAPES })
];
const pitched = [...begun, on(1, 'pitch', { yeast: { yeastId: 'wine' } })];
const state = (events: typeof begun, day: number) => foldBatch(events, T0 + day * DAY)!;

describe('a reading by the household’s own instrument', () => {
  it('asks once what reads °Bx, and what a potential scale prints', () => {
    expect(askOf('15.5 bx', 'sg', DEFAULT_SETTINGS)).toBe('bx');
    expect(askOf('15.5 bx', 'sg', owns({ bxBy: 'hydrometer' }))).toBeNull();
    expect(askOf('12 pa', 'sg', DEFAULT_SETTINGS)).toBe('potential');
    expect(askOf('12 pa', 'sg', owns({ potentialAt1100: 16.3 }))).toBeNull();
    expect(askOf('1.064', 'sg', DEFAULT_SETTINGS)).toBeNull();
    expect(askOf('1.64', 'sg', DEFAULT_SETTINGS)).toBeNull();
    expect(() => readStem('15.5 bx', 'sg', DEFAULT_SETTINGS)).toThrow(/hydrometer or by refractometer/);
  });

  it('takes the first family until it is said, and below nothing as a dry wine', () => {
    expect(readStem('12 pa', 'sg', DEFAULT_SETTINGS).sg).toBeCloseTo(1.0916, 3);
    expect(readStem('12 pa', 'sg', owns({ potentialAt1100: 16.3 })).sg).toBeLessThan(1.08);
    expect(readStem('-1.5 bx', 'sg', DEFAULT_SETTINGS)).toEqual({ sg: expect.closeTo(0.994, 3), bx: null });
  });

  it('a refractometer reads a must as it is, and a ferment corrected', () => {
    const s = owns({ bxBy: 'refractometer' });
    expect(readStem('18 bx', 'sg', s, state(begun, 1)).sg).toBeCloseTo(sgFromBrix(18), 9);
    const later = readStem('8 bx', 'sg', s, state(pitched, 12));
    expect(later.bx).toBe(8);
    expect(later.sg).toBeLessThan(sgFromBrix(8) - 0.015);
    expect(() => readStem('30 bx', 'sg', s, state(pitched, 12))).toThrow(/more than the/);
  });

  it.each([
    ['a refractometer', { refractometerBx: 6.5 }] as const,
    ['what floats by itself', { by: 'float' }] as const
  ])('%s proves nothing gone: no bottle is filled on it', (_, rough) => {
    const by = (day: number, how: object) => on(day, 'reading', { sg: 0.99, ...how });
    const judged = (how: object) =>
      checkBottling(state([...pitched, by(30, how), by(40, how)], 41), 'still', 0, true)!.verdict.level;
    expect(judged(rough)).toBe('stop');
    expect(judged({})).not.toBe('stop');
    const s = state([...pitched, by(30, rough)], 31);
    expect(saysOf(s, standingOf(s)).reading).toBe('read');
  });
});
