import { drawn } from '../maths/draw';
import type { Ingredient, Plan } from '../plan/plan';
import { addInto, liquid, scaled, type Stock } from '../liquid/stock';

/** Liquid that stays in the pulp, litres per kg counted as soft fruit, by how it is taken out. Common practice. */
export const HELD_BY_PULP = {
  drip: [0.12, 0.2, 0.3],
  squeeze: [0.06, 0.11, 0.18],
  press: [0.03, 0.06, 0.1]
} as const;

/**
 * Litres left in `pulpKg` of pulp, counted as soft fruit; `z` 0 is typical.
 * @example pulpL('press', 10) // 0.6
 */
export const pulpL = (press: Plan['press'], pulpKg: number, z = 0): number =>
  drawn(HELD_BY_PULP[press ?? 'drip'], z) * pulpKg;

/** Whether a row is strained off before anything but water goes in: an infusion. What is simmered is, unless said. */
export const isStrained = (item: Ingredient): boolean =>
  item.kind === 'produce' && !item.pressed && (item.strained ?? item.heat === 'simmered');

/** More than this no pulp holds of what it stands in. */
const MOST_HELD = 0.95;

/**
 * Takes what drained pulp keeps of a liquid out of what holds that liquid, in place: what stays behind is as thin as
 * the infusion was.
 * @param from every stock that the infusion is part of
 * @param heldL litres that the pulp keeps
 */
export function drain(from: readonly Stock[], infusion: Stock, heldL: number): void {
  const volumeL = liquid(infusion)?.volumeL ?? 0;
  if (!(volumeL > 0 && heldL > 0)) return;
  const share = Math.min(MOST_HELD, heldL / volumeL);
  for (const s of from) addInto(s, infusion, -share);
}

/** Whether the sugar waits until the fruit is out: then the pulp keeps thin must, and no sugar. */
export const isSweetenedLate = (plan: Pick<Plan, 'sugar'>): boolean => plan.sugar === 'strained';

/** The must once its fruit is out and its sugar in, where the sugar waited. */
export function afterFruit(all: Stock, sweet: Stock, heldL: number): Stock {
  const thin = addInto(scaled(all), sweet, -1);
  const wine = scaled(all);
  drain([wine], thin, heldL);
  return wine;
}
