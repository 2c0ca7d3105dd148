import { runningBatches, type Batch } from '$lib/store/household.svelte';

/** Something that runs by the clock: a timer that was started, or a step that waits for less than a day. */
export type Running = {
  key: string;
  batchId: string;
  name: string;
  what: string;
  until: number;
  isTimer: boolean;
};

/** A timer that has rung stays to be seen for so long, ms. */
const SEEN_MS = 30 * 60_000;
const HOUR = 3_600_000;
const DAY_H = 24;

/** Steps of a wine that wait for hours, and nothing else: the enzyme after the sulphite, the yeast after that. */
const waitsOf = (b: Batch, now: number): Running[] =>
  b.due
    .filter(
      ({ step, after, dueAt }) =>
        !after &&
        !step.everyH &&
        step.waits.some((w) => w.minH > 0 && w.minH <= DAY_H) &&
        step.waits.every((w) => w.minH <= DAY_H) &&
        dueAt - now < DAY_H * HOUR &&
        dueAt > now - SEEN_MS
    )
    .map(({ step, dueAt }) => ({
      key: `${b.id}.${step.id}.${dueAt}`,
      batchId: b.id,
      name: b.state.name,
      what: step.title.toLowerCase(),
      until: dueAt,
      isTimer: false
    }));

/** All that runs in every wine, or was over not long ago, soonest first. @param now ms */
export const clocksAt = (now: number): Running[] =>
  runningBatches()
    .flatMap((b) => [
      ...b.state.timers.map((t) => ({
        key: `${b.id}.${t.card}.${t.until}`,
        batchId: b.id,
        name: b.state.name,
        what: t.card === 'timer' ? '' : t.card.replaceAll('-', ' '),
        until: t.until,
        isTimer: true
      })),
      ...waitsOf(b, now)
    ])
    .filter((t) => now - t.until < SEEN_MS)
    .sort((a, b) => a.until - b.until);
