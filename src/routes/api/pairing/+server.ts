import { json, type RequestHandler } from '@sveltejs/kit';
import { isLoopbackName } from '$lib/devices/hosts';
import { pairing } from '$lib/devices/server-pairing';

const LOOPBACK = /^(?:127\.|::1$|::ffff:127\.)/;

/** The pairing code, for a page on the very machine; null elsewhere, where it is typed in. */
export const GET: RequestHandler = ({ request, getClientAddress }) => {
  const isHere =
    LOOPBACK.test(getClientAddress()) &&
    isLoopbackName(request.headers.get('host') ?? '') &&
    // What a proxy hands on comes from anywhere.
    !['x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'forwarded'].some((h) =>
      request.headers.has(h)
    ) &&
    (request.headers.get('sec-fetch-site') ?? 'same-origin') === 'same-origin';
  return json({ code: isHere ? pairing().code : null }, { headers: { 'cache-control': 'no-store' } });
};
