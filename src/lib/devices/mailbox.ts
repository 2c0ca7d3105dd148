import type { Sample } from '$core/instruments/sample';

/** A box of samples that wait for the household's browser; kept in memory, and no longer than they have to be. */
type Box = { samples: { n: number; sample: Sample }[]; next: number; usedAt: number };

/** So many boxes, samples in each, and how long an unvisited one is kept. */
export const LIMITS = { boxes: 200, samples: 5000, keepMs: 7 * 86_400_000 } as const;

const boxes = new Map<string, Box>();

/** Clears away what nobody came for; and where there are too many, the one that was used longest ago. */
function tidy(now: number): void {
  for (const [id, b] of boxes) if (now - b.usedAt > LIMITS.keepMs) boxes.delete(id);
  while (boxes.size > LIMITS.boxes) {
    const [oldest] = [...boxes].reduce((a, b) => (a[1].usedAt <= b[1].usedAt ? a : b));
    boxes.delete(oldest);
  }
}

/**
 * Puts samples into a box.
 * @param id of the device and its key together: who has not both finds nothing
 * @returns how many wait in it, and how many of the oldest were dropped for want of room
 */
export function post(
  id: string,
  samples: readonly Sample[],
  now: number
): { waiting: number; dropped: number } {
  const box = boxes.get(id) ?? { samples: [], next: 1, usedAt: now };
  box.usedAt = now;
  for (const sample of samples) box.samples.push({ n: box.next++, sample });
  const dropped = Math.max(0, box.samples.length - LIMITS.samples);
  box.samples.splice(0, dropped);
  boxes.set(id, box);
  tidy(now);
  return { waiting: box.samples.length, dropped };
}

/** What waits in a box, oldest first, at most so many; and the number of the last. */
export function waiting(id: string, most: number, now: number): { samples: Sample[]; upTo: number } {
  const box = boxes.get(id);
  if (!box) return { samples: [], upTo: 0 };
  box.usedAt = now;
  const list = box.samples.slice(0, most);
  return { samples: list.map((s) => s.sample), upTo: list.at(-1)?.n ?? 0 };
}

/** Those up to a number were taken, and are gone. */
export function taken(id: string, upTo: number): void {
  const box = boxes.get(id);
  if (box) box.samples = box.samples.filter((s) => s.n > upTo);
}

/** For tests: everything out. */
export const emptyBoxes = (): void => boxes.clear();
export const boxCount = (): number => boxes.size;
