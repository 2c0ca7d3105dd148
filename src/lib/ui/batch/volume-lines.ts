import type { Standing } from '$core/belief/standing';
import type { BatchState } from '$core/ledger/state';
import { bottleCost } from '$core/plan/cost';
import { sizeText } from '$core/tables/bottles';
import { greatUnit, volumeText } from '$core/units/format';
import { L_PER } from '$core/units/measure';
import type { Settings } from '$core/units/settings';
import { dayWord } from '../shelf/when';

/** What each bottle of a batch has come to, filling by filling; nothing where nothing had a price. */
export function costLines(s: Pick<BatchState, 'bottled' | 'plan'>, settings: Settings): string[] {
  const glass = s.plan.prices?.bottle ?? 0;
  const money = (x: number) => `${settings.currency}${x.toFixed(2)}`;
  return s.bottled.flatMap((b) =>
    b.cost + glass <= 0
      ? []
      : [...new Set(b.bottles.map((x) => x.sizeL))].map(
          (sizeL) =>
            `A bottle of ${sizeText(sizeL)} has come to ${money(bottleCost(b, sizeL, glass))}${glass > 0 ? `, ${money(glass)} of it glass and stopper` : ''}.`
        )
  );
}

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
      ? [
          `It has cost ${cost(s.cost)} so far, ${cost((s.cost / Math.max(0.1, volumeL)) * L_PER[unit])} a ${greatUnit(unit)}.`
        ]
      : []),
    ...(measured
      ? [
          `Measured ${dayWord(measured.at, now, s.zone)}: ${volumeText(measured.foundL, unit)} where the sums had ${volumeText(measured.expectedL, unit)}; the measure stands.`
        ]
      : []),
    ...(s.lostL > 0 ? [`Left in pulp and lees so far: ${volumeText(s.lostL, unit)}.`] : [])
  ];
}
