// Measures the budgets: `npm run bench`. Ratios within one run; nothing here is a test.
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { bin, installChromium, installPackages, root } from './setup.mjs';

installPackages();
installChromium();
let code = bin('vite', ['build', '--logLevel', 'error']);
const { build } = await import('vite');
const outDir = path.join(root, '.tmp', 'bench');
for (const name of ['core', 'quickline', 'belief', 'safety']) {
  await build({
    configFile: false,
    root,
    logLevel: 'error',
    build: { ssr: path.join(root, 'bench', `${name}.ts`), outDir: path.join(outDir, name), emptyOutDir: true }
  });
  await import(pathToFileURL(path.join(outDir, name, `${name}.js`)).href);
}
// Long soaks of what the unit tests try a little of: extreme histories, damaged files.
code ||= bin(
  'vitest',
  [
    'run',
    'src/lib/core/report/extreme.test.ts',
    'src/lib/store/mutated-files.test.ts',
    'src/lib/core/solve/solve.test.ts',
    '--testTimeout=1800000'
  ],
  { env: { ...process.env, HISTORIES: '5000', MUTATIONS: '10000', SEEDS: '10000' } }
);
code ||= bin('playwright', ['test', '--config', 'bench/playwright.config.ts', '--reporter=line']);
// Killed a hundred times in the middle of writing.
code ||= bin('playwright', ['test', 'killed', '--reporter=line'], { env: { ...process.env, KILLS: '100' } });
process.exit(code);
