import { sweetenWith } from '$core/finish/sweeten';
import { entryOf, type Ingredient, type Plan } from '$core/plan/plan';
import { SWEETENERS, type SweetenerId } from '$core/tables/sweeteners';
import { SWEETENER_OPTIONS } from './words';

/** What sweetens, by its name in the form: weighed, or poured. */
export type With = {
  name: string;
  of: (amount: number) => Ingredient;
  isPoured: boolean;
  /** whether yeast takes it */
  isFood: boolean;
  isSugar: boolean;
  /** as white sugar, g for each g */
  sweetness: number;
};

const JUICE = 'juice ';

/** What one can sweeten a wine with: what is in the cupboard, and the juice, kept frozen, of what it is made of. */
export const withOptions = (plan: Pick<Plan, 'ingredients'>): [string, string][] => {
  const fruit = plan.ingredients.flatMap((i) => {
    const entry = i.kind === 'produce' || i.kind === 'juice' ? entryOf(i) : undefined;
    return entry && entry.forms.includes('juice') ? [entry] : [];
  });
  const juices = [...new Map(fruit.map((p) => [p.id, p])).values()].map<[string, string]>((p) => [
    `${JUICE}${p.id}`,
    `${p.name} juice or must, kept back`
  ]);
  return [...SWEETENER_OPTIONS, ...juices];
};

export function withOf(id: string, plan: Pick<Plan, 'ingredients'>): With {
  const produceId = id.startsWith(JUICE) ? id.slice(JUICE.length) : null;
  const row = plan.ingredients.find((i) => 'produceId' in i && i.produceId === produceId);
  const produce = row && entryOf(row);
  if (produceId && produce) {
    // The figures that were reckoned with travel along.
    const own = {
      ...('entry' in row && row.entry ? { entry: row.entry } : {}),
      ...('figures' in row && row.figures ? { figures: row.figures } : {})
    };
    return {
      name: `${produce.name.toLowerCase()} juice`,
      of: (volumeL) => ({ kind: 'juice', produceId, volumeL, ...own }),
      isPoured: true,
      isFood: true,
      isSugar: false,
      sweetness: produce.sugars[1] / 100
    };
  }
  const sugarId = (id in SWEETENERS ? id : 'white') as SweetenerId;
  const s = SWEETENERS[sugarId];
  return {
    name: s.name.toLowerCase(),
    of: sweetenWith(sugarId),
    isPoured: false,
    isFood: s.fermentable > 0.05,
    isSugar: s.kind === 'sugar',
    sweetness: s.sweetness
  };
}
