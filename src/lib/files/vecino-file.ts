import { parse, type ParseError } from 'jsonc-parser';
import { z } from 'zod';
import { eventSchema, inOrder, type LedgerEvent } from '$core/ledger/events';
import { ownProduceSchema, type Produce } from '$core/produce/schema';
import { vesselSchema, type Vessel } from '$core/scale/vessels';
import { InputError } from '$core/units/input-error';
import { firstProblem } from '$core/units/problem';
import { settingsSchema, type Settings } from '$lib/store/settings';

/** The file's own version: raised when its shape changes, with an upgrade for every older one. */
export const FILE_VERSION = 2;

export const fileSchema = z.strictObject({
  format: z.literal('vecino'),
  version: z.literal(FILE_VERSION),
  exportedAt: z.iso.datetime(),
  settings: settingsSchema,
  vessels: z.array(vesselSchema).max(2000),
  /** the household's own entries of the produce table; since version 2 */
  produce: z.array(ownProduceSchema).max(2000),
  events: z.array(eventSchema)
});
export type VecinoFile = z.infer<typeof fileSchema>;

/** What an older file lacks, by its version; each step brings it one version on. */
const UPGRADES: Record<number, (file: Record<string, unknown>) => Record<string, unknown>> = {
  1: (file) => ({ ...file, version: 2, produce: [] })
};

/** A file of any older version as one of today's. */
function upgraded(raw: Record<string, unknown>): Record<string, unknown> {
  let file = raw;
  for (let step = UPGRADES[file.version as number]; step; step = UPGRADES[file.version as number])
    file = step(file);
  return file;
}

/** Everything as one file's text, the log in its own order so that the same data is the same file. */
export function writeFile(
  events: readonly LedgerEvent[],
  vessels: readonly Vessel[],
  produce: readonly Produce[],
  settings: Settings,
  exportedAt: string
): string {
  const file: VecinoFile = {
    format: 'vecino',
    version: FILE_VERSION,
    exportedAt,
    settings,
    vessels: [...vessels].sort((a, b) => (a.id < b.id ? -1 : 1)),
    produce: [...produce].sort((a, b) => (a.id < b.id ? -1 : 1)),
    events: inOrder(events)
  };
  return JSON.stringify(file, null, 1);
}

/** Line and column of a character, from 1. */
function placeOf(text: string, at: number): string {
  const before = text.slice(0, at).split('\n');
  return `line ${before.length}, column ${before.at(-1)!.length + 1}`;
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // The browser says that it is damaged but not where; this parser does.
    const errors: ParseError[] = [];
    parse(text, errors, { disallowComments: true, allowTrailingComma: false });
    const place = placeOf(text, errors[0]?.offset ?? text.length);
    throw new InputError(
      `The file is damaged at ${place}.`,
      'It is not whole JSON: copy it again from where it came, or use an older export. Nothing was changed.',
      place
    );
  }
}

/**
 * Reads a `.vecino.json` file.
 * @throws InputError with the place and the reason for a damaged, foreign or newer file
 */
export function readFile(text: string): VecinoFile {
  const raw = parseJson(text.replace(/^\uFEFF/, ''));
  const head = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(raw);
  if (!head.success || head.data.format !== 'vecino')
    throw new InputError(
      'This is not a Vecino file.',
      'Choose a file that ends in .vecino.json. Nothing was changed.',
      'format'
    );
  if (typeof head.data.version === 'number' && head.data.version > FILE_VERSION)
    throw new InputError(
      `The file is of version ${head.data.version}; this Vecino reads up to ${FILE_VERSION}.`,
      'Update Vecino and try again. Nothing was changed.',
      'version'
    );
  const file = fileSchema.safeParse(upgraded(raw as Record<string, unknown>));
  if (!file.success) {
    const { path, reason } = firstProblem(file.error);
    throw new InputError(`The file is wrong at ${path}: ${reason}.`, 'Nothing was changed.', path);
  }
  return file.data;
}

export type ImportPreview = {
  file: VecinoFile;
  newEvents: LedgerEvent[];
  known: number;
  /** the same id with other contents: the one here stays */
  different: string[];
  newVessels: Vessel[];
  newProduce: Produce[];
  newBatches: number;
};

const same = (a: unknown, b: unknown): boolean => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

/** The same value with its keys in order, so that order of writing makes no difference. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([k, v]) => [k, sorted(v)])
    );
  return value;
}

/** What importing a file would do: new, already here, different. Writes nothing. */
export function previewImport(
  file: VecinoFile,
  events: readonly LedgerEvent[],
  vessels: readonly Vessel[],
  produce: readonly Produce[] = []
): ImportPreview {
  const here = new Map(events.map((e) => [e.id, e]));
  const newEvents: LedgerEvent[] = [];
  const different: string[] = [];
  let known = 0;
  const seen = new Set<string>();
  for (const e of file.events) {
    const mine = here.get(e.id);
    if (seen.has(e.id)) continue;
    seen.add(e.id);
    if (!mine) newEvents.push(e);
    else if (same(mine, e)) known += 1;
    else different.push(e.id);
  }
  const batches = new Set(events.map((e) => e.batchId));
  const newBatches = new Set(newEvents.filter((e) => !batches.has(e.batchId)).map((e) => e.batchId)).size;
  const newVessels = file.vessels.filter((v) => !vessels.some((mine) => mine.id === v.id));
  const newProduce = file.produce.filter((p) => !produce.some((mine) => mine.id === p.id));
  return { file, newEvents, known, different, newVessels, newProduce, newBatches };
}
