import { json } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';

/** Whether this server was started to show the demo household. */
export const GET = () => json({ demo: env.VECINO_DEMO === '1' });
