import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { underPath } from './scripts/under-path.mjs';

const version: string =
  process.env.APP_VERSION ??
  JSON.parse(readFileSync(new URL('package.json', import.meta.url), 'utf8')).version;

export default defineConfig(({ command }) => ({
  plugins: [underPath(process.env.BASE_PATH ?? ''), tailwindcss(), sveltekit()],
  define: { __APP_VERSION__: JSON.stringify(version) },
  // A built server needs nothing beside itself: it is copied, and runs.
  ...(command === 'build' ? { ssr: { noExternal: true } } : {}),
  // The build for browsers of these years, a tenth smaller than the one for all.
  resolve: {
    alias: [
      { find: /^dexie$/, replacement: 'dexie/dist/modern/dexie.min.mjs' },
      { find: /^zod$/, replacement: fileURLToPath(new URL('src/lib/zod.ts', import.meta.url)) }
    ]
  },
  build: {
    rolldownOptions: {
      output: {
        // One file for what every page draws with, not one for each icon.
        codeSplitting: { groups: [{ name: 'frame', test: /@lucide|node_modules[\\/]svelte[\\/]/ }] }
      }
    }
  },
  test: {
    include: ['src/**/*.test.ts'],
    environment: 'node',
    // A slow machine is no failure.
    testTimeout: 30_000,
    setupFiles: ['fake-indexeddb/auto', 'src/lib/fast-check.setup.ts'],
    // The tests leave no state behind in a module; a fresh world for each file is most of their time.
    isolate: false,
    // All processors: nobody works beside it.
    maxWorkers: '100%'
  }
}));
