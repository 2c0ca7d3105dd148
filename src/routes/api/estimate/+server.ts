import type { RequestHandler } from '@sveltejs/kit';
import { z } from 'zod';
import { estimateMust } from '$core/must/balance';
import { planSchema } from '$core/plan/plan-schema';
import { answer, readAs } from '../body';

/** A plan, and how many hours ago its fruit went in when `sgNow` is asked for. */
const requestSchema = planSchema.extend({ ageH: z.number().finite().min(0).max(10_000).optional() });

/** What a plan makes: the same sum, by the same function, as the Plan page. */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, requestSchema);
  if (!read.ok) return read.response;
  const { ageH, ...asked } = read.data;
  return answer(() => {
    const e = estimateMust(asked, ageH ?? null);
    return {
      liquidVolumeL: e.liquidVolumeL,
      vesselVolumeL: e.vesselVolumeL,
      sgNoneGiven: e.sgNoneGiven,
      sgAllGiven: e.sgAllGiven,
      potentialAbv: e.potentialAbv,
      finalSg: e.finalSg,
      taGL: e.taGL,
      ph: e.ph,
      yanMgL: e.yanMgL,
      fruitPerL: e.fruitPerL,
      sgNow: e.sgNow,
      costPerBottle: e.costPerBottle,
      assumptions: e.assumptions
    };
  });
};
