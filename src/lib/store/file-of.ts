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
  // The household's own vessels that anything in its log speaks of.
  const known = new Set((await db.vessels.toCollection().primaryKeys()) as string[]);
  const named = new Set<string>();
  JSON.stringify(events, (_, v: unknown) => {
    if (typeof v === 'string' && known.has(v)) named.add(v);
    return v;
  });
  const things = (
    await db.things
      .where('of')
      .anyOf([...named])
      .toArray()
  ).filter((e) => e.kind === 'vessels');
  const text = writeFile({ events, things }, at);
  const photos = await db.photos.where('batchId').equals(id).toArray();
  return photos.length === 0
    ? fileOf(name, text)
    : { name: `${name}.vecino.zip`, blob: await packArchive([text], photos) };
}

/** One thing of the household as a file: its whole log. */
export async function thingFile(kind: ThingKind, id: string, name: string): Promise<OneFile> {
  const things: Entry[] = (await db.things.where('of').equals(id).toArray()).filter((e) => e.kind === kind);
  return fileOf(name, writeFile({ events: [], things }, new Date().toISOString()));
}
