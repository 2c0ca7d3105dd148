import { entryOf, type Ingredient } from '$core/must/plan';
import { amountIn, unitLabel, type ProduceUnit } from '$core/produce/weigh';
import { CAMPDEN_TABLET_G, tabletText } from '$core/scale/doses';
import { gramsText, quantityText, significant } from '$core/units/format';
import { isMassUnit, isVolumeUnit } from '$core/units/measure';
import type { Settings } from '$lib/store/settings';
import { nameOf } from '$core/must/name';

/** `2.30 kg white sugar`, in the unit it was typed in or the household's own. */
export function ingredientText(item: Ingredient, settings: Settings): string {
  const name = nameOf(item).toLowerCase();
  const typed = item.unit as ProduceUnit | undefined;
  const entry = entryOf(item);
  if (item.kind === 'produce' && entry && typed && !isMassUnit(typed))
    return `${significant(amountIn(item.massKg, typed, entry), 3)} ${typed === 'piece' ? '' : `${unitLabel(typed)} `}${name}`;
  if ('volumeL' in item)
    return `${quantityText(item.volumeL, typed && isVolumeUnit(typed) ? typed : settings.volume)} ${name}`;
  if (item.kind === 'additive' && item.additiveId === 'campden') {
    const said = tabletText(Math.round((2 * item.massKg * 1000) / CAMPDEN_TABLET_G) / 2);
    return said.replace(/tablet/, 'Campden tablet');
  }
  if (item.kind === 'additive' || item.kind === 'acid') return `${gramsText(item.massKg * 1000)} ${name}`;
  return `${quantityText(item.massKg, typed && isMassUnit(typed) ? typed : settings.mass)} ${name}`;
}
