import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { read, utils } from 'xlsx';
import { eventsFrom } from '$core/ledger/events.fixture';
import { foldBatch } from '$core/ledger/run';
import { standingOf } from '$core/belief/standing';
import { standsOf } from '$core/report/stands';
import { batchTable, cellarTable, harvestTable, READINGS_HEAD, readingRows } from '$core/report/tables';
import { THINNINGS } from '$core/instruments/thin';
import { csvOf } from './csv';
import { batchMarkdown } from './batch-markdown';
import { lookAt, readReadings, settledBy } from './csv-in';

const ZONE = 'Europe/Lisbon';
const HERE = { zone: ZONE, isUs: false, prefersF: false };

/** A fortnight of a falling ferment, every quarter of an hour. */
const T0 = Date.parse('2026-05-20T08:00:00Z');
const truth = Array.from({ length: 14 * 96 }, (_, i) => ({
  at: T0 + i * 900_000,
  sg: Number((1.08 - 0.085 * (1 - Math.exp(-i / 400))).toFixed(3)),
  tempC: Number((20 + 2 * Math.sin(i / 40)).toFixed(1))
}));
const two = (n: number) => String(n).padStart(2, '0');
/** The clock on the wall in Lisbon, which is an hour ahead of UTC in May. */
const wall = (at: number) => {
  const d = new Date(at + 3_600_000);
  return {
    y: d.getUTCFullYear(),
    mo: d.getUTCMonth() + 1,
    d: d.getUTCDate(),
    h: d.getUTCHours(),
    mi: two(d.getUTCMinutes())
  };
};
const comma = (n: number) => String(n).replace('.', ',');

type Shape = {
  name: string;
  delimiter: string;
  head: string[];
  row: (t: (typeof truth)[number]) => string[];
  more?: object;
};
const SHAPES: Shape[] = [
  {
    name: 'comma, ISO in UTC',
    delimiter: ',',
    head: ['time', 'gravity', 'temp C', 'note'],
    row: (t) => [new Date(t.at).toISOString(), String(t.sg), String(t.tempC), 'a, "b"']
  },
  {
    name: 'semicolon, decimal comma, day first, in points',
    delimiter: ';',
    head: ['Datum', 'Dichte', 'Temperatur °C'],
    row: (t) => {
      const w = wall(t.at);
      return [
        `${w.d}.${w.mo}.${w.y} ${w.h}:${w.mi}`,
        comma(Number((1000 * t.sg).toFixed(1))),
        comma(t.tempC)
      ];
    }
  },
  {
    name: 'tabs, month first, am and pm, °F',
    delimiter: '\t',
    head: ['Date/Time', 'SG', 'Temp (F)'],
    row: (t) => {
      const w = wall(t.at);
      const half = w.h < 12 ? 'AM' : 'PM';
      return [
        `${w.mo}/${w.d}/${w.y} ${w.h % 12 || 12}:${w.mi} ${half}`,
        String(t.sg),
        (t.tempC * 1.8 + 32).toFixed(2)
      ];
    }
  },
  {
    name: 'pipes, seconds since 1970, newest first, all quoted, with a byte order mark',
    delimiter: '|',
    head: ['epoch', 'angle', 'SG', 'celsius'],
    row: (t) => [String(t.at / 1000), '61.2', String(t.sg), String(t.tempC)],
    more: { quoted: true, bom: true }
  },
  {
    name: 'date and clock apart, no temperature, CRLF',
    delimiter: ',',
    head: ['Date', 'Clock time', 'Specific gravity'],
    row: (t) => {
      const w = wall(t.at);
      return [`${w.y}-${two(w.mo)}-${two(w.d)}`, `${two(w.h)}:${w.mi}`, String(t.sg)];
    },
    more: { record_delimiter: '\r\n' }
  }
];

