import type { Stock } from '../liquid/stock';
import type { Ingredient, Yeast } from '../plan/plan';

/** What was seen, heard or tasted of a wine, each by its word in events/observation.ts. */
export type Look = {
  bubbles?: { count: number; seconds: number } | undefined;
  cap?: 'up' | 'falling' | 'fallen' | undefined;
  foam?: 'none' | 'some' | 'over' | undefined;
  taste?: 'dry' | 'a-little-sweet' | 'sweet' | undefined;
  clarity?: 'cloudy' | 'hazy' | 'clear' | undefined;
  smell?: 'clean' | 'eggs' | 'vinegar' | 'flat' | undefined;
  surface?: 'clean' | 'film' | 'mould' | undefined;
  /** a spoonful in three of strong spirit */
  inSpirit?: 'strings' | 'none' | undefined;
  /** a drop of iodine in a spoonful */
  iodine?: 'blue' | 'none' | undefined;
  /** a glass held near 80 °C for ten minutes, and cooled */
  heated?: 'flocks' | 'none' | undefined;
  /** shaken under the thumb in a half-full bottle */
  shaken?: 'puffs' | 'none' | undefined;
  stillDays?: number | undefined;
};

/** Foam of the first hours is of the pouring and the boil; by itself nothing works so soon. Common practice. */
const BY_ITSELF_MS = 36 * 3_600_000;
/** Bubbles a minute that no warming day gives by itself. Ours. */
const ALIVE_A_MINUTE = 1;

/**
 * Whether a look is of a must that works, or has: bubbles, foam, a cap that fell, a sweet must that tastes dry. A cap
 * that is up is not: fruit floats.
 * @param ageMs since the batch was begun
 * @example showsLife({ bubbles: { count: 1, seconds: 5 } }, 48 * 3_600_000) // true
 */
export const showsLife = ({ bubbles, foam, cap, taste }: Look, ageMs: number): boolean =>
  ageMs > BY_ITSELF_MS &&
  ((bubbles !== undefined && (60 * bubbles.count) / bubbles.seconds >= ALIVE_A_MINUTE) ||
    foam === 'some' ||
    foam === 'over' ||
    cap === 'falling' ||
    cap === 'fallen' ||
    taste === 'dry');

/** A vessel's part of something that was shared out; shares of one pouring add up to 1. */
export type Part = { vesselId: string; share: number };

/**
 * What moved where, and what was seen: the log as a list of what happens to liquid, in order. The ledger writes it as
 * it runs, and whoever reckons with many possible wines follows it, so that both speak of the same vessels.
 */
export type Flow = { at: number } & (
  | {
      kind: 'pour';
      eventId: string;
      item: Ingredient;
      to: Part[];
      /** fruit or a layer that gives in its time; null for what is there at once, with all that it holds */
      lot: { id: string; halfH: number; isLayer: boolean } | null;
    }
  /** other wine, as it was when it came */
  | { kind: 'wine'; to: string; stock: Stock; extractKg: number; yeasts: Yeast[] }
  /** lots that give faster from now on */
  | { kind: 'pace'; factor: number }
  | { kind: 'out'; lotIds: string[] }
  /** so much of what a vessel holds stays */
  | { kind: 'keep'; vesselId: string; share: number }
  /** by shares of what `from` held before; `keep` of it stays */
  | { kind: 'move'; from: string; to: Part[]; keep: number }
  /** what the marks of these vessels show together, L */
  | { kind: 'mark'; vesselIds: string[]; foundL: number }
  | { kind: 'boil'; vesselId: string; waterKg: number }
  | { kind: 'pitch'; yeast: Yeast; massG: number | null; how: 'dry' | 'rehydrated' | 'starter' | null }
  /** how warm the wine was at that moment */
  | { kind: 'warmth'; tempC: number }
  /** how warm it is from now on where it stands */
  | { kind: 'room'; tempC: number }
  | {
      kind: 'read';
      eventId: string;
      /** null where nobody said which of several vessels it was */
      vesselId: string | null;
      sg: number;
      isRough: boolean;
      hasTemp: boolean;
    }
  | {
      kind: 'acid';
      vesselId: string | null;
      taGL: number | null;
      ph: number | null;
      /** what the ledger has for its acid, g/L, and the pH with four fifths, all, and five quarters of it; null without acid */
      sums: { taGL: number; phAt: readonly [number, number, number] } | null;
      /** once it ferments, acid comes and goes that nobody weighed */
      isWine: boolean;
    }
  | { kind: 'spirit'; vesselId: string | null; abv: number }
  /** sugar that a test showed */
  | { kind: 'sugar'; vesselId: string | null; sugarGL: number }
  | { kind: 'look'; vesselId: string | null; look: Look }
  /** whether sulphite and sorbate hold it from now on: its yeast grows no more */
  | { kind: 'hold'; vesselId: string; isHeld: boolean }
);

/** The flows of one kind. */
export type FlowOf<K extends Flow['kind']> = Extract<Flow, { kind: K }>;

/** Wine in bottles goes on as a vessel of its own, under such a name. */
export const BOTTLES = 'bottles:';

/** The vessel of one filling. */
export const bottleId = (eventId: string): string => `${BOTTLES}${eventId}`;
