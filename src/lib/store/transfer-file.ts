import { batchesOf, type LedgerEvent } from '$core/ledger/log';
import { KINDS } from '$core/ledger/kept';
import type { Content, ImportPreview, Told } from '$lib/files/vecino-file';
import { noteDeed } from './deeds';
import { db, type Photo } from './db';
import { newId } from './here';
import type { Settings } from '$core/units/settings';
import { sumUpThings } from './things';
import { eventsHere, isNothingHere, stampMore } from './stamp';
import { sumUp, touched } from './summaries';

/** Everything that is here, as a file holds it. */
export async function contentHere(settings: Settings): Promise<Required<Content>> {
  const [events, things] = await Promise.all([db.events.toArray(), db.things.toArray()]);
  return { events, things, settings };
}

/** Events that are written at a time. */
const LOT = 2000;
/** Of the time it takes, the share that writing events is. */
const WRITING = 0.8;
/** Batches that are summed up at a time. */
const SUMS = 20;

/**
 * Writes what an import brings with the lists it changes, all of it or nothing. Settings come along only into an empty
 * household.
 * @param newEvents used up: they are let go of as they are written, as a long life twice is more than a phone has room for
 * @param told is told how far it is, 0 to 1
 */
export async function writeImport(
  {
    newEvents,
    newEntries,
    file
  }: Pick<ImportPreview, 'newEvents' | 'newEntries'> & {
    file: Pick<ImportPreview['file'], 'settings'>;
  },
  told: Told = () => undefined,
  { name = 'a file', photos = [] }: { name?: string; photos?: readonly Photo[] } = {}
): Promise<void> {
  const tables = [
    db.events,
    db.settings,
    db.summaries,
    db.lessons,
    db.things,
    db.photos,
    db.imports,
    db.deeds,
    ...KINDS.map((k) => db[k])
  ];
  await db.transaction('rw', tables, async () => {
    const isEmpty = await isNothingHere();
    const eventIds = newEvents.map((e) => e.id);
    const voids = newEvents.filter((e) => e.type === 'void');
    const ids = new Set(newEvents.flatMap(batchesOf));
    const had: Record<string, number> = {};
    for (const id of isEmpty ? [] : new Set(newEvents.map((e) => e.batchId)))
      had[id] = await db.events.where('batchId').equals(id).count();
    for (let i = 0; i < newEvents.length; i += LOT) {
      await db.events.bulkAdd(newEvents.slice(i, i + LOT));
      newEvents.fill(null as never, i, i + LOT);
      told((WRITING * i) / newEvents.length);
    }
    await db.things.bulkPut(newEntries);
    await sumUpThings(newEntries);
    if (isEmpty && file.settings) await db.settings.put({ key: 'household', value: file.settings });
    const all = [...new Set([...ids, ...(await touched(voids))])];
    for (let i = 0; i < all.length; i += SUMS) {
      await sumUp(all.slice(i, i + SUMS));
      told(WRITING + ((1 - WRITING) * i) / all.length);
    }
    await db.photos.bulkPut([...photos]);
    const importId = newId();
    await noteDeed({ importId });
    await db.imports.add({
      id: importId,
      at: Date.now(),
      name,
      events: eventIds,
      things: newEntries.map((e) => e.id),
      photos: photos.map((p) => p.id),
      had
    });
    await stampMore(eventIds.length);
  });
}

/** Notes that everything there is went into a file. */
export const markExported = async (at: number): Promise<void> => {
  const events = await eventsHere();
  await db.settings.bulkPut([
    { key: 'exportedAt', value: at },
    { key: 'exportedEvents', value: events }
  ]);
};

/**
 * Pictures that photos of these events tell of, and that are not here yet.
 * @param from gives those of the ids that it has, and says how many it could not
 */
export async function newPhotos(
  events: readonly LedgerEvent[],
  from: (ids: Iterable<string>) => Promise<{ photos: ReadonlyMap<string, Blob>; damaged: number }>
): Promise<{ photos: Photo[]; damaged: number }> {
  const told = [...events, ...(await db.events.where('type').equals('photo').toArray())];
  const wanted = new Map<string, Omit<Photo, 'blob'>>();
  for (const { type, data, batchId } of told)
    if (type === 'photo')
      wanted.set(data.photoId, { id: data.photoId, batchId, width: data.width, height: data.height });
  const here = (await db.photos
    .where('id')
    .anyOf([...wanted.keys()])
    .primaryKeys()) as string[];
  for (const id of here) wanted.delete(id);
  const { photos, damaged } = await from(wanted.keys());
  return {
    photos: [...wanted.values()].flatMap((p) => {
      const blob = photos.get(p.id);
      return blob ? [{ ...p, blob }] : [];
    }),
    damaged
  };
}
