import type { Stock } from '../liquid/stock';
import { scaled } from '../liquid/stock';
import { amountOf } from '../plan/plan';
import { sweeten, type Sweetened, type Sweetening } from './sweeten';
import { toldOf } from './wine';

/** A glass of a bench trial: how much went into it, for each litre and in all. */
export type Glass = { label: string; addGL: number; grams: number };

/** How a trial is laid out: so many glasses of one size, each so much sweeter than the one before; the first is plain. */
export type Trial = { glasses: number; glassL: number; stepGL: number };

/** Sugar dissolved for dropping, g in each mL: half a kilogram made up to a litre. Common practice. */
export const SYRUP_G_ML = 0.5;

/**
 * The glasses of a trial.
 * @example glassesOf({ glasses: 4, glassL: 0.1, stepGL: 5 })[3].grams // 1.5
 */
export const glassesOf = ({ glasses, glassL, stepGL }: Trial): Glass[] =>
  Array.from({ length: glasses }, (_, i) => ({
    label: String.fromCharCode(65 + i),
    addGL: i * stepGL,
    grams: i * stepGL * glassL
  }));

export type AfterTrial = {
  /** what goes into the wine in all, and what it is then */
  whole: Sweetened;
  /** of it so much is in the glasses, where they are poured back, kg */
  inGlassesKg: number;
  /** and so much is still to be weighed, kg */
  toWeighKg: number;
  /** litres of wine that stood in the glasses */
  glassesL: number;
};

/**
 * From the glass one likes to the whole vessel. Glasses poured back bring their wine and what is in them; what was
 * drunk is gone, and there is less to sweeten.
 * @param chosenGL grams of the sweetener to the litre in the glass one likes
 */
export function afterTrial(
  wine: Stock,
  trial: Trial,
  chosenGL: number,
  of: Sweetening,
  arePouredBack: boolean
): AfterTrial {
  const glassesL = trial.glasses * trial.glassL;
  const { volumeL } = toldOf(wine);
  const left = arePouredBack ? wine : scaled(wine, Math.max(0, 1 - glassesL / volumeL));
  const whole = sweeten(left, { addGL: chosenGL }, of);
  const sum = glassesOf(trial).reduce((g, x) => g + x.grams, 0) / 1000;
  const inGlassesKg = arePouredBack ? Math.min(sum, amountOf(whole.item)) : 0;
  return { whole, inGlassesKg, toWeighKg: amountOf(whole.item) - inGlassesKg, glassesL };
}

/** A powder dissolved for dropping, g in each mL: 10 g made up to 100 mL. Common practice. */
export const DROPS_G_ML = 0.1;

/** What a trial of something weighed, or of another wine, asks of the whole jar: g or mL in all, in the glasses, still to come. */
export type AfterGlasses = { total: number; inGlasses: number; toGive: number; glassesL: number };

/**
 * From the glass one likes to the whole jar, for what hardly changes its volume: acid, tannin, finings; or another wine,
 * in mL for each litre.
 * @param chosenPerL what the glass one likes got for each litre, g or mL
 * @example afterGlasses(5, { glasses: 4, glassL: 0.1, stepGL: 0.5 }, 1, true).toGive // 4.7
 */
export function afterGlasses(
  volumeL: number,
  trial: Trial,
  chosenPerL: number,
  arePouredBack: boolean
): AfterGlasses {
  const glassesL = trial.glasses * trial.glassL;
  const total = chosenPerL * (arePouredBack ? volumeL : Math.max(0, volumeL - glassesL));
  const given = glassesOf(trial).reduce((g, x) => g + x.grams, 0);
  const inGlasses = arePouredBack ? Math.min(given, total) : 0;
  return { total, inGlasses, toGive: total - inGlasses, glassesL };
}
