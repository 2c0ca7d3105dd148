// One command: installs, builds and serves Vecino with the demo household.
import { bin, installPackages } from './setup.mjs';

installPackages();
if (bin('vite', ['build', '--logLevel', 'warn']) !== 0) process.exit(1);
process.env.HOST ??= '127.0.0.1';
process.env.PORT ??= '4173';
process.env.VECINO_DEMO = '1';
const shown = process.env.HOST === '0.0.0.0' ? '127.0.0.1' : process.env.HOST;
console.log(`Vecino is at http://${shown}:${process.env.PORT} (Ctrl+C stops it)`);
await import('./serve.mjs');
