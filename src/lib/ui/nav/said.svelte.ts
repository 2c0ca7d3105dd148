import type { LedgerEvent } from '$core/ledger/log';
import { AskError } from '$core/units/input-error';
import { explain } from '$lib/ui/words/own-units';
import type { Deed } from '$core/commands/deed';
import type { Entry } from '$core/ledger/things';

/** What writes, and all that it checks with: loaded once a page stands, for nobody writes before. */
const record = () => import('$lib/store/record');
const things = () => import('$lib/store/things');
/** Fetches it while nothing is asked for. */
export const warmUp = (): void => void Promise.all([record(), things()]).catch(() => undefined);

type Ref = Pick<LedgerEvent, 'id' | 'batchId'>;
type Act = { label: string; run: () => Promise<void> };
type Line = { text: string; tone: 'done' | 'wrong' | 'ask'; act?: Act };

let line = $state<Line | null>(null);
let timer: ReturnType<typeof setTimeout> | undefined;

/** The line at the foot that says what was just done, with its undo; or asks what was meant. */
export const said = {
  get line() {
    return line;
  }
};

function show(next: Line, forMs: number) {
  clearTimeout(timer);
  line = next;
  timer = setTimeout(() => (line = null), forMs);
}

export const hush = (): void => {
  line = null;
};

/** Says what was done. @param events what it wrote, all of which one tap takes back */
export const sayDone = (text: string, events: readonly Ref[] = [], label = 'Undo'): void =>
  show(
    { text, tone: 'done', ...(events.length > 0 ? { act: { label, run: () => takeBack(events) } } : {}) },
    label === 'Undo' ? 12_000 : 30_000
  );

export const sayWrong = (error: unknown): void => show({ text: explain(error), tone: 'wrong' }, 20_000);

/** Asks once about something that may well be meant. */
export const sayAsk = (text: string, label: string, run: () => Promise<void>): void =>
  show({ text, tone: 'ask', act: { label, run } }, 60_000);

/** Offers something that can wait: it stays until it is taken or closed. */
export const sayOffer = (text: string, label: string, run: () => Promise<void>): void =>
  show({ text, tone: 'done', act: { label, run } }, 10 * 60_000);

/** Whether a deed is undone, and what it put right comes back; or what stands in a list is struck. */
type How = 'undo' | 'remove';

/**
 * Takes back what was written, each with all that the same tap wrote. What would be left hanging on it is named first,
 * and goes with it only when that is said.
 */
export async function takeBack(
  events: readonly Ref[],
  how: How = 'undo',
  text = 'Taken back.'
): Promise<void> {
  try {
    const hanging = await (await record()).hangingOn(events);
    if (hanging.length === 0) return await discard(events, text, how);
    const names = [...new Set(hanging.map((e) => NAMES[e.type] ?? e.type))].join(', ');
    sayAsk(
      `${hanging.length === 1 ? 'One thing' : `${hanging.length} things`} that came later would be left hanging: ${names}.`,
      'Take all of it back',
      () => discard([...events, ...hanging], text, how)
    );
  } catch (e) {
    sayWrong(e);
  }
}

/** Takes back what nothing hangs on, and offers to bring it back. */
export async function discard(events: readonly Ref[], text: string, how: How = 'remove'): Promise<void> {
  sayDone(text, await (await record())[how](events), 'Bring it back');
  forgetTaps();
}

const NAMES: Partial<Record<LedgerEvent['type'], string>> = {
  transfer: 'a racking',
  bottle: 'a bottling',
  open: 'bottles opened',
  'fruit-out': 'fruit out',
  'steep-out': 'taking out',
  sample: 'a sample',
  loss: 'a loss',
  reading: 'a reading',
  blend: 'a blend'
};

type Job = Deed | readonly Entry[] | void;
const isDeed = (job: Job): job is Deed => job !== undefined && job.length > 0 && 'batchId' in job[0]!;

/** Says what was done to a thing of the household. @param entries what it wrote, all of which one tap takes back */
export function sayKept(text: string, entries: readonly Entry[]): void {
  const run = async () => {
    await (await things()).undoThings(entries);
    show({ text: 'Taken back.', tone: 'done' }, 4000);
  };
  show({ text, tone: 'done', ...(entries.length > 0 ? { act: { label: 'Undo', run } } : {}) }, 12_000);
}

/** What is done once more after it was taken back is meant. */
export const forgetTaps = (): void => busy.clear();

/** What is being written; a second tap meanwhile, or on its heels, is the same tap. */
const busy = new Set<string>();
const HEELS_MS = 700;

/**
 * Does something and says so; a mistake is said too, never swallowed. What is asked about is done when it is said to
 * be so.
 * @param job gives the deed that is to be written, or writes what is no event and gives its entries, if it has any
 */
export async function tell(text: string, job: () => Job | Promise<Job>, sure = false): Promise<boolean> {
  if (busy.has(text)) return false;
  busy.add(text);
  try {
    const done = await job();
    if (isDeed(done)) sayDone(text, await (await record()).perform(done, { sure }));
    else sayKept(text, done ?? []);
    return true;
  } catch (e) {
    if (e instanceof AskError && !sure)
      sayAsk(explain(e), 'It is so', async () => void (await tell(text, job, true)));
    else sayWrong(e);
    return false;
  } finally {
    setTimeout(() => busy.delete(text), HEELS_MS);
  }
}
