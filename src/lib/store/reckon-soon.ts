import { reckoning } from '$core/belief/in-parts';
import type { LedgerEvent } from '$core/ledger/log';
import { batchAt } from '$core/ledger/run';

/** So long a page may be held up at once, ms: half a frame. */
const PART_MS = 8;

let channel: MessageChannel | null = null;
const waiting: (() => void)[] = [];

/** Lets the page draw and hear its keys; no clock that somebody moved holds it up. */
function breath(): Promise<void> {
  channel ??= new MessageChannel();
  channel.port1.onmessage = () => waiting.shift()?.();
  return new Promise((done) => {
    waiting.push(done);
    channel!.port2.postMessage(null);
  });
}

/** Reckons what will be asked of a batch, in parts between which the page draws; then it is answered at once. */
export async function reckonSoon(events: readonly LedgerEvent[], now: number): Promise<void> {
  try {
    const s = batchAt(events, now);
    if (!s) return;
    let since = performance.now();
    for (const part of reckoning(s)) {
      void part;
      if (performance.now() - since < PART_MS) continue;
      await breath();
      since = performance.now();
    }
  } catch {
    // A log that cannot be read is told of where it is shown.
  }
}
