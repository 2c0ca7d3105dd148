import { stockAt, addInto, liquid, scaled, type Stock } from '../liquid/stock';
import { abvOf, ferment } from '../ferment/convert';
import { findRoot } from '../maths/root';
import { InputError } from '../units/input-error';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';
import { contribution, TYPICAL } from './contribution';

/**
 * Sugar to add so that a must reaches a gravity: kg of a sweetener into `volumeL` at `fromSg`.
 * @param volumeL free liquid, L; gravities 20/20
 * @throws InputError when the target is below where it stands, or denser than the sweetener itself
 * @example sugarToReach(5, 1.05, 1.08) // 0.45108
 */
export function sugarToReach(
  volumeL: number,
  fromSg: number,
  toSg: number,
  sugarId: SweetenerId = 'white'
): number {
  if (!(toSg >= fromSg))
    throw new InputError(
      `${toSg.toFixed(3)} is below ${fromSg.toFixed(3)}.`,
      'Sugar only lifts a gravity; add water to lower it.'
    );
  const stock = stockAt(volumeL, fromSg);
  const { poured } = contribution({ kind: 'sugar', sugarId, massKg: 1 }, undefined, TYPICAL);
  const read = (kg: number) => liquid(addInto(scaled(stock), poured, kg))?.sg ?? Infinity;
  const most = volumeL * 3;
  if (read(most) < toSg)
    throw new InputError(
      `${SWEETENERS[sugarId].name} alone does not bring it to ${toSg.toFixed(3)}.`,
      'Aim lower, or use a drier sugar.'
    );
  // Where it stands there already, to the last digit.
  if (read(0) >= toSg) return 0;
  return findRoot((kg) => read(kg) - toSg, 0, most, 1e-9);
}

/**
 * Litres of water that bring a must down to a gravity. @throws InputError when it is there or below already
 * @example waterToLower(5, 1.1, 1.08) // 1.2625
 */
export function waterToLower(volumeL: number, fromSg: number, toSg: number): number {
  if (!(toSg <= fromSg && toSg > 1))
    throw new InputError(
      `${fromSg.toFixed(3)} cannot be watered to ${toSg.toFixed(3)}.`,
      'Water lowers a gravity, and never to 1.000.'
    );
  const stock = stockAt(volumeL, fromSg);
  const { poured } = contribution({ kind: 'water', volumeL: 1 }, undefined, TYPICAL);
  const read = (l: number) => liquid(addInto(scaled(stock), poured, l))!.sg;
  const most = volumeL * 200;
  if (read(0) <= toSg) return 0;
  if (read(most) > toSg)
    throw new InputError(`${toSg.toFixed(4)} is all but water.`, 'Aim at a gravity one can read.');
  return findRoot((l) => toSg - read(l), 0, most, 1e-6);
}

/**
 * What `massKg` of a sweetener does in `volumeL` of a must or wine: points of gravity, % of alcohol once it has
 * fermented, and sweetness as grams of sugar a litre while it has not.
 */
export function sweetenerEffect(sugarId: SweetenerId, massKg: number, volumeL: number, fromSg = 1.05) {
  const s = SWEETENERS[sugarId];
  const stock = stockAt(volumeL, fromSg);
  const { poured } = contribution({ kind: 'sugar', sugarId, massKg }, undefined, TYPICAL);
  const after = addInto(scaled(stock), poured);
  const strength = (x: Stock) => abvOf(ferment(x, x.hexoseKg).stock);
  const now = liquid(after)!;
  return {
    points: 1000 * (now.sg - liquid(stock)!.sg),
    abv: strength(after) - strength(stock),
    sweetGL: (1000 * massKg * s.sweetness) / now.volumeL,
    volumeL: now.volumeL - liquid(stock)!.volumeL
  };
}
