import { isSound } from '$core/report/summary';
import { KINDS } from '$core/ledger/kept';
import { db, type Import } from './db';
import { markBack } from './deeds';
import { stampMore } from './stamp';
import { sumUp } from './summaries';
import { sumUpThings } from './things';
import { thingsById } from '$core/ledger/things';

/** The last files that were brought in, newest first. */
export const lastImports = (): Promise<Import[]> => db.imports.orderBy('at').reverse().limit(5).toArray();

/** What became of an import that was taken back. */
export type TakenOut = {
  events: number;
  /** what stays of it, and why: something that stays refers to it */
  kept: { name: string; why: string }[];
};

const TABLES = () => [
  db.events,
  db.things,
  db.photos,
  db.imports,
  db.deeds,
  db.summaries,
  db.lessons,
  db.settings,
  ...KINDS.map((k) => db[k])
];

/** Events beside an import's own. */
const others = (of: Import, field: 'batchId' | 'data.from.batchId', ids: readonly string[]) => {
  const mine = new Set(of.events);
  return db.events
    .where(field)
    .anyOf(ids)
    .filter((e) => !mine.has(e.id));
};

/** Wines of an import that were written to since, by their ids. */
async function writtenTo(of: Import, batches: readonly string[]): Promise<Set<string>> {
  const now = new Map<string, number>();
  await others(of, 'batchId', batches).each((e) => {
    // An older import did not note what was there: then clocks have to tell.
    if (of.had || Date.parse(e.recordedAt) >= of.at) now.set(e.batchId, (now.get(e.batchId) ?? 0) + 1);
  });
  return new Set([...now].flatMap(([id, n]) => (n > (of.had?.[id] ?? 0) ? [id] : [])));
}

/** Whether a text holds any of these ids, whole. */
const namesAny = (text: string, ids: readonly string[]): string[] =>
  ids.filter((id) => text.includes(JSON.stringify(id)));

/**
 * Takes an import back: what it brought is as if it had never come. What anything that stays refers to stays too: a wine
 * that was written to since, or that went into another; vessels, racks, lots and recipes of wines that stay.
 */
export async function takeImportOut(of: Import): Promise<TakenOut> {
  return db.transaction('rw', TABLES(), async () => {
    const events = (await db.events.bulkGet(of.events)).flatMap((e) => (e ? [e] : []));
    const batches = [...new Set(events.map((e) => e.batchId))];
    const why = new Map<string, string>();
    for (const id of await writtenTo(of, batches)) why.set(id, 'it was written to since');
    for (const e of await others(of, 'data.from.batchId', batches).toArray())
      if (e.type === 'blend')
        why.set(e.data.from.batchId, why.get(e.data.from.batchId) ?? (await intoText(e.batchId)));
    // What went into a wine that stays stays with it.
    for (let n = -1; n < why.size;) {
      n = why.size;
      for (const e of events)
        if (e.type === 'blend' && why.has(e.batchId) && !why.has(e.data.from.batchId))
          why.set(e.data.from.batchId, await intoText(e.batchId));
    }
    const gone = events.filter((e) => !why.has(e.batchId));
    await db.events.bulkDelete(gone.map((e) => e.id));
    const photos = (await db.photos.bulkGet(of.photos)).flatMap((p) =>
      p && !why.has(p.batchId) ? [p.id] : []
    );
    await db.photos.bulkDelete(photos);
    const names = await namesOf([...why.keys()]);
    const things = await takeThingsOut(of);
    await sumUp(new Set(gone.map((e) => e.batchId)));
    await db.imports.delete(of.id);
    await markBack({ importId: of.id });
    await stampMore(-gone.length);
    return {
      events: gone.length,
      kept: [...[...why].map(([id, text]) => ({ name: names.get(id) ?? 'A wine', why: text })), ...things]
    };
  });
}

async function namesOf(ids: readonly string[]): Promise<Map<string, string>> {
  const rows = await db.summaries.bulkGet([...ids]);
  return new Map(rows.flatMap((s) => (s ? [[s.id, isSound(s) ? s.state.name : s.name]] : [])));
}
const intoText = async (id: string): Promise<string> =>
  `it went into the ${((await namesOf([id])).get(id) ?? 'other wine').toLowerCase()}`;

/** Takes out the things that an import brought, but those that something refers to. @returns those */
async function takeThingsOut(of: Import): Promise<TakenOut['kept']> {
  if (of.things.length === 0) return [];
  const mine = new Set(of.things);
  const entries = (await db.things.bulkGet(of.things)).flatMap((e) => (e ? [e] : []));
  const why = new Map<string, string>();
  const ids = [...new Set(entries.map((e) => e.of))];
  await db.things
    .where('of')
    .anyOf(ids)
    .each((e) => {
      // What is said of it by who had seen it comes after it; an older one does not say.
      const isSince = e.after ? e.after.some((id) => mine.has(id)) : Date.parse(e.at) >= of.at;
      if (!mine.has(e.id) && isSince) why.set(e.of, 'it was changed since');
    });
  const own = new Set(ids.filter((id) => !why.has(id)));
  if (own.size > 0)
    await db.events.each((e) => {
      for (const id of namesAny(JSON.stringify(e.data), [...own])) {
        why.set(id, 'a wine that stays uses it');
        own.delete(id);
      }
    });
  if (own.size > 0)
    await db.things.each((e) => {
      if (mine.has(e.id)) return;
      for (const id of namesAny(JSON.stringify(e), [...own])) {
        why.set(id, 'something that stays refers to it');
        own.delete(id);
      }
    });
  const out = entries.filter((e) => !why.has(e.of));
  const kept = thingsById(entries.filter((e) => why.has(e.of)));
  await db.things.bulkDelete(out.map((e) => e.id));
  await sumUpThings(out);
  return KINDS.flatMap((kind) =>
    [...kept[kind].values()].map((thing) => ({
      name:
        'name' in thing ? String(thing.name) : `A lot of ${'produceId' in thing ? thing.produceId : 'fruit'}`,
      why: why.get(thing.id)!
    }))
  );
}
