// Measures the budgets: `npm run bench`. Ratios within one run; nothing here is a test.
import { spawnSync } from 'node:child_process';
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
// Long soaks of what the unit tests try a little of.
code ||= bin('vitest', ['run', '--testTimeout=1800000'], { env: { ...process.env, SOAK: '1' } });
code ||= bin('playwright', ['test', '--config', 'bench/playwright.config.ts', '--reporter=line']);
// The other browser.
code ||=
  spawnSync(process.execPath, [path.join(root, 'scripts', 'firefox.mjs')], { stdio: 'inherit' }).status ?? 1;
// Killed a hundred times in the middle of writing.
code ||= bin('playwright', ['test', 'killed', '--reporter=line'], { env: { ...process.env, KILLS: '100' } });
process.exit(code);
