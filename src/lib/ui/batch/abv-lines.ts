import { whyAbvDiffers, type Standing } from '$core/belief/standing';
import type { BatchState } from '$core/ledger/state';
import { sgText } from '$core/units/format';
import { dayWord } from '../shelf/when';

/** How strong a wine is guessed to be that nobody read. */
export const guessedAbvLines = ({ abv, belief }: Standing): string[] => [
  `By what went in, its yeast and its days: between ${abv.low.toFixed(1)} and ${abv.high.toFixed(1)} %, eight chances in ten.`,
  ...(belief
    ? [
        `It would read ${sgText(belief.sg.low)} – ${sgText(belief.sg.high)}. One reading, a count of bubbles or a taste makes it surer.`
      ]
    : [])
];

/** How strong a wine is, by each way there is to tell. */
export function readAbvLines(s: BatchState, standing: Standing, now: number): string[] {
  const { abv, classroom, sg } = standing;
  const why = whyAbvDiffers(s, standing);
  return [
    `By all that went in and was read: between ${abv.low.toFixed(1)} and ${abv.high.toFixed(1)} %, eight chances in ten.`,
    classroom === null
      ? 'No reading yet, so there is no classroom sum to set beside it.'
      : `Classroom sum: (${sgText(s.startSg!.sg)} − ${sgText(sg!.sg)}) × 131.25 = ${classroom.toFixed(1)} %; × 135 gives ${(classroom * (135 / 131.25)).toFixed(1)} %.`,
    ...(s.spiritAbv
      ? [
          `By spirit indication, ${dayWord(s.spiritAbv.at, now, s.zone)}: ${s.spiritAbv.abv.toFixed(1)} %, measured and not reckoned.`
        ]
      : []),
    ...(why ? [why] : [])
  ];
}
