import type { EventData } from '../ledger/log';
import type { At } from '../instruments/sample';
import { draft, given, type Deed } from './deed';

/**
 * What an instrument read of a wine, each at its moment.
 * @param idOf the id of a reading by its moment: the same for the same file, so that bringing it in twice adds nothing
 */
export const instrumentRead = (
  batchId: string,
  samples: readonly At[],
  by: string,
  vesselId: string | undefined,
  idOf: (at: number) => string
): Deed =>
  samples.flatMap((s) => {
    const data: EventData<'reading'> = given({
      sg: s.sg === undefined ? undefined : Number(s.sg.toFixed(4)),
      tempC: s.tempC === undefined ? undefined : Number(s.tempC.toFixed(1)),
      ph: s.ph === undefined ? undefined : Number(s.ph.toFixed(2)),
      vesselId,
      by
    });
    const hasFigure = data.sg !== undefined || data.tempC !== undefined || data.ph !== undefined;
    return hasFigure ? [draft(batchId, 'reading', data, { at: s.at, id: idOf(s.at) })] : [];
  });
