import { proxy, wrap, type Remote } from 'comlink';
import { v5 as uuidv5 } from 'uuid';
import { instrumentRead } from '$core/commands/instrument';
import type { Mapping } from '$core/instruments/columns';
import type { At } from '$core/instruments/sample';
import type { Thinning } from '$core/instruments/thin';
import type { LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import type { Told } from '$lib/files/vecino-file';
import { db } from './db';
import { zoneHere } from './here';
import { eventsOfDeed, write } from './record';
import { eventsOf } from './summaries';
import type { Looked, ReadIn } from '$lib/files/csv-in';
import type { ReadingsApi } from './readings.worker';

/** Names that readings of instruments are numbered under. */
const READINGS = '6f1d3f60-6c0b-4c55-9d4e-3b1b6c6f5a10';

/**
 * The id of a reading by its wine, its instrument and its moment: the same whoever brings it in, so that twice is once.
 * What was taken back is written anew under the next.
 * @param log events of the wine
 */
function readingIds(log: readonly LedgerEvent[], batchId: string, by: string): (at: number) => string {
  const gone = new Set(log.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  return (at) => {
    for (let n = 0; ; n++) {
      const id = uuidv5(`${batchId} ${by} ${Math.round(at)}${n > 0 ? ` ${n}` : ''}`, READINGS);
      if (!gone.has(id)) return id;
    }
  };
}

/** A file of readings on its way in, on a thread of its own; it can be stopped at any time. */
export function openReadings(file: File) {
  const worker = new Worker(new URL('./readings.worker.ts', import.meta.url), { type: 'module' });
  const api: Remote<ReadingsApi> = wrap<ReadingsApi>(worker);
  let stop: () => void = () => undefined;
  const stopped = new Promise<never>((_, fail) => {
    stop = () => {
      worker.terminate();
      fail(new Error('Stopped. Nothing was written.'));
    };
    worker.onerror = (e) => fail(new Error(`It could not be read: ${e.message}`));
  });
  // Closed when nobody waits for it any more.
  stopped.catch(() => undefined);
  return {
    look: (here: Parameters<ReadingsApi['look']>[1]): Promise<Looked> =>
      Promise.race([api.look(file, here), stopped]),
    read: ({ delimiter, titles }: Looked, mapping: Mapping, rule: Thinning, told: Told): Promise<ReadIn> =>
      Promise.race([
        // What a page holds in its state is copied plain.
        api.read(
          file,
          { delimiter, titles },
          JSON.parse(JSON.stringify(mapping)) as Mapping,
          rule,
          proxy(told)
        ),
        stopped
      ]),
    close: () => stop()
  };
}

/** So far ahead clocks differ. */
const AHEAD_MS = 5 * 60_000;

/** What became of readings that were brought in. */
export type Brought = {
  written: LedgerEvent[];
  /** those that were here already */
  known: number;
  /** those that cannot have been of this wine: no vessel then, or a figure it cannot read */
  leftOut: number;
};

/**
 * Writes what an instrument read of a wine, as one deed; what cannot have been is left out and counted.
 * @param vesselId where it stood; left out, whatever the wine stood in
 */
export async function bringReadings(
  batchId: string,
  samples: readonly At[],
  by: string,
  vesselId?: string
): Promise<Brought> {
  const log = await eventsOf(batchId);
  const deed = instrumentRead(batchId, samples, by, vesselId, readingIds(log, batchId, by));
  if (deed.length === 0) return { written: [], known: 0, leftOut: 0 };
  const events = await eventsOfDeed(deed);
  const there = await db.events.bulkGet(events.map((e) => e.id));
  const fresh = events.filter((_, i) => !there[i]);
  const last = Math.max(0, ...[...log, ...fresh].map((e) => Date.parse(e.at)));
  const doubts = foldBatch([...log, ...fresh], last)?.doubts ?? [];
  const odd = new Set(doubts.map((d) => d.eventId));
  const started = Math.min(...log.filter((e) => e.type === 'planned').map((e) => Date.parse(e.at)));
  // Nobody has read what is still to come: a clock, or a zone, is wrong.
  const latest = Date.now() + AHEAD_MS;
  const sound = fresh.filter(
    (e) => !odd.has(e.id) && Date.parse(e.at) >= started && Date.parse(e.at) <= latest
  );
  if (sound.length > 0) await write(sound, { sure: true });
  return { written: sound, known: events.length - fresh.length, leftOut: fresh.length - sound.length };
}

/** What the columns of such a file were the last time; null where it is the first. */
export async function mappingFor(head: string): Promise<Mapping | null> {
  const kept = (await db.settings.get(`columns:${head}`))?.value as Mapping | undefined;
  return kept ? { ...kept, zone: kept.zone || zoneHere() } : null;
}

export const keepMapping = (head: string, mapping: Mapping) =>
  db.settings.put({ key: `columns:${head}`, value: JSON.parse(JSON.stringify(mapping)) });
