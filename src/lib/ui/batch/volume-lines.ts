import type { Standing } from '$core/belief/standing';
import type { BatchState } from '$core/ledger/state';
import { volumeText } from '$core/units/format';
import type { Settings } from '$core/units/settings';
import { dayWord } from '../shelf/when';

/** How a batch's litres came about, and what they cost. */
export function volumeLines(
  s: BatchState,
  { volumeL }: Pick<Standing, 'volumeL'>,
  toComeL: number,
  { settings, now }: { settings: Settings; now: number }
): string[] {
  const unit = settings.volume;
  const cost = (x: number) => `${settings.currency}${x.toFixed(2)}`;
  const measured = s.corrections.findLast((c) => c.kind === 'volume');
  return [
    `By weight of everything that went in, less what was lost: ${volumeText(volumeL, unit)}.`,
    ...(toComeL > volumeL + 0.05
      ? [`Once the fruit has given all it holds: ${volumeText(toComeL, unit)}, as the plan has it.`]
      : []),
    ...(s.cost > 0
      ? [`It has cost ${cost(s.cost)} so far, ${cost(s.cost / Math.max(0.1, volumeL))} a litre.`]
      : []),
    ...(measured
      ? [
          `Measured ${dayWord(measured.at, now, s.zone)}: ${volumeText(measured.foundL, unit)} where the sums had ${volumeText(measured.expectedL, unit)}; the measure stands.`
        ]
      : []),
    ...(s.lostL > 0 ? [`Left in pulp and lees so far: ${volumeText(s.lostL, unit)}.`] : [])
  ];
}
