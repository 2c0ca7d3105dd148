import { STEP_IDS } from '../tables/step-id';

type Raw = { type: string; data: Record<string, unknown> };

/** What an event of a type was as older versions wrote it, as one of today; null where it is one already. */
const UPGRADES: Record<string, (data: Raw['data']) => Raw | null> = {
  // A timer of the brew day was once a card that was put off.
  step: ({ step, outcome, until }) =>
    outcome === 'snoozed' && !(STEP_IDS as readonly unknown[]).includes(step)
      ? { type: 'timer', data: { card: step, until } }
      : null
};

/** An event as an older version wrote it, as one of today: from old files and old databases, before it is checked. */
export function upgradedEvent<T>(event: T): T {
  const raw = event as Partial<Raw> | null;
  if (!raw?.data || typeof raw.data !== 'object' || !Object.hasOwn(UPGRADES, raw.type ?? '')) return event;
  const next = UPGRADES[raw.type!]!(raw.data);
  return next ? { ...event, ...next } : event;
}
