import { potentialOf } from '../ferment/convert';
import { findRoot } from '../maths/root';
import { produceById } from '../tables/table';
import { InputError } from '../units/input-error';
import type { Acid } from '../liquid/acid';
import { acidityOf, type Acidity } from '../liquid/acidity';
import { stockAt, addAcidity, addInto, scaled, type Stock } from '../liquid/stock';
import { DOSES } from '../tables/doses';
import type { Spread } from '../units/range';
import { amountOf, entryOf, type Ingredient } from '../plan/plan';
import { contribution, TYPICAL } from './contribution';
import type { AcidAdditionId } from '../tables/substances';

/** Where fruit and flower wine is good, g/L as tartaric. Common practice. */
export const USUAL_TA = { fruit: [5.5, 6.5, 7.5], flower: [4.5, 5.5, 6.5] } as const;

/** Litres of juice in a lemon. Common practice: two to four tablespoons. */
export const LEMON_JUICE_L = 0.045;

/** What is wanted: an acid, g/L as tartaric, or a pH. */
export type AcidGoal = { taGL: number } | { ph: number };

const acidItem = (acidId: AcidAdditionId, massKg: number): Ingredient => ({ kind: 'acid', acidId, massKg });
const waterItem = (volumeL: number, alkalinityMgL: number): Ingredient => ({
  kind: 'water',
  volumeL,
  alkalinityMgL
});
const lemonItem = (volumeL: number): Ingredient => ({ kind: 'juice', produceId: 'lemon', volumeL });

/** The stock with `amount` of something in it. */
export function withAdded(stock: Stock, item: Ingredient): Stock {
  const produce = 'produceId' in item ? produceById(item.produceId) : undefined;
  return addInto(scaled(stock), contribution(item, produce, TYPICAL).poured);
}

/**
 * How much of something takes a stock to its goal; 0 when it is there already.
 * @param item the addition of a given amount; @param most the largest amount worth trying
 * @param does whether the addition raises the acid (and lowers the pH), or the other way
 * @throws InputError when even the most does not reach it, or it would have to go the other way
 */
function toReach(
  stock: Stock,
  goal: AcidGoal,
  item: (amount: number) => Ingredient,
  most: number,
  does: 'sharpen' | 'soften'
): number {
  const miss = (amount: number) => {
    const a = acidityOf(withAdded(stock, item(amount)));
    const up = 'taGL' in goal ? goal.taGL - a.taGL : a.ph - goal.ph;
    return does === 'sharpen' ? up : -up;
  };
  const now = miss(0);
  if (Math.abs(now) < 1e-9) return 0;
  const name = 'taGL' in goal ? `${goal.taGL.toFixed(1)} g/L` : `pH ${goal.ph.toFixed(2)}`;
  if (now < 0)
    throw new InputError(
      does === 'sharpen' ? `It is sharper than ${name} already.` : `It is softer than ${name} already.`,
      does === 'sharpen' ? 'Soften it: water, or a base.' : 'Sharpen it: acid, or lemon.'
    );
  if (miss(most) > 0)
    throw new InputError(`This alone does not bring it to ${name}.`, 'Choose a nearer goal.');
  return findRoot((x) => -miss(x), 0, most, 1e-9);
}

/**
 * Kilograms of an acid, or of a base such as potassium bicarbonate, that take a must to a goal.
 * @throws InputError when the goal lies the other way or out of reach
 * @example 1000 * acidToReach(likelyMix([{ kind: 'produce', produceId: 'pear', massKg: 4 }]).all, { taGL: 7 }, 'tartaric') // 17.657
 */
export function acidToReach(stock: Stock, goal: AcidGoal, acidId: AcidAdditionId): number {
  const { volumeL, taGL } = acidityOf(stock);
  // Either base takes at least half its weight of acid; past 60 g/L no acid is worth counting.
  const most = isBase(acidId) ? ((2 * taGL + 1) * volumeL) / 1000 : 0.06 * volumeL;
  return toReach(stock, goal, (kg) => acidItem(acidId, kg), most, isBase(acidId) ? 'soften' : 'sharpen');
}

/**
 * Litres of water that thin a must to a goal.
 * @throws InputError as `acidToReach`
 * @example waterToReach(likelyMix([{ kind: 'produce', produceId: 'rhubarb', massKg: 4 }]).all, { taGL: 7 }) // 4.9988
 */
export const waterToReach = (stock: Stock, goal: AcidGoal, alkalinityMgL = 0): number =>
  toReach(stock, goal, (l) => waterItem(l, alkalinityMgL), 20 * acidityOf(stock).volumeL, 'soften');

