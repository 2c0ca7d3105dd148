import type { Entry, ThingKind } from '$core/ledger/things';
import type { LedgerEvent } from '$core/ledger/log';
import { packArchive } from '$lib/files/archive';
import { writeFile } from '$lib/files/vecino-file';
import { db } from './db';
import { eventsOf } from './summaries';

/** What a file of one thing is called, and what it holds. */
export type OneFile = { name: string; blob: Blob };

const fileOf = (name: string, text: string): OneFile => ({
  name: `${name}.vecino.json`,
  blob: new Blob([text], { type: 'application/json' })
});

/** One wine as a file: everything that happened to it, its vessels, and its photos. */
export async function batchFile(id: string, name: string): Promise<OneFile> {
  const at = new Date().toISOString();
  const events = (await eventsOf(id)) as LedgerEvent[];
  const vessels = new Set(
    [...JSON.stringify(events).matchAll(/"(?:vesselId|from|to)":"([^"]{1,64})"/g)].map((m) => m[1]!)
  );
  const things = (
    await db.things
      .where('of')
      .anyOf([...vessels])
      .toArray()
  ).filter((e) => e.kind === 'vessels');
  const text = writeFile({ events, things }, at);
  const photos = await db.photos.where('batchId').equals(id).toArray();
  return photos.length === 0
    ? fileOf(name, text)
    : { name: `${name}.vecino.zip`, blob: await packArchive(text, photos) };
}

/** One thing of the household as a file: its whole log. */
export async function thingFile(kind: ThingKind, id: string, name: string): Promise<OneFile> {
  const things: Entry[] = (await db.things.where('of').equals(id).toArray()).filter((e) => e.kind === kind);
  return fileOf(name, writeFile({ events: [], things }, new Date().toISOString()));
}

/** So many of what is found in words. */
const MOST = 30;
export type Found = { id: string; batchId: string; at: number; text: string };

/** Notes, tastings and photos whose words hold all that is looked for, newest first. */
export async function findInWords(text: string): Promise<Found[]> {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0 || text.trim().length < 3) return [];
  const found: Found[] = [];
  const voided = new Set<string>();
  await db.events
    .where('type')
    .anyOf(['note', 'tasting', 'photo', 'open', 'void'])
    .each((e) => {
      if (e.type === 'void') return void voided.add(e.data.eventId);
      const said =
        e.type === 'note'
          ? e.data.text
          : e.type === 'tasting'
            ? `${e.data.text} ${e.data.nextTime ?? ''}`
            : e.type === 'photo'
              ? (e.data.caption ?? '')
              : e.type === 'open'
                ? (e.data.to ?? '')
                : '';
      const low = said.toLowerCase();
      if (low && words.every((w) => low.includes(w)))
        found.push({ id: e.id, batchId: e.batchId, at: Date.parse(e.at), text: said.trim() });
    });
  return found
    .filter((f) => !voided.has(f.id))
    .sort((a, b) => b.at - a.at)
    .slice(0, MOST);
}
