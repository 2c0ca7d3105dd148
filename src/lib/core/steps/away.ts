import type { Deed } from '../commands/deed';
import { putOff } from '../commands/tick';
import type { BatchState } from '../ledger/state';
import type { Due } from './schedule';
import type { Step } from './step';
import { STEPS } from './table/all';

/**
 * Something that comes due while nobody is at home: it is done before, or waits, or somebody else does it; what neither
 * waits nor can be done before has to be handed over.
 */
export type WhileAway = {
  batchId: string;
  name: string;
  step: Step;
  how: 'before' | 'waits' | 'hand-over';
  /** from when to when it is wanted, ms */
  from: number;
  to: number;
  /** how often while away, where it comes round */
  times: number;
  /** what it costs when nobody does it */
  ifLate: string;
};

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/**
 * What comes due between leaving and coming back, soonest first.
 * @param batches each with what is to do, as `schedule` has it
 * @param leaves @param returns ms
 */
export function whileAway(
  batches: readonly { id: string; state: Pick<BatchState, 'name'>; due: readonly Due[] }[],
  leaves: number,
  returns: number
): WhileAway[] {
  const out: WhileAway[] = [];
  for (const { id, state, due } of batches) {
    const waiting = new Set<string>();
    for (const d of due) {
      if (d.dueAt >= returns) continue;
      // What hangs on what waits comes after it.
      if (d.after && waiting.has(d.after.id)) {
        waiting.add(d.step.id);
        continue;
      }
      const how = howOf(d, leaves, returns);
      if (how === 'waits') waiting.add(d.step.id);
      const isDaily = d.step.everyH === 24;
      out.push({
        batchId: id,
        name: state.name,
        step: d.step,
        how,
        from: Math.max(how === 'before' ? 0 : leaves, d.dueAt),
        to: Math.min(returns, Math.max(d.lateAt, d.dueAt)),
        times: isDaily ? Math.max(1, Math.ceil((returns - Math.max(leaves, d.dueAt)) / DAY)) : 1,
        ifLate: STEPS[d.step.id].chore.ifLate
      });
    }
  }
  return out.sort((a, b) => a.from - b.from);
}

function howOf(d: Due, leaves: number, returns: number): WhileAway['how'] {
  // A stir is wanted every day; another reading is as good when one is back.
  if (d.step.everyH === 24) return 'hand-over';
  if (d.step.everyH) return 'waits';
  if (d.lateAt >= returns) return 'waits';
  return d.dueAt <= leaves && d.after === null ? 'before' : 'hand-over';
}

/** Puts off to the day one is back what can wait until then. @param returns ms */
export const putOffAll = (list: readonly WhileAway[], returns: number): Deed =>
  list.filter((x) => x.how === 'waits').flatMap((x) => putOff(x.batchId, x.step.id, returns));