/** Litres of lemon juice that take a must to a goal, and how many lemons that is. @throws InputError as `acidToReach` */
export function lemonsToReach(stock: Stock, goal: AcidGoal): { juiceL: number; lemons: number } {
  const juiceL = toReach(stock, goal, lemonItem, 3 * acidityOf(stock).volumeL, 'sharpen');
  return { juiceL, lemons: juiceL / LEMON_JUICE_L };
}

/** One way to a goal: what goes in, and where it ends. */
export type Way = {
  id: AcidAdditionId | 'lemon' | 'water';
  item: Ingredient;
  after: Acidity;
  /** what it stops at, short of the goal: the pH, or twice the usual dose; null when it gets there */
  stops: 'ph' | 'dose' | null;
};

/** Advice sharpens no further: under it yeast labours, and few like it. It softens no further than the other. Common practice. */
export const LOWEST_PH = 3.1;
export const HIGHEST_PH = 3.8;
/** So many times the usual dose is the most that is advised. */
export const MOST_USUAL = 2;
/** Over this a little more acid still does good. */
const ROOM_PH = LOWEST_PH + 0.2;

/** Whether a must wants sharpening or softening, by its acid and its pH; null when it is well. */
export function acidWord(now: { taGL: number; ph: number }, usual: Spread): 'Sharp' | 'Flat' | null {
  if (now.taGL > usual[2] + 1) return 'Sharp';
  return now.taGL < usual[0] - 1 && now.ph > ROOM_PH ? 'Flat' : null;
}

/** What fruit or flowers of these ingredients usually make, g/L low–usual–high. */
export function usualTa(ingredients: readonly Ingredient[]): Spread {
  const families = ingredients.flatMap((i) => (i.kind === 'produce' && entryOf(i)?.family) || []);
  const isFlowery = families.length > 0 && families.every((f) => f === 'flower' || f === 'leaf');
  return USUAL_TA[isFlowery ? 'flower' : 'fruit'];
}

/**
 * Grams of powdered acid among ingredients, which count against what more is advised.
 * @example acidG([{ kind: 'acid', acidId: 'citric', massKg: 0.012 }]) // 12
 */
export const acidG = (ingredients: readonly Ingredient[]): number =>
  ingredients.reduce((g, i) => g + (i.kind === 'acid' && !isBase(i.acidId) ? 1000 * i.massKg : 0), 0);

const isBase = (id: AcidAdditionId): boolean => id === 'potassium-bicarbonate' || id === 'calcium-carbonate';

/**
 * Every way to bring a must to an acid or a pH: powders, lemons, water, bases; none when it is there.
 * @param alkalinityMgL of the water it would be thinned with, mg/L as CaCO₃
 */
export function waysToReach(stock: Stock, goal: AcidGoal, alkalinityMgL = 0): Way[] {
  const now = acidityOf(stock);
  // Nearer than anyone measures is there.
  if ('taGL' in goal ? Math.abs(now.taGL - goal.taGL) < 0.02 : Math.abs(now.ph - goal.ph) < 0.005) return [];
  const amount: Record<Way['id'], () => Ingredient> = {
    tartaric: () => acidItem('tartaric', acidToReach(stock, goal, 'tartaric')),
    lemon: () => lemonItem(lemonsToReach(stock, goal).juiceL),
    citric: () => acidItem('citric', acidToReach(stock, goal, 'citric')),
    malic: () => acidItem('malic', acidToReach(stock, goal, 'malic')),
    'acid-blend': () => acidItem('acid-blend', acidToReach(stock, goal, 'acid-blend')),
    water: () => waterItem(waterToReach(stock, goal, alkalinityMgL), alkalinityMgL),
    'potassium-bicarbonate': () =>
      acidItem('potassium-bicarbonate', acidToReach(stock, goal, 'potassium-bicarbonate')),
    'calcium-carbonate': () => acidItem('calcium-carbonate', acidToReach(stock, goal, 'calcium-carbonate'))
  };
  return (Object.keys(amount) as Way['id'][]).flatMap((id) => {
    try {
      const item = amount[id]();
      return amountOf(item) > 1e-6
        ? [{ id, item, after: acidityOf(withAdded(stock, item)), stops: null }]
        : [];
    } catch (e) {
      // The other direction, or out of reach: no way.
      if (e instanceof InputError) return [];
      throw e;
    }
  });
}

/** Grams of citric acid in a litre of lemon juice. @source USDA FoodData Central, lemon juice (from memory) */
const LEMON_CITRIC_GL = 55;

/**
 * The ways to a goal that do a good wine no harm: each stops at pH 3.1 (a base at 3.8), or at twice the usual dose
 * with what is in already, whichever comes first. The rest is for the tongue.
 * @param hadG grams of powdered acid that are in already
 */
