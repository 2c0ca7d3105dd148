import { parse, type ParseError } from 'jsonc-parser';
import { z } from 'zod';
import { eventSchema, inOrder, type LedgerEvent } from '$core/ledger/log';
import { upgradedEvent } from '$core/ledger/upgrade';
import { keptAs, KINDS, same, sorted } from '$core/ledger/kept';
import {
  entrySchema,
  mergeEntries,
  THINGS,
  thingsById,
  type Entry,
  type Thing,
  type ThingKind,
  type ThingsById
} from '$core/ledger/things';
import { union } from '$core/ledger/merge';
import { crc32 } from '$core/maths/crc32';
import { InputError } from '$core/units/input-error';
import { firstProblem } from '$core/units/problem';
import type { Settings } from '$core/units/settings';
import { settingsSchema } from '$core/units/settings-schema';
import { isTooDeep } from '$core/units/too-deep';

/** The file's own version: raised when its shape changes, with an upgrade for every older one. */
export const FILE_VERSION = 8;

export const fileSchema = z.strictObject({
  format: z.literal('vecino'),
  version: z.literal(FILE_VERSION),
  exportedAt: z.iso.datetime(),
  /** CRC-32 of all the rest, as it was written; since version 4 */
  checksum: z.string().max(40).optional(),
  /** how the household measures; left out of a file of one batch or one recipe */
  settings: settingsSchema.optional(),
  /** what happened to vessels, produce, recipes, harvest and methods of one's own; since version 5 */
  things: z.array(entrySchema).max(100_000),
  events: z.array(eventSchema)
});
export type VecinoFile = z.infer<typeof fileSchema>;
export type Content = { things?: readonly Entry[]; events: readonly LedgerEvent[]; settings?: Settings };

type Raw = Record<string, unknown>;

/** Rows of an older file, each checked, as the first entries of their logs. @throws InputError with the place */
function entriesOf(file: Raw): Entry[] {
  const at = z.iso.datetime().safeParse(file.exportedAt);
  if (!at.success)
    throw new InputError('The file is wrong at exportedAt.', 'Nothing was changed.', 'exportedAt');
  return KINDS.flatMap((kind) => {
    const rows = z.array(THINGS[kind] as z.ZodType<Thing>).safeParse(file[kind] ?? []);
    if (!rows.success) throw wrongAt(rows.error, kind);
    return rows.data.map((row) => keptAs(kind, row as never, at.data));
  });
}

/** What an older file lacks, by its version; each step brings it one version on. */
const UPGRADES: Record<number, (file: Raw) => Raw> = {
  1: (file) => ({ ...file, version: 2 }),
  2: (file) => ({ ...file, version: 3 }),
  3: (file) => ({ ...file, version: 4 }),
  4(file) {
    const { vessels: _v, produce: _p, recipes: _r, harvest: _h, methods: _m, ...rest } = file;
    const events = Array.isArray(file.events) ? file.events.map(upgradedEvent) : file.events;
    return { ...rest, version: 5, things: entriesOf(file), events };
  },
  // Racks, places of bottles, how they left, photos and fuller tastings came with 6; nothing of 5 was otherwise.
  5: (file) => ({ ...file, version: 6 }),
  // Places, and yeasts of one's own, came with 7; nothing of 6 was otherwise.
  6: (file) => ({ ...file, version: 7 }),
  // What the writer of an entry had seen came with 8; nothing of 7 was otherwise.
  7: (file) => ({ ...file, version: 8 })
};

const wrongAt = (error: z.ZodError, before = ''): InputError => {
  const { path, reason } = firstProblem(error);
  const at = `${before}${path}`;
  return new InputError(`The file is wrong at ${at}: ${reason}.`, 'Nothing was changed.', at);
};

/** A file of any older version as one of today's. */
function upgraded(raw: Record<string, unknown>): Record<string, unknown> {
  let file = raw;
  for (let v = file.version; typeof v === 'number' && Object.hasOwn(UPGRADES, v); v = file.version)
    file = UPGRADES[v]!(file);
  return file;
}

/** JSON of what a file holds beside its checksum, in an order of its own, piece by piece: no text of all of it is made. */
function* inPieces(file: Raw): Generator<string> {
  yield '{';
  let before = '';
  for (const key of Object.keys(file).sort()) {
    const value = file[key];
    if (key === 'checksum' || value === undefined) continue;
    yield `${before}${JSON.stringify(key)}:`;
    before = ',';
    if (!Array.isArray(value)) {
      yield JSON.stringify(sorted(value));
      continue;
    }
    yield '[';
    for (const [i, item] of value.entries()) yield (i > 0 ? ',' : '') + JSON.stringify(sorted(item));
    yield ']';
  }
  yield '}';
}

/** The checksum of a file: of what it holds, however it is spaced. */
const checksumOf = (file: Raw): string => crc32(inPieces(file));

/** Something within a file, as `JSON.stringify(…, 1)` writes it so many levels down. */
const indented = (value: unknown, levels: number): string =>
  JSON.stringify(value, null, 1).replaceAll('\n', `\n${' '.repeat(levels)}`);

