import type { BatchState } from '../ledger/state';
import { InputError } from '../units/input-error';

/** It stands in several vessels, and which one is meant has to be said. */
export class WhichVessel extends InputError {
  constructor(
    { name, fills }: BatchState,
    what: string,
    readonly vesselIds = fills.map((f) => f.vesselId)
  ) {
    super(`The ${name} stands in ${fills.length} vessels.`, `Which one ${what}?`);
  }
}

/** The vessel that is meant; where there are several it has to be said. */
export function vesselFor(s: BatchState, said: string | undefined, what: string): string {
  if (s.fills.length === 0)
    throw new InputError(`Nothing of the ${s.name} stands in a vessel.`, 'Is it another wine?');
  const id = said ?? (s.fills.length === 1 ? s.fills[0]!.vesselId : undefined);
  if (!id) throw new WhichVessel(s, what);
  if (!s.fills.some((f) => f.vesselId === id))
    throw new InputError(`The ${s.name} is not in that vessel.`, 'Name the one it stands in.');
  return id;
}
