import {
  batchTable,
  cellarTable,
  harvestTable,
  READINGS_HEAD,
  readingRows,
  type Table
} from '$core/report/tables';
import { isSound } from '$core/report/summary';
import { db } from './db';
import { household, vesselById } from './household.svelte';
import { lotsUsed } from './stock';
import { everyBatch, winesInBottle } from './wines';
import { zoneHere } from './here';

/** The tables that can be saved. */
export const TABLES = {
  readings: 'Readings',
  batches: 'Batches',
  cellar: 'Cellar',
  harvest: 'Harvest'
} as const;
export type TableId = keyof typeof TABLES;

const vessel = (id: string | null | undefined): string => (id ? (vesselById(id)?.name ?? id) : '');

/** Readings of every wine, one wine read at a time. */
async function readings(): Promise<Table> {
  const rows: Table['rows'] = [];
  const wines = (await db.summaries.toArray())
    .filter(isSound)
    .map((s) => ({ id: s.id, name: s.state.name, startedAt: s.startedAt }))
    .sort((a, b) => a.startedAt - b.startedAt);
  for (const w of wines)
    rows.push(...readingRows(await db.events.where('batchId').equals(w.id).toArray(), w.id, w.name, vessel));
  return { head: READINGS_HEAD, rows };
}

/** One of the tables, as everything stands now. */
export async function tableOf(id: TableId): Promise<Table> {
  switch (id) {
    case 'readings':
      return readings();
    case 'batches':
      return batchTable(await everyBatch(), vessel);
    case 'cellar':
      return cellarTable(await winesInBottle(), household.racks, household.now);
    case 'harvest':
      return harvestTable(household.harvest, await lotsUsed(), zoneHere());
  }
}
