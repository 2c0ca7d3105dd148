import { SG_PER_GL } from '../ledger/evidence';
import { between } from './likelihood';
import type { Running } from './running';

/**
 * Sugar that was poured in lies on the bottom so often, as long as nobody has stirred it up; half as often each half
 * day. A sample from the top then reads low by most of what it lifts. Common practice.
 */
const LAYERED = 0.08;
const LAYERED_HALF_H = 12;
const LAYERED_FOR_H = 48;
const LAYER_LEFT = [0.08, 0.85] as const;

/** How likely sugar still lies on the bottom of what is read, and how much, kg of hexose. */
export type Layer = { chance: number; hexoseKg: number };

export function layerOf(r: Running, ids: readonly string[]): Layer | null {
  const hoursOf = (at: number) => (r.at - at) / 3_600_000;
  const fresh = r.sugared.filter((x) => ids.includes(x.vesselId) && hoursOf(x.at) < LAYERED_FOR_H);
  const hexoseKg = fresh.reduce((sum, x) => sum + x.hexoseKg, 0);
  if (hexoseKg <= 0) return null;
  const hours = Math.min(...fresh.map((x) => hoursOf(x.at)));
  return { chance: LAYERED * 0.5 ** (hours / LAYERED_HALF_H), hexoseKg };
}

/** How likely a gravity is of a wine that would read `now` were it stirred. */
export function layeredAt(layer: Layer, sg: number, now: number, litres: number, sd: number): number {
  const liftSg = (1000 * layer.hexoseKg * SG_PER_GL) / litres;
  return layer.chance * between(sg, now - LAYER_LEFT[0] * liftSg, now - LAYER_LEFT[1] * liftSg, sd);
}
