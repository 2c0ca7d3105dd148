import { explain } from '$core/units/input-error';
import type { LedgerEvent } from '$core/ledger/events';
import { undo } from '$lib/store/record';

type Line = { text: string; tone: 'done' | 'wrong'; event?: Pick<LedgerEvent, 'id' | 'batchId'> };

let line = $state<Line | null>(null);
let timer: ReturnType<typeof setTimeout> | undefined;

/** The line at the foot that says what was just done, with its undo. */
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

export const sayDone = (text: string, event?: Pick<LedgerEvent, 'id' | 'batchId'>): void =>
  show({ text, tone: 'done', ...(event ? { event } : {}) }, 12_000);

export const sayWrong = (error: unknown): void => show({ text: explain(error), tone: 'wrong' }, 20_000);

export async function undoSaid(): Promise<void> {
  if (!line?.event) return;
  await undo(line.event);
  show({ text: 'Taken back.', tone: 'done' }, 4000);
}

export const hush = (): void => {
  line = null;
};

/** Does something and says so; a mistake is said too, never swallowed. */
export async function tell(text: string, job: () => Promise<LedgerEvent | void>): Promise<boolean> {
  try {
    const event = await job();
    sayDone(text, event ?? undefined);
    return true;
  } catch (e) {
    sayWrong(e);
    return false;
  }
}
