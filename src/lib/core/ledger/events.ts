import { z } from 'zod';
import { keptIngredientSchema, keptPlanSchema, yeastSchema } from '../plan/plan';
import { ACIDS } from '../liquid/acid';

const id = z.string().min(1).max(64);
const time = z.iso.datetime({ message: 'must be a UTC time such as 2026-05-01T18:30:00.000Z' });
const volumeL = z.number().finite().min(0).max(5000);
const sg = z.number().finite().min(0.97).max(1.3);
const text = z.string().max(4000);
const kg = z.number().finite().min(-1).max(5000);

/** A liquid by what it holds, as in must/stock.ts. */
export const stockSchema = z.strictObject({
  waterKg: kg,
  ethanolKg: kg,
  solidsKg: kg,
  fermentableKg: kg,
  hexoseKg: kg,
  acidsMol: z.record(z.enum(ACIDS), z.number().finite()),
  strongIonEq: z.number().finite(),
  bufferMol: z.number().finite(),
  carbonateMol: z.number().finite(),
  nitrogenMg: z.number().finite()
});

/** What each type of event carries. All volumes in L, masses in kg or g as named, temperatures in °C. */
export const eventData = {
  planned: z.strictObject({
    name: z.string().min(1).max(120),
    plan: keptPlanSchema,
    vesselId: id,
    /** the version of a recipe that it was begun from */
    recipeId: z.uuid().optional()
  }),
  addition: z.strictObject({
    ingredients: z.array(keptIngredientSchema).min(1).max(100),
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
      /** what a refractometer showed, °Bx, where `sg` was reckoned from it */
      refractometerBx: z.number().finite().min(0).max(80).optional(),
      tempC: z.number().finite().min(-5).max(105).optional(),
      ph: z.number().finite().min(1.5).max(9).optional(),
      taGL: z.number().finite().min(0).max(40).optional(),
      /** gravity of the residue once the alcohol is boiled off: spirit indication, with `sg` */
      residueSg: sg.optional(),
      /** litres that the mark shows */
      volumeL: volumeL.optional(),
      vesselId: id.optional()
    })
    .refine(
      (r) => [r.sg, r.tempC, r.ph, r.taGL, r.volumeL].some((x) => x !== undefined),
      'holds no measurement'
    ),
  'fruit-out': z.strictObject({
    press: z.enum(['drip', 'squeeze', 'press']),
    volumeL: volumeL.optional(),
    vesselId: id.optional()
  }),
  /** fruit, oak, hops or cocoa hung in the wine for a while; tasted by a day */
  steep: z.strictObject({
    ingredients: z.array(keptIngredientSchema).min(1).max(20),
    vesselId: id.optional(),
    tasteBy: time.optional()
  }),
  'steep-out': z.strictObject({ steepId: id }),
  /** air taken from over a wine: by a liquid, or by gas alone */
  'top-up': z.strictObject({ vesselId: id, ingredient: keptIngredientSchema.optional() }),
  /** a glass drawn off; poured back when `returned` */
  sample: z.strictObject({ vesselId: id.optional(), volumeL: volumeL.positive(), returned: z.boolean() }),
  /** spilt, or boiled off: then only water goes */
  loss: z.strictObject({
    vesselId: id.optional(),
    volumeL: volumeL.positive(),
    how: z.enum(['spilt', 'boiled-off'])
  }),
  /**
   * Wine of another batch into this one. Kept with the batch that takes it; it names both sides, and holds what
   * the wine was as it came, so that neither batch need be read to know the other.
   */
  blend: z.strictObject({
    from: z.strictObject({ batchId: z.uuid(), vesselId: id, name: z.string().max(120) }),
    to: id,
    volumeL: volumeL.positive(),
    wine: z.strictObject({
      stock: stockSchema,
      fermentedKg: z.number().finite().min(0),
      powdersG: z.record(z.string().max(40), z.number().finite().min(0)),
      cost: z.number().finite().min(0),
      allergens: z.array(z.string().max(40)).max(20),
      /** living yeasts that come with it; when left out it may hold the strongest */
      yeasts: z.array(yeastSchema).max(20).optional(),
      /** dissolved matter of fruit that is no sugar, kg */
      extractKg: kg.optional(),
      stable: z
        .strictObject({
          at: z.number().finite(),
          sorbateG: z.number().finite().min(0),
          sulphiteG: z.number().finite().min(0),
          wasFinished: z.boolean()
        })
        .optional()
    })
  }),
  transfer: z.strictObject({
    from: id,
    to: z
      .array(z.strictObject({ vesselId: id, volumeL: volumeL.positive() }))
      .min(1)
      .max(20),
    lossL: volumeL,
    /** true: that was all, the rest is sediment; false: the rest stays; left out: a little is sediment */
    emptied: z.boolean().optional()
  }),
  note: z.strictObject({ text: text.min(1), nextTime: z.boolean().optional() }),
  tasting: z.strictObject({
    text: text.min(1),
    /** how well it is liked, 1 to 5 */
    liking: z.int().min(1).max(5).optional(),
    nextTime: text.optional()
  }),
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
    bar20: z.number().finite().min(0).optional(),
    /** whether it was said to be clear, and to drop no more */
    clear: z.boolean().optional(),
    /** as in a transfer */
    emptied: z.boolean().optional()
  }),
  /** bottles of one filling opened, and what was found */
  open: z.strictObject({
    bottleId: z.uuid(),
    count: z.int().min(1).max(2000),
    found: z.enum(['still', 'fizzy', 'gushing']).optional()
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
  event('steep'),
  event('steep-out'),
  event('top-up'),
  event('sample'),
  event('loss'),
  event('blend'),
  event('transfer'),
  event('note'),
  event('tasting'),
  event('bottle'),
  event('open'),
  event('step'),
  event('caution'),
  event('void')
]);

export type LedgerEvent = z.infer<typeof eventSchema>;
export type EventOf<T extends EventType> = Extract<LedgerEvent, { type: T }>;
export type EventData<T extends EventType> = EventOf<T>['data'];

/** The batches an event belongs to: its own, and the one a blend took its wine from. */
export const batchesOf = (e: LedgerEvent): string[] =>
  e.type === 'blend' ? [e.batchId, e.data.from.batchId] : [e.batchId];

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

/** Two devices' logs as one: set union by id. Order does not matter. */
export function mergeLogs(a: readonly LedgerEvent[], b: readonly LedgerEvent[]): LedgerEvent[] {
  const all = new Map<string, LedgerEvent>();
  for (const e of [...a, ...b]) if (!all.has(e.id)) all.set(e.id, e);
  return inOrder([...all.values()]);
}