/**
 * What is given as one file's text, everything in its own order so that the same data is the same file; piece by piece,
 * as that of a long life is larger than what one likes to hold twice.
 */
export function* filePieces(content: Content, exportedAt: string): Generator<string> {
  const head = {
    format: 'vecino',
    version: FILE_VERSION,
    exportedAt,
    ...(content.settings ? { settings: content.settings } : {})
  };
  const lists = {
    things: mergeEntries(content.things ?? [], []).map((e) => sorted(e)),
    events: inOrder(content.events)
  };
  yield indented(head, 0).slice(0, -2);
  for (const [name, list] of Object.entries(lists)) {
    yield `,\n ${JSON.stringify(name)}: [`;
    for (const [i, item] of list.entries()) yield `${i > 0 ? ',' : ''}\n  ${indented(item, 2)}`;
    yield list.length > 0 ? '\n ]' : ']';
  }
  yield `,\n "checksum": ${JSON.stringify(checksumOf({ ...head, ...lists }))}\n}`;
}

/** The same as one text. */
export const writeFile = (content: Content, exportedAt: string): string =>
  [...filePieces(content, exportedAt)].join('');

/** Line and column of a character, from 1. */
function placeOf(text: string, at: number): string {
  const before = text.slice(0, at).split('\n');
  return `line ${before.length}, column ${before.at(-1)!.length + 1}`;
}

/**
 * What a text holds, of whatever it is.
 * @throws InputError with the place of what is no JSON
 */
export function parseJson(text: string): unknown {
  if (isTooDeep(text))
    throw new InputError(
      'This is not a Vecino file: it nests brackets deeper than any of ours.',
      'Choose a file that ends in .vecino.json. Nothing was changed.',
      'format'
    );
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
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
 * Reads what a `.vecino.json` file holds.
 * @param raw used up: its events are let go of one by one, as all of them twice is more than a phone has room for
 * @param told is told how far it is, 0 to 1
 * @throws InputError with the place and the reason for a damaged, foreign or newer file
 */
export function readParsed(raw: unknown, told: Told = () => undefined): VecinoFile {
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
  const whole = raw as Raw;
  const isWhole = whole.checksum === undefined || whole.checksum === checksumOf(whole);
  const { events, ...rest } = upgraded(whole);
  const file = fileSchema.safeParse({ ...rest, events: [] });
  if (!file.success) throw wrongAt(file.error);
  if (!Array.isArray(events))
    throw new InputError('The file is wrong at events: it is no list.', 'Nothing was changed.', 'events');
  // One by one, so that a long log can say how far it is.
  const read: LedgerEvent[] = [];
  for (let i = 0; i < events.length; i++) {
    const one = eventSchema.safeParse(events[i]);
    if (!one.success) throw wrongAt(one.error, `events[${i}].`);
    read.push(one.data);
    events[i] = null;
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

/** Reads a `.vecino.json` file, as `readParsed` does. */
export const readFile = (text: string, told?: Told): VecinoFile => readParsed(parseJson(text), told);

/** Is told how far something is, 0 to 1. */
export type Told = (share: number) => void;

type Counts = Record<ThingKind, number>;

export type ImportPreview = {
  file: VecinoFile;
  newEvents: LedgerEvent[];
  known: number;
  /** the same id with other contents: the one here stays */
  different: string[];
  /** what is written there of things, and not here */
  newEntries: Entry[];
  /** things that are not here yet, by list */
  newThings: Counts;
  /** things that are here, and will be otherwise: what was written last counts */
  changedThings: Counts;
  newBatches: number;
};

const countOf = (count: (kind: ThingKind) => number): Counts =>
  Object.fromEntries(KINDS.map((k) => [k, count(k)])) as Counts;

/** What importing a file would do: new, already here, different. Writes nothing. */
export function previewImport(file: VecinoFile, here: Content): ImportPreview {
  const { added: newEvents, known, different } = union(here.events, file.events, same);
  const batches = new Set(here.events.map((e) => e.batchId));
  const newBatches = new Set(newEvents.filter((e) => !batches.has(e.batchId)).map((e) => e.batchId)).size;
  const entries = here.things ?? [];
  const before = thingsById(entries);
  // A row of an older file that says what is so already says nothing new.
  const newEntries = union(entries, file.things).added.filter(
    (e) => !(e.what === 'kept' && e.device === 'before' && same(before[e.kind].get(e.of), e.thing))
  );
  const after = thingsById(mergeEntries(entries, newEntries));
  const ids = (by: ThingsById, kind: ThingKind) => [...by[kind].keys()];
  return {
    file,
    newEvents,
    known,
    different,
    newEntries,
    newThings: countOf((k) => ids(after, k).filter((id) => !before[k].has(id)).length),
    changedThings: countOf(
      (k) => ids(before, k).filter((id) => !same(before[k].get(id), after[k].get(id))).length
    ),
    newBatches
  };
}
