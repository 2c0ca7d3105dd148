import { isSound } from '$core/report/summary';
import { KINDS } from '$core/ledger/kept';
import { db, type Import } from './db';
import { markBack } from './deeds';
import { stampMore } from './stamp';
import { sumUp } from './summaries';
import { sumUpThings } from './things';

/** The last files that were brought in, newest first. */
export const lastImports = (): Promise<Import[]> => db.imports.orderBy('at').reverse().limit(5).toArray();

/** What became of an import that was taken back. */
export type TakenOut = {
  events: number;
  /** wines that were written to since: all of theirs stays */
  kept: string[];
};

/**
 * Takes an import back: what it brought is as if it had never come. A wine that was written to since stays whole, for
 * what was written hangs on it.
 */
export async function takeImportOut(of: Import): Promise<TakenOut> {
  const tables = [
    db.events,
    db.things,
    db.photos,
    db.imports,
    db.deeds,
    db.summaries,
    db.lessons,
    db.settings,
    ...KINDS.map((k) => db[k])
  ];
  return db.transaction('rw', tables, async () => {
    const mine = new Set(of.events);
    const events = (await db.events.bulkGet(of.events)).flatMap((e) => (e ? [e] : []));
    const batches = [...new Set(events.map((e) => e.batchId))];
    const later = new Set(
      (
        await db.events
          .where('batchId')
          .anyOf(batches)
          .filter((e) => !mine.has(e.id) && Date.parse(e.recordedAt) >= of.at)
          .toArray()
      ).map((e) => e.batchId)
    );
    const gone = events.filter((e) => !later.has(e.batchId));
    await db.events.bulkDelete(gone.map((e) => e.id));
    const photos = (await db.photos.bulkGet(of.photos)).flatMap((p) =>
      p && !later.has(p.batchId) ? [p.id] : []
    );
    await db.photos.bulkDelete(photos);
    const entries = (await db.things.bulkGet(of.things)).flatMap((e) => (e ? [e] : []));
    // What later entries speak of stays.
    const spoken = new Set(
      (await db.things.toArray())
        .filter((e) => !of.things.includes(e.id) && Date.parse(e.at) >= of.at)
        .map((e) => e.of)
    );
    const out = entries.filter((e) => !spoken.has(e.of));
    await db.things.bulkDelete(out.map((e) => e.id));
    await sumUpThings(out);
    const names = (await db.summaries.bulkGet([...later])).flatMap((s) =>
      s && isSound(s) ? [s.state.name] : []
    );
    await sumUp(new Set(gone.map((e) => e.batchId)));
    await db.imports.delete(of.id);
    await markBack({ importId: of.id });
    await stampMore(-gone.length);
    return { events: gone.length, kept: names };
  });
}
