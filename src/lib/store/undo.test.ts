import { beforeEach, describe, expect, it } from 'vitest';
import { beginBatch } from '$core/commands/begin';
import { stir } from '$core/commands/put';
import { note } from '$core/commands/observe';
import type { Plan } from '$core/plan/plan';
import { mulberry32 } from '$core/maths/draw';
import { tries } from '../tries.fixture';
import { db } from './db';
import { lastDeed } from './deeds';
import { newId } from './here';
import { settingsDeed } from './put-settings';
import { perform, remove, replace, undo } from './record';
import { keep, keepAll, takeOff, undoThings } from './things';
import { undoDeed } from './undo';
import { settingsFrom } from '$core/units/settings';

const PLAN: Plan = { ingredients: [{ kind: 'juice', produceId: 'grape', volumeL: 10 }] };

/** What counts in the household, without the log of it. */
async function household(): Promise<string> {
  const events = await db.events.toArray();
  const gone = new Set(events.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  const live = events
    .filter((e) => e.type !== 'void' && !gone.has(e.id))
    // What comes back is written anew, and says the same.
    .map((e) => JSON.stringify([e.batchId, e.type, e.at, e.data]))
    .sort();
  const rows = await Promise.all(
    (['vessels', 'harvest', 'racks', 'recipes', 'methods', 'yeasts'] as const).map((t) =>
      db.table(t).toArray()
    )
  );
  return JSON.stringify([live, rows, settingsFrom((await db.settings.get('household'))?.value)]);
}

async function takeLastBack(): Promise<boolean> {
  const done = await lastDeed();
  if (done) await undoDeed(done);
  return done !== undefined;
}

describe('the last deed of this device', () => {
  beforeEach(() => Promise.all(db.tables.map((t) => t.clear())));

  it('is of whatever log it was: after a wine’s deed, what was picked since', async () => {
    const id = newId();
    await perform(beginBatch({ batchId: id, plan: PLAN, name: 'Grape', vesselId: 'b', recipeId: null }));
    await perform(stir(id));
    const before = await household();
    const lot = {
      id: newId(),
      produceId: 'plum',
      massKg: 2,
      form: 'fresh' as const,
      weighed: 'bought' as const,
      at: new Date().toISOString(),
      fates: []
    };
    await keepAll('harvest', [lot]);
    await takeLastBack();
    expect(await household()).toBe(before);
    expect((await db.events.toArray()).filter((e) => e.type === 'stir')).toHaveLength(1);
  });

  it('takes a jar back that a line brought along, with the deed, as one', async () => {
    const id = newId();
    await perform(beginBatch({ batchId: id, plan: PLAN, name: 'Grape', vesselId: 'b', recipeId: null }));
    const before = await household();
    const jar = { id: newId(), name: 'green jar', shape: 'jar' as const, capacityL: 5 };
    await perform(stir(id), {}, { vessels: [jar], settings: { hasStem: false } });
    expect(await db.vessels.count()).toBe(1);
    await takeLastBack();
    expect(await household()).toBe(before);
  });

  it('says that there is none where nothing counts any more, by whatever way it was taken back', async () => {
    expect(await lastDeed()).toBeUndefined();
    const id = newId();
    const begun = await perform(
      beginBatch({ batchId: id, plan: PLAN, name: 'Grape', vesselId: 'b', recipeId: null })
    );
    const jar = await keep('vessels', { id: newId(), name: 'green jar', shape: 'jar', capacityL: 5 });
    await undoThings(jar);
    await undo(begun);
    expect(await lastDeed()).toBeUndefined();
  });

  it('brings the household back as it was, deed by deed, over every log', async () => {
    for (let seed = 1; seed <= tries(6, 60); seed++) {
      await Promise.all(db.tables.map((t) => t.clear()));
      const random = mulberry32(seed);
      const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
      const wines: string[] = [];
      const begin = async () => {
        const id = newId();
        await perform(beginBatch({ batchId: id, plan: PLAN, name: 'Grape', vesselId: 'b', recipeId: null }));
        wines.push(id);
      };
      await begin();
      const deeds: (() => Promise<unknown>)[] = [
        begin,
        () => perform(stir(pick(wines))),
        () => perform(note(pick(wines), `note ${random()}`)),
        async () => {
          const mine = (await db.events.toArray()).filter((e) => e.type === 'note');
          const gone = new Set(
            (await db.events.toArray()).flatMap((e) => (e.type === 'void' ? [e.data.eventId] : []))
          );
          const one = mine.find((e) => !gone.has(e.id));
          if (one) await replace(one, { text: `put right ${random()}` }, Date.parse(one.at));
          else await perform(stir(pick(wines)));
        },
        async () => {
          const gone = new Set(
            (await db.events.toArray()).flatMap((e) => (e.type === 'void' ? [e.data.eventId] : []))
          );
          const one = (await db.events.toArray()).find((e) => e.type === 'stir' && !gone.has(e.id));
          if (one) await remove([one]);
          else await perform(stir(pick(wines)));
        },
        () => keep('vessels', { id: newId(), name: `jar ${random()}`, shape: 'jar', capacityL: 5 }),
        async () => {
          const v = await db.vessels.toCollection().first();
          if (v) await takeOff('vessels', v.id);
          else await keep('vessels', { id: newId(), name: 'jar', shape: 'jar', capacityL: 5 });
        },
        async () => {
          const v = await db.vessels.toCollection().first();
          if (v) await keep('vessels', { ...v, name: `renamed ${random()}` });
          else await keep('racks', { id: newId(), name: 'rack', rows: 2, cols: 3 });
        },
        () => keep('yeasts', { id: newId(), name: `QX-${Math.floor(1000 * random())}`, yeastId: 'ale' }),
        () => settingsDeed({ roomC: 10 + Math.floor(15 * random()) + random() })
      ];
      const states: { was: string; n: number }[] = [];
      for (let i = 0; i < 14; i++) {
        const n = Math.floor(random() * deeds.length);
        states.push({ was: await household(), n });
        await deeds[n]!();
      }
      for (const { was, n } of states.reverse()) {
        expect(await takeLastBack()).toBe(true);
        const is = await household();
        expect(is === was, `seed ${seed}, deed ${n}`).toBe(true);
      }
    }
  });
});
