import { expose } from 'comlink';
import { explain } from '$core/units/input-error';
import { isArchive, openArchive, packArchive } from '$lib/files/archive';
import { previewImport, readFile, writeFile, type ImportPreview, type Told } from '$lib/files/vecino-file';
import { db, type Photo } from './db';
import { contentHere, newPhotos, writeImport } from './transfer-file';
import { DEFAULT_SETTINGS, type Settings } from '$core/units/settings';

/** What an import would do, in numbers. */
export type ImportCounts = {
  newEvents: number;
  newBatches: number;
  known: number;
  different: number;
  newPhotos: number;
  newThings: ImportPreview['newThings'];
  changedThings: ImportPreview['changedThings'];
};

type Looked = { preview: ImportPreview; photos: Photo[]; name: string };
let looked: Looked | null = null;

const api = {
  /** Everything as one file, made apart from the page so that it goes on answering; with its pictures an archive. */
  async pack(settings: Settings, exportedAt: string): Promise<Blob> {
    const log = writeFile(await contentHere(settings), exportedAt);
    const ids = (await db.photos.toCollection().primaryKeys()) as string[];
    if (ids.length === 0) return new Blob([log], { type: 'application/json' });
    return packArchive(log, await db.photos.toArray());
  },
  /** Reads a file and says what bringing it in would do. @throws with the place and the reason */
  async look(file: File, told: Told): Promise<ImportCounts | { error: string }> {
    try {
      const { log, photos } = (await isArchive(file))
        ? await openArchive(file, (share) => told(0.3 * share))
        : { log: await file.text(), photos: new Map<string, Blob>() };
      const read = readFile(log, (share) => told(0.3 + 0.5 * share));
      const preview = previewImport(read, await contentHere(DEFAULT_SETTINGS));
      looked = { preview, photos: await newPhotos(preview.newEvents, photos), name: file.name };
      told(1);
      return {
        newEvents: preview.newEvents.length,
        newBatches: preview.newBatches,
        known: preview.known,
        different: preview.different.length,
        newPhotos: looked.photos.length,
        newThings: preview.newThings,
        changedThings: preview.changedThings
      };
    } catch (e) {
      return { error: explain(e) };
    }
  },
  /** Writes what was looked at; stopped before its end it has written nothing. */
  async bring(told: Told): Promise<{ error: string } | null> {
    if (!looked) return { error: 'Nothing was looked at.' };
    try {
      await writeImport(looked.preview, told, { name: looked.name, photos: looked.photos });
      looked = null;
      return null;
    } catch (e) {
      return { error: explain(e) };
    }
  }
};
export type ImportApi = typeof api;

expose(api);