describe('readings of a logger, as another package writes them', () => {
  it.each(SHAPES)('$name: every row comes in right', async ({ delimiter, head, row, more, name }) => {
    const list = name.includes('newest first') ? truth.toReversed() : truth;
    const text = stringify([head, ...list.map(row)], { delimiter, ...more });
    const looked = lookAt(text.slice(0, 100_000), HERE);
    expect(looked.delimiter).toBe(delimiter);
    expect(looked.isEither).toBe(false);
    const all = await readReadings(text, looked.delimiter, looked.mapping, THINNINGS.all);
    expect([all.rows, all.badCount]).toEqual([truth.length, 0]);
    all.kept.forEach((s, i) => {
      expect(s.at).toBe(truth[i]!.at);
      expect(s.sg).toBeCloseTo(truth[i]!.sg, 6);
      if (s.tempC !== undefined) expect(s.tempC).toBeCloseTo(truth[i]!.tempC, 1);
    });
    expect(all.kept[0]!.tempC !== undefined).toBe(head.length > 2 && !head.includes('Clock time'));
    const usual = await readReadings(text, looked.delimiter, looked.mapping, THINNINGS.usual);
    expect(usual.kept.length).toBeLessThan(120);
  });

  it('one row past the twelfth settles which number is the day, wherever it stands; where none does it is asked', async () => {
    const rows = (days: readonly (readonly [number, number])[]) =>
      `time,gravity\n${days.map(([d, m]) => `${m}/${d}/2026 10:00,1.050`).join('\n')}\n`;
    const settled = async (text: string, here = HERE) => {
      const { isEither, mapping } = await settledBy(text, lookAt(text.slice(0, 2000), here));
      return isEither ? 'asked' : mapping.time;
    };
    expect(
      await settled(
        rows([
          [1, 5],
          [13, 5]
        ])
      )
    ).toBe('mdy');
    expect(
      await settled(
        rows([
          [13, 5],
          [1, 5]
        ])
      )
    ).toBe('mdy');
    expect(await settled('time,gravity\n5/1/2026 10:00,1.050\n13/5/2026 10:00,1.040\n')).toBe('dmy');
    // The first two hundred rows leave it open, and one of the thousands behind them does not.
    const open = Array.from({ length: 900 }, () => [4, 5] as const);
    expect(await settled(rows([...open, [28, 5]]))).toBe('mdy');
    for (const isUs of [true, false])
      expect(
        await settled(
          rows([
            [4, 5],
            [4, 5]
          ]),
          { ...HERE, isUs }
        )
      ).toBe('asked');
  });

  it('titles above the head, a line that says the separator, and pipes are read', async () => {
    const table = (d: string) =>
      Array.from(
        { length: 30 },
        (_, i) => `2026-05-${two(i + 1)} 10:00${d}${(1.08 - i / 1000).toFixed(3)}${d}20.5`
      ).join('\n');
    for (const [above, d] of [
      ['', '|'],
      ['sep=;\n', ';'],
      ['\uFEFFsep=|\n', '|'],
      ['Cellar logger 7, first floor\nExported by hand\n\n', ';'],
      ['Cellar logger 7\nSerial;12345\n', ';'],
      ['A title; with the separator in it\n\n\n', ';']
    ] as const) {
      const text = `${above}when${d}SG${d}Temp C\n${table(d)}\n`;
      const looked = lookAt(text, HERE);
      expect([looked.delimiter, looked.mapping.columns], above).toEqual([d, ['time', 'sg', 'tempC']]);
      const all = await readReadings(text, d, looked.mapping, THINNINGS.all, undefined, looked.titles);
      expect([all.rows, all.badCount], above).toEqual([30, 0]);
      expect(all.kept[0]!.sg).toBe(1.08);
    }
  });

  it('rows that cannot be read are counted, and told with their place', async () => {
    const text =
      'time,gravity\n2026-05-20 10:00,1.080\nbroken,1.079\n2026-05-20 12:00,oops\n\n2026-05-20 13:00,1.078\n';
    const { mapping, delimiter } = lookAt(text, HERE);
    const all = await readReadings(text, delimiter, mapping, THINNINGS.all);
    expect(all.kept.map((s) => s.sg)).toEqual([1.08, 1.078]);
    expect(all.bad.map((b) => b.line)).toEqual([3, 4]);
  });
});

