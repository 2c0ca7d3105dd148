import { describe, expect, it } from 'vitest';
import { DEVICE_IDS, DEVICE_KINDS } from './device';
import { faultAt, faultsOf, sampleOf, truthAt, type Fault, type Sim } from './simulate';
import { offsetOf, phByTwo, setRight } from '$core/instruments/calibrate';
import { hear, isSilent, newWatch, type Lie } from '$core/instruments/lies';
import type { At } from '$core/instruments/sample';
import { isWorth, USUAL } from '$core/instruments/thin';
import { tries } from '../tries.fixture';

const HOUR = 3_600_000;
const SINCE = Date.parse('2026-05-01T08:00:00Z');
const read = (raw: Record<string, number | string>): At =>
  ({ ...raw, at: Date.parse(raw.at as string) }) as At;

/** Lives thirty days of a device, a sample each quarter of an hour. */
function live(sim: Sim) {
  const found = new Map<Fault, boolean>(faultsOf(sim).map((f) => [f, false]));
  const kept: At[] = [];
  const wrong: Lie[] = [];
  let watch = newWatch();
  let lastHeard: number | null = null;
  let most = 0;
  for (let t = SINCE; t < SINCE + 30 * 24 * HOUR; t += 900_000) {
    const fault = faultAt(sim, t);
    const raw = sampleOf(sim, t);
    if (fault?.lie === 'silent' && isSilent(lastHeard, t, DEVICE_KINDS[sim.kind].gapMs))
      found.set(fault, true);
    if (!raw) continue;
    lastHeard = t;
    const h = hear(watch, read(raw), t);
    watch = h.watch;
    if (h.lie) {
      const [same] = faultsOf(sim).filter(
        (f) => f.lie === h.lie && t >= SINCE + f.fromH * HOUR && t <= SINCE + (f.toH + 30) * HOUR
      );
      if (same) found.set(same, true);
      else wrong.push(h.lie);
    }
    if (h.sample && isWorth(kept.at(-1) ?? null, h.sample, USUAL)) kept.push(h.sample);
    most = Math.max(most, JSON.stringify(watch).length);
  }
  return { found, kept, wrong, most };
}

describe('instruments that lie', () => {
  it('thirty days of five kinds, eight of each: what is wrong is found, and what is right is not accused', () => {
    let [all, seen, accused, samples] = [0, 0, 0, 0];
    const missed: string[] = [];
    for (const kind of DEVICE_IDS)
      for (let seed = 1; seed <= tries(3, 24); seed++) {
        const sim: Sim = {
          kind,
          seed,
          since: SINCE,
          startSg: 1.07 + (seed % 5) / 200,
          endSg: 0.995,
          roomC: 16 + (seed % 7)
        };
        const { found, kept, wrong, most } = live(sim);
        for (const [f, is] of found) {
          if (f.fromH > 29 * 24 || (f.lie === 'rises' && f.fromH > 25 * 24)) continue;
          all += 1;
          if (is) seen += 1;
          else missed.push(`${kind} ${seed} ${f.lie}`);
        }
        accused += wrong.length;
        samples += 2880;
        // What is remembered does not grow, nor what is written.
        expect(most).toBeLessThan(4000);
        expect(kept.length).toBeLessThan(30 * 24);
        // What is kept is the wine, but for what drifts.
        for (const s of kept)
          if (
            s.sg !== undefined &&
            faultAt(sim, s.at)?.lie !== 'rises' &&
            faultAt(sim, s.at)?.lie !== 'stuck'
          )
            expect(Math.abs(s.sg - truthAt(sim, s.at).sg), `${seed} ${s.at}`).toBeLessThan(0.0045);
      }
    console.log(`faults found: ${seen} of ${all}; wrongly accused: ${accused} of ${samples} samples`);
    expect(seen / all, missed.join(', ')).toBeGreaterThan(0.95);
    expect(accused / samples).toBeLessThan(0.001);
  });

  it('what no wine can be is left out; what stays after a jump is believed', () => {
    let w = newWatch();
    const say = (min: number, sg: number) => {
      const h = hear(w, { at: SINCE + min * 60_000, sg, tempC: 20 + min / 1000 }, SINCE + min * 60_000);
      w = h.watch;
      return [h.sample?.sg ?? null, h.lie];
    };
    for (let i = 0; i < 6; i++) expect(say(15 * i, 1.05)).toEqual([1.05, null]);
    expect(say(100, 1.5)).toEqual([null, 'range']);
    expect(say(110, 1.08)).toEqual([null, 'jump']);
    expect(say(115, 1.05)).toEqual([1.05, null]);
    for (const min of [120, 140, 160]) expect(say(min, 1.075)).toEqual([null, 'jump']);
    // Sugar was poured in: after an hour it is how it is.
    expect(say(185, 1.075)).toEqual([1.075, null]);
  });
});

describe('set right by hand', () => {
  it('by a reading of the same hour, by two buffers; and refused where something else was read', () => {
    const c = { sg: offsetOf(1.052, 1.048), tempC: 0.5, ph: phByTwo(4.1, 7.05), at: SINCE };
    const s = setRight({ sg: 1.03, tempC: 20, ph: 4.1 }, c);
    expect(s.sg).toBeCloseTo(1.026, 6);
    expect(s.tempC).toBe(20.5);
    expect(s.ph).toBeCloseTo(4, 3);
    expect(setRight({ ph: 7.05 }, c).ph).toBeCloseTo(7, 3);
    expect(setRight({ sg: 1.03 }, null)).toEqual({ sg: 1.03 });
    expect(() => offsetOf(1.05, 0.998)).toThrow(/52 points apart/);
    expect(() => phByTwo(7, 4)).toThrow('swapped');
    expect(() => phByTwo(4, 6)).toThrow('67 %');
  });
});
