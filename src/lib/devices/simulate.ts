import { goOn, type Brew } from '$core/ferment/model';
import { mulberry32 } from '$core/maths/draw';
import type { Lie } from '$core/instruments/lies';
import { DEVICE_KINDS, type DeviceKind } from './device';

/** A made-up instrument in a made-up wine: by its seed it always says the same. */
export type Sim = {
  kind: DeviceKind;
  seed: number;
  /** when the wine was pitched, ms */
  since: number;
  startSg: number;
  endSg: number;
  roomC: number;
};

const HOUR = 3_600_000;
const DAYS = 60;

/** What it does wrong, and when: hours from the beginning. */
export type Fault = { lie: Exclude<Lie, 'apart' | 'range'>; fromH: number; toH: number };

const once = new Map<string, { curve: Float64Array; faults: Fault[] }>();
const MOST_KEPT = 50;

/** Share of the sugar that is gone at each hour, by the ferment model, and the faults of this one. */
function madeOf(sim: Sim): { curve: Float64Array; faults: Fault[] } {
  const key = JSON.stringify(sim);
  const known = once.get(key);
  if (known) return known;
  const random = mulberry32(sim.seed);
  const sugarGL = Math.max(1, 1000 * (sim.startSg - 1) * 2.6);
  const brew: Brew = { yeastGL: 0.25, nitrogenMgL: 180, sugarGL, ethanolGL: 0 };
  const vigour = 0.8 + 0.4 * random();
  const curve = new Float64Array(24 * DAYS);
  for (let h = 0; h < curve.length; h++) {
    if (h > 18) goOn(brew, { tempC: sim.roomC + 1, coldC: 14, wallGL: 115, vigour }, 1);
    curve[h] = Math.min(1, Math.max(0, 1 - brew.sugarGL / sugarGL));
  }
  const kinds: Fault['lie'][] =
    sim.kind === 'float'
      ? ['silent', 'units', 'clock', 'stuck', 'jump', 'rises']
      : sim.kind === 'scale'
        ? ['silent']
        : sim.kind === 'ph'
          ? ['silent', 'clock', 'stuck']
          : ['silent', 'units', 'clock', 'stuck'];
  const LASTS: Record<Fault['lie'], number> = {
    silent: 9,
    units: 6,
    clock: 4,
    stuck: 30,
    jump: 0.5,
    rises: 200
  };
  // One after the other, so that each can be told; what drifts comes last, when the ferment is over.
  const faults: Fault[] = [];
  let h = 30 + 30 * random();
  for (const lie of kinds) {
    if (lie === 'rises') h = Math.max(h, 24 * 20);
    faults.push({ lie, fromH: h, toH: h + LASTS[lie] });
    h += LASTS[lie] + 24 + 40 * random();
  }
  const made = { curve, faults };
  if (once.size > MOST_KEPT) once.clear();
  once.set(key, made);
  return made;
}

export const faultsOf = (sim: Sim): readonly Fault[] => madeOf(sim).faults;
export const faultAt = (sim: Sim, at: number): Fault | null =>
  madeOf(sim).faults.find((f) => at >= sim.since + f.fromH * HOUR && at < sim.since + f.toH * HOUR) ?? null;

/** The wine as it truly is. */
export function truthAt(sim: Sim, at: number): { sg: number; tempC: number } {
  const { curve } = madeOf(sim);
  const h = Math.max(0, (at - sim.since) / HOUR);
  const i = Math.min(curve.length - 2, Math.floor(h));
  const share = curve[i]! + (curve[i + 1]! - curve[i]!) * Math.min(1, h - i);
  const pace = curve[i + 1]! - curve[i]!;
  return {
    sg: sim.startSg - (sim.startSg - sim.endSg) * share,
    tempC: sim.roomC + 180 * pace + 0.8 * Math.sin((2 * Math.PI * h) / 24)
  };
}

/**
 * What it says at a moment: the truth with noise, and its faults; null where it drops out.
 * @param at ms; the same moment always gives the same
 */
export function sampleOf(sim: Sim, at: number): Record<string, number | string> | null {
  const fault = faultAt(sim, at);
  if (fault?.lie === 'silent') return null;
  const random = mulberry32((sim.seed * 7919 + Math.floor(at / 1000)) >>> 0);
  // One in fifty is lost on its way.
  if (random() < 0.02) return null;
  const noise = (sd: number) => sd * (random() + random() + random() - 1.5) * 2;
  const when = fault?.lie === 'stuck' ? sim.since + fault.fromH * HOUR : at;
  const calm = fault?.lie === 'stuck' ? () => 0 : noise;
  const t = truthAt(sim, when);
  const drift = fault?.lie === 'rises' ? (0.0016 * (at - sim.since - fault.fromH * HOUR)) / (24 * HOUR) : 0;
  const jolt = fault?.lie === 'jump' ? 0.022 : 0;
  const isOther = fault?.lie === 'units';
  const deg = (c: number) => Number((isOther ? c * 1.8 + 32 : c).toFixed(1));
  const sg = t.sg + drift + jolt + calm(0.0006);
  const says: Record<string, number> = {
    sg: Number((isOther ? 1000 * sg : sg).toFixed(isOther ? 1 : 4)),
    tempC: deg(t.tempC + calm(0.15)),
    ph: Number((3.35 + 0.15 * Math.sin(when / (60 * HOUR)) + calm(0.02)).toFixed(2)),
    // Somebody puts a bowl on it, and one thing more every ten seconds.
    massKg: Number((0.617 * (Math.floor(at / 10_000) % 6) + calm(0.001)).toFixed(3)),
    roomC: deg(sim.roomC + 0.5 * Math.sin(when / (30 * HOUR)) + calm(0.1)),
    humidity: Number((72 + 4 * Math.sin(when / (50 * HOUR)) + calm(0.5)).toFixed(0)),
    battery: Number(Math.max(0.05, 1 - (at - sim.since) / (200 * 24 * HOUR)).toFixed(2))
  };
  const told = Object.fromEntries(DEVICE_KINDS[sim.kind].says.map((k) => [k, says[k]!]));
  return { at: new Date(fault?.lie === 'clock' ? at - sim.since : at).toISOString(), ...told };
}
