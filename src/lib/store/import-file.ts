import { proxy, wrap, type Remote } from 'comlink';
import { writeFile, type Told } from '$lib/files/vecino-file';
import { contentHere } from './transfer-file';
import type { Settings } from '$core/units/settings';
import type { ImportApi, ImportCounts } from './import.worker';

/** Everything as one file; made on a thread of its own, or here where there is none. */
export async function packEverything(settings: Settings, exportedAt: string): Promise<Blob> {
  let worker: Worker | null = null;
  try {
    const made = (worker = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' }));
    const failed = new Promise<never>((_, fail) => (made.onerror = () => fail(new Error('no thread'))));
    return await Promise.race([wrap<ImportApi>(made).pack(settings, exportedAt), failed]);
  } catch {
    return new Blob([writeFile(await contentHere(settings), exportedAt)], { type: 'application/json' });
  } finally {
    worker?.terminate();
  }
}

/** A file on its way in, on a thread of its own: the page stays alive, and it can be stopped at any time. */
export function openImport(file: File) {
  const worker = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' });
  const api: Remote<ImportApi> = wrap<ImportApi>(worker);
  let stop: () => void = () => undefined;
  const stopped = new Promise<{ error: string }>((done) => {
    stop = () => {
      worker.terminate();
      done({ error: 'Stopped. Nothing was written.' });
    };
    worker.onerror = (e) => done({ error: `It could not be read: ${e.message}` });
  });
  return {
    look: (told: Told): Promise<ImportCounts | { error: string }> =>
      Promise.race([api.look(file, proxy(told)), stopped]),
    bring: (told: Told): Promise<{ error: string } | null> => Promise.race([api.bring(proxy(told)), stopped]),
    close: () => stop()
  };
}
