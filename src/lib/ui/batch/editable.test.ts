import { describe, expect, it } from 'vitest';
import { eventsFrom } from '$core/ledger/events.fixture';
import { eventSchema } from '$core/ledger/log';
import { DEFAULT_SETTINGS, type Settings } from '$core/units/settings';
import { effectText, fieldsOf } from './editable';

const on = eventsFrom(Date.parse('2026-05-01T10:00:00Z'));
const US: Settings = { ...DEFAULT_SETTINGS, system: 'us', mass: 'lb', volume: 'us-gal', temp: 'F' };

const EVENTS = [
  on(1, 'reading', { sg: 1.0527, stemSg: 1.05, tempC: 30, ph: 3.3, taGL: 6.2 }),
  on(1, 'reading', { volumeL: 4.6 }),
  on(1, 'addition', {
    ingredients: [
      { kind: 'produce', produceId: 'plum', massKg: 3, unit: 'lb' },
      { kind: 'produce', produceId: 'lemon', massKg: 0.36, unit: 'piece' },
      { kind: 'sugar', sugarId: 'white', massKg: 1 },
      { kind: 'water', volumeL: 5, unit: 'uk-gal' },
      { kind: 'additive', additiveId: 'nutrient', massKg: 0.005, unit: 'g' }
    ]
  }),
  on(1, 'transfer', { from: 'a', to: [{ vesselId: 'b', volumeL: 5 }], lossL: 0.5 }),
  on(1, 'fruit-out', { press: 'drip', volumeL: 8 }),
  on(1, 'sample', { volumeL: 0.2, returned: false }),
  on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 }),
  on(1, 'note', { text: 'Foams.' })
];

describe('putting the past right', () => {
  it.each([DEFAULT_SETTINGS, US].map((s) => [s.system, s] as const))(
    'what is not touched stays as it was (%s)',
    (_n, s) => {
      for (const e of EVENTS) {
        const slots = fieldsOf(e, s);
        expect(slots.length, e.type).toBeGreaterThan(0);
        const data = structuredClone(e.data);
        for (const slot of slots) slot.put(data as never, slot.text);
        const again = eventSchema.parse({ ...e, data });
        const flat = (x: unknown): number[] =>
          typeof x === 'number' ? [x] : x && typeof x === 'object' ? Object.values(x).flatMap(flat) : [];
        const [was, is] = [flat(e.data), flat(again.data)];
        expect(is.length, e.type).toBe(was.length);
        was.forEach((n, i) =>
          expect(Math.abs(is[i]! - n), e.type).toBeLessThan(2e-4 * Math.max(1, Math.abs(n)))
        );
      }
    }
  );

  it('a new temperature corrects the gravity again', () => {
    const e = EVENTS[0]!;
    const data = structuredClone(e.data) as { sg: number };
    fieldsOf(e, DEFAULT_SETTINGS)
      .find((x) => x.key === 'tempC')!
      .put(data as never, '20');
    expect(data.sg).toBeCloseTo(1.05, 6);
  });

  it('says what is wrong and changes nothing', () => {
    const e = EVENTS[2]!;
    for (const slot of fieldsOf(e, DEFAULT_SETTINGS))
      expect(() => slot.put(structuredClone(e.data) as never, 'lots')).toThrow();
  });

  it('a stir has nothing to put right but its time', () => {
    expect(fieldsOf(on(1, 'stir', {}), DEFAULT_SETTINGS)).toEqual([]);
  });

  it('tells what an event did, and nothing where it did nothing', () => {
    const l = (n: number) => `${n.toFixed(1)} L`;
    expect(effectText({ volumeL: 10, sg: 1.08, abv: 0 }, { volumeL: 12, sg: 1.07, abv: 0 }, l)).toBe(
      '10.0 L → 12.0 L, 1.080 → 1.070'
    );
    expect(effectText({ volumeL: 10, sg: 1.08, abv: 2 }, { volumeL: 10, sg: 1.06, abv: 4.5 }, l)).toBe(
      '1.080 → 1.060, 2.0 → 4.5 %'
    );
    expect(effectText({ volumeL: 10, sg: 1.08, abv: 2 }, { volumeL: 10.01, sg: 1.08, abv: 2 }, l)).toBe('');
  });
});
