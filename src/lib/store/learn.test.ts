import { beforeEach, describe, expect, it } from 'vitest';
import { taughtOf } from '$core/belief/teach';
import { beginBatch } from '$core/commands/begin';
import { readGravity } from '$core/commands/observe';
import { pitch, stir } from '$core/commands/put';
import { batchAt } from '$core/ledger/run';
import { bearingOn } from '$core/report/sum-up';
import { DEFAULT_SETTINGS } from '$core/units/settings';
import { db } from './db';
import { emptyHousehold } from './empty';
import { learnDue } from './learn';
import { perform, undo } from './record';
import { eventsOf, rebuildSummaries } from './summaries';

const NOW = Date.parse('2026-06-01T09:00:00Z');
const DAY = 86_400_000;
const read = (id: string, sg: number, day: number) =>
  perform(readGravity(id, sg, 20, DEFAULT_SETTINGS.hydrometer), { at: NOW + day * DAY });

/** A damson wine, with a gravity before its yeast and one in the middle, or none. */
async function wine(name: string, sgs: readonly number[]): Promise<string> {
  // By its name: possible wines are drawn by the batch, and so are the same on every run.
  const batchId = `01970000-0000-7000-8000-${Buffer.from(name).toString('hex').padStart(12, '0').slice(-12)}`;
  const plan = {
    ingredients: [
      { kind: 'produce' as const, produceId: 'damson', massKg: 4 },
      { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 2 },
      { kind: 'water' as const, volumeL: 6 }
    ]
  };
  await perform(beginBatch({ batchId, plan, name, vesselId: `v-${name}`, recipeId: null }), { at: NOW });
  if (sgs[0]) await read(batchId, sgs[0], 0.5);
  await perform(pitch(batchId, { yeast: { yeastId: 'wine' } }), { at: NOW + DAY });
  if (sgs[1]) await read(batchId, sgs[1], 5);
  return batchId;
}
const due = async () => (await db.lessons.toArray()).filter((l) => l.due !== null).map((l) => l.id);

beforeEach(emptyHousehold);

describe('what wines taught', () => {
  it('is due once one was read, is learnt apart, and is what the log says', async () => {
    const silent = await wine('Silent', []);
    const told = await wine('Told', [1.108, 1.05]);
    expect(await due()).toEqual([told]);
    expect(await db.lessons.get(silent)).toBeUndefined();
    expect(await learnDue()).toBe(1);
    const row = (await db.lessons.get(told))!;
    const taught = taughtOf(batchAt(bearingOn(await eventsOf(told), told), Date.now())!)!;
    expect(row).toEqual({ id: told, ...taught, due: null });
    expect(row.lessons.map((l) => l.produceId)).toEqual(['damson']);
    // Nothing more to learn until something is written.
    expect(await learnDue()).toBe(0);
    await perform(stir(told), { at: NOW + 6 * DAY });
    expect(await due()).toEqual([told]);
    // Until then what was known stays known.
    expect((await db.lessons.get(told))!.lessons).toEqual(row.lessons);
  });

  it('what is written while it learns stays due', async () => {
    const told = await wine('Told', [1.092, 1.04]);
    const learning = learnDue();
    await read(told, 1.02, 8);
    await learning;
    expect(await due()).toEqual([told]);
    await learnDue();
    expect(await due()).toEqual([]);
  });

  it('goes with the wine, and comes back with it; one that cannot be read keeps no other from teaching', async () => {
    const [a, b] = [await wine('A', [1.108]), await wine('B', [1.11])];
    await learnDue();
    expect((await db.lessons.toCollection().primaryKeys()).sort()).toEqual([a, b].sort());
    const planned = (await eventsOf(a)).find((e) => e.type === 'planned')!;
    await undo([planned]);
    expect(await db.lessons.toCollection().primaryKeys()).toEqual([b]);
    // A row as a hand or a bad disk left it.
    const odd = (await eventsOf(b)).find((e) => e.type === 'addition')!;
    await db.events.put({ ...odd, data: { ingredients: [{ kind: 'sugar' }] } } as never);
    const c = await wine('C', [1.112]);
    await rebuildSummaries();
    await learnDue();
    expect(await due()).toEqual([]);
    expect((await db.lessons.get(c))!.lessons.length).toBe(1);
  });
});
