import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { beginBatch } from '$core/commands/begin';
import { stir } from '$core/commands/put';
import { SUMMARY_VERSION } from '$core/report/summary';
import { db } from './db';
import { emptyHousehold } from './empty';
import { clockSays, health, keptAgain, notKept } from './health.svelte';
import { newId } from './here';
import { perform } from './record';
import {
  areSummariesOld,
  areSummariesStale,
  eventsHere,
  isNothingHere,
  lastWriteAt,
  stamp,
  unstamp
} from './stamp';
import { rebuildSummaries } from './summaries';

const HOUR = 3_600_000;
const begun = async () => {
  const batchId = newId();
  const plan = { ingredients: [{ kind: 'produce' as const, produceId: 'plum', massKg: 3 }] };
  await perform(beginBatch({ batchId, plan, name: 'Plum', vesselId: 'b', recipeId: null }));
  return batchId;
};
const written = async () => lastWriteAt(await db.settings.toArray());

beforeEach(emptyHousehold);
afterEach(() => {
  vi.useRealTimers();
  keptAgain();
  clockSays(0, null);
});

describe('what is wrong with the store', () => {
  it('the gravest is told, and one that passes leaves the other; neither shuts the pages', () => {
    expect(health.ill).toBeNull();
    clockSays(1e12, 1e12 + 2 * HOUR);
    expect(health.ill).toEqual({ kind: 'clock', lastAt: 1e12 + 2 * HOUR });
    notKept(Object.assign(new Error('x'), { inner: { name: 'QuotaExceededError' } }));
    expect(health.ill).toEqual({ kind: 'full' });
    expect(health.isShut).toBe(false);
    keptAgain();
    expect(health.ill).toMatchObject({ kind: 'clock' });
    clockSays(1e12 + 2 * HOUR, 1e12 + 2 * HOUR);
    expect(health.ill).toBeNull();
  });

  it('a clock is behind only by more than an hour, and never where nothing was written', () => {
    clockSays(1e12, null);
    clockSays(1e12, 1e12 + HOUR);
    clockSays(1e12, 1e12 - 1e9);
    expect(health.ill).toBeNull();
  });

  it('what was written and is gone when the page opens again is missed; what was taken out on purpose is not', async () => {
    const kept = new Map<string, string>();
    vi.stubGlobal('localStorage', {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
      removeItem: (k: string) => void kept.delete(k)
    });
    /** A page that has seen nothing yet, as after a reload: what it tells of each count of events in turn. */
    const opened = async (...counts: [events: number, at: number][]) => {
      vi.resetModules();
      const page = await import('./health.svelte');
      const told = counts.map(([events, at]) => {
        page.storeHolds(events, at);
        return page.health.ill;
      });
      return { ...page, told };
    };
    expect((await opened([0, 1e12], [12, 1e12])).told).toEqual([null, null]);
    // Missed; brought in again from a file, all is well; then it is emptied on purpose.
    const lost = { kind: 'lost', events: 12, at: 1e12 };
    const second = await opened([0, 2e12], [12, 2e12], [0, 2e12]);
    expect(second.told).toEqual([lost, null, null]);
    expect(second.health.isShut).toBe(false);
    expect((await opened([0, 3e12], [3, 3e12])).told).toEqual([null, null]);
    // Known to be lost: it is not said again.
    const fourth = await opened([0, 4e12]);
    expect(fourth.told).toMatchObject([{ kind: 'lost', events: 3 }]);
    expect(fourth.health.isShut).toBe(false);
    fourth.beginAnew();
    expect(fourth.health.ill).toBeNull();
    expect(kept.size).toBe(0);
    // A word that cannot be read, or a browser that forbids it, says nothing.
    kept.set('vecino-written', '{');
    fourth.storeHolds(0, 4e12);
    expect(fourth.health.ill).toBeNull();
    vi.unstubAllGlobals();
  });

  it('what fails otherwise is no full disk', () => {
    const error = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    notKept(new Error('the tab is closing'));
    expect(health.ill).toBeNull();
    expect(error).toHaveBeenCalledOnce();
    error.mockRestore();
  });
});

describe('the stamp on the lists', () => {
  it('says how many events they are of, without counting, and when it was last written', async () => {
    expect([await isNothingHere(), await eventsHere(), await written()]).toEqual([true, 0, null]);
    const before = Date.now();
    const id = await begun();
    const count = vi.spyOn(db.events, 'count');
    await perform(stir(id));
    expect(await eventsHere()).toBe(3);
    expect(count).not.toHaveBeenCalled();
    count.mockRestore();
    expect(await db.events.count()).toBe(3);
    expect(await written()).toBeGreaterThanOrEqual(before);
    expect(await isNothingHere()).toBe(false);
  });

  it('made anew, lists are not whole until the end, whatever is written meanwhile; when that was stays known', async () => {
    const id = await begun();
    const at = await written();
    await unstamp();
    expect([await areSummariesOld(), await areSummariesStale(), await written()]).toEqual([true, true, at]);
    vi.useFakeTimers({ toFake: ['Date'], now: at! + 5 * HOUR });
    await perform(stir(id));
    expect([await areSummariesOld(), await eventsHere(), await written()]).toEqual([true, 3, at! + 5 * HOUR]);
    // A clock set back: making lists is no writing.
    vi.setSystemTime(at!);
    await rebuildSummaries();
    expect([await areSummariesOld(), await areSummariesStale()]).toEqual([false, false]);
    expect(await written()).toBe(at! + 5 * HOUR);
  });

  it('lists of another Vecino are old, and those that miss an event are found by counting', async () => {
    const id = await begun();
    await db.settings.put({ key: 'summaries', value: { events: 2, version: SUMMARY_VERSION - 1 } });
    expect(await areSummariesOld()).toBe(true);
    await stamp();
    expect(await areSummariesOld()).toBe(false);
    const [one] = await db.events.where('batchId').equals(id).toArray();
    await db.events.add({ ...one!, id: newId() });
    expect([await areSummariesOld(), await areSummariesStale()]).toEqual([false, true]);
  });
});
