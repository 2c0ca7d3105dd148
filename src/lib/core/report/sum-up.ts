import { courseOf } from '../belief/course';
import { standingOf } from '../belief/standing';
import { dangersOf } from '../finish/danger';
import { tastingDueOf } from '../cellar/milestones';
import { testBottlesOf } from '../finish/test-bottle';
import { defOf, liveEvents, liveTimed, type LedgerEvent } from '../ledger/log';
import { batchAt } from '../ledger/run';
import { bottlesLeft, seenWorkingAt, type BatchState } from '../ledger/state';
import type { Summary } from './summary';

/** Readings that a summary keeps: the first, for the start, and the newest, for pace and stillness. */
const FIRST = 2;
const LAST = 30;
/** Of a wine that is all in bottle only its end is still asked for. */
const LAST_IN_BOTTLE = 4;

const ends = <T>(list: readonly T[], last: number): T[] =>
  list.length <= FIRST + last ? [...list] : [...list.slice(0, FIRST), ...list.slice(-last)];

/** A state without the long tails of its lists: what comes next and where it stands can be told from it all the same. */
export const compact = (s: BatchState): BatchState => ({
  ...s,
  readings: ends(s.readings, s.fills.length > 0 ? LAST : LAST_IN_BOTTLE),
  stirs: s.stirs.slice(-1),
  // The first that showed it works says when it began.
  looks: s.looks.filter((l, i) => i >= s.looks.length - 20 || l.at === seenWorkingAt(s)),
  felt: s.felt.slice(-20),
  // Possible wines are reckoned from the events; a list keeps what came of it.
  flows: [],
  corrections: s.corrections.slice(-4),
  steps: [...new Map(s.steps.map((x) => [`${x.step}:${x.outcome}`, x])).values()]
});

/** What a batch took of the harvest, and which recipe it was begun from. */
function usedBy(events: readonly LedgerEvent[], id: string): Pick<Summary, 'lotsKg' | 'lotIds' | 'recipeId'> {
  const lotsKg: Record<string, number> = {};
  let recipeId = '';
  for (const e of liveEvents(events)) {
    if (e.batchId !== id) continue;
    if (e.type === 'planned') recipeId = e.data.recipeId ?? '';
    for (const i of defOf(e).brings?.(e.data) ?? [])
      if (i.kind === 'produce' && i.lotId) lotsKg[i.lotId] = (lotsKg[i.lotId] ?? 0) + i.massKg;
  }
  return { lotsKg, lotIds: Object.keys(lotsKg), recipeId };
}

/** Of a batch with another's blends in its log, what bears on itself: of the other side, the blend and what voids it. */
export const bearingOn = (events: readonly LedgerEvent[], id: string): LedgerEvent[] =>
  events.filter((e) => e.batchId === id || e.type === 'blend' || e.type === 'void');

/** The summary of a batch from its events; null when it was taken back. */
export function summaryOf(events: readonly LedgerEvent[], id: string, at: number): Summary | null {
  const mine = bearingOn(events, id);
  const s = batchAt(mine, at);
  if (!s || s.id !== id) return null;
  const later = liveTimed(mine).find((x) => x.at > at);
  const standing = standingOf(s);
  const tasting = s.fills.length === 0 ? tastingDueOf(s) : null;
  const isRunning =
    s.fills.length > 0 || dangersOf(s, standing.belief).length > 0 || testBottlesOf(s).length > 0;
  // What nobody tasted is looked at once more: then the next time comes.
  const turnsAt = tasting ? tasting.lateAt + 1 : null;
  return {
    id,
    running: isRunning ? 1 : 0,
    bottles: bottlesLeft(s),
    tasteAt: tasting?.dueAt ?? null,
    startedAt: s.startedAt,
    words: s.name.toLowerCase().split(/\s+/).filter(Boolean),
    ...usedBy(events, id),
    nextAt: [later?.at, turnsAt].reduce<number | null>(
      (n, t) => (t == null || (n !== null && n < t) ? n : t),
      null
    ),
    state: compact(s),
    standing,
    course: courseOf(s)
  };
}
