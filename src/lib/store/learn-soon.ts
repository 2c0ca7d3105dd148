import { wrap } from 'comlink';
import type { LearnApi } from './learn.worker';

let running: Promise<void> | null = null;
let isAskedAgain = false;

async function once(): Promise<void> {
  const worker = new Worker(new URL('./learn.worker.ts', import.meta.url), { type: 'module' });
  try {
    const failed = new Promise<never>((_, fail) => (worker.onerror = (e) => fail(new Error(e.message))));
    await Promise.race([wrap<LearnApi>(worker).learnDue(), failed]);
  } finally {
    worker.terminate();
  }
}

/** Learns from what was written, on a thread of its own and one at a time; what it cannot do now it does the next time. */
export function learnSoon(): Promise<void> {
  isAskedAgain = running !== null;
  running ??= once()
    .catch((e) => console.error(e))
    .finally(() => {
      running = null;
      if (isAskedAgain) void learnSoon();
    });
  return running;
}
