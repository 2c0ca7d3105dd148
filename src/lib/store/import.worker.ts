import { expose } from 'comlink';
import { explain } from '$core/units/input-error';
import { isArchive, openArchive, packArchive, textBlob, type Opened } from '$lib/files/archive';
import {
  filePieces,
  parseJson,
  previewImport,
  readParsed,
  type ImportPreview,
  type Told
} from '$lib/files/vecino-file';
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
  /** pictures that are in the file and cannot be shown */
  damagedPhotos: number;
  newThings: ImportPreview['newThings'];
  changedThings: ImportPreview['changedThings'];
};

type Looked = { preview: ImportPreview; photos: Photo[]; name: string };
let looked: Looked | null = null;

/** Pictures that are read at a time. */
const LOT = 50;

async function* pictures(ids: readonly string[]): AsyncGenerator<Photo> {
  for (let i = 0; i < ids.length; i += LOT)
    for (const photo of await db.photos.bulkGet(ids.slice(i, i + LOT) as string[])) if (photo) yield photo;
}

/** What a file holds; its text is not kept. */
async function opened(file: File, told: Told): Promise<{ raw: unknown } & Pick<Opened, 'pictures'>> {
  if (!(await isArchive(file)))
    return {
      raw: parseJson(await file.text()),
      pictures: () => Promise.resolve({ photos: new Map(), damaged: 0 })
    };
  const { log, pictures } = await openArchive(file, told);
  return { raw: parseJson(log), pictures };
}

const api = {
  /** Everything as one file, made apart from the page so that it goes on answering; with its pictures an archive. */
  async pack(settings: Settings, exportedAt: string): Promise<Blob> {
    const log = filePieces(await contentHere(settings), exportedAt);
    const ids = (await db.photos.toCollection().primaryKeys()) as string[];
    return ids.length === 0 ? textBlob(log, 'application/json') : packArchive(log, pictures(ids));
  },
  /** Reads a file and says what bringing it in would do. @throws with the place and the reason */
  async look(file: File, told: Told): Promise<ImportCounts | { error: string }> {
    try {
      const { raw, pictures: inFile } = await opened(file, (share) => told(0.3 * share));
      const read = readParsed(raw, (share) => told(0.3 + 0.5 * share));
      const preview = previewImport(read, await contentHere(DEFAULT_SETTINGS));
      const { photos, damaged } = await newPhotos(preview.newEvents, inFile);
      looked = { preview, photos, name: file.name };
      // Those that are new are kept; those that are here already need not be held.
      read.events = [];
      told(1);
      return {
        newEvents: preview.newEvents.length,
        newBatches: preview.newBatches,
        known: preview.known,
        different: preview.different.length,
        newPhotos: photos.length,
        damagedPhotos: damaged,
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
    const { preview, name, photos } = looked;
    looked = null;
    try {
      await writeImport(preview, told, { name, photos });
      return null;
    } catch (e) {
      return { error: explain(e) };
    }
  }
};
export type ImportApi = typeof api;

expose(api);
