import type { Belief } from '../../belief/believe';
import type { BatchState } from '../../ledger/state';
import { doseL } from '../../ledger/will-hold';
import { STEPS } from '../table/all';
import { HOUR, type Facts, type Rung, type TroubleDef } from './define';
import { foaming, notBegun, slow, stuck, woke } from './ferment';
import { eggs, film, flat, haze, mould, vinegar } from './keep';

/** Every trouble there is, gravest first. */
export const TROUBLES = {
  mould,
  vinegar,
  foaming,
  'not-begun': notBegun,
  stuck,
  woke,
  slow,
  eggs,
  film,
  flat,
  haze
} satisfies Record<string, TroubleDef>;
export type TroubleId = keyof typeof TROUBLES;

/** One rung of a ladder in one wine: done, due, or waiting for those before it. */
export type OnLadder = Omit<Rung, 'how'> & { how: string; doneAt: number | null; dueAt: number };

/** A trouble that a wine is in. */
export type Trouble = {
  id: TroubleId;
  name: string;
  /** how sure it is, 0 to 1 */
  chance: number;
  since: number;
  ladder: OnLadder[];
  /** the rung to stand on now; null once all of them were tried */
  next: OnLadder | null;
  isGrave: boolean;
};

/** When a rung was first done or skipped, since a moment; null while it is to do. */
function doneSince(s: BatchState, { step }: Rung, since: number): number | null {
  const def = STEPS[step];
  const ticked = s.steps
    .filter((x) => x.step === step && x.outcome !== 'snoozed' && (x.outcome === 'skipped' || !def.isPut))
    .map((x) => x.at);
  const times = [def.doneAt(s, since) ?? null, ...ticked].filter((t): t is number => t !== null && t > since);
  return times.length > 0 ? Math.min(...times) : null;
}

/**
 * What goes wrong in a wine, and what is to be tried next.
 * @param s as lists keep it, or whole
 * @returns gravest first; none in a wine that goes as it should
 */
export function troublesOf(s: BatchState, belief: Belief | null): Trouble[] {
  if (s.fills.length === 0) return [];
  const sugarKg = s.fills.reduce((sum, f) => sum + f.stock.hexoseKg + f.fermentedKg, 0);
  const left = belief
    ? Math.min(1, (belief.sugarGL.likely * belief.volumeL.likely) / 1000 / (sugarKg || 1))
    : 1;
  const facts: Facts = { s, belief, goneShare: 1 - left };
  return (Object.entries(TROUBLES) as [TroubleId, TroubleDef][]).flatMap(([id, def]) => {
    const seen = def.seen(facts);
    if (!seen) return [];
    let before = seen.since;
    const ladder: OnLadder[] = [];
    for (const rung of def.rungs) {
      // A second time is after the first.
      const first = ladder.findLast((r) => r.step === rung.step);
      const doneAt =
        first?.doneAt === null
          ? null
          : doneSince(s, rung, first?.doneAt ?? seen.since + (rung.notBeforeH ?? 0) * HOUR);
      // What was done stays on the ladder, whether or not it would help now.
      if (doneAt === null && rung.helps?.(facts) === false) continue;
      const dueAt = before + rung.afterH * HOUR;
      const how = typeof rung.how === 'string' ? rung.how : rung.how(doseL(s));
      ladder.push({ ...rung, how, doneAt, dueAt });
      if (doneAt !== null) before = Math.max(before, doneAt);
    }
    // One rung at a time: a later one that was done already leaves those before it behind.
    const lastDone = ladder.findLastIndex((r) => r.doneAt !== null);
    const next = ladder[lastDone + 1] ?? null;
    const { name, grave: isGrave = false } = def;
    return [{ id, name, ...seen, ladder, next, isGrave }];
  });
}
