import { liveQuery } from 'dexie';
import type { LedgerEvent } from '$core/ledger/events';
import { foldBatch, type BatchState } from '$core/ledger/fold';
import { standingOf, type Standing } from '$core/ledger/standing';
import { schedule, type Due } from '$core/method/schedule';
import { ownProduceSchema, type Produce } from '$core/produce/schema';
import { withOwn } from '$core/produce/table';
import { VESSEL_PRESETS, type Vessel } from '$core/scale/vessels';
import { db } from './db';
import { DEFAULT_SETTINGS, settingsSchema, type Settings } from './settings';

/** A batch as pages see it. */
export type Batch = { id: string; events: LedgerEvent[]; state: BatchState; standing: Standing; due: Due[] };

let ready = $state(false);
let now = $state(Date.now());
let events = $state.raw<LedgerEvent[]>([]);
let vessels = $state.raw<Vessel[]>([]);
let settings = $state.raw<Settings>(DEFAULT_SETTINGS);
let ownProduce = $state.raw<Produce[]>([]);
let exportedAt = $state<number | null>(null);

/** All that is in the browser, kept live; and the minute it is. */
export const household = {
  get ready() {
    return ready;
  },
  get now() {
    return now;
  },
  get events() {
    return events;
  },
  get vessels() {
    return vessels;
  },
  get settings() {
    return settings;
  },
  get ownProduce() {
    return ownProduce;
  },
  get exportedAt() {
    return exportedAt;
  }
};

const EVERY_BATCH = $derived.by(() => {
  const byBatch = new Map<string, LedgerEvent[]>();
  for (const e of events) {
    const list = byBatch.get(e.batchId);
    if (list) list.push(e);
    else byBatch.set(e.batchId, [e]);
  }
  const batches: Batch[] = [];
  for (const [id, its] of byBatch) {
    const state = foldBatch(its, now);
    if (state) batches.push({ id, events: its, state, standing: standingOf(state), due: schedule(state) });
  }
  return batches.sort((a, b) => b.state.startedAt - a.state.startedAt);
});

/** Every batch, newest first. */
export const allBatches = (): Batch[] => EVERY_BATCH;

export const batchById = (id: string): Batch | undefined => EVERY_BATCH.find((b) => b.id === id);

/** A vessel by id: the household's own, or a common size. */
export const vesselById = (id: string): Vessel | undefined =>
  vessels.find((v) => v.id === id) ?? VESSEL_PRESETS.find((v) => v.id === id);

/** Which batch stands in a vessel now, by vessel id. */
export function vesselsInUse(): Map<string, Batch> {
  const used = new Map<string, Batch>();
  for (const batch of EVERY_BATCH) for (const f of batch.state.fills) used.set(f.vesselId, batch);
  return used;
}

export const saveSettings = (next: Settings) =>
  db.settings.put({ key: 'household', value: settingsSchema.parse(next) });

export const saveVessel = (vessel: Vessel) => db.vessels.put(vessel);
export const removeVessel = (id: string) => db.vessels.delete(id);

/** The produce table as this household has it, its own entries in the place of the table's. */
export const allProduce = (): readonly Produce[] => withOwn(ownProduce);

/** Keeps an entry of one's own. @throws when it is not sound */
export const saveProduce = (entry: Produce) => db.produce.put(ownProduceSchema.parse(entry));
export const removeProduce = (id: string) => db.produce.delete(id);

/** Starts listening to the database and the clock; returns what stops it. */
export function watchHousehold(): () => void {
  const watch = <T>(query: () => Promise<T>, set: (value: T) => void) => {
    const subscription = liveQuery(query).subscribe({ next: set, error: (e) => console.error(e) });
    return () => subscription.unsubscribe();
  };
  const stops = [
    watch(
      () => db.events.toArray(),
      (rows) => {
        now = Date.now();
        events = rows;
        ready = true;
      }
    ),
    watch(
      () => db.vessels.toArray(),
      (rows) => (vessels = rows)
    ),
    watch(
      () => db.produce.toArray(),
      (rows) => (ownProduce = rows)
    ),
    watch(
      () => db.settings.toArray(),
      (rows) => {
        const saved = settingsSchema.safeParse(rows.find((r) => r.key === 'household')?.value);
        settings = saved.success ? saved.data : DEFAULT_SETTINGS;
        const exported = rows.find((r) => r.key === 'exportedAt')?.value;
        exportedAt = typeof exported === 'number' ? exported : null;
      }
    )
  ];
  const tick = setInterval(() => (now = Date.now()), 30_000);
  return () => {
    clearInterval(tick);
    stops.forEach((stop) => stop());
  };
}
