import { isFull } from '$core/units/input-error';
import { db } from './db';
import { mark, marked, unmark, type Mark } from './mark';

/** What is wrong with the store of this browser; null while all is well. */
export type Illness =
  /** it cannot be opened: no room is given, or what is there was written by a newer Vecino */
  | { kind: 'closed'; why: string }
  /** it was cleared, or deleted, while the page was open */
  | { kind: 'gone' }
  /** another tab has a newer Vecino, which needs it otherwise */
  | { kind: 'newer' }
  /** it neither opens nor fails */
  | { kind: 'silent' }
  /** what was once written here is not here any more: the browser lost it while nobody looked */
  | ({ kind: 'lost' } & Mark)
  /** its clock is behind what was last written, ms */
  | { kind: 'clock'; lastAt: number }
  /** there is no more room: what is being typed is kept no longer */
  | { kind: 'full' };

/** A store that has not opened by then is not merely slow, ms. */
const SILENT_MS = 10_000;

/** Gravest first. With any of the first four nothing can be read or written here. */
const GRAVITY = ['closed', 'gone', 'newer', 'silent', 'lost', 'full', 'clock'] as const;
const SHUT: ReadonlySet<Illness['kind']> = new Set(GRAVITY.slice(0, 4));

/** Each by its kind: one that passes leaves the others as they are. */
let ills = $state.raw<Partial<Record<Illness['kind'], Illness>>>({});
const ILL = $derived(GRAVITY.flatMap((kind) => ills[kind] ?? [])[0] ?? null);

const has = (illness: Illness) => void (ills = { ...ills, [illness.kind]: illness });
function hasNot(kind: Illness['kind']): void {
  if (ills[kind]) ills = { ...ills, [kind]: undefined };
}

export const health = {
  /** the gravest */
  get ill() {
    return ILL;
  },
  /** whether nothing can be read or written: pages then open on what they have */
  get isShut() {
    return ILL !== null && SHUT.has(ILL.kind);
  }
};

/** Notes that something could not be kept; nothing of it is lost as long as the page is open. */
export function notKept(error: unknown): void {
  if (isFull(error)) has({ kind: 'full' });
  else console.error(error);
}

/** Notes that there is room again. */
export const keptAgain = (): void => hasNot('full');

/** Clocks differ by less than this, ms. */
const CLOCKS_DIFFER = 3_600_000;

/** Looks whether the clock can be right. @param lastAt when it was last written here, by the clock of then */
export function clockSays(now: number, lastAt: number | null): void {
  if (lastAt !== null && lastAt > now + CLOCKS_DIFFER) has({ kind: 'clock', lastAt });
  else hasNot('clock');
}

let hasSeenSome = false;

/**
 * Looks whether what was once written here is still here. What goes while the page sees it was taken out on purpose, or
 * the page is told otherwise.
 * @param events how many there are now
 */
export function storeHolds(events: number, now: number): void {
  if (events > 0) {
    mark(events, now);
    hasNot('lost');
  } else if (hasSeenSome) unmark();
  else {
    const was = marked();
    if (was) has({ kind: 'lost', ...was });
  }
  hasSeenSome ||= events > 0;
}

/** It is known that it is lost: from now on nothing is missed. */
export function beginAnew(): void {
  unmark();
  hasNot('lost');
}

/** Watches over the store from the first moment. @returns what stops it */
export function watchHealth(): () => void {
  const versionChanged = (e: IDBVersionChangeEvent) => {
    has(e.newVersion === null ? { kind: 'gone' } : { kind: 'newer' });
    // Closed at once: the other tab waits for it.
    db.close();
  };
  const closed = () => void (health.isShut || has({ kind: 'gone' }));
  db.on('versionchange', versionChanged);
  db.on('close', closed);
  const silent = setTimeout(() => has({ kind: 'silent' }), SILENT_MS);
  db.open()
    .then(() => hasNot('silent'))
    .catch((e: unknown) => {
      const error = e as { name?: string; message?: string };
      has(
        error.name === 'VersionError'
          ? { kind: 'newer' }
          : { kind: 'closed', why: error.message ?? String(e) }
      );
    })
    .finally(() => clearTimeout(silent));
  return () => {
    clearTimeout(silent);
    db.on('versionchange').unsubscribe(versionChanged);
    db.on('close').unsubscribe(closed);
  };
}
