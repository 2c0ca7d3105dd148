import type { Sample } from '$core/instruments/sample';

type Held = { sample: Sample; bytes: number; lease: string | null; reader: string; until: number };
/** Samples of one device that wait for the household's browser; kept in memory, and no longer than they have to be. */
type Box = { samples: Held[]; usedAt: number };

/**
 * At most this many samples wait for one device, this many bytes for all devices, and for this long, ms. What is lent out
 * and not said to be written comes back after `leaseMs`.
 */
export const LIMITS = {
  samples: 5000,
  bytes: 16_000_000,
  keepMs: 7 * 86_400_000,
  leaseMs: 60_000
} as const;

const boxes = new Map<string, Box>();
let allBytes = 0;

/** Takes samples out of a box. */
function drop(box: Box, isGone: (h: Held, i: number) => boolean): number {
  const before = box.samples.length;
  box.samples = box.samples.filter((h, i) => {
    if (!isGone(h, i)) return true;
    allBytes -= h.bytes;
    return false;
  });
  return before - box.samples.length;
}

/** Clears away what nobody came for. */
function tidy(now: number): void {
  for (const [id, b] of boxes)
    if (now - b.usedAt > LIMITS.keepMs) {
      drop(b, () => true);
      boxes.delete(id);
    }
}

/**
 * Keeps what a paired device read until it is taken. What is too much pushes out the oldest of its own, and nothing of
 * another device.
 * @returns how many wait, and how many were dropped for want of room
 */
export function post(
  id: string,
  samples: readonly Sample[],
  now: number
): { waiting: number; dropped: number } {
  tidy(now);
  const box = boxes.get(id) ?? { samples: [], usedAt: now };
  box.usedAt = now;
  boxes.set(id, box);
  for (const sample of samples) {
    const bytes = 100 + JSON.stringify(sample).length;
    box.samples.push({ sample, bytes, lease: null, reader: '', until: 0 });
    allBytes += bytes;
  }
  let over = Math.max(0, box.samples.length - LIMITS.samples);
  for (let bytes = allBytes, i = 0; bytes > LIMITS.bytes && i < box.samples.length; i++) {
    bytes -= box.samples[i]!.bytes;
    over = Math.max(over, i + 1);
  }
  const dropped = drop(box, (_, i) => i < over);
  return { waiting: box.samples.length, dropped };
}

/**
 * Lends out the oldest samples that wait. They are gone once they are said to be written, and come back when that is not
 * said in time, so that a closed tab loses nothing. A reader that asks again, as a reloaded page does, gets what it had
 * on loan at once.
 * @param lease a name that nobody else uses
 * @param most at most this many samples
 * @param reader the browser that asks
 */
export function lend(
  id: string,
  lease: string,
  most: number,
  now: number,
  reader = lease
): { samples: Sample[]; lease: string } {
  const box = boxes.get(id);
  if (!box) return { samples: [], lease };
  box.usedAt = now;
  const free = box.samples
    .filter((h) => h.lease === null || h.until <= now || h.reader === reader)
    .slice(0, most);
  for (const h of free) [h.lease, h.reader, h.until] = [lease, reader, now + LIMITS.leaseMs];
  return { samples: free.map((h) => h.sample), lease };
}

/** What was lent out by that name is written down, and kept here no longer. Twice is once. @returns how many */
export function written(id: string, lease: string): number {
  const box = boxes.get(id);
  return box ? drop(box, (h) => h.lease === lease) : 0;
}

/** For tests: everything out. */
export function emptyBoxes(): void {
  boxes.clear();
  allBytes = 0;
}
export const boxCount = (): number => boxes.size;
