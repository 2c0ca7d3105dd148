import { giveOrTake, type HowFar } from '$core/belief/how-far';
import type { Estimate } from '$core/units/range';
import { abvText } from '$core/units/format';

/** Above this nobody would bet against it. */
const SURE = 0.95;

/** How far a ferment likely is, as it is said, with its chance where that is no certainty. */
export function howFarText({ word, chance }: HowFar): string {
  const percent = ` (${Math.round(100 * chance)}\u00a0%)`;
  switch (word) {
    case 'finished':
      return chance >= SURE ? 'almost certainly finished' : `likely finished${percent}`;
    case 'stuck':
      return `likely stuck with sugar left${percent}`;
    case 'not begun':
      return 'its yeast has likely not begun';
    default:
      return chance >= SURE ? 'still working' : `likely still working${percent}`;
  }
}

/** A strength, with what it may be off where that is worth a word. */
export function aboutAbv(abv: Estimate): string {
  const by = giveOrTake(abv);
  return `${abvText(abv.likely)} %${by === null ? '' : `, give or take ${by}`}`;
}
