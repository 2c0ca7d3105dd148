import { z } from 'zod';
import { ingredientSchema, planSchema, yeastSchema } from '../must/plan';

const id = z.string().min(1).max(64);
const time = z.iso.datetime({ message: 'must be a UTC time such as 2026-05-01T18:30:00.000Z' });
const volumeL = z.number().finite().min(0).max(5000);
const sg = z.number().finite().min(0.97).max(1.3);
const text = z.string().max(4000);

/** What each type of event carries. All volumes in L, masses in kg or g as named, temperatures in °C. */
export const eventData = {
  planned: z.strictObject({ name: z.string().min(1).max(120), plan: planSchema, vesselId: id }),
  addition: z.strictObject({
    ingredients: z.array(ingredientSchema).min(1).max(100),
    vesselId: id.optional()
  }),
  pitch: z.strictObject({
    yeast: yeastSchema,
    massG: z.number().finite().positive().max(2000).optional(),
    how: z.enum(['dry', 'rehydrated', 'starter']).optional()
  }),
  stir: z.strictObject({}),
  reading: z
    .strictObject({
      /** corrected to 20 °C */
      sg: sg.optional(),
      /** what the stem showed */
      stemSg: sg.optional(),
      tempC: z.number().finite().min(-5).max(105).optional(),
      ph: z.number().finite().min(1.5).max(9).optional(),
      taGL: z.number().finite().min(0).max(40).optional(),
      vesselId: id.optional()
    })
    .refine(
      (r) => r.sg !== undefined || r.tempC !== undefined || r.ph !== undefined || r.taGL !== undefined,
      'holds no measurement'
    ),
  'fruit-out': z.strictObject({ press: z.enum(['drip', 'squeeze', 'press']), volumeL: volumeL.optional() }),
  transfer: z.strictObject({
    from: id,
    to: z
      .array(z.strictObject({ vesselId: id, volumeL: volumeL.positive() }))
      .min(1)
      .max(20),
    lossL: volumeL
  }),
  note: z.strictObject({ text: text.min(1), nextTime: z.boolean().optional() }),
  bottle: z.strictObject({
    from: id,
    bottles: z
      .array(
        z.strictObject({
          count: z.int().min(1).max(2000),
          sizeL: z.number().finite().min(0.05).max(20),
          type: z.enum(['still', 'crown', 'sparkling'])
        })
      )
      .min(1)
      .max(20),
    primingGL: z.number().finite().min(0).max(60).optional(),
    /** pressure at 20 °C as it was judged when bottled, bar */
    bar20: z.number().finite().min(0).optional()
  }),
  step: z.strictObject({
    step: z.string().min(1).max(40),
    outcome: z.enum(['done', 'skipped', 'snoozed']),
    until: time.optional()
  }),
  caution: z.strictObject({ cautionId: id, text: text.optional() }),
  void: z.strictObject({ eventId: id })
} as const;

export type EventType = keyof typeof eventData;

const head = {
  /** UUIDv7: made outside the core */
  id: z.uuid(),
  batchId: z.uuid(),
  /** version of this type's data */
  v: z.literal(1),
  /** when it happened, UTC */
  at: time,
  /** IANA zone it happened in, such as Europe/Lisbon or UTC */
  zone: z.string().min(1).max(60),
  /** when it was written down, UTC */
  recordedAt: time,
  device: z.string().min(1).max(64)
};

const event = <T extends EventType>(type: T) =>
  z.strictObject({ ...head, type: z.literal(type), data: eventData[type] });

/** One thing that happened to a batch. The log only grows; a correction voids and adds again. */
export const eventSchema = z.discriminatedUnion('type', [
  event('planned'),
  event('addition'),
  event('pitch'),
  event('stir'),
  event('reading'),
  event('fruit-out'),
  event('transfer'),
  event('note'),
  event('bottle'),
  event('step'),
  event('caution'),
  event('void')
]);

export type LedgerEvent = z.infer<typeof eventSchema>;
export type EventOf<T extends EventType> = Extract<LedgerEvent, { type: T }>;
export type EventData<T extends EventType> = EventOf<T>['data'];

/** Events in the order of the fold: when it happened, when it was recorded, then id. The same on every device. */
export function inOrder(events: readonly LedgerEvent[]): LedgerEvent[] {
  return events
    .map((e) => ({ e, at: Date.parse(e.at), recorded: Date.parse(e.recordedAt) }))
    .sort(
      (a, b) => a.at - b.at || a.recorded - b.recorded || (a.e.id < b.e.id ? -1 : a.e.id > b.e.id ? 1 : 0)
    )
    .map((x) => x.e);
}

/**
 * Events that count: in order, each id once, voided ones left out. A void is never voided.
 */
export function liveEvents(events: readonly LedgerEvent[]): LedgerEvent[] {
  const voided = new Set(events.filter((e) => e.type === 'void').map((e) => e.data.eventId));
  const seen = new Set<string>();
  return inOrder(
    events.filter((e) => e.type !== 'void' && !voided.has(e.id) && !seen.has(e.id) && seen.add(e.id))
  );
}

/** Two devices' logs as one: set union by id. Order does not matter. */
export function mergeLogs(a: readonly LedgerEvent[], b: readonly LedgerEvent[]): LedgerEvent[] {
  const all = new Map<string, LedgerEvent>();
  for (const e of [...a, ...b]) if (!all.has(e.id)) all.set(e.id, e);
  return inOrder([...all.values()]);
}
