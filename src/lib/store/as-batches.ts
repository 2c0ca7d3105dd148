import { standsOf, type Stands } from '$core/report/stands';
import { brokenOf, isSound, type Broken, type Summary } from '$core/report/summary';

/** A batch as lists see it. */
export type Batch = Stands;

/**
 * Rows of the lists as wines at a moment, ms, newest first: those that can be read, and those that cannot, each of which
 * stands alone.
 */
export function asBatches(
  rows: readonly (Summary | Broken)[],
  now: number
): { batches: Batch[]; broken: Broken[] } {
  const batches: Batch[] = [];
  const broken: Broken[] = [];
  for (const row of rows) {
    if (!isSound(row)) broken.push(row);
    else
      try {
        batches.push(standsOf({ ...row.state, at: now }, row.standing, row.course));
      } catch (e) {
        broken.push({ ...brokenOf([], row.id, e), name: row.state.name, startedAt: row.startedAt });
      }
  }
  return { batches: batches.sort((a, b) => b.state.startedAt - a.state.startedAt), broken };
}
