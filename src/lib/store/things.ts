import {
  changesTo,
  thingsById,
  THINGS,
  type Entry,
  type EntryDraft,
  type Thing,
  type ThingKind
} from '$core/ledger/things';
import { KINDS } from '$core/ledger/kept';
import { lastSeen } from '$core/ledger/seen-order';
import { InputError } from '$core/units/input-error';
import { firstProblem } from '$core/units/problem';
import type { Table } from 'dexie';
import { db } from './db';
import { newId } from './here';
import { markBack, noteDeed } from './deeds';
import { deviceId } from './device';
import { stampThings } from './stamp';

const rows = (kind: ThingKind) => db[kind] as unknown as Table<{ id: string }, string>;

/** Makes the rows of things anew from their entries. */
export async function sumUpThings(of: readonly { kind: ThingKind; of: string }[]): Promise<void> {
  const ids = [...new Set(of.map((x) => x.of))];
  const now = thingsById(await db.things.where('of').anyOf(ids).toArray());
  for (const kind of new Set(of.map((x) => x.kind))) {
    const gone = of.filter((x) => x.kind === kind && !now[kind].has(x.of)).map((x) => x.of);
    await rows(kind).bulkPut([...now[kind].values()]);
    await rows(kind).bulkDelete(gone);
  }
}

/** Whether what is written is a deed of its own, part of another, or takes one back. */
type As = 'deed' | 'part';

/** Writes entries with the rows that follow from them, all of it or nothing. */
async function writeThings(
  make: () => EntryDraft[] | Promise<EntryDraft[]>,
  as: As = 'deed'
): Promise<Entry[]> {
  const device = await deviceId();
  return db.transaction('rw', [db.things, db.deeds, db.settings, ...KINDS.map((k) => db[k])], async () => {
    const at = new Date().toISOString();
    const drafts = await make();
    const log = await db.things
      .where('of')
      .anyOf([...new Set(drafts.map((d) => d.of))])
      .toArray();
    const entries: Entry[] = [];
    for (const d of drafts) {
      const seen = lastSeen([...log, ...entries].filter((e) => e.of === d.of && e.kind === d.kind));
      entries.push({ ...d, id: newId(), at, device, ...(seen.length > 0 ? { after: seen } : {}) } as Entry);
    }
    await db.things.bulkAdd(entries);
    await sumUpThings(entries);
    await stampThings();
    if (as === 'deed' && entries.length > 0) await noteDeed({ entries: entries.map((e) => e.id) });
    return entries;
  });
}

/**
 * Keeps a thing as it is now: what is new as a whole, else only what differs from how it was.
 * @throws InputError when it is not sound
 */
export const keep = <K extends ThingKind>(kind: K, thing: Thing<K>): Promise<Entry[]> =>
  keepAll(kind, [thing]);

/** The same for several at once, all of them or none. */
export async function keepAll<K extends ThingKind>(
  kind: K,
  things: readonly Thing<K>[],
  as: As = 'deed'
): Promise<Entry[]> {
  const sound = things.map((thing) => {
    const parsed = THINGS[kind].safeParse(JSON.parse(JSON.stringify(thing)));
    if (parsed.success) return parsed.data as Thing<K>;
    const { path, reason } = firstProblem(parsed.error);
    throw new InputError(`${path} ${reason}.`, 'Correct it and try again.', path);
  });
  return writeThings(async () => {
    const was = (await rows(kind).bulkGet(sound.map((x) => x.id))) as (Thing<K> | undefined)[];
    return sound.flatMap((thing, i) => changesTo(kind, was[i] ?? null, thing));
  }, as);
}

/** Writes several entries at once, all of them or none. */
export const writeEntries = (drafts: readonly EntryDraft[], as: As = 'deed'): Promise<Entry[]> =>
  writeThings(() => [...drafts], as);

/** Takes a thing off its list; its log stays. */
export const takeOff = (kind: ThingKind, id: string): Promise<Entry[]> =>
  writeThings(() => [{ kind, of: id, what: 'gone' }]);

/** Takes entries back: what they said does not count any more. Inside a transaction that notes it. */
export const voidEntries = (entries: readonly Entry[]): Promise<Entry[]> =>
  writeThings(() => entries.map((e) => ({ kind: e.kind, of: e.of, what: 'void', entryId: e.id })), 'part');

/** The same by itself. */
export const undoThings = (entries: readonly Entry[]): Promise<Entry[]> =>
  db.transaction('rw', [db.things, db.deeds, db.settings, ...KINDS.map((k) => db[k])], async () => {
    await markBack({ entries: entries.map((e) => e.id) });
    return voidEntries(entries);
  });
