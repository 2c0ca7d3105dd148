import Papa from 'papaparse';
import { guessMapping, readRow, type BadRow, type Mapping } from '$core/instruments/columns';
import type { At } from '$core/instruments/sample';
import { thin, type Thinning } from '$core/instruments/thin';
import type { Told } from './vecino-file';

/** So many rows are shown and guessed by. */
const PREVIEW = 200;
/** So many that cannot be read are told one by one. */
const MOST_BAD = 20;

export type Looked = {
  rows: string[][];
  delimiter: string;
  mapping: Mapping;
  /** day and month could be either way round */
  isEither: boolean;
};
export type ReadIn = { rows: number; kept: At[]; bad: BadRow[]; badCount: number };

const isBlank = (row: readonly string[]): boolean => row.every((t) => t.trim() === '');

/** The first rows of a text of readings, and what its columns seem to be. */
export function lookAt(text: string, here: Parameters<typeof guessMapping>[2]): Looked {
  const { data, meta } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: PREVIEW });
  const rows = data.filter((r) => !isBlank(r));
  return { rows, delimiter: meta.delimiter, ...guessMapping(rows, meta.delimiter, here) };
}

/**
 * All rows of a file as they are mapped, and what of them is worth a line in the log.
 * @param told is told how far it is, 0 to 1
 */
export function readReadings(
  input: File | string,
  delimiter: string,
  mapping: Mapping,
  rule: Thinning,
  told: Told = () => undefined
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
          if (isBlank(row) || (line === 1 && mapping.hasHead)) continue;
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
