import { parse, type ParseError } from 'jsonc-parser';
import { z } from 'zod';
import { eventSchema, inOrder, type LedgerEvent } from '$core/ledger/log';
import { ownMethodSchema } from '$core/plan/methods';
import { recipeSchema } from '$core/must/recipe';
import { harvestLotSchema } from '$core/plan/harvest';
import { ownProduceSchema } from '$core/tables/produce';
import { vesselSchema } from '$core/vessels/vessels';
import { InputError } from '$core/units/input-error';
import { firstProblem } from '$core/units/problem';
import { isTooDeep } from '$core/units/too-deep';
import { crc32 } from './checksum';
import { settingsSchema, type Settings } from '$core/units/settings';

/** The file's own version: raised when its shape changes, with an upgrade for every older one. */
export const FILE_VERSION = 4;

export const fileSchema = z.strictObject({
  format: z.literal('vecino'),
  version: z.literal(FILE_VERSION),
  exportedAt: z.iso.datetime(),
  /** CRC-32 of all the rest, as it was written; since version 4 */
  checksum: z.string().max(40).optional(),
  /** how the household measures; left out of a file of one batch or one recipe */
  settings: settingsSchema.optional(),
  vessels: z.array(vesselSchema).max(2000),
  /** the household's own entries of the produce table; since version 2 */
  produce: z.array(ownProduceSchema).max(2000),
  /** versions of recipes, produce in hand, and methods of one's own; since version 3 */
  recipes: z.array(recipeSchema).max(20_000),
  harvest: z.array(harvestLotSchema).max(20_000),
  methods: z.array(ownMethodSchema).max(2000),
  events: z.array(eventSchema)
});
export type VecinoFile = z.infer<typeof fileSchema>;

/** The lists of a file beside the log: things with an id, kept whole. */
export const THINGS = ['vessels', 'produce', 'recipes', 'harvest', 'methods'] as const;
type ThingId = (typeof THINGS)[number];
export type Things = { [T in ThingId]: VecinoFile[T] };
export type Content = Partial<Things> & { events: readonly LedgerEvent[]; settings?: Settings };

/** What an older file lacks, by its version; each step brings it one version on. */
const UPGRADES: Record<number, (file: Record<string, unknown>) => Record<string, unknown>> = {
  1: (file) => ({ ...file, version: 2, produce: [] }),
  2: (file) => ({ ...file, version: 3, recipes: [], harvest: [], methods: [] }),
  3: (file) => ({ ...file, version: 4 })
};

/** A file of any older version as one of today's. */
function upgraded(raw: Record<string, unknown>): Record<string, unknown> {
  let file = raw;
  for (let v = file.version; typeof v === 'number' && Object.hasOwn(UPGRADES, v); v = file.version)
    file = UPGRADES[v]!(file);
  return file;
}

/** The checksum of a file: of what it holds, however it is spaced. */
const checksumOf = ({ checksum: _, ...rest }: Partial<VecinoFile>): string =>
  crc32(JSON.stringify(sorted(rest)));

const byId = <T extends { id: string }>(list: readonly T[] | undefined): T[] =>
  [...(list ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1));

/** What is given as one file's text, everything in its own order so that the same data is the same file. */
export function writeFile(content: Content, exportedAt: string): string {
  const file: VecinoFile = {
    format: 'vecino',
    version: FILE_VERSION,
    exportedAt,
    ...(content.settings ? { settings: content.settings } : {}),
    vessels: byId(content.vessels),
    produce: byId(content.produce),
    recipes: byId(content.recipes),
    harvest: byId(content.harvest),
    methods: byId(content.methods),
    events: inOrder(content.events)
  };
  return JSON.stringify({ ...file, checksum: checksumOf(file) }, null, 1);
}

/** Line and column of a character, from 1. */
function placeOf(text: string, at: number): string {
  const before = text.slice(0, at).split('\n');
  return `line ${before.length}, column ${before.at(-1)!.length + 1}`;
}

