import type { Stands } from '$core/report/stands';
import { sgText } from '$core/units/format';
import { vesselName } from '$lib/store/household.svelte';
import { onDay } from './when';

const BEFORE = { sugar: ', before its sugar', more: ', before more went in' } as const;

/** Whether it was read before sugar or other wine went in: then that speaks of another wine. */
export const beforeText = ({ before }: NonNullable<Stands['says']['lastRead']>): string =>
  before ? BEFORE[before] : '';

/** When it was last read. */
export const readOnText = (
  last: NonNullable<Stands['says']['lastRead']>,
  now: number,
  zone: string
): string => `${onDay(last.at, now, zone)}${beforeText(last)}`;

/** What each of several jars last read, where they read otherwise than one another; of long ago with its day. */
export const unlikeTexts = ({ says, state }: Pick<Stands, 'says' | 'state'>, now: number): string[] =>
  says.unlike.map((r) => {
    const where = `${sgText(r.sg)} in the ${vesselName(r.vesselId)}`;
    return r.isFresh ? where : `${where} ${onDay(r.at, now, state.zone)}`;
  });
