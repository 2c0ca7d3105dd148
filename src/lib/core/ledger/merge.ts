import { inOrder, type LedgerEvent } from './log';

/** What another log holds beside one's own: by id, so that order does not matter. */
export type Union<T> = {
  /** what is only there */
  added: T[];
  /** what is here already, the same */
  known: number;
  /** ids that are here with other contents: the ones here stay */
  different: string[];
};

/**
 * Set union of two logs by id. Nothing of one's own is ever changed by it.
 * @param isSame whether two entries of one id say the same
 */
export function union<T extends { id: string }>(
  mine: readonly T[],
  theirs: readonly T[],
  isSame: (a: T, b: T) => boolean = () => true
): Union<T> {
  const here = new Map(mine.map((e) => [e.id, e]));
  const out: Union<T> = { added: [], known: 0, different: [] };
  const seen = new Set<string>();
  for (const e of theirs) {
    if (seen.has(e.id)) continue;
    seen.add(e.id);
    const own = here.get(e.id);
    if (!own) out.added.push(e);
    else if (isSame(own, e)) out.known += 1;
    else out.different.push(e.id);
  }
  return out;
}

/** Two devices' logs as one, in the order of the fold. */
export const mergeLogs = (a: readonly LedgerEvent[], b: readonly LedgerEvent[]): LedgerEvent[] =>
  inOrder([...a, ...union(a, b).added]);
