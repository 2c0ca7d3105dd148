import { median } from '../maths/quantiles';
import type { At } from './sample';

/** What an instrument can have wrong, and be found at. */
export const LIES = {
  units: 'It speaks in other units: turned into ours.',
  clock: 'Its clock is wrong: what it says is taken as of now.',
  stuck: 'It has said the very same for half a day: it is stuck, or asleep.',
  jump: 'It jumped: left out until it stays there.',
  rises: 'Gravity rises, which no ferment does: foam or fruit clings to it, or it drifts.',
  range: 'It says what no wine can be: left out.',
  silent: 'Nothing is heard of it.',
  apart: 'It reads otherwise than the hand did: set it right.'
} as const;
export type Lie = keyof typeof LIES;

/** What is remembered of an instrument to judge it by: bounded, however long it runs. */
export type Watch = {
  last: At | null;
  /** since when it has said the very same, ms */
  sameSince: number;
  sameCount: number;
  /** the last gravities that were believed, newest last */
  recent: { at: number; sg: number }[];
  /** jumps that are held back until they stay */
  held: { at: number; sg: number }[];
  /** the least middle gravity of a half day so far, and the half day at hand */
  leastSg: number;
  half: { from: number; sgs: number[] };
  middleSg: number | null;
};

export const newWatch = (): Watch => ({
  last: null,
  sameSince: 0,
  sameCount: 0,
  recent: [],
  held: [],
  leastSg: Infinity,
  half: { from: 0, sgs: [] },
  middleSg: null
});

const HOUR = 3_600_000;
/** Half a day of the very same figures, and of so many of them, is no reading. Ours. */
const STUCK_MS = 12 * HOUR;
const STUCK_COUNT = 12;
/** So far from the last ones is a jolt, unless it stays for an hour. Ours. */
const JUMP_SG = 0.008;
const STAYS_MS = HOUR;
/** A rise of so much over its least is none of the wine's. Ours: three points, past what a float wavers. */
const RISES_SG = 0.0035;
const HALF_MS = 12 * HOUR;
/** A moment before this is a clock that began anew. */
const FIRST_MS = Date.UTC(2020, 0, 1);
const MOST_RECENT = 12;

/** Figures in our units, where they are plainly in others. */
function inOurs(s: At): { sample: At; isOther: boolean } {
  let isOther = false;
  const out = { ...s };
  if (out.sg !== undefined && out.sg > 900 && out.sg < 1300) {
    out.sg /= 1000;
    isOther = true;
  }
  // No wine is warmer than 45 °C, nor a cellar.
  for (const key of ['tempC', 'roomC'] as const) {
    const t = out[key];
    if (t !== undefined && t > 45 && t < 115) {
      out[key] = (t - 32) / 1.8;
      isOther = true;
    }
  }
  return { sample: out, isOther };
}

const canBe = (s: At): boolean =>
  (s.sg === undefined || (s.sg > 0.97 && s.sg < 1.2)) &&
  (s.tempC === undefined || (s.tempC > -5 && s.tempC <= 45)) &&
  (s.roomC === undefined || (s.roomC > -30 && s.roomC <= 50)) &&
  (s.ph === undefined || (s.ph > 2 && s.ph < 8)) &&
  (s.massKg === undefined || (s.massKg >= -1 && s.massKg < 500));

const sameAs = (a: At, b: At): boolean =>
  a.sg === b.sg && a.tempC === b.tempC && a.ph === b.ph && a.roomC === b.roomC && a.massKg === b.massKg;

export type Heard = {
  watch: Watch;
  /** the sample as it is believed; null where it is left out */
  sample: At | null;
  lie: Lie | null;
};

/**
 * What to make of a sample: in our units, at a moment that can be, or left out, and what is wrong with the instrument.
 * @param heardAt when it came in, ms
 */
export function hear(before: Watch, raw: At, heardAt: number): Heard {
  const { sample: turned, isOther } = inOurs(raw);
  const w = { ...before };
  const isClock =
    turned.at < FIRST_MS || turned.at > heardAt + HOUR || (w.last !== null && turned.at < w.last.at - HOUR);
  const sample: At = { ...turned, at: isClock ? heardAt : turned.at };
  if (!canBe(sample)) return { watch: w, sample: null, lie: 'range' };
  const isSame = w.last !== null && sameAs(w.last, sample);
  w.sameSince = isSame ? w.sameSince : sample.at;
  w.sameCount = isSame ? w.sameCount + 1 : 1;
  w.last = sample;
  const isStuck = sample.at - w.sameSince >= STUCK_MS && w.sameCount >= STUCK_COUNT;
  let lie: Lie | null = isOther ? 'units' : isClock ? 'clock' : isStuck ? 'stuck' : null;
  if (sample.sg === undefined) return { watch: w, sample: isStuck ? null : sample, lie };

  const usual = w.recent.length >= 3 ? median(w.recent.map((r) => r.sg)) : null;
  if (usual !== null && Math.abs(sample.sg - usual) > JUMP_SG) {
    w.held = [...w.held, { at: sample.at, sg: sample.sg }].slice(-MOST_RECENT);
    const stays = sample.at - w.held[0]!.at >= STAYS_MS && w.held.length >= 3;
    if (!stays) return { watch: w, sample: null, lie: lie ?? 'jump' };
    // It stays there: something was poured in, or the float was moved.
    w.recent = w.held;
  }
  w.held = [];
  w.recent = [...w.recent, { at: sample.at, sg: sample.sg }].slice(-MOST_RECENT);
  if (sample.at - w.half.from >= HALF_MS) {
    if (w.half.sgs.length > 0) {
      w.middleSg = median(w.half.sgs);
      w.leastSg = Math.min(w.leastSg, w.middleSg);
    }
    w.half = { from: sample.at, sgs: [sample.sg] };
  } else if (w.half.sgs.length < 60) w.half = { ...w.half, sgs: [...w.half.sgs, sample.sg] };
  if (lie === null && w.middleSg !== null && w.middleSg - w.leastSg > RISES_SG) lie = 'rises';
  return { watch: w, sample: isStuck ? null : sample, lie };
}

/** Whether nothing was heard for far longer than it usually takes. @param gapMs between two of its samples */
export const isSilent = (lastAt: number | null, now: number, gapMs: number): boolean =>
  lastAt !== null && now - lastAt > Math.max(HOUR, 4 * gapMs);

/** Further apart than this, an instrument and a hand reading of the same hours disagree. Ours: four points. */
export const APART_SG = 0.004;
