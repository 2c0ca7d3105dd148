import { lastReadAt } from '$core/ledger/last-read';
import { household, type Batch } from '$lib/store/household.svelte';
import { dayWord } from '../shelf/when';

/** When each of a batch's vessels was last read, beside its name: `, read 29 Aug`. */
export const readNote =
  ({ state }: Batch) =>
  (vesselId: string): string => {
    const fill = state.fills.find((f) => f.vesselId === vesselId);
    const at = fill ? lastReadAt(state, fill) : null;
    return at === null ? '' : `, read ${dayWord(at, household.now, state.zone)}`;
  };
