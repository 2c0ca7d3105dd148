import type { EventData, EventType } from '../ledger/log';

/** An event that is to be written: what happened, before it has an id, a device and a moment of writing. */
export type Draft = {
  [T in EventType]: {
    batchId: string;
    type: T;
    data: EventData<T>;
    /** when it happened, ms, if not at the moment the deed is done */
    at?: number;
    zone?: string;
    /** an id that others of the same deed speak of */
    id?: string;
    /** what it is taken back together with, if not with all of the deed; null: with nothing */
    group?: string | null;
  };
}[EventType];

/** All that one tap writes, and takes back, as one. */
export type Deed = readonly Draft[];

/** One event of a deed. */
export const draft = <T extends EventType>(
  batchId: string,
  type: T,
  data: EventData<T>,
  more: { at?: number; zone?: string; id?: string } = {}
): Draft => ({ batchId, type, data, ...more }) as Draft;

/** The same fields without those that are not given: an event holds no empty ones. */
export const given = <T extends object>(fields: T): { [K in keyof T]: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== undefined)) as never;
