import type { BrewCard } from '$core/steps/brew';
import type { BrewDone, CardState } from '$core/steps/brew-done';

/** Something that runs by the clock on a brew day. */
export type Clock = {
  id: string;
  title: string;
  /** why it has to wait; empty for a timer */
  why: string;
  until: number;
  isOver: boolean;
};

/** A timer that has rung stays to be seen for so long, ms. */
const SEEN_MS = 30 * 60_000;

/** Timers that were started, and cards that wait. */
export function clocksOf(
  cards: readonly BrewCard[],
  states: ReadonlyMap<string, CardState>,
  done: Pick<BrewDone, 'timers'>,
  now: number
): Clock[] {
  const timers = [...done.timers].map(([id, until]) => ({
    id: `timer-${id}`,
    title: cards.find((c) => c.id === id)?.title ?? id,
    why: '',
    until,
    isOver: until <= now
  }));
  const waits = cards.flatMap((c): Clock[] => {
    const s = states.get(c.id);
    return s?.status === 'waiting'
      ? [{ id: c.id, title: c.title, why: s.why, until: s.until, isOver: false }]
      : [];
  });
  return [...timers, ...waits].filter((t) => !t.isOver || now - t.until < SEEN_MS);
}