const on = eventsFrom(Date.parse('2025-05-01T10:00:00Z'));
const GRAPE = [{ kind: 'juice' as const, produceId: 'grape', volumeL: 9 }];
const NASTY = '=HYPERLINK("http://x","y")';
const EVENTS = [
  on(0, 'planned', { name: NASTY, plan: { ingredients: GRAPE }, vesselId: 'jar' }),
  on(0, 'addition', { ingredients: GRAPE }),
  on(1, 'reading', { sg: 1.08, tempC: 21, ph: 3.4 }),
  on(1, 'pitch', { yeast: { yeastId: 'wine' } }),
  on(3, 'observation', { bubbles: { count: 12, seconds: 30 } }),
  on(40, 'reading', { sg: 0.994, by: '+cmd' }),
  on(60, 'reading', { sg: 0.994 }),
  on(90, 'bottle', {
    from: 'jar',
    bottles: [{ count: 10, sizeL: 0.75, type: 'still' }],
    clear: true,
    emptied: true
  })
];
const NOW = Date.parse('2026-05-01T10:00:00Z');
const state = foldBatch(EVENTS, NOW)!;
const stands = standsOf(state, standingOf(state), null);

/** What a spreadsheet makes of a table. */
const opened = (csv: string) => {
  const book = read(csv, { type: 'string' });
  const sheet = book.Sheets[book.SheetNames[0]!]!;
  return {
    rows: utils.sheet_to_json<(string | number)[]>(sheet, { header: 1, defval: '', blankrows: false }),
    formulas: Object.entries(sheet).filter(([, c]) => c && typeof c === 'object' && 'f' in c)
  };
};

describe('tables for a spreadsheet', () => {
  it('hold what was measured and what is left, with the unit in the head', () => {
    const rows = readingRows(EVENTS, state.id, state.name, (id) => id ?? '');
    expect(rows.map((r) => [r[4], r[11]])).toEqual([
      [1.08, null],
      [null, 24],
      [0.994, null],
      [0.994, null]
    ]);
    expect(rows[0]!.slice(1, 3)).toEqual(['2025-05-02 11:00', ZONE]);
    const { rows: back } = opened(csvOf({ head: READINGS_HEAD, rows }));
    expect(back).toHaveLength(5);
    expect(back[1]![4]).toBe(1.08);
    const wine = batchTable([stands], (id) => id ?? '').rows[0]!;
    expect(wine.slice(2, 3)).toEqual(['bottled']);
    expect(cellarTable([stands], [], NOW).rows[0]!.slice(3, 5)).toEqual([10, 0.75]);
    const lots = [{ id: 'a', produceId: 'plum', massKg: 2, at: '2025-08-01T10:00:00Z', fates: [] }] as never;
    expect(
      harvestTable(lots, new Map([['a', { kg: 1.5, batches: [{ name: 'Plum' }] }]]), ZONE).rows[0]
    ).toEqual(['Plums', '2025-08-01', 2, 'fresh', '', '', 1.5, 'Plum', '']);
  });

  it('no text of theirs runs in a spreadsheet, and figures stay figures', () => {
    for (const t of [
      { head: READINGS_HEAD, rows: readingRows(EVENTS, state.id, state.name, (id) => id ?? '') },
      batchTable([stands], (id) => id ?? ''),
      cellarTable([stands], [], NOW)
    ]) {
      const { rows, formulas } = opened(csvOf(t));
      expect(formulas).toEqual([]);
      expect(rows[1]![0]).toBe(`'${NASTY}`);
    }
    const cell = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom('=1+1', '+1', '-1', '@SUM(A1)', '\t=1', ' =1', '"=1"', 'a,b', 'a\r\nb', '|cmd', '%0A=1')
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(cell, cell, fc.double({ noNaN: true, min: -1e6, max: 1e6 })), { minLength: 1 }),
        (rows) => {
          const csv = csvOf({ head: ['a', 'b', 'c'], rows });
          expect(opened(csv).formulas).toEqual([]);
          expect(csv.replace(/"(?:[^"]|"")*"/g, '')).not.toMatch(/[^\r]\n/);
        }
      ),
      { numRuns: 200 }
    );
  });

  it('a wine as text: nothing in it is taken for markup, and every event has its row', () => {
    const text = batchMarkdown({
      name: '# *Plum* | <b>',
      says: 'Still.',
      figures: [['Alcohol', '12 %']],
      ingredients: ['3 kg plums'],
      happened: [{ day: '2026-05-01', what: 'Note', detail: 'a | b\nc' }],
      nextTime: [],
      contains: ['sulphites']
    });
    expect(text).toContain('\\# \\*Plum\\* \\| \\<b\\>');
    expect(text).toContain('| 2026-05-01 | Note | a \\| b c |');
    expect(text).toContain('Contains sulphites.');
  });
});
