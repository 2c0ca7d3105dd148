import { expose } from 'comlink';
import { explain } from '$core/units/input-error';
import { previewImport, readFile, writeFile, type ImportPreview, type Told } from '$lib/files/vecino-file';
import { contentHere, writeImport } from './transfer-file';
import { DEFAULT_SETTINGS, type Settings } from '$core/units/settings';

/** What an import would do, in numbers. */
export type ImportCounts = {
  newEvents: number;
  newBatches: number;
  known: number;
  different: number;
  newThings: ImportPreview['newThings'];
  changedThings: ImportPreview['changedThings'];
};

let preview: ImportPreview | null = null;

const api = {
  /** Everything as one file, made apart from the page so that it goes on answering. */
  async pack(settings: Settings, exportedAt: string): Promise<Blob> {
    return new Blob([writeFile(await contentHere(settings), exportedAt)], { type: 'application/json' });
  },
  /** Reads a file and says what bringing it in would do. @throws with the place and the reason */
  async look(file: File, told: Told): Promise<ImportCounts | { error: string }> {
    try {
      const read = readFile(await file.text(), (share) => told(0.8 * share));
      const found = (preview = previewImport(read, await contentHere(DEFAULT_SETTINGS)));
      told(1);
      return {
        newEvents: found.newEvents.length,
        newBatches: found.newBatches,
        known: found.known,
        different: found.different.length,
        newThings: found.newThings,
        changedThings: found.changedThings
      };
    } catch (e) {
      return { error: explain(e) };
    }
  },
  /** Writes what was looked at; stopped before its end it has written nothing. */
  async bring(told: Told): Promise<{ error: string } | null> {
    if (!preview) return { error: 'Nothing was looked at.' };
    try {
      await writeImport(preview, told);
      preview = null;
      return null;
    } catch (e) {
      return { error: explain(e) };
    }
  }
};
export type ImportApi = typeof api;

expose(api);
