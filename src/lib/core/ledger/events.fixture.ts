import type { EventData, EventType, LedgerEvent } from './log';

export const DAY = 86_400_000;
const BATCH = '01890000-0000-7000-8000-000000000001';
let n = 0;

/** Builds events of one batch for tests: `on(3, 'stir', {})` is a stir three days after `start`. */
export const eventsFrom =
  (start: number) =>
  <T extends EventType>(day: number, type: T, data: EventData<T>, recordedDay = day): LedgerEvent =>
    ({
      id: `01890000-0000-7000-8000-${String(++n).padStart(12, '0')}`,
      batchId: BATCH,
      type,
      v: 1,
      at: new Date(start + day * DAY).toISOString(),
      zone: 'Europe/Lisbon',
      recordedAt: new Date(start + recordedDay * DAY).toISOString(),
      device: 'test',
      data
    }) as LedgerEvent;
