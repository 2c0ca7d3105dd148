import type { Standing } from '$core/belief/standing';
import type { BatchState } from '$core/ledger/state';
import { counted, massText, sgText, temperatureText } from '$core/units/format';
import type { Settings } from '$core/units/settings';
import { dayWord } from '../shelf/when';

/** How a gravity came about, and what it tells of its end. */
export function gravityLines(
  s: BatchState,
  { sg, steady }: Standing,
  here: { now: number; settings: Settings }
): string[] {
  const c = s.corrections.findLast((x) => x.kind === 'sugar');
  return [
    sg?.measured
      ? `Read ${dayWord(sg.at, here.now, s.zone)}, corrected to ${temperatureText(20, here.settings.temp)}.`
      : 'Not read yet: this is what the sums say went in.',
    ...(c && Math.abs(c.sugarKg) > 0.005
      ? [
          `The sums expected ${sgText(c.expectedSg)} and it read ${sgText(c.sg)}, so I count ${massText(Math.abs(c.sugarKg), here.settings.mass)} ${c.sugarKg > 0 ? 'more' : 'less'} sugar than the table said.`
        ]
      : []),
    steady.steady
      ? `It had not moved for ${counted(steady.days, 'day')} when it was last read.`
      : 'Finished means: the same, three days or more apart.'
  ];
}
