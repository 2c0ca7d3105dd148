import { json, type Handle } from '@sveltejs/kit';

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

/** What computes is for this household's pages and scripts, and for nobody else's page. */
export const handle: Handle = async ({ event, resolve }) => {
  if (event.url.pathname.startsWith('/api/') && !SAFE.has(event.request.method) && isForeign(event.request))
    return json(
      { error: { path: 'origin', reason: 'Pages of other sites may not use this server.' } },
      { status: 403 }
    );
  return resolve(event);
};
