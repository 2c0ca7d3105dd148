import type { Fill } from './fill';
import type { BatchState, Reading } from './state';

/**
 * Readings that speak of what is still there: of a jar that has all been bottled since, they do no more. Of a wine that
 * is all in bottles, all of them.
 */
export function readingsOfStanding(
  s: Pick<BatchState, 'readings' | 'fills' | 'bottled'>
): readonly Reading[] {
  if (s.fills.length === 0 || s.bottled.length === 0) return s.readings;
  const stands = new Set(s.fills.map((f) => f.vesselId));
  return s.readings.filter(
    (r) =>
      r.vesselId === null ||
      stands.has(r.vesselId) ||
      !s.bottled.some((b) => b.fill.vesselId === r.vesselId && b.at >= r.at)
  );
}

/** The last of them. */
export const lastReading = (s: Pick<BatchState, 'readings' | 'fills' | 'bottled'>): Reading | undefined =>
  readingsOfStanding(s).at(-1);

/**
 * When a vessel was last read, ms: what was seen of its wine goes along when it is racked. One that holds what nobody
 * has read counts from when it came to be; null while nothing of the batch was ever read.
 */
export function lastReadAt(s: BatchState, { vesselId, reads }: Fill): number | null {
  const newest = lastReading(s);
  if (!newest) return null;
  if (s.fills.length === 1) return newest.at;
  // A reading that names no vessel was of all, where they were alike.
  const own = s.readings.findLast((r) => r.vesselId === vesselId || r.vesselId === null);
  const seen = Math.max(own?.at ?? 0, reads.at(-1)?.at ?? 0);
  return seen || (s.rackings.at(-1)?.at ?? newest.at);
}

/** The vessel that was read longest ago: a jar does not speak for its twin. */
export const leastRead = (s: BatchState): Fill | undefined =>
  s.fills.reduce<Fill | undefined>(
    (a, b) => (a && (lastReadAt(s, a) ?? 0) <= (lastReadAt(s, b) ?? 0) ? a : b),
    undefined
  );
