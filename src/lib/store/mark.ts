/** A word beside the database that something was written here: should the browser lose the one, the other tells. */
const KEY = 'vecino-written';

/** How much was written here, and when last, ms. */
export type Mark = { events: number; at: number };

const store = (): Storage | null => {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    // A browser that forbids it.
    return null;
  }
};

export function mark(events: number, at: number): void {
  try {
    store()?.setItem(KEY, JSON.stringify({ events, at }));
  } catch (e) {
    console.warn(e);
  }
}

export const unmark = (): void => store()?.removeItem(KEY);

/** What is marked; null where nothing is, or nothing that can be read. */
export function marked(): Mark | null {
  try {
    const { events, at } = JSON.parse(store()?.getItem(KEY) ?? '{}') as Partial<Mark>;
    return typeof events === 'number' && typeof at === 'number' ? { events, at } : null;
  } catch {
    return null;
  }
}
