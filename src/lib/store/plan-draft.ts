import { db } from './db';
import { newId } from './here';

/** The plan of the first tab, and how those of further tabs begin. */
const FIRST = 'plan';
const KEPT = 'vecino-plan';

/** Held for as long as the tab is open: so another knows that the plan is being worked at. */
function hold(key: string): Promise<boolean> {
  if (!('locks' in navigator)) return Promise.resolve(true);
  return new Promise((answer) => {
    void navigator.locks.request(`draft:${key}`, { ifAvailable: true }, (lock) => {
      answer(lock !== null);
      // Never let go: the browser does, when the tab is closed.
      return lock ? new Promise<never>(() => undefined) : undefined;
    });
  });
}

let mine: Promise<string> | null = null;

async function find(): Promise<string> {
  if (typeof navigator === 'undefined' || typeof sessionStorage === 'undefined') return FIRST;
  // A tab goes on with its own after a reload; one that was copied has its name, and finds it held.
  for (const key of [sessionStorage.getItem(KEPT), FIRST])
    if (key && (await hold(key))) {
      sessionStorage.setItem(KEPT, key);
      return key;
    }
  const key = `${FIRST}:${newId()}`;
  await hold(key);
  sessionStorage.setItem(KEPT, key);
  return key;
}

/** Under which name this tab keeps what it plans: two tabs keep two plans. */
export const planKey = (): Promise<string> => (mine ??= find());

/** A plan that another tab left. */
export type LeftPlan = { key: string; name: string };

type Kept = { name?: string; rows?: { item: { kind: string; produceId?: string }; text: string }[] };

/** Plans that other tabs left behind, and that no open tab works at. */
export async function leftPlans(): Promise<LeftPlan[]> {
  const own = await planKey();
  const { held = [] } = 'locks' in navigator ? await navigator.locks.query() : {};
  const busy = new Set(held.map((l) => l.name));
  const rows = await db.drafts.where('key').startsWith(FIRST).toArray();
  return rows.flatMap(({ key, value }) => {
    const isPlan = key === FIRST || key.startsWith(`${FIRST}:`);
    const kept = value as Kept | undefined;
    const typed = (kept?.rows ?? []).filter((r) => r.text);
    if (!isPlan || key === own || busy.has(`draft:${key}`) || typed.length === 0) return [];
    const things = typed.map((r) => r.item.produceId ?? r.item.kind).join(', ');
    return [{ key, name: kept?.name || things }];
  });
}

/** Throws a left plan away. */
export const dropPlan = (key: string): Promise<void> => db.drafts.delete(key);