function parseJson(text: string): unknown {
  if (isTooDeep(text))
    throw new InputError(
      'This is not a Vecino file: it nests brackets deeper than any of ours.',
      'Choose a file that ends in .vecino.json. Nothing was changed.',
      'format'
    );
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
 * @param told is told how far it is, 0 to 1
 * @throws InputError with the place and the reason for a damaged, foreign or newer file
 */
export function readFile(text: string, told: Told = () => undefined): VecinoFile {
  const raw = parseJson(text.replace(/^\uFEFF/, ''));
  const head = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(raw);
  if (!head.success || head.data.format !== 'vecino')
    throw new InputError(
      'This is not a Vecino file.',
      'Choose a file that ends in .vecino.json. Nothing was changed.',
      'format'
    );
  if (typeof head.data.version !== 'number' || !Number.isInteger(head.data.version) || head.data.version < 1)
    throw new InputError(
      `The file says that it is of version “${String(head.data.version).slice(0, 40)}”.`,
      'That is no version of ours. Nothing was changed.',
      'version'
    );
  if (head.data.version > FILE_VERSION)
    throw new InputError(
      `The file is of version ${head.data.version}; this Vecino reads up to ${FILE_VERSION}.`,
      'Update Vecino and try again. Nothing was changed.',
      'version'
    );
  const whole = raw as Record<string, unknown>;
  const isWhole = whole.checksum === undefined || whole.checksum === checksumOf(whole as Partial<VecinoFile>);
  const { events, ...rest } = upgraded(whole);
  const file = fileSchema.safeParse({ ...rest, events: [] });
  const wrong = (error: z.ZodError, before = ''): InputError => {
    const { path, reason } = firstProblem(error);
    const at = `${before}${path}`;
    return new InputError(`The file is wrong at ${at}: ${reason}.`, 'Nothing was changed.', at);
  };
  if (!file.success) throw wrong(file.error);
  if (!Array.isArray(events))
    throw new InputError('The file is wrong at events: it is no list.', 'Nothing was changed.', 'events');
  // One by one, so that a long log can say how far it is.
  const read: LedgerEvent[] = [];
  for (let i = 0; i < events.length; i++) {
    const one = eventSchema.safeParse(events[i]);
    if (!one.success) throw wrong(one.error, `events[${i}].`);
    read.push(one.data);
    if (i % 2000 === 0) told(i / events.length);
  }
  if (!isWhole)
    throw new InputError(
      'The file was changed or cut since it was written: its checksum does not fit.',
      'Copy it again from where it came, or use an older one; to bring it in all the same, take the line “checksum” out. Nothing was changed.',
      'checksum'
    );
  return { ...file.data, events: read };
}

/** Is told how far something is, 0 to 1. */
export type Told = (share: number) => void;

export type ImportPreview = {
  file: VecinoFile;
  newEvents: LedgerEvent[];
  known: number;
  /** the same id with other contents: the one here stays */
  different: string[];
  /** what is not here yet, by list */
  newThings: Things;
  /** the same id with other contents, by list: the ones here stay */
  differentThings: Record<ThingId, number>;
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
export function previewImport(file: VecinoFile, here: Content): ImportPreview {
  const mine = new Map(here.events.map((e) => [e.id, e]));
  const newEvents: LedgerEvent[] = [];
  const different: string[] = [];
  let known = 0;
  const seen = new Set<string>();
  for (const e of file.events) {
    const there = mine.get(e.id);
    if (seen.has(e.id)) continue;
    seen.add(e.id);
    if (!there) newEvents.push(e);
    else if (same(there, e)) known += 1;
    else different.push(e.id);
  }
  const batches = new Set(here.events.map((e) => e.batchId));
  const newBatches = new Set(newEvents.filter((e) => !batches.has(e.batchId)).map((e) => e.batchId)).size;
  const lacks = <T extends { id: string }>(theirs: readonly T[], ours: readonly T[] | undefined): T[] => {
    const ids = new Set(ours?.map((x) => x.id));
    return theirs.filter((x) => !ids.has(x.id));
  };
  const differs = <T extends { id: string }>(
    theirs: readonly T[],
    ours: readonly T[] | undefined
  ): number => {
    const mine = new Map(ours?.map((x) => [x.id, x]));
    return theirs.filter((x) => mine.has(x.id) && !same(mine.get(x.id), x)).length;
  };
  return {
    file,
    newEvents,
    known,
    different,
    newThings: {
      vessels: lacks(file.vessels, here.vessels),
      produce: lacks(file.produce, here.produce),
      recipes: lacks(file.recipes, here.recipes),
      harvest: lacks(file.harvest, here.harvest),
      methods: lacks(file.methods, here.methods)
    },
    differentThings: {
      vessels: differs(file.vessels, here.vessels),
      produce: differs(file.produce, here.produce),
      recipes: differs(file.recipes, here.recipes),
      harvest: differs(file.harvest, here.harvest),
      methods: differs(file.methods, here.methods)
    },
    newBatches
  };
}
