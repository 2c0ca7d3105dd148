import { json, type Handle, type ServerInit } from '@sveltejs/kit';
import { base } from '$app/paths';
import { env } from '$env/dynamic/private';
import { answersTo } from '$lib/devices/hosts';
import { pairing } from '$lib/devices/server-pairing';

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Whether a page of another site asks: its own origin is not the one that was called. */
function isForeign(request: Request): boolean {
  if (request.headers.get('sec-fetch-site') === 'cross-site') return true;
  const origin = request.headers.get('origin');
  if (!origin) return false;
  try {
    const called = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
    return new URL(origin).host !== called;
  } catch {
    return true;
  }
}

/** The pairing code is told where the server was started, once. */
export const init: ServerInit = () => {
  console.log(`Pairing code for instruments: ${pairing().code}`);
};

/** What computes is for this household's pages and scripts, and for nobody else's page. */
export const handle: Handle = async ({ event, resolve }) => {
  const isApi = event.url.pathname.startsWith(`${base}/api/`);
  const host = event.request.headers.get('host') ?? event.url.host;
  if (isApi && !answersTo(host, env.SERVER_NAMES ?? ''))
    return json(
      {
        error: {
          path: 'host',
          reason: `This server does not go by the name ${host}: start it with SERVER_NAMES=${host.replace(/:\d+$/, '')}, or call it by its address.`
        }
      },
      { status: 421 }
    );
  if (isApi && !SAFE.has(event.request.method) && isForeign(event.request))
    return json(
      { error: { path: 'origin', reason: 'Pages of other sites may not use this server.' } },
      { status: 403 }
    );
  return resolve(event);
};
