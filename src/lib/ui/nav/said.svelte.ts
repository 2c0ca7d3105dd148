import type { LedgerEvent } from '$core/ledger/log';
import { AskError, explain } from '$core/units/input-error';
import { hangingOn, restore, undo } from '$lib/store/record';

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

const listOf = <T>(x: T | readonly T[] | undefined | void): readonly T[] =>
  x === undefined || x === null ? [] : Array.isArray(x) ? x : [x as T];

export const sayDone = (text: string, events?: Ref | readonly Ref[]): void => {
  const all = listOf(events);
  show(
    { text, tone: 'done', ...(all.length > 0 ? { act: { label: 'Undo', run: () => takeBack(all) } } : {}) },
    12_000
  );
};

export const sayWrong = (error: unknown): void => show({ text: explain(error), tone: 'wrong' }, 20_000);

/** Asks once about something that may well be meant. */
export const sayAsk = (text: string, label: string, run: () => Promise<void>): void =>
  show({ text, tone: 'ask', act: { label, run } }, 60_000);

/**
 * Takes events back, all that one tap wrote. What would be left hanging on them is named first, and goes with them
 * only when that is said.
 */
export async function takeBack(events: readonly Ref[], also = ''): Promise<void> {
  try {
    const hanging = await hangingOn(events);
    if (hanging.length > 0) {
      const names = [...new Set(hanging.map((e) => NAMES[e.type] ?? e.type))].join(', ');
      sayAsk(
        `${hanging.length === 1 ? 'One thing' : `${hanging.length} things`} that came later would be left hanging: ${names}.`,
        'Take all of it back',
        () => takeAll([...events, ...hanging], also)
      );
      return;
    }
    await takeAll(events, also);
  } catch (e) {
    sayWrong(e);
  }
}

async function takeAll(events: readonly Ref[], also: string): Promise<void> {
  await undo(events);
  sayDone(also || 'Taken back.');
}

/** Takes back events that are whole, so that the taking back can itself be taken back. */
export async function discard(events: readonly LedgerEvent[], text: string): Promise<void> {
  await undo(events);
  show(
    {
      text,
      tone: 'done',
      act: {
        label: 'Bring it back',
        run: async () => {
          await restore(events);
          show({ text: 'It is back.', tone: 'done' }, 4000);
        }
      }
    },
    30_000
  );
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

/** What is being written; a second tap meanwhile, or on its heels, is the same tap. */
const busy = new Set<string>();
const HEELS_MS = 700;

/**
 * Does something and says so; a mistake is said too, never swallowed. What is asked about is done when it is said to
 * be so.
 * @param job is told whether it was said; returns what it wrote
 */
export async function tell(
  text: string,
  job: (sure: boolean) => Promise<LedgerEvent | readonly LedgerEvent[] | void>,
  sure = false
): Promise<boolean> {
  if (busy.has(text)) return false;
  busy.add(text);
  try {
    sayDone(text, listOf(await job(sure)));
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
