import { z } from 'zod';
import { ACIDS } from '../../liquid/acid';
import type { Ingredient } from '../../plan/plan';
import type { Question, Words } from '../question';
import type { BatchState, Working } from '../state';

export const id = z.string().min(1).max(64);
/** No clock of a household says a later year: an entry of then would never be of the past. */
const LAST_YEAR = 2099;
export const time = z.iso
  .datetime({ message: 'must be a UTC time such as 2026-05-01T18:30:00.000Z' })
  .refine((t) => Number(t.slice(0, 4)) <= LAST_YEAR, `must be before the year ${LAST_YEAR + 1}`);
export const volumeL = z.number().finite().min(0).max(5000);
export const sg = z.number().finite().min(0.97).max(1.3);
export const text = z.string().max(4000);
export const kg = z.number().finite().min(-1).max(5000);

/** A liquid by what it holds, as in liquid/stock.ts. */
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

/** What every event carries beside its data. */
export const head = {
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
  device: z.string().min(1).max(64),
  /** what one tap wrote, and takes back, together */
  group: z.uuid().optional()
};
export type Of<D> = z.infer<z.ZodObject<typeof head>> & { data: D };

/** A piece of what is said of an event: words, or a figure that the interface says in the household's own units. */
export type Part =
  | string
  | { volumeL: number }
  | { sg: number }
  | { tempC: number }
  | { vesselId: string | undefined }
  | { item: Ingredient }
  | { dayMs: number }
  | { cautionId: string };
export type Said = { what: Part[]; detail: Part[] };

/** Something of an event that can be put right in place: where it stands in the data, and how it is read. */
export type Slot = {
  path: readonly (string | number)[];
  label: Part[];
  kind: 'volume' | 'item' | 'stem' | 'sample' | 'ph' | 'ta' | 'yeast' | 'text';
};

/** What an event is asked about by: the batch just before it, and with all that is about to be written. */
export type About = { before: BatchState | null; after: BatchState; words: Words };

/** All that an event is. One file an event; a new one is a new file, and a line in all.ts. */
export type EventDef<T extends string, D> = {
  type: T;
  /** what it carries: volumes in L, masses in kg or g as named, temperatures in °C */
  data: z.ZodType<D>;
  /** whether the liquid changes by it; before it does, the fruit's giving is brought up to date */
  touchesLiquid: boolean;
  /** what it does to a batch, in place; `at` in ms */
  apply: (s: Working, e: Of<D>, at: number) => void;
  /** what is asked before it is written */
  check?: (e: Of<D>, about: About) => Question[];
  /** what it is in words, for the history; `s` is the batch, where it is known */
  says: (e: Of<D>, s: Pick<BatchState, 'id' | 'readings' | 'steeps'>) => Said;
  slots?: (data: D) => Slot[];
  /** the vessel it takes from, or reads in */
  source?: (data: D) => string | undefined;
  /** batches it belongs to besides its own */
  alsoOf?: (data: D) => readonly string[];
  /** what it brings into the wine */
  brings?: (data: D) => readonly Ingredient[];
};

export const defineEvent = <T extends string, D>(def: EventDef<T, D>): EventDef<T, D> => def;

/** Several pieces with a comma between. */
export const listed = (parts: readonly Part[]): Part[] =>
  parts.flatMap((p, i): Part[] => (i > 0 ? [', ', p] : [p]));
