import { db } from './db';
import { keptAgain, notKept } from './health.svelte';

/** The longest typing that can be lost, ms. */
const EVERY = 250;

const waiting = new Map<string, unknown>();
let timer: ReturnType<typeof setTimeout> | null = null;

async function flush(): Promise<void> {
  if (timer) clearTimeout(timer);
  timer = null;
  const rows = [...waiting].map(([key, value]) => ({ key, value }));
  waiting.clear();
  if (rows.length === 0) return;
  try {
    await db.drafts.bulkPut(rows);
    keptAgain();
  } catch (e) {
    // What could not be written is still here, and is tried again with the next letter.
    for (const { key, value } of rows) if (!waiting.has(key)) waiting.set(key, value);
    notKept(e);
  }
}

/** Keeps what is being typed: written within a quarter of a second, however fast one types. */
export function keepDraft(key: string, value: unknown): void {
  waiting.set(key, value);
  timer ??= setTimeout(() => void flush(), EVERY);
}

/** What was being typed, or undefined; also where nothing can be read here: a form then begins empty. */
export async function readDraft(key: string): Promise<unknown> {
  if (waiting.has(key)) return waiting.get(key);
  try {
    return (await db.drafts.get(key))?.value;
  } catch {
    return undefined;
  }
}

export async function dropDraft(key: string): Promise<void> {
  waiting.delete(key);
  await db.drafts.delete(key);
}

/** Writes at once when the page is hidden or left. */
export function flushOnLeave(): () => void {
  const now = () => void flush();
  document.addEventListener('visibilitychange', now);
  window.addEventListener('pagehide', now);
  return () => {
    document.removeEventListener('visibilitychange', now);
    window.removeEventListener('pagehide', now);
  };
}
