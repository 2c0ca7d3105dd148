import { randomUUID } from 'node:crypto';
import { json, type RequestHandler } from '@sveltejs/kit';
import { postSchema } from '$lib/devices/device';
import { lend, post, written } from '$lib/devices/mailbox';
import { pairing } from '$lib/devices/server-pairing';
import { readAs, refuse } from '../../../body';

/** So many samples go out at a time. */
const MOST = 1000;

/** The name of a device that bears its key, or the refusal: nothing is kept of who does not. */
function deviceOf(id: string | undefined, request: Request): { id: string } | { response: Response } {
  if (!id || !/^[\w-]{1,64}$/.test(id))
    return { response: refuse(400, 'id', 'A device has a name of letters, digits and dashes, up to 64.') };
  const key = /^Bearer\s+(\S{1,200})$/i.exec(request.headers.get('authorization') ?? '')?.[1] ?? '';
  if (!pairing().isKey(id, key))
    return {
      response: refuse(
        401,
        'authorization',
        'This is not the key of that device here. Send the key that Vecino shows under Settings, as: Authorization: Bearer …'
      )
    };
  return { id };
}

/** A device posts what it read: one sample, or `{ "samples": [ … ] }`. It waits until the household's browser has written it. */
export const POST: RequestHandler = async ({ params, request }) => {
  const device = deviceOf(params.id, request);
  if ('response' in device) return device.response;
  const read = await readAs(request, postSchema);
  if (!read.ok) return read.response;
  const samples = 'samples' in read.data ? read.data.samples : [read.data];
  return json(post(device.id, samples, Date.now()), { status: 202 });
};

/**
 * Lends out what waits, oldest first; it comes back unless it is said to be written within the minute, to the same
 * `?reader=` at once.
 */
export const GET: RequestHandler = ({ params, request, url }) => {
  const device = deviceOf(params.id, request);
  if ('response' in device) return device.response;
  const lease = randomUUID();
  const reader = url.searchParams.get('reader')?.slice(0, 64) || lease;
  return json(lend(device.id, lease, MOST, Date.now(), reader), { headers: { 'cache-control': 'no-store' } });
};

/** What was lent out as `?lease=` is written down, and kept here no longer. */
export const DELETE: RequestHandler = ({ params, request, url }) => {
  const device = deviceOf(params.id, request);
  if ('response' in device) return device.response;
  const lease = url.searchParams.get('lease');
  if (!lease) return refuse(400, 'lease', 'Give the lease that GET answered.');
  return json({ written: written(device.id, lease) });
};
