import { fillL } from '../ledger/fill';
import type { EventData } from '../ledger/log';
import type { BatchState } from '../ledger/state';
import { draft, given, type Deed } from './deed';

/** Fruit lifted out. @param volumeL what stands after it, L, when it was measured */
export const takeFruitOut = (
  batchId: string,
  press: EventData<'fruit-out'>['press'],
  volumeL?: number
): Deed => [draft(batchId, 'fruit-out', given({ press, volumeL }))];

/**
 * Everything in one vessel into others.
 * @param to where it went and how much came out in each, L
 * @param emptied whether nothing of it was left; left out when nobody said
 */
export const rack = (
  batchId: string,
  from: string,
  to: EventData<'transfer'>['to'],
  lossL: number,
  emptied?: boolean
): Deed => [draft(batchId, 'transfer', given({ from, to, lossL, emptied }))];

/** A glass drawn off; poured back when `returned`. */
export const drawSample = (
  batchId: string,
  vesselId: string | undefined,
  volumeL: number,
  returned: boolean
): Deed => [draft(batchId, 'sample', given({ volumeL, returned, vesselId }))];

export const lose = (
  batchId: string,
  vesselId: string | undefined,
  volumeL: number,
  how: EventData<'loss'>['how']
): Deed => [draft(batchId, 'loss', given({ volumeL, how, vesselId }))];

/** All that stands in the vessels of a wine is gone, or in the one that is named. */
export const emptyOut = (
  s: Pick<BatchState, 'id' | 'fills'>,
  how: EventData<'loss'>['how'],
  vesselId?: string
): Deed =>
  s.fills
    .filter((f) => vesselId === undefined || f.vesselId === vesselId)
    .flatMap((f) => lose(s.id, f.vesselId, fillL(f), how));

export const bottle = (batchId: string, data: EventData<'bottle'>): Deed => [draft(batchId, 'bottle', data)];
