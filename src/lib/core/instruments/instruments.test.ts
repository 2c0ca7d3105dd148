import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bubblesOf } from './bubbles';
import { guessMapping, numberIn, readRow, type Column } from './columns';
import { thin, USUAL, THINNINGS } from './thin';
import { guessTime, readTime } from './time-text';

const HERE = { zone: 'Europe/Lisbon', isUs: false, prefersF: false };
const HOUR = 3_600_000;

describe('bubbles by tapping', () => {
  it('go by the middle interval: one missed or tapped twice moves nothing', () => {
    const even = Array.from({ length: 13 }, (_, i) => 5000 * i);
    expect(bubblesOf(even, 60_000)).toEqual({ count: 12, seconds: 60 });
    const rate = (taps: number[]) => {
      const b = bubblesOf(taps, 60_000)!;
      return b.count / b.seconds;
    };
    expect(rate(even.filter((_, i) => i !== 6))).toBeCloseTo(0.2, 6);
    expect(rate([...even, 20_100].sort((a, b) => a - b))).toBeCloseTo(0.2, 6);
    expect(bubblesOf([], 60_000)).toEqual({ count: 0, seconds: 60 });
    expect(bubblesOf([30_000], 60_000)).toEqual({ count: 1, seconds: 60 });
    expect(bubblesOf([], 0)).toBeNull();
  });
});

describe('times as loggers write them', () => {
  const at = Date.parse('2026-05-31T17:30:00Z');
  it.each([
    ['2026-05-31 18:30', 'iso'],
    ['2026-05-31T17:30:00Z', 'iso'],
    ['2026-05-31T19:30:00.250+02:00', 'iso'],
    ['2026/05/31 06:30:00 PM', 'iso'],
    ['31/5/2026 18:30', 'dmy'],
    ['31.05.26 18:30:00', 'dmy'],
    ['5/31/2026 6:30 pm', 'mdy'],
    ['1780248600', 'epoch'],
    ['1780248600000', 'epochMs'],
    ['46173.770833333', 'serial'],
    ['46173,770833333', 'serial']
  ] as const)('%s is half past six in the evening, in Lisbon', (text, format) => {
    expect(readTime(text, format, 'Europe/Lisbon')).toBe(at);
  });

  it('no such day, hour or text is none; where clocks go forward or back there is one moment', () => {
    for (const [text, format] of [
      ['2026-02-30 10:00', 'iso'],
      ['31/13/2026 10:00', 'dmy'],
      ['1/1/2026 25:00', 'dmy'],
      ['13:00 pm', 'mdy'],
      ['', 'epoch'],
      ['12', 'serial'],
      ['yesterday', 'iso']
    ] as const)
      expect(readTime(text, format, 'UTC'), text).toBeNull();
    expect(readTime('2026-03-29 01:30', 'iso', 'Europe/Lisbon')).toBe(Date.parse('2026-03-29T01:30:00Z'));
    expect(readTime('2026-10-25 01:30', 'iso', 'Europe/Lisbon')).toBe(Date.parse('2026-10-25T00:30:00Z'));
  });

  it('days and months are told apart by what runs one way, and else said to be either', () => {
    const days = Array.from({ length: 20 }, (_, i) => new Date(Date.UTC(2026, 4, 25 + i, 8)));
    const dmy = days.map((d) => `${d.getUTCDate()}/${d.getUTCMonth() + 1}/2026 08:00`);
    const mdy = days.map((d) => `${d.getUTCMonth() + 1}/${d.getUTCDate()}/2026 08:00`);
    expect(guessTime(dmy, 'UTC', true)).toEqual({ format: 'dmy', isEither: false });
    expect(guessTime(mdy, 'UTC', false)).toEqual({ format: 'mdy', isEither: false });
    expect(guessTime(dmy.toReversed(), 'UTC', true)?.format).toBe('dmy');
    expect(guessTime(['4/5/2026', '5/5/2026', '6/5/2026'], 'UTC', false)).toMatchObject({ format: 'dmy' });
    expect(guessTime(['4/5/2026'], 'UTC', true)).toEqual({ format: 'mdy', isEither: true });
    expect(guessTime(['no', 'time'], 'UTC', true)).toBeNull();
  });
});

