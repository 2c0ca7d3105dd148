import { json } from '@sveltejs/kit';

/** Whether the server is up, and which version it is. */
export const GET = () => json({ ok: true, version: __APP_VERSION__ });
