import type { LedgerEvent } from '$core/ledger/log';
import { same } from '$core/ledger/kept';
import { changesTo, thingsById, type Entry, type EntryDraft } from '$core/ledger/things';
import { KINDS } from '$core/ledger/kept';
import { takeBack } from '$core/commands/take-back';
import { db } from './db';
import { newId } from './here';
import { perform } from './record';
import { writeEntries } from './things';

/** What was written after a moment, and still counts. */
export type Since = { events: LedgerEvent[]; wines: number; things: EntryDraft[] };

/** What brings the things of the household to where they were. */
function thingsBack(entries: readonly Entry[], at: number): EntryDraft[] {
  const [then, now] = [thingsById(entries.filter((e) => Date.parse(e.at) <= at)), thingsById(entries)];
  return KINDS.flatMap((kind) => {
    const ids = new Set([...then[kind].keys(), ...now[kind].keys()]);
    return [...ids].flatMap((id): EntryDraft[] => {
      const [was, is] = [then[kind].get(id) ?? null, now[kind].get(id) ?? null];
      if (same(was, is)) return [];
      if (!was) return [{ kind, of: id, what: 'gone' }];
      return is ? changesTo(kind, is, was as never) : [{ kind, of: id, what: 'kept', thing: was }];
    });
  });
}

/** What would be taken back to have everything as it was at a moment. @param at ms since 1970 */
export async function writtenSince(at: number): Promise<Since> {
  const iso = new Date(at).toISOString();
  const log = await db.events.toArray();
  const gone = new Set(log.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  const events = log.filter((e) => e.recordedAt > iso && !gone.has(e.id));
  return {
    events,
    wines: new Set(events.map((e) => e.batchId)).size,
    things: thingsBack(await db.things.toArray(), at)
  };
}

/**
 * Has everything as it was: what was written since is taken back, and what was taken back since comes back. Nothing is
 * erased, and it is undone as one.
 * @returns what it wrote
 */
export async function restoreTo(since: Since): Promise<LedgerEvent[]> {
  const batches = [...new Set(since.events.map((e) => e.batchId))];
  const log = await db.events.where('batchId').anyOf(batches).toArray();
  const deed = takeBack(log, since.events, newId);
  if (deed.length > 0) return perform(deed, { sure: true }, { drafts: since.things });
  if (since.things.length > 0) await writeEntries(since.things);
  return [];
}
