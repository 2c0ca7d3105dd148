// One command: installs, builds what is not built yet, and serves Vecino with the demo household.
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { bin, installPackages, root } from './setup.mjs';

/** What a build is made from; and where it is written down which build the last demo made. */
const SOURCES = ['src', 'static', 'scripts', 'package-lock.json', 'svelte.config.js', 'vite.config.ts'];
const stamp = path.join(root, 'build', '.demo');
const madeFor = JSON.stringify([process.env.BASE_PATH ?? '', process.env.APP_VERSION ?? '']);

function isBuilt() {
  if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== madeFor) return false;
  const built = statSync(stamp).mtimeMs;
  return SOURCES.map((name) => path.join(root, name))
    .flatMap((at) =>
      statSync(at).isDirectory()
        ? [at, ...readdirSync(at, { recursive: true }).map((x) => path.join(at, x))]
        : [at]
    )
    .every((at) => statSync(at).mtimeMs < built);
}

installPackages();
if (!isBuilt()) {
  console.log('Building Vecino: half a minute to a minute, the first time…');
  if (bin('vite', ['build', '--logLevel', 'warn']) !== 0) process.exit(1);
  writeFileSync(stamp, madeFor);
}
process.env.HOST ??= '127.0.0.1';
process.env.PORT ??= '4173';
process.env.VECINO_DEMO = '1';
const shown = process.env.HOST === '0.0.0.0' ? '127.0.0.1' : process.env.HOST;
console.log(`Vecino is at http://${shown}:${process.env.PORT} (Ctrl+C stops it)`);
await import('./serve.mjs');
