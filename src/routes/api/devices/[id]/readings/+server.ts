import { createHash } from 'node:crypto';
import { json, type RequestHandler } from '@sveltejs/kit';
import { postSchema } from '$lib/devices/device';
import { post, taken, waiting } from '$lib/devices/mailbox';
import { readAs, refuse } from '../../../body';

/** Shorter keys are guessed. */
const LEAST_KEY = 16;
/** So many samples go out at a time. */
const MOST = 1000;

/** The box of a device by its name and its key, or the refusal: whoever has not both finds an empty one. */
function boxOf(id: string | undefined, request: Request): { box: string } | { response: Response } {
  if (!id || !/^[\w-]{1,64}$/.test(id))
    return { response: refuse(400, 'id', 'A device has a name of letters, digits and dashes, up to 64.') };
  const key = /^Bearer\s+(\S+)$/i.exec(request.headers.get('authorization') ?? '')?.[1] ?? '';
  if (key.length < LEAST_KEY || key.length > 200)
    return {
      response: refuse(
        401,
        'authorization',
        `Send the key that Vecino shows under Settings, as: Authorization: Bearer …, at least ${LEAST_KEY} characters.`
      )
    };
  return { box: createHash('sha256').update(`${id} ${key}`).digest('hex') };
}

/** A device posts what it read: one sample, or `{ "samples": [ … ] }`. It waits until the household's browser takes it. */
export const POST: RequestHandler = async ({ params, request }) => {
  const found = boxOf(params.id, request);
  if ('response' in found) return found.response;
  const read = await readAs(request, postSchema);
  if (!read.ok) return read.response;
  const samples = 'samples' in read.data ? read.data.samples : [read.data];
  return json(post(found.box, samples, Date.now()), { status: 202 });
};

/** What waits, oldest first; it stays until it is said to be taken. */
export const GET: RequestHandler = ({ params, request }) => {
  const found = boxOf(params.id, request);
  if ('response' in found) return found.response;
  return json(waiting(found.box, MOST, Date.now()), { headers: { 'cache-control': 'no-store' } });
};

/** Those up to `?upTo=` are written down, and are kept here no longer. */
export const DELETE: RequestHandler = ({ params, request, url }) => {
  const found = boxOf(params.id, request);
  if ('response' in found) return found.response;
  const upTo = Number(url.searchParams.get('upTo'));
  if (!Number.isInteger(upTo) || upTo < 0)
    return refuse(400, 'upTo', 'Give the number that GET answered as upTo.');
  taken(found.box, upTo);
  return json({ ok: true });
};
