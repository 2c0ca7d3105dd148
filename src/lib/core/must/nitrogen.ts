import { ferment } from '../ferment/convert';
import { DOSES } from '../tables/doses';
import { liquid, type Stock } from '../liquid/stock';
import { NITROGEN_MG_G } from '../tables/substances';

/** Nitrogen a yeast wants, mg for each gram of sugar in a litre, by appetite. Common practice (from memory). */
export const NEED_PER_G = { low: 0.75, medium: 0.9, high: 1.25 } as const;
export type Appetite = keyof typeof NEED_PER_G;

/** Most diammonium phosphate, g/L. @source US 27 CFR 24.246, 8 lb per 1000 gal (from memory) */
export const DAP_CEILING_GL = 0.96;

/**
 * Nitrogen wanted, mg/L, for `sugarGL` grams of sugar a litre.
 * @example nitrogenNeed(220, 'medium') // 198
 */
export const nitrogenNeed = (sugarGL: number, appetite: Appetite): number => NEED_PER_G[appetite] * sugarGL;

export type Feed = { when: string; hours: number | null; sg: number | null; mixG: number; dapG: number };

export type NutrientPlan = {
  needMgL: number;
  /** what the must brings */
  hasMgL: number;
  shortMgL: number;
  mixG: number;
  dapG: number;
  /** still missing at both ceilings */
  missingMgL: number;
  /** four quarters: 24, 48, 72 h, and when a third of all the sugar is gone; none later */
  feeds: Feed[];
  /** gravity when a third of the total planned sugar is gone */
  breakSg: number;
};

/**
 * What a must wants in nutrient, and when: the usual mix first, for what else it holds; DAP for what is
 * missing, to its ceiling; then mix to its own.
 * @param must with all the sugar that is planned in it, so that feeding in steps keeps its breaks
 * @param style `staggered` in four quarters, or all `at-once` with the yeast
 * @returns null when there is no liquid or no sugar, or too much of it to ferment
 * @source quarters at 24, 48, 72 h and the third break: common practice among honey winemakers
 */
export function nutrientPlan(
  must: Stock,
  appetite: Appetite,
  style: 'staggered' | 'at-once' = 'staggered'
): NutrientPlan | null {
  const now = liquid(must);
  if (!now || must.hexoseKg <= 0) return null;
  const { volumeL } = now;
  const needMgL = nitrogenNeed((1000 * must.hexoseKg) / volumeL, appetite);
  const hasMgL = must.nitrogenMg / volumeL;
  const shortMgL = Math.max(0, needMgL - hasMgL);
  const [mix, dap] = [NITROGEN_MG_G.nutrient!, NITROGEN_MG_G.dap!];
  const usualMixGL = Math.min(DOSES.nutrient.perL[1], shortMgL / mix);
  const dapGL = Math.min(DAP_CEILING_GL, (shortMgL - usualMixGL * mix) / dap);
  const moreMixGL = Math.min(
    DOSES.nutrient.perL[2] - usualMixGL,
    (shortMgL - usualMixGL * mix - dapGL * dap) / mix
  );
  const mixGL = usualMixGL + Math.max(0, moreMixGL);
  const missingMgL = Math.max(0, shortMgL - mixGL * mix - dapGL * dap);
  const third = liquid(ferment(must, must.hexoseKg / 3).stock);
  // All but saturated: nothing that ferments.
  if (!third) return null;
  const breakSg = third.sg;
  const [mixG, dapG] = [mixGL * volumeL, dapGL * volumeL];
  const quarter = (when: string, hours: number | null, sg: number | null): Feed => ({
    when,
    hours,
    sg,
    mixG: mixG / 4,
    dapG: dapG / 4
  });
  const feeds: Feed[] =
    style === 'at-once'
      ? [{ when: 'with the yeast', hours: 0, sg: null, mixG, dapG }]
      : [
          quarter('24 h after the yeast', 24, null),
          quarter('48 h', 48, null),
          quarter('72 h', 72, null),
          quarter('a third of the sugar gone', null, breakSg)
        ];
  return { needMgL, hasMgL, shortMgL, mixG, dapG, missingMgL, feeds: shortMgL > 0 ? feeds : [], breakSg };
}
