import type { LedgerEvent } from '$core/ledger/log';
import type { Settings } from '$core/units/settings';
import { db } from './db';

type Ref = Pick<LedgerEvent, 'id' | 'batchId'>;

/** What one deed of this device wrote, over every log, in the order in which it was written. Kept here, in no file. */
export type Done = {
  n?: number;
  /** by the clock of then, ms: for words only, the order is that of `n` */
  at: number;
  events: Ref[];
  /** entries of things, by their ids */
  entries: string[];
  /** settings as they were before it, where it changed any */
  settings: Partial<Settings> | null;
  /** the import it brought */
  importId: string | null;
  /** taken back since */
  isBack?: boolean;
};

/** So many deeds can be taken back. */
const KEPT = 300;

/** Notes a deed, inside the transaction that writes it. */
export async function noteDeed(done: Partial<Done>): Promise<void> {
  const n = (await db.deeds.add({
    at: Date.now(),
    events: [],
    entries: [],
    settings: null,
    importId: null,
    ...done
  })) as number;
  if (n % 50 === 0)
    await db.deeds
      .where('n')
      .below(n - KEPT)
      .delete();
}

/** The last deed of this device that still counts; undefined where there is none. */
export const lastDeed = (): Promise<Done | undefined> =>
  db.deeds
    .orderBy('n')
    .reverse()
    .filter((d) => !d.isBack)
    .first();

/** Notes that deeds were taken back, by anything that they wrote. Inside the transaction that does so. */
export async function markBack(what: {
  events?: readonly string[];
  entries?: readonly string[];
  n?: number | undefined;
  importId?: string;
  /** new ids of events that come back, by the ids they had: the deeds that wrote them count again, by these */
  ids?: ReadonlyMap<string, string>;
}): Promise<void> {
  const [events, entries] = [new Set(what.events), new Set(what.entries)];
  await db.deeds
    .filter(
      (d) =>
        !d.isBack &&
        (d.n === what.n ||
          (what.importId !== undefined && d.importId === what.importId) ||
          d.events.some((e) => events.has(e.id)) ||
          d.entries.some((id) => entries.has(id)))
    )
    .modify({ isBack: true });
  const { ids } = what;
  if (!ids || ids.size === 0) return;
  await db.deeds
    .filter((d) => d.events.some((e) => ids.has(e.id)))
    .modify((d) => {
      d.isBack = false;
      d.events = d.events.map((e) => ({ ...e, id: ids.get(e.id) ?? e.id }));
    });
}
