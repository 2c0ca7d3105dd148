import type { RequestHandler } from '@sveltejs/kit';
import { RULES } from '$core/cautions/rules';
import { blend } from '$core/finish/blend';
import { HEAT_C, pasteurUnits, WANTED_UNITS } from '$core/ferment/heat';
import { prime } from '$core/finish/prime';
import { SORBIC_CEILING_MG_L, SORBIC_SHARE, sorbateDoseGL } from '$core/finish/sorbate';
import { sulphiteDose } from '$core/finish/sulphite';
import { sweeten, sweetenWith } from '$core/finish/sweeten';
import { wineOf } from '$core/finish/wine';
import { BOTTLES } from '$core/tables/bottles';
import { DOSES } from '$core/tables/doses';
import { SWEETENERS } from '$core/tables/sweeteners';
import { MOST_SO2_MG_L } from '$core/cautions/scene';
import { answer, readAs } from '../body';
import { finishRequestSchema, type FinishAnswer, type FinishRequest } from './request';

const caution = (id: string): string => RULES[id]!.text;
const some = (...all: (string | false)[]): string[] => all.filter((x) => x !== false);

type Asked<K extends FinishRequest['ask']> = Extract<FinishRequest, { ask: K }>;

/** One sum each, by the same functions as the Bench and the batch's own page. */
const ANSWERS: { [K in FinishRequest['ask']]: (q: Asked<K>) => FinishAnswer } = {
  sulphite: ({ volumeL, ph, style, freeMgL = 0 }) => {
    const dose = sulphiteDose({ volumeL, ph, style, freeMgL });
    return {
      freeTargetMgL: dose.freeTargetMgL,
      metabisulphiteG: dose.metabisulphiteG,
      withBoundG: dose.withBoundG,
      cautions: some(
        caution('sulphite'),
        dose.addMgL + freeMgL > MOST_SO2_MG_L && caution('sulphite-total'),
        dose.withBoundG.low > DOSES.metabisulphite.perL[2] * volumeL &&
          `At pH ${ph} that is more than anyone gives: sharpen it first.`
      )
    };
  },
  sorbate: ({ volumeL, abv, ph }) => {
    const gL = sorbateDoseGL(abv, ph);
    return {
      sorbateG: gL * volumeL,
      cautions: some(
        caution('sorbate'),
        1000 * gL * SORBIC_SHARE > SORBIC_CEILING_MG_L &&
          `That is more than ${SORBIC_CEILING_MG_L} mg/L of sorbic acid, the most that wine for sale may hold in the European Union.`
      )
    };
  },
  sweeten: ({ volumeL, sg, abv, sweetenerId, toSg, addGL }) => {
    const goal = toSg === undefined ? { addGL: addGL! } : { toSg };
    const to = sweeten(wineOf({ volumeL, sg, abv }), goal, sweetenWith(sweetenerId));
    return {
      massKg: to.amount,
      volumeL: to.volumeL,
      sg: to.sg,
      abv: to.abv,
      cautions: some(
        SWEETENERS[sweetenerId].fermentable > 0 &&
          to.amount > 0 &&
          'Living yeast takes this sugar. Stabilise first, with sulphite and sorbate together in finished, clear wine, or bottles burst.',
        sweetenerId === 'xylitol' && caution('dogs')
      )
    };
  },
  blend: ({ wines, want }) => {
    const { take, volumeL, abv, taGL, hexoseGL, misses } = blend(wines, want);
    return {
      take,
      volumeL,
      abv,
      taGL,
      hexoseGL,
      misses,
      cautions: some(
        take.length > 1 &&
          hexoseGL > 1 &&
          'Yeast of one wine takes the sugar of another. Stabilise the blend, or let it stand and read it before it is bottled.',
        take.length > 1 && 'What is blended cannot be parted again: try it in a glass first.'
      )
    };
  },
  prime: ({ volumeL, abv, tempC, hexoseGL, want }) => {
    const goal =
      want.gL !== undefined
        ? { gL: want.gL }
        : want.volumes !== undefined
          ? { volumes: want.volumes }
          : { bar20: want.bar20! };
    const p = prime({ volumeL, abv, tempC, hexoseGL: hexoseGL ?? 0, want: goal });
    const { still, crown, sparkling } = BOTTLES;
    return {
      sugarG: p.sugarG,
      perBottleG: p.perBottleG,
      bar20: p.bar20,
      bar30: p.bar30,
      cautions: some(
        p.bar20 > sparkling.ratingBar && caution('pressure'),
        p.bar20 > crown.ratingBar &&
          p.bar20 <= sparkling.ratingBar &&
          `Only in sparkling bottles, wired: crown-capped ones are made for ${crown.ratingBar} bar.`,
        p.bar20 > still.ratingBar &&
          p.bar20 <= crown.ratingBar &&
          `Never in still bottles, made for ${still.ratingBar} bar: crown-capped or sparkling ones.`,
        p.bar30 > sparkling.ratingBar &&
          p.bar20 <= sparkling.ratingBar &&
          'Keep it cool: a warm day takes it over what any bottle is made for.',
        abv > 13 && 'Over 13 % the yeast may not ferment the priming.'
      )
    };
  },
  heat: ({ coreC, minutes }) => {
    const pu = pasteurUnits(coreC, minutes);
    return {
      pu,
      cautions: some(
        caution('heat-treating'),
        coreC < HEAT_C.least && 'Too cool: yeast can live through this, whatever the time.',
        coreC >= HEAT_C.least &&
          pu < WANTED_UNITS &&
          `Too little for sweet wine: ${WANTED_UNITS} units are wanted.`,
        coreC > HEAT_C.most && 'So hot the wine tastes cooked.'
      )
    };
  }
};

/** A sum of finishing: sulphite, sorbate, sweetening, a blend, priming, or heat. */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, finishRequestSchema);
  if (!read.ok) return read.response;
  const q = read.data;
  return answer(() => (ANSWERS[q.ask] as (q: FinishRequest) => FinishAnswer)(q));
};
