import type { Ensemble } from './ensemble';
import type { Kin } from './kin';

/** Sugar as it was poured into a vessel: when, and how much, kg of hexose. */
export type Sugared = { at: number; vesselId: string; hexoseKg: number };

/** What a reading was found to be: how likely a slip, and how likely that something was not as written. */
export type Seen = {
  eventId: string;
  at: number;
  vesselId: string;
  sg: number;
  /** chance that it was no true reading of this wine */
  slip: number;
  /** chance, of that, that sugar of these days still lay on the bottom */
  layered: number;
  /** chance that something was not as written */
  notAsWritten: number;
};

/** An ensemble with where it stands in the log. */
export type Running = {
  e: Ensemble;
  startedAt: number;
  at: number;
  /** how warm it is just now, and how warm it is where it stands, °C; whether somebody said so of the place */
  tempC: number;
  roomC: number;
  isRoomSaid: boolean;
  coldC: number;
  /** what each reading was found to be */
  seen: Seen[];
  /** strength that the strongest yeast in it stands, low–usual–high, % vol */
  tolerance: readonly [number, number, number];
  /** sugar came once its ferment was over: it may lie there until the strongest of its kind wakes */
  isFedLate: boolean;
  /** sugar that yeast could still reach in each filling of bottles as it was filled, g/L, by the vessel of its own */
  filledGL: Record<string, number>;
  /** sugar that was poured in, and may lie on the bottom for a day or two */
  sugared: readonly Sugared[];
  /** vessels that hold one and the same wine */
  kin: readonly Kin[];
};
