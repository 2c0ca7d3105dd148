import { contribution, TYPICAL } from './contribution';
import { entryOf, type Ingredient } from '../plan/plan';
import { SWEETENERS } from '../tables/sweeteners';

/** One stretch of the sugar ribbon, kg of hexose. */
export type Stretch = {
  label: string;
  hexoseKg: number;
  kind: 'fruit' | 'sugar' | 'held' | 'alcohol' | 'left';
  colour: string;
};

/** The sugar each ingredient brings, kg of hexose, in the order of the slip. */
export const sugarBrought = (ingredients: readonly Ingredient[]): number[] =>
  ingredients.map((i) => {
    const produce = entryOf(i);
    const { poured, held } = contribution(i, produce, TYPICAL);
    return poured.hexoseKg + held.hexoseKg;
  });

const SUGAR_COLOUR = '#e3cb93';
const HONEY_COLOUR = '#d9a441';

/** Where the sugar of a plan is before the fruit has given: poured, and still in the fruit. */
export function planRibbon(ingredients: readonly Ingredient[]): Stretch[] {
  const out: Stretch[] = [];
  for (const i of ingredients) {
    const produce = entryOf(i);
    const { poured, held } = contribution(i, produce, TYPICAL);
    if (poured.hexoseKg > 1e-6) {
      const label =
        i.kind === 'sugar'
          ? SWEETENERS[i.sugarId].name
          : i.kind === 'honey'
            ? 'Honey'
            : i.kind === 'wine'
              ? 'Wine'
              : `${produce?.name} ${i.kind === 'juice' && i.form === 'concentrate' ? 'concentrate' : 'juice'}`;
      const colour =
        i.kind === 'sugar'
          ? SUGAR_COLOUR
          : i.kind === 'honey'
            ? HONEY_COLOUR
            : (produce?.colour.must ?? SUGAR_COLOUR);
      out.push({
        label,
        hexoseKg: poured.hexoseKg,
        kind: i.kind === 'sugar' || i.kind === 'honey' ? 'sugar' : 'fruit',
        colour
      });
    }
    if (held.hexoseKg > 1e-6)
      out.push({
        label: produce!.plural,
        hexoseKg: held.hexoseKg,
        kind: 'held',
        colour: produce!.colour.fruit
      });
  }
  return out.sort((a, b) => Number(a.kind === 'held') - Number(b.kind === 'held'));
}
