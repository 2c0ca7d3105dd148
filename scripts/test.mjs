// Lint, types, boundaries, unit tests, build, browser tests; ends with one line of counts.
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { bin, binSoon, installChromium, installPackages, root } from './setup.mjs';

installPackages();
installChromium();
const tmp = path.join(root, '.tmp');
rmSync(tmp, { recursive: true, force: true });
mkdirSync(tmp, { recursive: true });

let passed = 0;
let failed = 0;

/** A step that passes or fails as a whole. */
async function check(name, command, args) {
  const started = Date.now();
  const ok = (await binSoon(command, args)) === 0;
  console.log(`${ok ? '✓' : '✗'} ${name} (${((Date.now() - started) / 1000).toFixed(0)} s)`);
  if (ok) passed += 1;
  else failed += 1;
  return ok;
}

/** A test runner that writes a JSON report; its own counts are added up. */
function suite(name, command, args, report, env, count) {
  const started = Date.now();
  const code = bin(command, args, { env: { ...process.env, ...env } });
  let counts = { passed: 0, failed: 1 };
  try {
    counts = count(JSON.parse(readFileSync(report, 'utf8')));
  } catch (e) {
    console.error(`No report from ${name}: ${e.message}`);
  }
  if (code !== 0 && counts.failed === 0) counts.failed = 1;
  console.log(
    `${code === 0 ? '✓' : '✗'} ${name}: ${counts.passed} passed, ${counts.failed} failed (${((Date.now() - started) / 1000).toFixed(0)} s)`
  );
  passed += counts.passed;
  failed += counts.failed;
}

await check('kit sync', 'svelte-kit', ['sync']);
// Two at a time, for two processors.
await Promise.all([
  (async () => {
    await check('formatting', 'prettier', ['--check', '--log-level', 'warn', '.']);
    await check('lint and boundaries', 'eslint', ['.', '--max-warnings', '0']);
  })(),
  (async () => {
    const components = ['--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human'];
    await check('types', 'svelte-check', components);
  })()
]);
console.log(`  random tests begin from seed ${process.env.SEED ?? 1}`);
const unitReport = path.join(tmp, 'unit.json');
suite(
  'unit tests',
  'vitest',
  ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${unitReport}`],
  unitReport,
  {},
  (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests + (r.numFailedTestSuites > 0 && r.numFailedTests === 0 ? 1 : 0)
  })
);
if (await check('build', 'vite', ['build', '--logLevel', 'warn'])) {
  const e2eReport = path.join(tmp, 'browser.json');
  suite(
    'browser tests',
    'playwright',
    ['test', '--reporter=list,json'],
    e2eReport,
    { PLAYWRIGHT_JSON_OUTPUT_NAME: e2eReport },
    (r) => ({
      // What passes only at a second try is a failure.
      passed: r.stats.expected,
      failed: r.stats.unexpected + r.stats.flaky + r.errors.length
    })
  );
}

console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
