import Dexie, { type EntityTable } from 'dexie';
import type { LedgerEvent } from '$core/ledger/events';
import type { Vessel } from '$core/scale/vessels';

type Keyed = { key: string; value: unknown };

/** The browser's database. Its version is its own, apart from the file's. */
export class VecinoDb extends Dexie {
  events!: EntityTable<LedgerEvent, 'id'>;
  vessels!: EntityTable<Vessel, 'id'>;
  settings!: EntityTable<Keyed, 'key'>;
  drafts!: EntityTable<Keyed, 'key'>;

  constructor(name = 'vecino') {
    // Strict: a write is on disk before it is said to be done.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({
      events: 'id, batchId, [batchId+at]',
      vessels: 'id',
      settings: 'key',
      drafts: 'key'
    });
  }
}

export const db = new VecinoDb();
