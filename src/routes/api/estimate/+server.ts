import { json, type RequestHandler } from '@sveltejs/kit';
import { estimateMust } from '$core/must/balance';
import { z } from 'zod';
import { planSchema } from '$core/must/plan';
import { firstProblem } from '$core/units/problem';

const MAX_BYTES = 1_000_000;

/** A plan, and how many hours ago its fruit went in when `sgNow` is asked for. */
const requestSchema = planSchema.extend({ ageH: z.number().finite().min(0).max(10_000).optional() });

/** Reads at most `MAX_BYTES` of a body, however it is sent; null when there is more. */
async function readBody(request: Request): Promise<string | null> {
  if (!request.body) return '';
  const reader = request.body.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > MAX_BYTES) {
      // The rest is read and dropped, so that the sender hears the answer.
      chunks.length = 0;
      continue;
    }
    chunks.push(value);
  }
  return size > MAX_BYTES ? null : new TextDecoder().decode(Buffer.concat(chunks));
}

const refuse = (status: number, path: string, reason: string) =>
  json({ error: { path, reason } }, { status });

/** What a plan makes: the same sum, by the same function, as the Plan page. */
export const POST: RequestHandler = async ({ request }) => {
  const text = await readBody(request);
  if (text === null) return refuse(413, '', 'The body is larger than 1 MB. Send one plan at a time.');
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch (e) {
    return refuse(400, '', `The body is not JSON: ${(e as Error).message}`);
  }
  const plan = requestSchema.safeParse(body);
  if (!plan.success) {
    const { path, reason } = firstProblem(plan.error);
    return refuse(400, path, reason);
  }
  const { ageH, ...asked } = plan.data;
  const e = estimateMust(asked, ageH ?? null);
  return json({
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
  });
};
