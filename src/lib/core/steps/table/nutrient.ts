import { beganAt, type BatchState } from '../../ledger/state';
import { evaluate } from '../../must/evaluate';
import type { StepId } from '../../tables/step-id';
import { NITROGEN_MG_G } from '../../tables/substances';
import { DAY, defineStep, wait, type Put, type StepDef } from './define';
import { powder } from './powder';

/** So much of a part counts as all of it: spoons and bags are not weighed out twice. */
export const NEARLY = 0.8;
/** Nutrient that goes in later than this after the yeast feeds what one does not want, days. Common practice. */
const LATE_DAYS = 6;
/** So far under the third break of the sugar, nutrient is left out. */
const PAST_SG = 0.008;

/** Nitrogen that powders have brought so far, mg. */
const fedNitrogenMg = (s: BatchState): number =>
  Object.entries(NITROGEN_MG_G).reduce((mg, [id, perG]) => mg + perG * (s.powdersG[id]?.massG ?? 0), 0);

/** What of a part, counted from 0, is still to go in; null when it is in, whoever put it there, or not planned. */
function left(s: BatchState, part: number): Put[] | null {
  const feed = evaluate(s.plan).feeds[part];
  if (!feed) return null;
  const partMg = feed.mixG * NITROGEN_MG_G.nutrient! + feed.dapG * NITROGEN_MG_G.dap!;
  const inMg = fedNitrogenMg(s) - part * partMg;
  if (partMg <= 0 || inMg >= NEARLY * partMg) return null;
  const share = 1 - Math.max(0, inMg) / partMg;
  const rows = (
    [
      ['nutrient', feed.mixG],
      ['dap', feed.dapG]
    ] as const
  )
    .filter(([, g]) => g * share > 0.05)
    .map(([id, g]) => powder(id, g * share));
  return [{ ingredients: rows }];
}

/**
 * A part of the nutrient, counted from 0.
 * @example nutrientPart(0).tap // 'Nutrient in'
 */
export const nutrientPart = (part: number): StepDef =>
  defineStep({
    chore: {
      minutes: 5,
      takes: ['nutrient', 'teaspoon', 'cup'],
      isClean: true,
      ifLate: 'Given past a third of the sugar it feeds what you do not want.',
      lookFor: 'It foams up at once when stirred in, and works harder by evening.'
    },
    inPlan({ plan, begins }) {
      const feeds = evaluate(plan).feeds;
      const feed = feeds[part];
      if (!feed) return null;
      const fromH = feed.hours ?? 96;
      return {
        title: feeds.length > 1 ? `Nutrient, part ${part + 1} of ${feeds.length}` : 'Nutrient in',
        short: 'nutrient',
        how:
          feed.sg === null
            ? 'Stirred into a cup of the must first: it foams.'
            : `When a third of its sugar is gone, at about ${feed.sg.toFixed(3)}; none later.`,
        waits: [
          wait(begins, fromH, fromH + DAY, 'while the yeast still grows'),
          ...(part > 0 ? [wait(`nutrient-${part}` as StepId, 20, 36, 'one part at a time')] : [])
        ]
      };
    },
    doneAt: (s) =>
      left(s, part)
        ? null
        : Math.max(0, ...Object.keys(NITROGEN_MG_G).map((id) => s.powdersG[id]?.at ?? 0)) || null,
    isOver(s) {
      const since = beganAt(s);
      const breakSg = evaluate(s.plan).feeds.at(-1)?.sg ?? 0;
      const isPast = s.readings.some((r) => since !== null && r.at > since && r.sg < breakSg - PAST_SG);
      const isLate = since !== null && s.at - since > LATE_DAYS * 86_400_000;
      return s.rackings.length > 0 || isPast || isLate;
    },
    isPut: true,
    isAnyTime: true,
    puts: (s) => {
      const rest = left(s, part);
      return rest && rest[0]!.ingredients.length > 0 ? rest : null;
    },
    tap: 'Nutrient in'
  });
