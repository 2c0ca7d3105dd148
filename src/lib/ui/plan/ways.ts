import { LEMON_JUICE_L, type Way } from '$core/must/adjust';
import { amountOf } from '$core/plan/plan';
import { ACID_ADDITIONS } from '$core/tables/substances';
import { spoonText, TEASPOON_G } from '$core/tables/doses';
import { gramsText, significant, volumeText } from '$core/units/format';
import type { Settings } from '$core/units/settings';

/** One way to an acid target in words: grams and spoons, lemons, or water. */
export function wayText(w: Way, settings: Settings): { name: string; amount: string; note: string } {
  const amount = amountOf(w.item);
  if (w.id === 'lemon')
    return {
      name: 'Lemons',
      amount: `${significant(amount / LEMON_JUICE_L, 2)}, ${volumeText(amount, settings.volume)} of juice`,
      note: 'The natural way; many wish for less of it a year on.'
    };
  if (w.id === 'water')
    return {
      name: 'Water',
      amount: volumeText(amount, settings.volume),
      note: 'Thins taste and strength too: sugar follows.'
    };
  const a = ACID_ADDITIONS[w.id];
  return {
    name: a.name,
    amount: `${gramsText(amount * 1000)}, ${spoonText(amount * 1000, TEASPOON_G[w.id])}`,
    note: a.note
  };
}
