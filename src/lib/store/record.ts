import { v7 as uuidv7 } from 'uuid';
import { eventSchema, type EventData, type EventType, type LedgerEvent } from '$core/ledger/events';
import { InputError } from '$core/units/input-error';
import { firstProblem } from '$core/units/problem';
import { db } from './db';
import { summaries } from './summaries';

/**
 * When something happened (ms since 1970), if not now; and when it was written down.
 * With `into`, events gather there to be written together, instead of one by one.
 */
export type When = { at?: number; recordedAt?: number; into?: LedgerEvent[] };

const zone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

/** This browser's name in the log: random, made once. */
async function deviceId(): Promise<string> {
  const known = await db.settings.get('device');
  if (typeof known?.value === 'string') return known.value;
  const value = `browser-${uuidv7().slice(-8)}`;
  await db.settings.put({ key: 'device', value });
  return value;
}

/** A new event, checked against its schema. @throws InputError naming the field that is wrong */
export async function makeEvent<T extends EventType>(
  batchId: string,
  type: T,
  data: EventData<T>,
  when: When = {}
): Promise<LedgerEvent> {
  const recordedAt = when.recordedAt ?? when.at ?? Date.now();
  const event = {
    id: uuidv7(),
    batchId,
    type,
    v: 1,
    at: new Date(when.at ?? Date.now()).toISOString(),
    zone: zone(),
    recordedAt: new Date(recordedAt).toISOString(),
    device: await deviceId(),
    data
  };
  const parsed = eventSchema.safeParse(event);
  if (!parsed.success) {
    const { path, reason } = firstProblem(parsed.error);
    throw new InputError(`${path.replace(/^data\./, '')} ${reason}.`, 'Correct it and try again.', path);
  }
  return parsed.data;
}

/** Writes events to the log, or to the list they are gathered in. */
export async function write(events: LedgerEvent[], when: When = {}): Promise<void> {
  if (when.into) {
    when.into.push(...events);
    return;
  }
  await db.events.bulkAdd(events);
  await summaries(events);
}

/** Writes one event. */
export async function record<T extends EventType>(
  batchId: string,
  type: T,
  data: EventData<T>,
  when?: When
): Promise<LedgerEvent> {
  const event = await makeEvent(batchId, type, data, when);
  await write([event], when);
  return event;
}

/** Takes an event back by voiding it; nothing is erased. */
export const undo = (event: Pick<LedgerEvent, 'id' | 'batchId'>): Promise<LedgerEvent> =>
  record(event.batchId, 'void', { eventId: event.id });

export const newId = (): string => uuidv7();
