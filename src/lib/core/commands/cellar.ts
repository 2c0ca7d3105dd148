import type { Danger } from '../finish/danger';
import type { Cell } from '../ledger/events/cell';
import type { EventData } from '../ledger/log';
import type { Bottling } from '../ledger/state';
import { InputError } from '../units/input-error';
import { draft, given, type Deed } from './deed';

type Leaving = Pick<EventData<'open'>, 'count' | 'how' | 'to' | 'found' | 'kind' | 'from'>;

/**
 * Bottles of one filling that leave the cellar.
 * @param danger where they could burst: then nobody is given one
 * @throws InputError when there are not so many, or they would go to somebody in danger
 */
export function letGo(
  batchId: string,
  b: Pick<Bottling, 'eventId' | 'left' | 'bottles'>,
  danger: Pick<Danger, 'bar20'> | null,
  leaving: Leaving
): Deed {
  const { count, how, to } = leaving;
  const left = leaving.kind === undefined ? b.left : (b.bottles[leaving.kind]?.left ?? 0);
  if (!Number.isInteger(count) || count < 1)
    throw new InputError('That is no number of bottles.', 'Give a whole number.', 'count');
  if (count > left)
    throw new InputError(
      `There are only ${left} left of them.`,
      'Look at the number, or at the size.',
      'count'
    );
  if (danger && (how === 'given' || how === 'swapped'))
    throw new InputError(
      'These bottles could burst: they go to nobody.',
      'Open them first, as the warning says; give what is left when two were found still.'
    );
  return [
    draft(
      batchId,
      'open',
      given({
        bottleId: b.eventId,
        ...leaving,
        to: to?.trim() || undefined,
        from: leaving.from?.length ? leaving.from : undefined
      })
    )
  ];
}

/**
 * Bottles of one kind laid in places, moved from some to others, or taken out of a rack.
 * @throws InputError when more would lie in racks than there are
 */
export function shelve(
  batchId: string,
  b: Pick<Bottling, 'eventId' | 'bottles' | 'cells'>,
  kind: number,
  put: Cell[],
  taken: Cell[] = []
): Deed {
  const left = b.bottles[kind]?.left ?? 0;
  const lying = b.cells.filter((c) => c.kind === kind).length - taken.length + put.length;
  if (lying > left)
    throw new InputError(`There are only ${left} of them.`, 'Lay fewer, or take some out first.', 'put');
  return [draft(batchId, 'shelve', { bottleId: b.eventId, kind, put, taken })];
}
