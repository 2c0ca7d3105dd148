import { keepDraft, readDraft } from '$lib/store/draft';

const KEY = 'quick-lines';
const MOST = 30;

/** The lines that were written last, newest first. */
export async function lastLines(): Promise<string[]> {
  const kept = await readDraft(KEY);
  return Array.isArray(kept) ? kept.filter((x): x is string => typeof x === 'string') : [];
}

export async function keepLine(line: string): Promise<void> {
  keepDraft(KEY, [line, ...(await lastLines()).filter((x) => x !== line)].slice(0, MOST));
}
