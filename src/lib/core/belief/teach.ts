import { drawn, Z90 } from '../maths/draw';
import type { BatchState } from '../ledger/state';
import { followed } from './believe';
import { meanOf } from './columns';
import type { Running } from './running';
import type { Evidence, Lesson, Taught } from './garden';
import { PACE_SD } from './spreads';

/** Less than this learnt, against all that was not known before, is nothing. Ours. */
const WORTH = 0.12;
/** A lot's juice that was measured: half a degree. Common practice. */
const MEASURED_SD = 0.5;

/** What members say of a standard normal, less what they were drawn with; null where it is hardly more. */
function evidenceOf(values: Float64Array, weight: Float64Array, priorSd = 1, priorMean = 0): Evidence | null {
  const mean = meanOf(values, weight);
  const spread = meanOf(
    values.map((x) => (x - mean) ** 2),
    weight
  );
  const gained = 1 / Math.max(spread, 1e-4) - 1 / priorSd ** 2;
  return gained > WORTH / priorSd ** 2
    ? { is: (mean / spread - priorMean / priorSd ** 2) / gained, sd: Math.sqrt(1 / gained) }
    : null;
}

/**
 * What a running ensemble has learnt of each lot, and of its pace.
 * @param pace0 how brisk it was thought to be before
 */
export function taughtBy(r: Running, isRead: boolean, pace0 = 1): Taught {
  const { e } = r;
  const lessons = e.traits.map((t): Lesson => {
    const ripe = evidenceOf(t.ripe, e.weight);
    const [low, typical, high] = t.solids;
    const slope = ((ripe?.is ?? 0) < 0 ? typical - low : high - typical) / Z90;
    return {
      produceId: t.produceId,
      solids: t.isMeasured
        ? null
        : ripe && { is: Math.max(0, drawn(t.solids, ripe.is)), sd: Math.max(MEASURED_SD, ripe.sd * slope) },
      body: evidenceOf(t.body, e.weight),
      acid: t.isMeasured ? null : evidenceOf(t.acid, e.weight)
    };
  });
  const pace = isRead ? evidenceOf(e.vigour.map(Math.log), e.weight, PACE_SD, Math.log(pace0)) : null;
  return { lessons: lessons.filter((l) => l.solids || l.body || l.acid), pace };
}

/** What a batch teaches; null while nothing of it was read. */
export function taughtOf(s: BatchState): Taught | null {
  if (s.readings.length === 0 || s.flows.length === 0) return null;
  const taught = taughtBy(followed(s), s.pitches.length > 0, s.plan.pace);
  return taught.lessons.length > 0 || taught.pace ? taught : null;
}
