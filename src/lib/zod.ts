// What checks data stands in for its package everywhere (see the alias in vite.config.ts): a page allows no code to be
// made of text, and a browser reports each try.
import { config } from 'zod/v4';

if (!('process' in globalThis)) config({ jitless: true });

export * from 'zod/v4';
export { z, default } from 'zod/v4';
