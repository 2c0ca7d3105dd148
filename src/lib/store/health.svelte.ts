import { db } from './db';

/** What is wrong with the store of this browser; null while all is well. */
export type Illness =
  /** it cannot be opened: no room is given, or what is there was written by a newer Vecino */
  | { kind: 'closed'; why: string }
  /** it was cleared, or deleted, while the page was open */
  | { kind: 'gone' }
  /** another tab has a newer Vecino, which needs it otherwise */
  | { kind: 'newer' };

let ill = $state.raw<Illness | null>(null);
export const health = {
  get ill() {
    return ill;
  }
};

/** Watches over the store from the first moment. @returns what stops it */
export function watchHealth(): () => void {
  const versionChanged = (e: IDBVersionChangeEvent) => {
    ill = e.newVersion === null ? { kind: 'gone' } : { kind: 'newer' };
    // Closed at once: the other tab waits for it.
    db.close();
  };
  const closed = () => (ill ??= { kind: 'gone' });
  db.on('versionchange', versionChanged);
  db.on('close', closed);
  db.open().catch((e: unknown) => {
    const error = e as { name?: string; message?: string };
    ill =
      error.name === 'VersionError' ? { kind: 'newer' } : { kind: 'closed', why: error.message ?? String(e) };
  });
  return () => {
    db.on('versionchange').unsubscribe(versionChanged);
    db.on('close').unsubscribe(closed);
  };
}
