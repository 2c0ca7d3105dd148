import type { Course } from '../belief/course';
import type { Standing } from '../belief/standing';
import type { LedgerEvent } from '../ledger/log';
import type { BatchState } from '../ledger/state';

/** Raised when what a summary holds, or the fold that makes it, changes: older ones are then made anew. */
export const SUMMARY_VERSION = 21;

/** All that lists, the shelf and the day's walk need of a batch, so that its events need not be read. */
export type Summary = {
  id: string;
  /** 1 while wine stands in a vessel, or in bottles that could burst or are to be tried; 0 once it is all bottled or gone */
  running: 0 | 1;
  /** bottles of it that are left */
  bottles: number;
  /** when a wine that is all in bottles is next to be tasted, ms; null where it is not */
  tasteAt: number | null;
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
  /** what is to come of it, and will be told of it as the days go by */
  course: Course | null;
};

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

/** Whether a summary is of a batch that can be read. */
export const isSound = (s: Summary | Broken): s is Summary => !('broken' in s);
