import { notKept } from './health.svelte';
import { household } from './household.svelte';
import { db } from './db';
import { packEverything } from './import-file';
import { markExported } from './transfer-file';

/**
 * A folder that the browser may write to by itself, where it can: a file of everything after each change, one a day, the
 * last of them kept. What a browser lets a page do of it beyond the standard is named here.
 */
type Folder = FileSystemDirectoryHandle & {
  queryPermission?: (o: { mode: 'readwrite' }) => Promise<PermissionState>;
  requestPermission?: (o: { mode: 'readwrite' }) => Promise<PermissionState>;
  keys: () => AsyncIterableIterator<string>;
};
type Picker = { showDirectoryPicker?: (o: { mode: 'readwrite' }) => Promise<Folder> };

const KEY = 'folder';
/** So many days of files are kept in it. */
const KEEPS = 14;
/** What is written within this long of a change is one file. */
const WAIT_MS = 20_000;
const OURS = /^vecino-\d{4}-\d{2}-\d{2}\.(json|zip)$/;

type State = 'none' | 'asks' | 'saves';
let state = $state<State>('none');
let name = $state('');
let savedAt = $state<number | null>(null);
let error = $state('');
let handle: Folder | null = null;
let written = -1;
let timer: ReturnType<typeof setTimeout> | undefined;

export const folder = {
  /** whether this browser can at all */
  get isPossible() {
    return typeof window !== 'undefined' && 'showDirectoryPicker' in window;
  },
  get state() {
    return state;
  },
  get name() {
    return name;
  },
  get savedAt() {
    return savedAt;
  },
  get error() {
    return error;
  }
};

const mayWrite = async (h: Folder): Promise<PermissionState> =>
  (await h.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';

/** Looks whether a folder was chosen on another day. */
export async function findFolder(): Promise<void> {
  const kept = (await db.settings.get(KEY))?.value as Folder | undefined;
  if (!kept || typeof kept !== 'object' || !('getFileHandle' in kept)) return;
  handle = kept;
  name = kept.name;
  state = (await mayWrite(kept)) === 'granted' ? 'saves' : 'asks';
}

async function took(h: Folder): Promise<void> {
  handle = h;
  name = h.name;
  error = '';
  state = 'saves';
  await db.settings.put({ key: KEY, value: h });
  await saveToFolder();
}

/** Asks for a folder. Nothing happens when none is chosen. */
export async function chooseFolder(): Promise<void> {
  const chosen = await (window as Picker).showDirectoryPicker?.({ mode: 'readwrite' }).catch((e: unknown) => {
    if (e instanceof DOMException && e.name === 'AbortError') return null;
    throw e;
  });
  if (chosen) await took(chosen);
}

/** Asks again for one that was chosen before: a browser forgets what it allowed. */
export async function allowFolder(): Promise<void> {
  if (!handle) return;
  if (((await handle.requestPermission?.({ mode: 'readwrite' })) ?? 'granted') === 'granted')
    await took(handle);
}

export async function leaveFolder(): Promise<void> {
  clearTimeout(timer);
  handle = null;
  [state, name, error, savedAt] = ['none', '', '', null];
  await db.settings.delete(KEY);
}

/** Writes everything into the folder, and clears away what is older than a fortnight of files. */
export async function saveToFolder(): Promise<void> {
  if (!handle || state !== 'saves') return;
  const now = Date.now();
  const { events } = household.counts;
  try {
    const at = new Date(now).toISOString();
    const blob = await packEverything(household.settings, at);
    const file = `vecino-${at.slice(0, 10)}.${blob.type === 'application/zip' ? 'zip' : 'json'}`;
    // What is being written is another file until it is whole: the stream is swapped in when it is closed.
    const stream = await (await handle.getFileHandle(file, { create: true })).createWritable();
    await stream.write(blob);
    await stream.close();
    const mine: string[] = [];
    for await (const key of handle.keys()) if (OURS.test(key)) mine.push(key);
    for (const old of mine.sort().slice(0, -KEEPS)) await handle.removeEntry(old);
    written = events;
    savedAt = now;
    error = '';
    await markExported(now).catch(notKept);
  } catch (e) {
    // The folder is gone, full or locked: what is here is safe, and the next change tries again.
    error = e instanceof Error ? e.message : String(e);
    if (e instanceof DOMException && e.name === 'NotAllowedError') state = 'asks';
  }
}

/** A change was written: a file of it follows a little later. */
export function folderFollows(events: number): void {
  if (state !== 'saves' || events === written) return;
  clearTimeout(timer);
  timer = setTimeout(() => void saveToFolder(), WAIT_MS);
}
