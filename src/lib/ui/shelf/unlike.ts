import type { Stands } from '$core/report/stands';
import { sgText } from '$core/units/format';
import { vesselById } from '$lib/store/household.svelte';
import { onDay } from './when';

/** A reading is told with its day once it is so old, ms: a wine may have gone on since. */
const FRESH_MS = 3 * 86_400_000;

/** What each of several jars last read, where they read otherwise than one another. */
export const unlikeTexts = ({ says, state }: Pick<Stands, 'says' | 'state'>, now: number): string[] =>
  says.unlike.map((r) => {
    const where = `${sgText(r.sg)} in the ${vesselById(r.vesselId)?.name ?? 'vessel'}`;
    return now - r.at > FRESH_MS ? `${where} ${onDay(r.at, now, state.zone)}` : where;
  });
