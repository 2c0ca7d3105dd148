import type { BrewCard } from '$core/steps/brew';
import { amountOf, entryOf, type Ingredient } from '$core/plan/plan';
import { amountIn, unitLabel } from '$core/plan/thing';
import { gramsText, quantityText, significant } from '$core/units/format';
import { isMassUnit, isVolumeUnit, type Unit } from '$core/units/measure';
import type { AmountUnit } from '$core/units/words';

/** How much a card asks for, as one reads it off: in the unit it is measured out in, powders in grams or tablets. */
export function askedText(card: BrewCard, planned: Ingredient | null, unit: AmountUnit): string {
  if (!planned) return card.powder?.amount ?? '';
  if (card.powder?.id === 'campden') return card.powder.amount;
  const base = amountOf(planned);
  if (card.kind !== 'weigh' || planned.kind === 'acid' || planned.kind === 'additive')
    return gramsText(card.powder?.massG ?? 1000 * base);
  const isPlain = 'volumeL' in planned ? isVolumeUnit(unit) : isMassUnit(unit);
  return isPlain
    ? quantityText(base, unit as Unit)
    : `${significant(amountIn(planned, base, unit), 3)} ${unitLabel(unit, entryOf(planned))}`;
}