describe('columns of a file of readings', () => {
  const guess = (rows: string[][], delimiter = ',', here = HERE) =>
    guessMapping(rows, delimiter, here).mapping;
  it.each<[string, string[][], string, Column[]]>([
    [
      'a float, in °C',
      [
        ['Timestamp', 'SG', 'Temp (C)', 'Battery'],
        ['2026-05-01 10:00:00', '1.081', '20.5', '98'],
        ['2026-05-01 10:15:00', '1.080', '20.6', '98']
      ],
      ',',
      ['time', 'sg', 'tempC', 'battery']
    ],
    [
      'decimal commas, points, °F',
      [
        ['Datum;', 'Dichte', 'Temp °F'],
        ['1.5.2026 10:00', '1081,0', '68,9'],
        ['1.5.2026 11:00', '1080,5', '69,1']
      ],
      ';',
      ['time', 'points', 'tempF']
    ],
    [
      'date and clock apart, °P',
      [
        ['Date', 'Time', 'Gravity', 'pH'],
        ['2026-05-01', '10:00', '19.4', '3.4'],
        ['2026-05-01', '11:00', '19.2', '3.4']
      ],
      ',',
      ['date', 'clock', 'brix', 'ph']
    ],
    [
      'no head, seconds since 1970',
      [
        ['1777629600', '1.081', '21.0', 'ok'],
        ['1777633200', '1.080', '21.1', 'ok']
      ],
      ',',
      ['skip', 'sg', 'tempC', 'skip']
    ],
    [
      'a head for the same',
      [
        ['epoch', 'angle', 'gravity', 'celsius'],
        ['1777629600', '61.2', '1.081', '21.0'],
        ['1777633200', '61.0', '1.080', '21.1']
      ],
      ',',
      ['time', 'skip', 'sg', 'tempC']
    ]
  ])('%s', (_, rows, delimiter, want) => {
    expect(guess(rows, delimiter).columns).toEqual(want);
  });

  it('a row is a sample, or says why it is none', () => {
    const m = {
      columns: ['time', 'points', 'tempF', 'ph'] as Column[],
      hasHead: false,
      decimal: ',' as const,
      time: 'dmy' as const,
      zone: 'UTC'
    };
    const at = Date.parse('2026-05-01T10:00:00Z');
    expect(readRow(['1.5.2026 10:00', '64', '68', '3,41'], m)).toEqual({
      at,
      sg: 1.064,
      tempC: 20,
      ph: 3.41
    });
    expect(readRow(['1.5.2026 10:00', '1064', '', ''], m)).toEqual({ at, sg: 1.064 });
    expect(readRow(['', '64', '68', ''], m)).toBe('it bears no time');
    expect(readRow(['soon', '64', '', ''], m)).toMatch(/no time as the others/);
    expect(readRow(['1.5.2026 10:00', 'err', '', ''], m)).toMatch(/no number/);
    expect(readRow(['1.5.2026 10:00', '640', '', ''], m)).toMatch(/no gravity of a wine/);
    expect(readRow(['1.5.2026 10:00', '', '', ''], m)).toBe('it holds no figure');
  });

  it('numbers with units, commas and apostrophes; no number in what is none', () => {
    expect(['20.5 °C', "'-1.5", '1e-3', '+4'].map((t) => numberIn(t, '.'))).toEqual([20.5, -1.5, 0.001, 4]);
    expect(numberIn('20,5°', ',')).toBe(20.5);
    for (const t of ['', 'n/a', '12:30', '1.2.3', '2026-05-01', 'NaN'])
      expect(numberIn(t, '.'), t).toBeNull();
  });

  it('never breaks, whatever stands in it', () => {
    const rows = fc.array(
      fc.array(fc.oneof(fc.string({ maxLength: 20 }), fc.float().map(String)), { maxLength: 6 }),
      {
        maxLength: 12
      }
    );
    fc.assert(
      fc.property(rows, (list) => {
        const m = guess(list);
        for (const row of list) {
          const one = readRow(row, m);
          if (typeof one !== 'string') expect(Object.values(one).every(Number.isFinite)).toBe(true);
        }
      }),
      { numRuns: 300 }
    );
  });
});

describe('thinning', () => {
  const steady = Array.from({ length: 24 * 60 }, (_, i) => ({ at: i * 60_000, sg: 1.05, tempC: 20 }));
  it('keeps what changes and an hour, never less than two a day while nothing does', () => {
    expect(thin(steady, USUAL)).toHaveLength(2);
    const falling = steady.map((s, i) => ({ ...s, sg: 1.08 - (0.03 * i) / steady.length }));
    const kept = thin(falling, USUAL);
    expect(kept.length).toBeGreaterThan(10);
    expect(kept.length).toBeLessThanOrEqual(24);
    expect(thin(steady, THINNINGS.hour)).toHaveLength(24);
    expect(thin(steady, THINNINGS.day)).toHaveLength(1);
    expect(thin(steady, THINNINGS.all)).toHaveLength(steady.length);
  });

  it('a jolt within an hour is none of the wine’s; order of coming makes no difference', () => {
    const jolted = steady.map((s, i) => (i % 120 === 7 ? { ...s, sg: 1.12 } : s));
    expect(thin(jolted, USUAL).every((s) => s.sg === 1.05)).toBe(true);
    expect(thin(steady.toReversed(), USUAL)).toEqual(thin(steady, USUAL));
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ at: fc.nat({ max: 200 * HOUR }), sg: fc.double({ min: 0.98, max: 1.12, noNaN: true }) })
        ),
        (list) => {
          const kept = thin(list, USUAL);
          kept.slice(1).forEach((s, i) => expect(s.at - kept[i]!.at).toBeGreaterThanOrEqual(0));
          expect(kept.length <= list.length).toBe(true);
        }
      ),
      { numRuns: 60 }
    );
  });
});
