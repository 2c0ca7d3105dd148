import { z } from 'zod';
import type { Ingredient } from './plan';
import { counted } from '../units/format';
import { findPoisonous, unsafePart } from '../tables/plants';
import type { Family, Produce } from '../tables/produce';
import { ownProduceSchema } from '../tables/produce-schema';
import { produceById } from '../tables/table';

const kg = z.number().finite().min(0).max(2000);
const time = z.iso.datetime();

/** What became of part of a lot, apart from going into a batch. */
export const fateSchema = z.strictObject({
  at: time,
  what: z.enum(['frozen', 'thawed', 'trimmed', 'thrown', 'eaten', 'moved']),
  /** kg that went, `moved` into a lot of its own; for freezing, thawing and trimming what is left of the lot after it */
  massKg: kg
});

/** Produce in hand: one picking, weighed in. */
export const harvestLotSchema = z
  .strictObject({
    id: z.uuid(),
    produceId: z.string().max(64),
    entry: ownProduceSchema.optional(),
    massKg: kg.positive('must be more than nothing'),
    form: z.enum(['fresh', 'frozen', 'dried']),
    weighed: z.enum(['trimmed', 'bought']).optional(),
    ripeness: z.enum(['under', 'ripe', 'over']).optional(),
    /** when it was picked or weighed in */
    at: time,
    place: z.string().max(120).optional(),
    note: z.string().max(1000).optional(),
    fates: z.array(fateSchema).max(200)
  })
  .superRefine((lot, ctx) => {
    const issue = (message: string) =>
      ctx.addIssue({ code: 'custom', message, path: ['produceId'], input: lot });
    const named = lot.entry ? [lot.entry.name, lot.entry.plural, lot.entry.latin] : [lot.produceId];
    const poison = named.map((n) => findPoisonous(n) ?? unsafePart(n)).find((x) => x !== null);
    if (poison) issue(`“${lot.produceId}” is not food: ${poison.why}`);
    // What a later table lacks is kept: it was weighed in once.
  });
export type HarvestLot = z.infer<typeof harvestLotSchema>;

/** A picking as it is weighed in, from a row that says what and how much. */
export const lotOf = (
  id: string,
  item: Extract<Ingredient, { kind: 'produce' }>,
  how: Pick<HarvestLot, 'at' | 'form'> & { weighed: 'trimmed' | 'bought'; place?: string; note?: string }
): HarvestLot => ({
  id,
  produceId: item.produceId,
  ...(item.entry ? { entry: item.entry } : {}),
  massKg: item.massKg,
  form: item.form === 'frozen' || item.form === 'dried' ? item.form : how.form,
  weighed: item.weighed ?? how.weighed,
  at: how.at,
  ...(how.place ? { place: how.place } : {}),
  ...(how.note ? { note: how.note } : {}),
  fates: []
});

const DAY = 86_400_000;

/** Days that fresh produce keeps cool and dark, low–usual–high. Common practice. */
const KEEPS_DAYS: Record<Family, number> = {
  soft: 3,
  stone: 5,
  pome: 40,
  citrus: 21,
  tropical: 7,
  melon: 10,
  dried: 365,
  root: 30,
  flower: 1,
  leaf: 3,
  sap: 2
};
/** Months that frozen produce keeps its flavour; dried, its colour. Common practice. */
const KEEPS_MONTHS = { frozen: 12, dried: 18 } as const;

export const lotEntry = (lot: HarvestLot): Produce => lot.entry ?? produceById(lot.produceId)!;

/** What is not in the lot any more. */
const GONE: ReadonlySet<string> = new Set(['thrown', 'eaten', 'moved']);

/** Kilograms of a lot that are left, when `usedKg` of it went into batches. */
export function leftKg(lot: HarvestLot, usedKg: number): number {
  const gone = lot.fates.reduce((sum, f) => (GONE.has(f.what) ? sum + f.massKg : sum), 0);
  const trimmed = lot.fates.reduce((sum, f) => (f.what === 'trimmed' ? sum + f.massKg : sum), 0);
  return Math.max(0, lot.massKg - gone - trimmed - usedKg);
}

export type Keeping = {
  /** until when it is good, ms since 1970 */
  until: number;
  /** `2 days left`, `8 months left`, `past its best` */
  text: string;
  /** whether it wants using or freezing now */
  isUrgent: boolean;
};

/** How long a lot still keeps. */
export function keepingOf(lot: HarvestLot, now: number): Keeping {
  const family = lotEntry(lot).family;
  const isStored = lot.form !== 'fresh' || family === 'dried';
  const since = Date.parse(
    lot.fates.findLast((f) => f.what === lot.form || f.what === 'thawed')?.at ?? lot.at
  );
  const thawed = lot.fates.some((f) => f.what === 'thawed') && lot.form === 'fresh';
  const span = thawed
    ? DAY
    : isStored
      ? KEEPS_MONTHS[lot.form === 'frozen' ? 'frozen' : 'dried'] * 30.4 * DAY
      : KEEPS_DAYS[family] * DAY;
  const until = since + span;
  const left = until - now;
  const days = Math.ceil(left / DAY);
  const months = Math.round(left / (30.4 * DAY));
  return {
    until,
    isUrgent: left < (isStored ? 30 * DAY : 1.5 * DAY),
    text:
      left <= 0
        ? 'past its best'
        : isStored
          ? months >= 2
            ? `${months} months left`
            : `${counted(days, 'day')} left`
          : days <= 1
            ? 'today'
            : `${counted(days, 'day')} left`
  };
}
