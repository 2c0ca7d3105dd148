import { liveEvents, type LedgerEvent } from '../ledger/log';
import { draft, type Deed, type Draft } from './deed';

/** The id of a new event; made outside the core. */
export type NewId = () => string;

/** The same text of an event, with the ids that are new in the place of those they replace. */
const renamed = <D>(data: D, ids: ReadonlyMap<string, string>): D =>
  JSON.parse(JSON.stringify(data), (_, v: unknown) => (typeof v === 'string' ? (ids.get(v) ?? v) : v)) as D;

/** Events that speak of one another, written again as new ones that say the same. */
export function again(events: readonly LedgerEvent[], newId: NewId): Draft[] {
  const ids = new Map(events.map((e) => [e.id, newId()]));
  return events.map((e) =>
    draft(e.batchId, e.type, renamed(e.data, ids), {
      at: Date.parse(e.at),
      zone: e.zone,
      id: ids.get(e.id)!
    })
  );
}

export const voided = (e: Pick<LedgerEvent, 'batchId' | 'id'>): Draft =>
  draft(e.batchId, 'void', { eventId: e.id });

/**
 * All that was written with these events by the same tap and still counts. Of the tap that began a batch, a part may be
 * taken back without the rest.
 * @param log all events of their batches
 */
export function wholeDeeds(log: readonly LedgerEvent[], events: readonly { id: string }[]): LedgerEvent[] {
  const ids = new Set(events.map((e) => e.id));
  const groups = new Set(log.flatMap((e) => (ids.has(e.id) && e.group ? [e.group] : [])));
  for (const e of log) if (e.type === 'planned' && e.group && !ids.has(e.id)) groups.delete(e.group);
  const gone = new Set(log.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  return log.filter((e) => !gone.has(e.id) && (ids.has(e.id) || (e.group && groups.has(e.group))));
}

/**
 * What these events say shall not count, nor what the same taps wrote with them. What an event had put right stays as
 * it is: it does not come back.
 * @param log all events of their batches
 */
export const strike = (log: readonly LedgerEvent[], events: readonly { id: string }[]): Deed =>
  wholeDeeds(log, events)
    .filter((e) => e.type !== 'void')
    .map(voided);

/**
 * Undoes whole deeds, as if they had not been done. What they wrote is voided; what they voided is written again, for a
 * void is never voided.
 * @param log all events of their batches
 * @param events any of the events that each deed wrote
 */
export const takeBack = (
  log: readonly LedgerEvent[],
  events: readonly { id: string }[],
  newId: NewId
): Deed => takenBack(log, events, newId).deed;

/** The same, with the new ids of what is written again, by the ids it had. */
export function takenBack(
  log: readonly LedgerEvent[],
  events: readonly { id: string }[],
  newId: NewId
): { deed: Deed; ids: ReadonlyMap<string, string> } {
  const back = new Set(wholeDeeds(log, events).flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  const old = log.filter((e) => back.has(e.id) && e.type !== 'void');
  // What comes back belongs together as it did, and not with what takes the rest back.
  const groups = new Map(old.flatMap((e) => (e.group ? [[e.group, newId()] as const] : [])));
  const anew = again(old, newId).map((d, i): Draft => ({
    ...d,
    group: groups.get(old[i]!.group ?? '') ?? null
  }));
  const gone = newId();
  return {
    deed: [...strike(log, events).map((d): Draft => ({ ...d, group: gone })), ...anew],
    ids: new Map(old.map((e, i) => [e.id, anew[i]!.id!]))
  };
}

/** A batch that was taken back, written again: its plan, and what went in with it by the same tap. */
export function bringBack(log: readonly LedgerEvent[], planned: LedgerEvent, newId: NewId): Deed {
  const gone = new Set(log.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  return again(
    log.filter((e) => e.id === planned.id || (gone.has(e.id) && e.group && e.group === planned.group)),
    newId
  );
}

/**
 * Puts an event right: it is voided and written again, and with it whatever speaks of it, so that nothing is left
 * hanging. History keeps both.
 * @param log all events of its batch; @param data what it should say; @param at when it happened, ms
 */
export function putRight(
  log: readonly LedgerEvent[],
  old: LedgerEvent,
  data: unknown,
  at: number,
  newId: NewId
): Deed {
  const live = liveEvents(log);
  const moved = new Set([old.id]);
  // An opened bottle speaks of its bottling, and what is taken out of what was hung in.
  for (const e of live)
    if (!moved.has(e.id) && [...moved].some((id) => JSON.stringify(e.data).includes(id))) moved.add(e.id);
  const all = live.filter((e) => moved.has(e.id));
  const next = all.map((e) =>
    e.id === old.id ? ({ ...e, data, at: new Date(at).toISOString() } as LedgerEvent) : e
  );
  return [...all.map(voided), ...again(next, newId)];
}
