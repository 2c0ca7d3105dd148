import type { Forecast } from '$core/belief/forecast';
import { giveOrTake } from '$core/belief/how-far';
import { abvText } from '$core/units/format';
import type { Estimate } from '$core/units/range';

/** From here on one counts in weeks. */
const WEEKS = 21;

/**
 * When something is to be, from now: `in 9 to 13 days`, `in 4 to 6 weeks`.
 * @param inDays days from now
 */
export function inDaysText({ low, high }: Pick<Estimate, 'low' | 'high'>): string {
  const [a, b] = [Math.round(low), Math.round(high)];
  if (b <= 0) return 'by now';
  if (b > WEEKS) {
    const [w, v] = [Math.max(1, Math.round(a / 7)), Math.max(2, Math.ceil(b / 7))];
    return w === v ? `in about ${v} weeks` : `in ${w} to ${v} weeks`;
  }
  if (a <= 0) return b === 1 ? 'by tomorrow' : `within ${b} days`;
  if (a === b) return b === 1 ? 'tomorrow' : `in ${b} days`;
  return `in ${a} to ${b} days`;
}

/** Gravity over which it is worth saying when it quietens. */
const QUIET_SG = 1.012;
/** A chance under this is not worth a word; over this it is what will be. */
const SELDOM = 0.07;
const LIKELY = 0.5;

/**
 * What a forecast says, in one sentence without its head: `it reads 1.010 in 3 to 5 days and is done in 9 to 16 days, near
 * 12.1 %`.
 * @param withAbv whether its strength is not said elsewhere
 */
export function aheadText(f: Forecast, withAbv = true): string {
  const [now, last] = [f.days[0]!, f.days.at(-1)!];
  if (now.done > 0.97) return 'nothing more is to come';
  const parts: string[] = [];
  const [quiet, done] = [inDaysText(f.quiet.inDays), inDaysText(f.dry.inDays)];
  // What comes within the same weeks is told once.
  if (now.sg.likely > QUIET_SG && f.quiet.chance > LIKELY && (quiet !== done || f.dry.chance <= LIKELY))
    parts.push(`reads 1.010 ${quiet}`);
  if (f.dry.chance > LIKELY) {
    const by = giveOrTake(last.abv);
    const near = `, near ${abvText(last.abv.likely)} %${by === null ? '' : `, give or take ${by}`}`;
    parts.push(`is done ${done}${withAbv ? near : ''}`);
  } else parts.push(`is most likely not done within ${last.d} days`);
  return `it ${parts.join(' and ')}`;
}

/** How many such wines stand still with sugar left, as people count; empty where it is hardly any. */
export function stallsText({ stuckChance: p }: Pick<Forecast, 'stuckChance'>): string {
  if (p < SELDOM) return '';
  if (p > LIKELY) return 'Most such wines stand still with sugar left.';
  const n = Math.round(1 / p);
  return `One such wine in ${n} stands still with sugar left.`;
}
