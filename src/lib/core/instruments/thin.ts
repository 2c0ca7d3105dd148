import { median } from '../maths/quantiles';
import type { At } from './sample';

/** What of a stream is worth a line in a log. */
export type Thinning = {
  /** a change of gravity from the last kept, or of warmth, that is kept at once */
  sg: number;
  tempC: number;
  ph: number;
  /** not sooner after the last kept than this, nor later, h */
  leastH: number;
  mostH: number;
};

/** A change of two points or a degree, at most one an hour; and one every twelve hours while nothing changes. Ours. */
export const USUAL: Thinning = { sg: 0.002, tempC: 1, ph: 0.1, leastH: 1, mostH: 12 };

export const THINNINGS = {
  usual: USUAL,
  hour: { sg: 0, tempC: 0, ph: 0, leastH: 1, mostH: 1 },
  day: { sg: 1, tempC: 100, ph: 14, leastH: 24, mostH: 24 },
  all: { sg: 0, tempC: 0, ph: 0, leastH: 0, mostH: 0 }
} as const satisfies Record<string, Thinning>;

const HOUR = 3_600_000;
/** A change that is no more than rounding. */
const EXACT = 1e-9;

/**
 * Whether a figure is worth keeping after the last that was kept.
 * @param last null where none was
 */
export function isWorth(last: At | null, now: At, rule: Thinning): boolean {
  if (!last) return true;
  const hours = (now.at - last.at) / HOUR;
  if (hours + EXACT < rule.leastH || hours < 0) return false;
  if (hours + EXACT >= rule.mostH) return true;
  const by = (key: 'sg' | 'tempC' | 'ph') =>
    now[key] !== undefined &&
    (last[key] === undefined || Math.abs(now[key] - last[key]) >= rule[key] - EXACT);
  return by('sg') || by('tempC') || by('ph');
}

const KEYS = ['sg', 'tempC', 'ph', 'massKg', 'bubblesPerMin', 'roomC', 'humidity', 'battery'] as const;

/**
 * Samples as the medians of those that lie within so many hours of one another: one jolt of a float is none of the wine's.
 * @param samples in order of time
 */
export function smoothed(samples: readonly At[], hours: number): At[] {
  if (hours <= 0) return [...samples];
  const out: At[] = [];
  let group: At[] = [];
  const close = () => {
    const last = group.at(-1);
    if (!last) return;
    const one: At = { at: last.at };
    for (const key of KEYS) {
      const values = group.flatMap((s) => (s[key] === undefined ? [] : [s[key]]));
      if (values.length > 0) one[key] = median(values);
    }
    out.push(one);
    group = [];
  };
  for (const s of samples) {
    if (group[0] && s.at - group[0].at >= hours * HOUR) close();
    group.push(s);
  }
  close();
  return out;
}

/**
 * Thins a stream to what matters: a change, or an hour.
 * @param samples in any order
 * @example thin([{ at: 0, sg: 1.08 }, { at: 60_000, sg: 1.08 }], USUAL).length // 1
 */
export function thin(samples: readonly At[], rule: Thinning): At[] {
  const inOrder = [...samples].sort((a, b) => a.at - b.at);
  const out: At[] = [];
  for (const s of smoothed(inOrder, rule.leastH)) if (isWorth(out.at(-1) ?? null, s, rule)) out.push(s);
  return out;
}
