import { inKg, inL } from '../units/say';
import { amountOf, type Ingredient } from '../plan/plan';
import { fillL } from './fill';
import type { BatchState } from './state';

/** Something about an event that is asked before it is written: refused, or right once it is said to be so. */
export type Question = { level: 'refuse' | 'ask'; text: string; todo: string };

/** How amounts are worded for this person. */
export type Words = {
  volume: (litres: number) => string;
  vessel: (id: string) => string;
  /** brim-full, litres; null when it is not known */
  capacityL: (id: string) => number | null;
};
export const PLAIN_WORDS: Words = {
  volume: (l) => inL(l),
  vessel: (id) => id,
  capacityL: () => null
};

/** A racking or a pressing that loses more than this share is asked about. Common practice: 6 to 13 %. */
export const MUCH_LOST = 0.25;
/** The same of a racking, where the lees are an eighth at most. Common practice. */
export const MUCH_RACKED = 0.22;
/** Kilograms of sugar a litre that no must holds, and of anything else. */
const MOST_SUGAR_KG_L = 0.8;
const MOST_KG_L = 3;

/** Litres of a batch in one vessel, or in all; 0 of none. */
export const volumeIn = (s: BatchState | null, vesselId: string | undefined): number =>
  (s?.fills ?? []).filter((f) => !vesselId || f.vesselId === vesselId).reduce((sum, f) => sum + fillL(f), 0);

/**
 * Amounts that cannot be meant for so much must: a kilogram for a gram, a pound for an ounce.
 * @param thereL litres of it, or what there will be; `inItL` litres that stand in the vessel now
 */
export function amountsAsked(
  items: readonly Ingredient[],
  thereL: number,
  capacityL: number | null,
  words: Words = PLAIN_WORDS,
  inItL = thereL
): Question[] {
  // What goes in together is must together.
  const liquidL = items.reduce(
    (sum, i) => sum + ('volumeL' in i ? i.volumeL : i.kind === 'produce' ? i.massKg : 0),
    thereL
  );
  const room = capacityL === null ? Infinity : Math.max(0, 1.1 * capacityL - inItL);
  return items.flatMap((i): Question[] => {
    const amount = amountOf(i);
    const isVolume = 'volumeL' in i;
    const isSweet = i.kind === 'sugar' || i.kind === 'honey';
    const tooMuch =
      amount > room ||
      amount > 2000 ||
      (isSweet && liquidL > 0 && amount > Math.max(1, MOST_SUGAR_KG_L * liquidL)) ||
      (!isVolume && !isSweet && i.kind !== 'produce' && liquidL > 0 && amount > MOST_KG_L * liquidL);
    return tooMuch
      ? [
          {
            level: 'ask',
            text: `${isVolume ? words.volume(amount) : inKg(amount)} into ${
              capacityL !== null && amount > room
                ? `a vessel of ${words.volume(capacityL)}`
                : words.volume(liquidL)
            } cannot be meant.`,
            todo: 'Were grams meant, not kilograms?'
          }
        ]
      : [];
  });
}
