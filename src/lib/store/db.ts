import Dexie, { type EntityTable } from 'dexie';
import type { Summary } from '$core/ledger/summary';
import type { LedgerEvent } from '$core/ledger/events';
import type { Produce } from '$core/produce/schema';
import type { Vessel } from '$core/scale/vessels';

type Keyed = { key: string; value: unknown };

/** The browser's database. Its version is its own, apart from the file's. */
export class VecinoDb extends Dexie {
  events!: EntityTable<LedgerEvent, 'id'>;
  vessels!: EntityTable<Vessel, 'id'>;
  settings!: EntityTable<Keyed, 'key'>;
  drafts!: EntityTable<Keyed, 'key'>;
  /** the user's own entries of the produce table */
  produce!: EntityTable<Produce, 'id'>;
  /** a cache: what lists need of each batch */
  summaries!: EntityTable<Summary, 'id'>;

  constructor(name = 'vecino') {
    // Strict: a write is on disk before it is said to be done.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({
      events: 'id, batchId, [batchId+at]',
      vessels: 'id',
      settings: 'key',
      drafts: 'key'
    });
    this.version(2).stores({ produce: 'id' });
    // Blends are found from either side; summaries can be made anew from the events at any time.
    this.version(3).stores({
      events: 'id, batchId, [batchId+at], data.from.batchId',
      summaries: 'id, [running+startedAt], *words'
    });
  }
}

export const db = new VecinoDb();
