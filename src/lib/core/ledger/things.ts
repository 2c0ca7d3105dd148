import { z } from 'zod';
import { recipeSchema } from '../must/recipe';
import { fateSchema, harvestLotSchema, type HarvestLot } from '../plan/harvest';
import { ownMethodSchema } from '../plan/methods';
import { ownYeastSchema } from '../plan/own-yeast';
import { ownProduceSchema } from '../tables/produce-schema';
import { rackSchema } from '../vessels/rack';
import { vesselSchema } from '../vessels/vessel-schema';
import { time } from './events/define';
import { inSeenOrder } from './seen-order';
import { KINDS, same, sorted } from './kept';
import { union } from './merge';

/** What a household has besides its wines, by list. */
export const THINGS = {
  vessels: vesselSchema,
  produce: ownProduceSchema,
  recipes: recipeSchema,
  harvest: harvestLotSchema,
  methods: ownMethodSchema,
  racks: rackSchema,
  yeasts: ownYeastSchema
} as const;
export type ThingKind = keyof typeof THINGS;
export type Thing<K extends ThingKind = ThingKind> = z.infer<(typeof THINGS)[K]>;
export type Things = { [K in ThingKind]: Thing<K>[] };

const head = {
  /** made outside the core; or of what it says, where two devices say the same of one thing */
  id: z.string().min(1).max(140),
  kind: z.enum(KINDS),
  /** the thing's id */
  of: z.string().min(1).max(64),
  /** when it was written down, UTC, by a clock that may have been wrong */
  at: time,
  device: z.string().min(1).max(64),
  /** the last entries of the same thing that its writer had seen: it comes after them, whatever the clocks said */
  after: z.array(z.string().min(1).max(140)).max(20).optional()
};

/**
 * One thing that happened to what the household has. As with wines the log only grows, so that two devices' logs are
 * one by set union.
 */
export const entrySchema = z
  .discriminatedUnion('what', [
    /** bought, weighed in, written down: all of it */
    z.strictObject({ ...head, what: z.literal('kept'), thing: z.looseObject({ id: z.string() }) }),
    /** put right: only the fields that differ; null where one is left away */
    z.strictObject({
      ...head,
      what: z.literal('changed'),
      fields: z.record(z.string().max(40), z.unknown())
    }),
    /** of a lot: what became of a part of it */
    z.strictObject({ ...head, what: z.literal('fate'), fate: fateSchema }),
    z.strictObject({ ...head, what: z.literal('gone') }),
    z.strictObject({ ...head, what: z.literal('void'), entryId: head.id })
  ])
  .superRefine((e, ctx) => {
    const wrong = (path: string[], message: string) =>
      ctx.addIssue({ code: 'custom', message, path, input: e });
    if (e.what === 'changed' && 'id' in e.fields) wrong(['fields', 'id'], 'a thing keeps its id');
    if (e.what !== 'kept') return;
    if (e.thing.id !== e.of) wrong(['thing', 'id'], 'is not the id of the thing it is of');
    const sound = THINGS[e.kind].safeParse(e.thing);
    for (const issue of sound.error?.issues ?? [])
      ctx.addIssue({
        code: 'custom',
        message: issue.message,
        path: ['thing', ...issue.path],
        input: e.thing
      });
  });
export type Entry = z.infer<typeof entrySchema>;
type Head = 'id' | 'at' | 'device' | 'after';
type WithoutHead<E> = E extends Entry ? Omit<E, Head> : never;
/** An entry before it has an id, a moment and a device. */
export type EntryDraft = WithoutHead<Entry>;

const inOrder = (entries: readonly Entry[]): Entry[] =>
  [...entries].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

type Fate = HarvestLot['fates'][number];
const fatesOf = (thing: object | null): Fate[] => (thing && 'fates' in thing ? (thing.fates as Fate[]) : []);
const withFates = (thing: object, more: readonly Fate[]): object => {
  if (!('fates' in thing)) return thing;
  const all = new Map([...fatesOf(thing), ...more].map((f) => [`${f.at} ${f.what} ${f.massKg}`, f]));
  return { ...thing, fates: [...all.values()].sort((a, b) => (a.at < b.at ? -1 : 1)) };
};

/** A thing after an entry of it; null while there is none. */
function after(thing: object | null, e: Entry): object | null {
  switch (e.what) {
    case 'kept':
      return withFates(e.thing, fatesOf(thing));
    case 'changed': {
      if (!thing) return null;
      const next = Object.fromEntries(
        Object.entries({ ...thing, ...e.fields }).filter(([, v]) => v !== null)
      );
      return THINGS[e.kind].safeParse(next).success ? next : thing;
    }
    case 'fate':
      return thing && withFates(thing, [e.fate]);
    case 'gone':
      return null;
    case 'void':
      return thing;
  }
}

export type ThingsById = { [K in ThingKind]: Map<string, Thing<K>> };

/** What a household has, by its ids, after all that happened to it. Order of writing makes no difference. */
export function thingsById(entries: readonly Entry[]): ThingsById {
  const voided = new Set(entries.flatMap((e) => (e.what === 'void' ? [e.entryId] : [])));
  const out = Object.fromEntries(KINDS.map((k) => [k, new Map()])) as Record<ThingKind, Map<string, object>>;
  const logs = new Map<string, Entry[]>();
  for (const e of inOrder(entries)) {
    const log = logs.get(`${e.kind} ${e.of}`);
    if (log) log.push(e);
    else logs.set(`${e.kind} ${e.of}`, [e]);
  }
  for (const log of logs.values()) {
    const [{ kind, of }] = log as [Entry];
    const live = inSeenOrder(log).filter((e) => !voided.has(e.id));
    const thing = live.reduce<object | null>(after, null);
    if (thing) out[kind].set(of, thing);
  }
  return out as ThingsById;
}

/** The same as lists. */
export const thingsOf = (entries: readonly Entry[]): Things => {
  const by = thingsById(entries);
  return Object.fromEntries(KINDS.map((k) => [k, [...by[k].values()]])) as unknown as Things;
};

/**
 * What brings a thing from how it was to how it is: all of it when it is new, else what differs; nothing when nothing
 * does.
 * @param was null when it is new
 */
export function changesTo<K extends ThingKind>(kind: K, was: Thing<K> | null, is: Thing<K>): EntryDraft[] {
  const about = { kind, of: is.id };
  if (!was) return [{ ...about, what: 'kept', thing: is }];
  const had = new Set(fatesOf(was).map((f) => JSON.stringify(sorted(f))));
  const fates = fatesOf(is).filter((f) => !had.has(JSON.stringify(sorted(f))));
  const keys = [...new Set([...Object.keys(was), ...Object.keys(is)])].filter((k) => k !== 'fates');
  const of = (thing: object, key: string): unknown => (thing as Record<string, unknown>)[key];
  const fields = Object.fromEntries(
    keys.filter((k) => !same(of(was, k), of(is, k))).map((k) => [k, of(is, k) ?? null])
  );
  return [
    ...(Object.keys(fields).length > 0 ? [{ ...about, what: 'changed' as const, fields }] : []),
    ...fates.map((fate) => ({ ...about, what: 'fate' as const, fate }))
  ];
}

/** What two devices wrote, as one: set union by id. */
export function mergeEntries(a: readonly Entry[], b: readonly Entry[]): Entry[] {
  const mine = union([], a).added;
  return inOrder([...mine, ...union(mine, b).added]);
}
