import { amountOf, entryOf, type Ingredient } from '$core/plan/plan';
import { amountIn, typedUnit, unitLabel } from '$core/plan/thing';
import { campdenText } from '$core/tables/doses';
import { gramsText, quantityText, significant, unitOfLittle } from '$core/units/format';
import { isForeign, isMassUnit, type VolumeUnit } from '$core/units/measure';
import type { Settings } from '$core/units/settings';
import { nameOf } from '$core/plan/name';

/** `2.30 kg white sugar`, in the unit it was typed in where the household uses it, else in the household's own. */
export function ingredientText(item: Ingredient, settings: Settings): string {
  const name = nameOf(item).toLowerCase();
  const entry = entryOf(item);
  const isVolume = 'volumeL' in item;
  const own = isVolume
    ? unitOfLittle(item.volumeL, settings.volume)
    : unitOfLittle(amountOf(item), settings.mass);
  const typed = typedUnit(item, own);
  const used = isForeign(typed, settings) ? own : typed;
  if (isVolume) return `${quantityText(item.volumeL, used as VolumeUnit)} ${name}`;
  if (item.kind === 'produce' && entry && !isMassUnit(used))
    return `${significant(amountIn(item, item.massKg, used), 3)} ${used === 'piece' ? '' : `${unitLabel(used)} `}${name}`;
  if (item.kind === 'additive' && item.additiveId === 'campden')
    return campdenText(item.massKg * 1000).replace(/tablet/, 'Campden tablet');
  if (item.kind === 'additive' || item.kind === 'acid') return `${gramsText(item.massKg * 1000)} ${name}`;
  return `${quantityText(item.massKg, isMassUnit(used) ? used : unitOfLittle(item.massKg, settings.mass))} ${name}`;
}
