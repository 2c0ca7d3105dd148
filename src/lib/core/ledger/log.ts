import { z } from 'zod';
import { EVENTS } from './events/all';
import { head, type EventDef } from './events/define';

export type EventType = keyof typeof EVENTS;
type Head = z.infer<z.ZodObject<typeof head>>;
/** What a type of event carries. */
export type EventData<T extends EventType> = z.infer<(typeof EVENTS)[T]['data']>;
export type EventOf<T extends EventType> = { [K in T]: Head & { type: K; data: EventData<K> } }[T];
/** One thing that happened to a batch. The log only grows; a correction voids and adds again. */
export type LedgerEvent = EventOf<EventType>;

const schemas = Object.values(EVENTS).map((def) =>
  z.strictObject({ ...head, type: z.literal(def.type), data: def.data })
);
type OneSchema = (typeof schemas)[number];
export const eventSchema = z.discriminatedUnion(
  'type',
  schemas as [OneSchema, ...OneSchema[]]
) as unknown as z.ZodType<LedgerEvent>;

/** All that an event is, to be asked about this very event. */
export const defOf = (e: { type: EventType }): EventDef<EventType, LedgerEvent['data']> =>
  EVENTS[e.type] as unknown as EventDef<EventType, LedgerEvent['data']>;

/** The batches an event belongs to: its own, and the one a blend took its wine from. */
export const batchesOf = (e: LedgerEvent): string[] => [e.batchId, ...(defOf(e).alsoOf?.(e.data) ?? [])];

type Timed = { e: LedgerEvent; at: number };

/** Events with the moment each happened, in the order of the fold: then when recorded, then id. */
function timed(events: readonly LedgerEvent[]): Timed[] {
  return events
    .map((e) => ({ e, at: Date.parse(e.at) }))
    .sort(
      (a, b) =>
        a.at - b.at ||
        Date.parse(a.e.recordedAt) - Date.parse(b.e.recordedAt) ||
        (a.e.id < b.e.id ? -1 : a.e.id > b.e.id ? 1 : 0)
    );
}

/** Events in the order of the fold. The same on every device. */
export const inOrder = (events: readonly LedgerEvent[]): LedgerEvent[] => timed(events).map((x) => x.e);

/** Events that count, with their moments: in order, each id once, voided ones left out. A void is never voided. */
export function liveTimed(events: readonly LedgerEvent[]): Timed[] {
  const voided = new Set<string>();
  for (const e of events) if (e.type === 'void') voided.add(e.data.eventId);
  const seen = new Set<string>();
  return timed(
    events.filter((e) => e.type !== 'void' && !voided.has(e.id) && !seen.has(e.id) && seen.add(e.id))
  );
}

/** Events that count, in order. */
export const liveEvents = (events: readonly LedgerEvent[]): LedgerEvent[] =>
  liveTimed(events).map((x) => x.e);
