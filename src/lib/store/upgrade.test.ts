import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { foldBatch } from '$core/ledger/run';
import type { LedgerEvent } from '$core/ledger/log';
import { thingsOf } from '$core/ledger/things';
import { VecinoDb } from './db';

/** The stores of each version of the database as they shipped. */
const SHIPPED: Record<string, string>[] = [
  { events: 'id, batchId, [batchId+at]', vessels: 'id', settings: 'key', drafts: 'key' },
  { produce: 'id' },
  {
    events: 'id, batchId, [batchId+at], data.from.batchId',
    summaries: 'id, [running+startedAt], *words'
  },
  {
    summaries: 'id, [running+startedAt], *words, *lotIds, recipeId',
    recipes: 'id, family',
    harvest: 'id',
    methods: 'id'
  }
];

type Rows = Record<string, { id: string }[]>;
const fixture = (version: number): Rows =>
  JSON.parse(readFileSync(new URL(`../files/fixtures/v${version}.vecino.json`, import.meta.url), 'utf8'));

/** A browser that was left at an old version, with what a file of that version holds. */
async function leftAt(version: number): Promise<Rows> {
  const old = new Dexie(`left-${version}`);
  SHIPPED.slice(0, version).forEach((stores, i) => old.version(i + 1).stores(stores));
  await old.open();
  const file = fixture(version);
  const rows = Object.fromEntries(old.tables.map(({ name }) => [name, file[name] ?? []]));
  for (const { name } of old.tables) if (name !== 'settings') await old.table(name).bulkPut(rows[name]!);
  old.close();
  return rows;
}

describe('a database of an older version', () => {
  it.each([1, 2, 3, 4])('version %i opens with all that was in it', async (version) => {
    const rows = await leftAt(version);
    const db = new VecinoDb(`left-${version}`);
    await db.open();
    const events = await db.events.toArray();
    expect(events.map((e) => e.id).sort()).toEqual(rows.events!.map((e) => e.id).sort());
    expect(foldBatch(events as LedgerEvent[], Date.parse('2026-12-01T00:00:00Z'))!.doubts).toEqual([]);
    const things = thingsOf(await db.things.toArray());
    for (const kind of ['vessels', 'produce', 'recipes', 'harvest', 'methods'] as const) {
      expect(await db[kind].count(), kind).toBe(rows[kind]?.length ?? 0);
      expect(things[kind], kind).toEqual(rows[kind] ?? []);
    }
    if (version === 4) expect(events.filter((e) => e.type === 'timer')).toHaveLength(1);
    await db.delete();
  });
  it('version 5 keeps its events and its logs of things, and begins to learn', async () => {
    const old = new Dexie('left-5');
    [...SHIPPED, { things: 'id, of' }].forEach((stores, i) => old.version(i + 1).stores(stores));
    await old.open();
    const { events } = fixture(4);
    await old.table('events').bulkPut(events!);
    old.close();
    const db = new VecinoDb('left-5');
    await db.open();
    expect(await db.events.count()).toBe(events!.length);
    expect(await db.lessons.count()).toBe(0);
    await db.delete();
  });
});
