import { readItem } from '$core/plan/read-item';
import { amountOf, entryOf, type Ingredient } from '$core/plan/plan';
import { bareUnit, unitLabel } from '$core/plan/thing';
import type { AmountUnit } from '$core/units/words';
import type { Amount } from '$core/units/amount';
import { gramsText, quantityText, significant, unitOfLittle } from '$core/units/format';
import { isMassUnit, isVolumeUnit } from '$core/units/measure';
import { InputError } from '$core/units/input-error';
import { countryOf, type Settings } from '$core/units/settings';

/** What an amount was read as, in its own unit and by weight or volume: `4 cups, 0.80 kg`, `12 pieces, about 1.32 kg`. */
export function readText(item: Ingredient, a: Amount, s: Settings): string {
  const isVolume = 'volumeL' in item;
  const small = item.kind === 'acid' || item.kind === 'additive';
  const plain = isVolume
    ? quantityText(amountOf(item), unitOfLittle(amountOf(item), s.volume))
    : small
      ? gramsText(1000 * amountOf(item))
      : quantityText(amountOf(item), unitOfLittle(amountOf(item), s.mass));
  const own = isMassUnit(a.unit) || isVolumeUnit(a.unit) ? quantityText : null;
  if ((isVolume && isVolumeUnit(a.unit)) || (!isVolume && isMassUnit(a.unit)))
    return own ? own(a.base, a.unit as 'kg') : plain;
  const unit = unitLabel(a.unit, entryOf(item));
  return `${significant(a.amount, 3)} ${a.amount === 1 ? unit.replace(/s$/, '') : unit}, ${a.count === undefined ? '' : 'about '}${plain}`;
}

/**
 * What was typed for an ingredient, in this household's units.
 * @param bare the unit of a number that has none; else the household's own
 * @throws InputError as `readAmount`, or when it is nothing
 */
export function readTyped(
  text: string,
  item: Ingredient,
  s: Settings,
  bare?: AmountUnit
): { item: Ingredient; amount: Amount } {
  const read = readItem(text, item, bare ?? bareUnit(item, s.mass, s.volume), countryOf(s));
  if (read.amount.base <= 0) throw new InputError('The amount is nothing.', 'Give how much went in.');
  return read;
}