export function kindWays(stock: Stock, goal: AcidGoal, alkalinityMgL = 0, hadG = 0): Way[] {
  const now = acidityOf(stock);
  const sharpens = 'taGL' in goal ? goal.taGL > now.taGL + 0.02 : goal.ph < now.ph - 0.005;
  const softens = 'taGL' in goal ? goal.taGL < now.taGL - 0.02 : goal.ph > now.ph + 0.005;
  if (!sharpens && !softens) return [];
  const direct = waysToReach(stock, goal, alkalinityMgL);
  const ids: Way['id'][] = sharpens
    ? ['tartaric', 'lemon', 'citric', 'malic', 'acid-blend']
    : ['water', 'potassium-bicarbonate', 'calcium-carbonate'];
  return ids.flatMap((id): Way[] => {
    const whole = direct.find((w) => w.id === id);
    if (id === 'water') return whole ? [whole] : [];
    const doseL = (MOST_USUAL * DOSES[id === 'lemon' ? 'citric' : id].perL[1] * now.volumeL) / 1000;
    const left = Math.max(0, doseL - (sharpens ? hadG / 1000 : 0));
    const most = id === 'lemon' ? (1000 * left) / LEMON_CITRIC_GL : left;
    const make = (x: number) => (id === 'lemon' ? lemonItem(x) : acidItem(id, x));
    const wanted = whole ? amountOf(whole.item) : Infinity;
    const does = sharpens ? 'sharpen' : 'soften';
    const edge = sharpens ? LOWEST_PH : HIGHEST_PH;
    const isPast = (x: number) => {
      const { ph } = acidityOf(withAdded(stock, make(x)));
      return sharpens ? ph < edge : ph > edge;
    };
    let [amount, stops]: [number, Way['stops']] = wanted <= most ? [wanted, null] : [most, 'dose'];
    if (isPast(amount)) {
      stops = 'ph';
      amount = isPast(0) ? 0 : toReach(stock, { ph: edge }, make, amount, does);
    }
    // Less than a tenth of the usual dose is not worth the spoon.
    if (amount < 0.05 * (id === 'lemon' ? (1000 * doseL) / LEMON_CITRIC_GL : doseL) && stops !== null)
      return [];
    const item = make(amount);
    return amount > 1e-6 ? [{ id, item, after: acidityOf(withAdded(stock, item)), stops }] : [];
  });
}

/** A must known by what was measured in it alone: its acid counted as one kind. */
export function mustOf(m: { volumeL: number; sg: number; taGL: number; ph: number; acid?: Acid }): Stock {
  const stock = stockAt(m.volumeL, m.sg);
  addAcidity(stock, m.acid ?? 'malic', m.taGL, m.ph, m.volumeL);
  return stock;
}

/**
 * TA by a drop kit: drops until the colour turns, times what a drop stands for.
 * @param gLPerDrop g/L as tartaric a drop, as the kit says
 * @throws InputError when a count is not positive
 * @example taFromDrops(7, 1) // 7
 */
export function taFromDrops(drops: number, gLPerDrop: number): number {
  if (!(drops >= 0 && gLPerDrop > 0))
    throw new InputError(
      'A drop kit needs a count of drops and what a drop stands for.',
      'Read the leaflet.'
    );
  return drops * gLPerDrop;
}

/** What brings a must to a strength: sugar to add, or water; nothing when it is there. */
export type Correction = { kind: 'none' } | { kind: 'sugar'; kg: number } | { kind: 'water'; litres: number };

/** Nearer to the strength than this nobody reads. Common practice: a point of gravity is 0.13 %. */
const READ_ABV = 0.15;

/**
 * The correction of a must that is to ferment to `abv`: the whole of it. Common practice is to add half, read, and
 * add the rest.
 * @throws InputError when there is no liquid, or neither sugar nor water brings it there
 * @example correctionTo(stockAt(5, 1.07), 12).kind // 'sugar'
 */
export function correctionTo(stock: Stock, abv: number, alkalinityMgL = 0): Correction {
  const { volumeL } = acidityOf(stock);
  const now = potentialOf(stock);
  if (Math.abs(now - abv) < READ_ABV) return { kind: 'none' };
  const kind = now < abv ? 'sugar' : 'water';
  const gap = (x: number) =>
    potentialOf(
      withAdded(stock, kind === 'sugar' ? { kind, sugarId: 'white', massKg: x } : waterItem(x, alkalinityMgL))
    ) - abv;
  const most = (kind === 'sugar' ? 1.5 : 20) * volumeL;
  if (gap(most) > 0 !== (kind === 'sugar'))
    throw new InputError(`No ${kind} brings this to ${abv.toFixed(1)} %.`, 'Choose a nearer strength.');
  const amount = findRoot(gap, 0, most, 1e-7);
  return kind === 'sugar' ? { kind, kg: amount } : { kind, litres: amount };
}
