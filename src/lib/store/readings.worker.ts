import { expose } from 'comlink';
import Papa from 'papaparse';
import { guessMapping, readRow, type BadRow, type Mapping } from '$core/instruments/columns';
import type { At } from '$core/instruments/sample';
import { thin, type Thinning } from '$core/instruments/thin';
import type { Told } from '$lib/files/vecino-file';

/** So many rows are shown and guessed by. */
const PREVIEW = 200;
/** So many that cannot be read are told one by one. */
const MOST_BAD = 20;

export type Looked = {
  rows: string[][];
  delimiter: string;
  mapping: Mapping;
  isEither: boolean;
};
export type ReadIn = { rows: number; samples: At[]; kept: At[]; bad: BadRow[]; badCount: number };

const isBlank = (row: readonly string[]): boolean => row.every((t) => t.trim() === '');

const api = {
  /** The first rows of a file, and what its columns seem to be. */
  async look(file: File, here: Parameters<typeof guessMapping>[2]): Promise<Looked> {
    const text = (await file.slice(0, 400_000).text()).replace(/^\uFEFF/, '');
    const { data, meta } = Papa.parse<string[]>(text, { preview: PREVIEW });
    const rows = data.filter((r) => !isBlank(r));
    return { rows, delimiter: meta.delimiter, ...guessMapping(rows, meta.delimiter, here) };
  },
  /** All rows of it as they are mapped, and what of them is worth a line in the log. */
  read(file: File, delimiter: string, mapping: Mapping, rule: Thinning, told: Told): Promise<ReadIn> {
    return new Promise((done, fail) => {
      const samples: At[] = [];
      const bad: BadRow[] = [];
      let [line, rows, badCount] = [0, 0, 0];
      Papa.parse<string[]>(file, {
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
          told(Math.min(1, meta.cursor / Math.max(1, file.size)));
        },
        complete: () => done({ rows, samples: samples.slice(-1), kept: thin(samples, rule), bad, badCount }),
        error: (e) => fail(e)
      });
    });
  }
};
export type ReadingsApi = typeof api;

expose(api);
