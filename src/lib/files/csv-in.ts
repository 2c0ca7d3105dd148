import Papa from 'papaparse';
import { guessMapping, readRow, type BadRow, type Mapping } from '$core/instruments/columns';
import type { At } from '$core/instruments/sample';
import { thin, type Thinning } from '$core/instruments/thin';
import { orderOf } from '$core/instruments/time-text';
import type { Told } from './vecino-file';

/** So many rows are shown and guessed by. */
const PREVIEW = 200;
/** So many that cannot be read are told one by one. */
const MOST_BAD = 20;

export type Looked = {
  rows: string[][];
  delimiter: string;
  mapping: Mapping;
  /** lines above the head, which are no part of the table */
  titles: number;
  /** day and month could be either way round */
  isEither: boolean;
};
export type ReadIn = { rows: number; kept: At[]; bad: BadRow[]; badCount: number };

const isBlank = (row: readonly string[]): boolean => row.every((t) => t.trim() === '');

/** `sep=;`, as spreadsheets write it in the first line. */
const SEP = /^\uFEFF?sep=(.)\r?\n/i;
/** Lines that may be titles, where there are more than twice as many. */
const MAY_BE_TITLES = 12;

/** What stands between the columns: as the first line says it, else by the lines below any title. */
function delimiterOf(text: string): string {
  const said = SEP.exec(text)?.[1];
  if (said) return said;
  const lines = text.split(/\r?\n/, 2 * PREVIEW);
  const below = lines.length > 2 * MAY_BE_TITLES ? lines.slice(MAY_BE_TITLES) : lines;
  return Papa.parse<string[]>(below.join('\n'), { preview: PREVIEW }).meta.delimiter;
}

const filled = (row: readonly string[]): number => row.filter((t) => t.trim() !== '').length;

/** Rows above the table: those with hardly a cell of what most rows have. */
function titlesOf(rows: readonly (readonly string[])[]): number {
  const widths = rows.map(filled).sort((a, b) => a - b);
  const usual = widths[Math.floor(widths.length / 2)] ?? 0;
  const first = rows.findIndex((r) => filled(r) >= Math.max(2, 0.75 * usual));
  return usual < 2 ? 0 : Math.max(0, first);
}

/**
 * The first rows of a text of readings, and what its columns seem to be.
 * @param text of the whole file, or its beginning
 */
export function lookAt(text: string, here: Parameters<typeof guessMapping>[2]): Looked {
  const delimiter = delimiterOf(text);
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: PREVIEW, delimiter });
  const titles = titlesOf(data);
  const rows = data.slice(titles).filter((r) => !isBlank(r));
  return { rows, delimiter, titles, ...guessMapping(rows, delimiter, here) };
}

/**
 * The same of a whole file, where its first rows leave open which number is the day: any row may settle it.
 * @returns what was looked at, settled by the first row that can
 */
export function settledBy(input: File | string, looked: Looked): Promise<Looked> {
  const { columns } = looked.mapping;
  const c = columns.includes('time') ? columns.indexOf('time') : columns.indexOf('date');
  if (!looked.isEither || c < 0) return Promise.resolve(looked);
  return new Promise((done, fail) => {
    let order: 'dmy' | 'mdy' | null = null;
    Papa.parse<string[]>(input as File, {
      delimiter: looked.delimiter,
      chunkSize: 1 << 18,
      chunk({ data }, parser) {
        for (const row of data) order ??= orderOf(row[c] ?? '');
        if (order) parser.abort();
      },
      complete: () =>
        done(order ? { ...looked, mapping: { ...looked.mapping, time: order }, isEither: false } : looked),
      error: (e: Error) => fail(e)
    });
  });
}

/**
 * All rows of a file as they are mapped, and what of them is worth a line in the log.
 * @param told is told how far it is, 0 to 1
 * @param titles lines above its head
 */
export function readReadings(
  input: File | string,
  delimiter: string,
  mapping: Mapping,
  rule: Thinning,
  told: Told = () => undefined,
  titles = 0
): Promise<ReadIn> {
  return new Promise((done, fail) => {
    const size = typeof input === 'string' ? input.length : input.size;
    const samples: At[] = [];
    const bad: BadRow[] = [];
    let [line, rows, badCount] = [0, 0, 0];
    Papa.parse<string[]>(input as File, {
      delimiter,
      chunkSize: 1 << 18,
      chunk({ data, meta }) {
        for (const row of data) {
          line += 1;
          if (isBlank(row) || line <= titles || (line === titles + 1 && mapping.hasHead)) continue;
          rows += 1;
          const one = readRow(row, mapping);
          if (typeof one !== 'string') samples.push(one);
          else if (++badCount <= MOST_BAD) bad.push({ line, why: one });
        }
        told(Math.min(1, meta.cursor / Math.max(1, size)));
      },
      complete: () => done({ rows, kept: thin(samples, rule), bad, badCount }),
      error: (e: Error) => fail(e)
    });
  });
}
