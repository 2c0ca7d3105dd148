// Measures the budgets: `npm run bench`. Ratios within one run; nothing here is a test.
import { bin, installChromium, installPackages } from './setup.mjs';

installPackages();
installChromium();
let code = bin('vite', ['build', '--logLevel', 'error']);
code ||= bin('vitest', [
  'run',
  '--config',
  'bench/vitest.config.ts',
  '--disable-console-intercept',
  '--reporter=dot'
]);
code ||= bin('playwright', ['test', '--config', 'bench/playwright.config.ts', '--reporter=line']);
process.exit(code);
