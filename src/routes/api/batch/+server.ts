import type { RequestHandler } from '@sveltejs/kit';
import { reportOf } from '$core/report/report';
import { InputError } from '$core/units/input-error';
import { answer, readAs } from '../body';
import { batchRequestSchema } from '../batch-request';

/** What a batch's page says of it: the same fold, standing, schedule and pressure check. */
export const POST: RequestHandler = async ({ request }) => {
  const read = await readAs(request, batchRequestSchema);
  if (!read.ok) return read.response;
  const { events, at, bottle } = read.data;
  return answer(() => {
    const report = reportOf(events, Date.parse(at), bottle);
    if (!report) throw new InputError('No batch is begun.', 'Send its planned event too.', 'events');
    return report;
  });
};
