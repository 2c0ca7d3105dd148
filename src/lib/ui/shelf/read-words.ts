import type { Stands } from '$core/report/stands';
import { sgText } from '$core/units/format';
import { vesselName } from '$lib/store/household.svelte';
import { onDay } from './when';

/** When it was last read, and whether that was before sugar went in: then it speaks of another wine. */
export const readOnText = (
  { at, isBeforeSugar }: NonNullable<Stands['says']['lastRead']>,
  now: number,
  zone: string
): string => `${onDay(at, now, zone)}${isBeforeSugar ? ', before its sugar' : ''}`;

/** What each of several jars last read, where they read otherwise than one another; of long ago with its day. */
export const unlikeTexts = ({ says, state }: Pick<Stands, 'says' | 'state'>, now: number): string[] =>
  says.unlike.map((r) => {
    const where = `${sgText(r.sg)} in the ${vesselName(r.vesselId)}`;
    return r.isFresh ? where : `${where} ${onDay(r.at, now, state.zone)}`;
  });
