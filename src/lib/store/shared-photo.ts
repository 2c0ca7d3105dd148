import { base } from '$app/paths';

/** Where the service worker lays a picture that was shared to Vecino. */
const CACHE = 'vecino-shared';
const KEY = `${base}/shared-photo`;

export type Shared = { blob: Blob; caption: string };

/** A picture that waits for its wine; null where none does. */
export async function sharedPhoto(): Promise<Shared | null> {
  if (!('caches' in globalThis)) return null;
  const found = await (await caches.open(CACHE)).match(KEY);
  if (!found) return null;
  return { blob: await found.blob(), caption: decodeURIComponent(found.headers.get('x-caption') ?? '') };
}

/** It has found its wine, or is not wanted. */
export async function dropShared(): Promise<void> {
  if ('caches' in globalThis) await (await caches.open(CACHE)).delete(KEY);
}
