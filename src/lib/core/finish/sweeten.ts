import { findRoot } from '../maths/root';
import { liquid, type Stock } from '../liquid/stock';
import { withAdded } from '../must/adjust';
import type { Ingredient } from '../plan/plan';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';
import { InputError } from '../units/input-error';
import { toldOf } from './wine';

/** More than this to the litre is no wine any more, kg or L. */
const MOST_PER_L = 1.2;

/**
 * To what a wine is sweetened: a gravity; so much of the sweetener in each litre as it stands; or so much sweeter, as
 * grams of white sugar in each litre of what it becomes.
 */
export type SweetGoal = { toSg: number } | { addGL: number } | { sweeterGL: number };

/** An amount of something that sweetens: sugar, honey, juice, concentrate, or what yeast cannot take. */
export type Sweetening = (amount: number) => Ingredient;

export const sweetenWith =
  (sugarId: SweetenerId): Sweetening =>
  (massKg) => ({ kind: 'sugar', sugarId, massKg });

export type Sweetened = {
  /** kg of what is weighed, L of what is poured */
  amount: number;
  item: Ingredient;
  stock: Stock;
  volumeL: number;
  sg: number;
  abv: number;
  /** sweetness that was added, as g of white sugar in each litre of what it becomes */
  sweetGL: number;
};

/** Sweetness that something brings to a stock, as g of white sugar in each litre of what it becomes. */
function sweetGL(wine: Stock, after: Stock, item: Ingredient): number {
  const kg =
    item.kind === 'sugar'
      ? SWEETENERS[item.sugarId].sweetness * item.massKg
      : item.kind === 'honey'
        ? SWEETENERS.honey.sweetness * item.massKg
        : after.fermentableKg - wine.fermentableKg;
  return (1000 * kg) / (liquid(after)?.volumeL ?? Infinity);
}

/**
 * How much of a sweetener brings a wine to a goal, and what it is then: masses add up, and the volume follows.
 * @throws InputError when it is sweeter already, or the goal is out of reach
 */
export function sweeten(wine: Stock, goal: SweetGoal, of: Sweetening): Sweetened {
  const now = toldOf(wine);
  const amount =
    'addGL' in goal
      ? (goal.addGL * now.volumeL) / 1000
      : 'toSg' in goal
        ? amountToSg(wine, goal.toSg, of)
        : amountWhere(
            wine,
            of,
            (after, item) => sweetGL(wine, after, item) - goal.sweeterGL,
            'this sweetness'
          );
  const item = of(amount);
  const stock = withAdded(wine, item);
  return { amount, item, stock, ...toldOf(stock), sweetGL: sweetGL(wine, stock, item) };
}

function amountToSg(wine: Stock, toSg: number, of: Sweetening): number {
  const now = toldOf(wine);
  if (now.sg - toSg > 5e-5)
    throw new InputError(
      `It reads ${now.sg.toFixed(3)}, over ${toSg.toFixed(3)} already.`,
      'Give a higher gravity, or blend it with a drier wine.',
      'toSg'
    );
  return amountWhere(wine, of, (after) => (liquid(after)?.sg ?? Infinity) - toSg, toSg.toFixed(3));
}

/** The amount at which `miss`, which grows with it, is nought. @throws InputError where no sane amount is */
function amountWhere(
  wine: Stock,
  of: Sweetening,
  miss: (after: Stock, item: Ingredient) => number,
  what: string
): number {
  const at = (x: number) => {
    const item = of(x);
    return Math.min(1, miss(withAdded(wine, item), item));
  };
  if (at(0) >= 0) return 0;
  const litres = toldOf(wine).volumeL;
  let most = 0.1 * litres;
  while (at(most) < 0) {
    if (most > MOST_PER_L * litres)
      throw new InputError(`It does not come to ${what} so.`, 'Want less, or take plain sugar.', 'toSg');
    most *= 2;
  }
  return findRoot(at, 0, most, 1e-9);
}
