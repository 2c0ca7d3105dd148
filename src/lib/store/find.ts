import Dexie from 'dexie';
import type { LedgerEvent } from '$core/ledger/log';
import { db } from './db';

/** So many of what is found in words. */
const MOST = 30;
export type Found = { id: string; batchId: string; at: number; text: string };

/** What somebody wrote in it, in words of his own. */
function saidIn(e: LedgerEvent): string {
  if (e.type === 'note') return e.data.text;
  if (e.type === 'tasting') return `${e.data.text} ${e.data.nextTime ?? ''}`;
  if (e.type === 'photo') return e.data.caption ?? '';
  return e.type === 'open' ? (e.data.to ?? '') : '';
}

type Said = Found & { low: string };
let said: Promise<Said[]> | null = null;

// Whatever writes an event, in any tab, makes what was read before old.
Dexie.on('storagemutated', (parts) => {
  if (Object.keys(parts).some((part) => part.startsWith(`idb://${db.name}/events/`))) said = null;
});

async function read(): Promise<Said[]> {
  const ofKind = (type: LedgerEvent['type']) => db.events.where('type').equals(type).toArray();
  // Each kind in one go: one event after the other is ten times slower.
  const all = (await Promise.all((['note', 'tasting', 'photo', 'open', 'void'] as const).map(ofKind))).flat();
  const voided = new Set(all.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  return all
    .filter((e) => !voided.has(e.id))
    .map((e) => ({ id: e.id, batchId: e.batchId, at: Date.parse(e.at), text: saidIn(e).trim() }))
    .filter((f) => f.text !== '')
    .map((f) => ({ ...f, low: f.text.toLowerCase() }))
    .sort((a, b) => b.at - a.at);
}

/** All that was ever said, newest first; read when somebody begins to look, and kept until something is written. */
export function allSaid(): Promise<Said[]> {
  const mine = (said ??= read());
  mine.catch(() => (said = null));
  return mine;
}

/** Notes, tastings and photos whose words hold all that is looked for, newest first. */
export async function findInWords(text: string): Promise<Found[]> {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0 || text.trim().length < 3) return [];
  return (await allSaid())
    .filter(({ low }) => words.every((w) => low.includes(w)))
    .slice(0, MOST)
    .map(({ low: _, ...found }) => found);
}
