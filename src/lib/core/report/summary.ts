import { dangersOf } from '../finish/danger';
import type { BatchState } from '../ledger/state';
import { defOf, liveEvents, liveTimed, type LedgerEvent } from '../ledger/log';
import { batchAt } from '../ledger/run';
import { standingOf, type Standing } from '../belief/standing';

const DAY = 86_400_000;

/** Raised when what a summary holds, or the fold that makes it, changes: older ones are then made anew. */
export const SUMMARY_VERSION = 5;

/** All that lists, the shelf and the day's walk need of a batch, so that its events need not be read. */
export type Summary = {
  id: string;
  /** 1 while wine stands in a vessel, or in bottles that could burst; 0 once it is all bottled or gone */
  running: 0 | 1;
  startedAt: number;
  /** words of its name, for looking it up */
  words: string[];
  /** kg that it took of each lot of the harvest */
  lotsKg: Record<string, number>;
  lotIds: string[];
  /** the recipe's version it was begun from; empty when none */
  recipeId: string;
  /** when something that is written for later comes to be; null when nothing is */
  nextAt: number | null;
  state: BatchState;
  standing: Standing;
};

/** Readings that a summary keeps: the first, for the start, and the newest, for pace and stillness. */
const FIRST = 2;
const LAST = 30;

const ends = <T>(list: readonly T[]): T[] =>
  list.length <= FIRST + LAST ? [...list] : [...list.slice(0, FIRST), ...list.slice(-LAST)];

/** A state without the long tails of its lists: what comes next and where it stands can be told from it all the same. */
export const compact = (s: BatchState): BatchState => ({
  ...s,
  readings: ends(s.readings),
  stirs: s.stirs.slice(-1),
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

/** What lists show of a batch whose log cannot be read: it stands alone, and everything else goes on. */
export type Broken = {
  id: string;
  running: 1;
  startedAt: number;
  words: string[];
  name: string;
  broken: string;
};

/** The name and start of a batch by its raw events, whatever else is wrong with them. */
export function brokenOf(events: readonly LedgerEvent[], id: string, error: unknown): Broken {
  const planned = events.find((e) => e.type === 'planned' && e.batchId === id);
  const name = String((planned?.data as { name?: unknown } | undefined)?.name ?? 'A batch');
  const startedAt = Date.parse(planned?.at ?? '');
  return {
    id,
    running: 1,
    startedAt: Number.isFinite(startedAt) ? startedAt : 0,
    words: name.toLowerCase().split(/\s+/).filter(Boolean),
    name,
    broken: error instanceof Error ? error.message : String(error)
  };
}

/** The summary of a batch from its events; null when it was taken back. */
export function summaryOf(events: readonly LedgerEvent[], id: string, at: number): Summary | null {
  // Of a blend's other side, only the blend and what voids it bear on this batch.
  const mine = events.filter((e) => e.batchId === id || e.type === 'blend' || e.type === 'void');
  const s = batchAt(mine, at);
  if (!s || s.id !== id) return null;
  const later = liveTimed(mine).find((x) => x.at > at);
  return {
    id,
    running: s.fills.length > 0 || dangersOf(s).length > 0 ? 1 : 0,
    startedAt: s.startedAt,
    words: s.name.toLowerCase().split(/\s+/).filter(Boolean),
    ...usedBy(events, id),
    nextAt: later?.at ?? null,
    state: compact(s),
    standing: standingOf(s)
  };
}

/** Where a summarised batch stands at a later moment: time alone moves its day, not its wine. */
export const standingAt = (summary: Summary, at: number): Standing => ({
  ...summary.standing,
  day: Math.floor((at - summary.startedAt) / DAY) + 1
});
