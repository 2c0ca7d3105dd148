import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { beginBatch } from '$core/commands/begin';
import { observe } from '$core/commands/observe';
import { stir } from '$core/commands/put';
import { liveEvents } from '$core/ledger/log';
import type { Plan } from '$core/plan/plan';
import { db } from './db';
import { emptyHousehold } from './empty';
import { newId } from './here';
import { perform } from './record';
import { countAhead, settleAhead } from './settle';
import { lastWriteAt } from './stamp';
import { eventsOf } from './summaries';
import { keep, takeOff } from './things';

const DAY = 86_400_000;
const T0 = Date.parse('2026-06-01T10:00:00Z');
const PLAN: Plan = { ingredients: [{ kind: 'juice', produceId: 'apple', volumeL: 10 }] };
const JAR = { id: 'old', name: 'old jar', shape: 'jar' as const, capacityL: 5 };
const clock = (ms: number) => vi.setSystemTime(ms);
const begin = async () => {
  const batchId = newId();
  await perform(beginBatch({ batchId, plan: PLAN, name: 'Apple', vesselId: 'b', recipeId: null }));
  return batchId;
};
const days = async (id: string) =>
  liveEvents(await eventsOf(id)).map((e) => [e.type, (Date.parse(e.at) - T0) / DAY]);

describe('a clock that ran ahead', () => {
  beforeEach(async () => {
    await emptyHousehold();
    vi.useFakeTimers({ toFake: ['Date'], now: T0 });
  });
  afterEach(() => vi.useRealTimers());

  it('freezes nothing: what is taken off, renamed or kept again by a right clock is so', async () => {
    clock(T0 + 400 * DAY);
    await keep('vessels', JAR);
    await keep('vessels', { ...JAR, name: 'blue jar' });
    clock(T0);
    await keep('vessels', { ...JAR, name: 'green jar' });
    expect((await db.vessels.toArray()).map((v) => v.name)).toEqual(['green jar']);
    await takeOff('vessels', 'old');
    expect(await db.vessels.count()).toBe(0);
    await keep('vessels', JAR);
    expect((await db.vessels.toArray()).map((v) => v.name)).toEqual(['old jar']);
  });

  it('is told by what was written beside the wines too', async () => {
    clock(T0 + 400 * DAY);
    await keep('vessels', JAR);
    expect(lastWriteAt(await db.settings.toArray())).toBe(T0 + 400 * DAY);
  });

  it('what it wrote of a wine is dated back, its days between as they were, and counts today', async () => {
    const id = await begin();
    clock(T0 + 2 * DAY);
    await perform(stir(id));
    clock(T0 + 365 * DAY);
    await perform(observe(id, { sg: 1.05 }));
    clock(T0 + 368 * DAY);
    await perform(stir(id));
    const late = await begin();
    // Right again, a week after the first day.
    clock(T0 + 7 * DAY);
    expect(await countAhead(Date.now())).toBe(4);
    expect(await settleAhead(Date.now())).toBe(4);
    expect(await days(id)).toEqual([
      ['planned', 0],
      ['addition', 0],
      ['stir', 2],
      ['reading', 4],
      ['stir', 7]
    ]);
    expect(await days(late)).toEqual([
      ['planned', 7],
      ['addition', 7]
    ]);
    expect(await countAhead(Date.now())).toBe(0);
    expect(lastWriteAt(await db.settings.toArray())).toBe(T0 + 7 * DAY);
    const row = (await db.summaries.get(id))!;
    expect('state' in row && row.state.readings.map((r) => r.sg)).toEqual([1.05]);
  });
});
