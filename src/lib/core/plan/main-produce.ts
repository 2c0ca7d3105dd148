import type { Produce } from '../tables/produce';
import { amountOf, entryOf, type Ingredient, type ProduceRow } from './plan';
import { juiceLPerKg } from './extraction';
import { shortName } from './name';

/** Produce that seasons a wine and does not set its size while there is other fruit: lemons, raisins, ginger. */
export const seasons = (p: Produce): boolean =>
  p.amountKgL[1] < 0.15 && p.family !== 'flower' && p.family !== 'leaf';

/** Whether honey is what a wine is made of, as far as there is any: nobody puts it in by the spoon. */
export const hasHoney = (ingredients: readonly Ingredient[]): boolean =>
  ingredients.some((i) => i.kind === 'honey' && (i.massKg > 0 || (i.most ?? 0) > 0));

/** Litres of wine that a kilogram is usually made into, or a litre of juice. */
function litresOf(item: ProduceRow, p: Produce): number {
  if (item.kind === 'juice') return amountOf(item);
  return (
    item.massKg * (item.pressed ? juiceLPerKg(item.pressed.press, item.pressed.mill) : 1 / p.amountKgL[1])
  );
}

/**
 * What a wine is of: the produce that makes most of it, by what is usual in a litre, and not what is heaviest: ten heads
 * of elderflower weigh less than the lemons with them. What seasons is it only where there is nothing else.
 * @returns undefined without produce
 */
export function mainProduce(ingredients: readonly Ingredient[]): Produce | undefined {
  const rows = ingredients.flatMap((item) => {
    const p = item.kind === 'produce' || item.kind === 'juice' ? entryOf(item) : undefined;
    return p ? [{ p, seasons: Number(seasons(p)), litres: litresOf(item as ProduceRow, p) }] : [];
  });
  return rows.sort((a, b) => a.seasons - b.seasons || b.litres - a.litres)[0]?.p;
}

/**
 * What a plan's wine is called where nobody named it; empty without produce or honey.
 * @example mainName([{ kind: 'produce', produceId: 'lemon', massKg: 0.24 }, { kind: 'produce', produceId: 'elderflower', massKg: 0.15 }]) // 'Elderflower'
 */
export function mainName(ingredients: readonly Ingredient[]): string {
  const main = mainProduce(ingredients);
  // Honey with lemons and raisins is of honey.
  if (hasHoney(ingredients) && (!main || seasons(main))) return 'Honey wine';
  return main ? shortName(main.name) : '';
}
