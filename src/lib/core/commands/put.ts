import { inL } from '../units/say';
import { asBlended, fillL } from '../ledger/fill';
import type { EventData } from '../ledger/log';
import { yeastsOf, type BatchState } from '../ledger/state';
import type { Ingredient } from '../plan/plan';
import { InputError } from '../units/input-error';
import { draft, given, type Deed } from './deed';

/** Ingredients into the one vessel that is named, or into all of them by what each holds. */
export const put = (batchId: string, ingredients: Ingredient[], vesselId?: string): Deed => [
  draft(batchId, 'addition', given({ ingredients, vesselId }))
];

export const pitch = (batchId: string, data: EventData<'pitch'>): Deed => [draft(batchId, 'pitch', data)];

export const stir = (batchId: string): Deed => [draft(batchId, 'stir', {})];

/** Fruit, oak or hops hung in a wine, to be tasted by a day. */
export const steep = (batchId: string, data: EventData<'steep'>): Deed => [draft(batchId, 'steep', data)];

export const takeSteepOut = (batchId: string, steepId: string): Deed => [
  draft(batchId, 'steep-out', { steepId })
];

/** Air taken from over a wine: by a liquid, or by gas when there is none. */
export const topUp = (batchId: string, vesselId: string, ingredient: Ingredient | null): Deed => [
  draft(batchId, 'top-up', given({ vesselId, ingredient: ingredient ?? undefined }))
];

/**
 * Wine of one batch into a vessel of another: one event that names both sides and keeps what the wine was.
 * @param source the batch it comes from, as it stands
 * @throws InputError when there is not so much in that vessel
 */
export function blend(
  batchId: string,
  to: string,
  source: BatchState,
  fromVessel: string,
  volumeL: number
): Deed {
  if (source.id === batchId)
    throw new InputError(
      `That is the ${source.name} itself: no wine is blended into its own.`,
      'Name the vessel of the wine that takes it, or rack it.'
    );
  const fill = source.fills.find((f) => f.vesselId === fromVessel);
  const there = fill ? fillL(fill) : 0;
  if (!fill || volumeL > there * 1.02)
    throw new InputError(
      `There are only ${inL(there)} of ${source.name}.`,
      'Take less, or from another vessel.'
    );
  const wine = asBlended(fill, Math.min(1, volumeL / there), yeastsOf(source));
  return [
    draft(batchId, 'blend', {
      from: { batchId: source.id, vesselId: fromVessel, name: source.name },
      to,
      volumeL,
      wine: { ...wine, allergens: source.allergens }
    })
  ];
}
