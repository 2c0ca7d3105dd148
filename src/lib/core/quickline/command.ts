import { z } from 'zod';
import { LEFT_BY } from '../ledger/events/open';
import { LOST_HOW } from '../ledger/events/loss';
import { lookShape } from '../ledger/events/observation';
import { ingredientSchema } from '../plan/plan-schema';
import { BOTTLE_TYPES } from '../tables/bottles';
import { YEASTS, type YeastId } from '../tables/yeasts';

const name = z.string().min(1).max(120);
const time = z.iso.datetime();
const litres = z.number().finite().min(0).max(5000);
const grams = z.number().finite().positive().max(2000);
const words = z.string().min(1).max(4000);
const items = z.array(ingredientSchema).min(1).max(30);
/** Of which wine, when it happened if not now, and in which vessel, as far as it was said. */
const of = {
  batchId: z.string().min(1).max(64).optional(),
  at: time.optional(),
  vesselId: z.string().min(1).max(64).optional()
};

/** What a line means. Volumes in L, masses in kg or g as named, °C; gravities as the stem showed them. */
export const commandSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('reading'),
    ...of,
    sg: z.number().min(0.97).max(1.3).optional(),
    brix: z.number().min(-6).max(80).optional(),
    /** potential alcohol as the stem's scale showed it, % vol */
    potential: z.number().min(-3).max(25).optional(),
    tempC: z.number().min(-5).max(105).optional(),
    ph: z.number().min(1.5).max(9).optional(),
    taGL: z.number().min(0).max(40).optional(),
    freeSo2MgL: z.number().min(0).max(300).optional(),
    sugarGL: z.number().min(0).max(100).optional(),
    residueSg: z.number().min(0.97).max(1.3).optional(),
    volumeL: litres.optional(),
    /** read so in every vessel of it */
    each: z.literal(true).optional()
  }),
  z.strictObject({ kind: z.literal('observation'), ...of, ...lookShape }),
  /** where it stands from now on: what the place is called, and how warm it is there, °C */
  z.strictObject({
    kind: z.literal('place'),
    ...of,
    name: z.string().min(1).max(60).optional(),
    tempC: z.number().min(-10).max(45).optional()
  }),
  z.strictObject({ kind: z.literal('addition'), ...of, items }),
  z.strictObject({ kind: z.literal('top-up'), ...of, item: ingredientSchema.optional() }),
  /** water in up to a mark, L */
  z.strictObject({ kind: z.literal('make-up'), ...of, toL: litres.positive() }),
  z.strictObject({ kind: z.literal('steep'), ...of, items, days: z.number().positive().max(400).optional() }),
  z.strictObject({ kind: z.literal('steep-out'), ...of }),
  z.strictObject({
    kind: z.literal('pitch'),
    ...of,
    /** left out: the yeast of its plan */
    yeastId: z.enum(Object.keys(YEASTS) as [YeastId, ...YeastId[]]).optional(),
    massG: grams.optional(),
    /** what its packet calls it, where the household says so */
    name: z.string().min(1).max(60).optional(),
    how: z.enum(['dry', 'rehydrated', 'starter']).optional()
  }),
  z.strictObject({
    kind: z.literal('blend'),
    ...of,
    fromBatchId: z.string().min(1).max(64),
    volumeL: litres.positive()
  }),
  z.strictObject({ kind: z.literal('stir'), ...of }),
  z.strictObject({
    kind: z.literal('fruit-out'),
    ...of,
    press: z.enum(['drip', 'squeeze', 'press']),
    volumeL: litres.positive().optional()
  }),
  z.strictObject({
    kind: z.literal('transfer'),
    ...of,
    to: z
      .array(
        z.strictObject({
          /** a vessel of the household by its id, or any of this size */
          vesselId: z.string().min(1).max(64).optional(),
          sizeL: litres.positive().optional(),
          /** what it was called, where it is none that is known */
          shape: z.enum(['bucket', 'jar', 'bottle', 'carboy', 'barrel']).optional(),
          /** what came out in it, where it was said */
          volumeL: litres.positive().optional()
        })
      )
      .max(20),
    lossL: litres.optional(),
    /** back into the vessel it came out of, washed meanwhile; with what came out, where it was said */
    back: z.strictObject({ volumeL: litres.positive().optional() }).optional(),
    /** what is missing of it: lost, for that was all there was; or it stays where it is */
    rest: z.enum(['none', 'stays']).optional(),
    /** out of which, where several are named; or out of every vessel of it */
    vesselIds: z.array(z.string().min(1).max(64)).min(2).max(20).optional(),
    each: z.literal(true).optional(),
    /** no more than fills it to the neck: the rest stays where it is */
    toNeck: z.literal(true).optional()
  }),
  z.strictObject({
    kind: z.literal('loss'),
    ...of,
    /** left out: all of it */
    volumeL: litres.positive().optional(),
    how: z.enum(LOST_HOW)
  }),
  z.strictObject({ kind: z.literal('sample'), ...of, volumeL: litres.positive(), returned: z.boolean() }),
  z.strictObject({
    kind: z.literal('bottle'),
    ...of,
    bottles: z
      .array(
        z.strictObject({
          count: z.int().min(1).max(2000),
          sizeL: z.number().min(0.05).max(20),
          type: z.enum(BOTTLE_TYPES)
        })
      )
      .min(1)
      .max(20),
    primingGL: z.number().min(0).max(60).optional(),
    /** what was lost with it, or left with the lees, L */
    lossL: litres.optional()
  }),
  z.strictObject({
    kind: z.literal('open'),
    ...of,
    count: z.int().min(1).max(2000),
    found: z.enum(['still', 'fizzy', 'gushing']).optional(),
    how: z.enum(LEFT_BY).optional(),
    to: z.string().max(80).optional()
  }),
  z.strictObject({ kind: z.literal('note'), ...of, text: words, nextTime: z.boolean().optional() }),
  z.strictObject({
    kind: z.literal('tasting'),
    ...of,
    text: words,
    liking: z.int().min(1).max(5).optional()
  }),
  z.strictObject({
    kind: z.literal('step'),
    ...of,
    step: name,
    outcome: z.enum(['done', 'skipped', 'snoozed']),
    until: time.optional()
  }),
  z.strictObject({ kind: z.literal('no-stem'), ...of }),
  z.strictObject({ kind: z.literal('timer'), ...of, minutes: z.number().positive().max(2880) }),
  z.strictObject({
    kind: z.literal('weigh-in'),
    at: time.optional(),
    lots: items,
    form: z.enum(['fresh', 'frozen', 'dried']).optional(),
    /** what is in hand goes into the freezer: it is not weighed in again */
    isMove: z.literal(true).optional(),
    /** what was said of it beside */
    note: z.string().max(1000).optional()
  }),
  z.strictObject({
    kind: z.literal('plan'),
    items,
    volumeL: litres.positive().optional(),
    abv: z.number().positive().max(25).optional()
  }),
  z.strictObject({ kind: z.literal('go'), batchId: z.string().max(64).optional(), page: name.optional() }),
  z.strictObject({ kind: z.literal('undo') }),
  /** nobody is at home: civil days of leaving and of coming back */
  z.strictObject({ kind: z.literal('away'), from: z.iso.date().optional(), to: z.iso.date().optional() }),
  /** things that usually go in together, kept under a name */
  z.strictObject({
    kind: z.literal('set'),
    name: z.string().min(2).max(40),
    line: z.string().min(3).max(200)
  }),
  z.strictObject({
    kind: z.literal('question'),
    ...of,
    about: z.enum(['strength', 'safe', 'next', 'done', 'volume', 'gravity', 'sugar', 'dose', 'convert']),
    volumeL: litres.positive().optional(),
    abv: z.number().positive().max(25).optional(),
    item: ingredientSchema.optional(),
    /** what is to be said otherwise, and on which scale or in which unit */
    from: z.string().max(60).optional(),
    to: z.string().max(20).optional()
  })
]);
export type Command = z.infer<typeof commandSchema>;
export type CommandKind = Command['kind'];
export type CommandOf<K extends CommandKind> = Extract<Command, { kind: K }>;

/** What has to be settled before a line can be written, and lines that settle it. */
export const askSchema = z.strictObject({
  about: z.enum([
    'gravity',
    'scale',
    'ph',
    'ta',
    'temperature',
    'amount',
    'batch',
    'vessel',
    'when',
    'word',
    'poison',
    'what',
    'text',
    'step',
    'question'
  ]),
  text: z.string(),
  /** each takes the place of the whole line */
  choices: z.array(z.strictObject({ label: z.string(), line: z.string() })),
  /** the line that writes all that was understood, and keeps the rest as a note beside it: nothing else need be settled */
  keeps: z.string().optional()
});
export type Ask = z.infer<typeof askSchema>;

/** A command that writes to one wine's log. */
export type OfWine = Exclude<
  Command,
  { kind: 'weigh-in' | 'plan' | 'go' | 'undo' | 'set' | 'away' | 'question' }
>;
export const isOfWine = (c: Command): c is OfWine => !OF_NO_WINE.has(c.kind) && c.kind !== 'question';

/** Kinds that are not of one wine. */
export const OF_NO_WINE: ReadonlySet<CommandKind> = new Set([
  'weigh-in',
  'plan',
  'go',
  'undo',
  'set',
  'away'
]);
