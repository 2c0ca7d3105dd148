// Installs what is missing: npm packages when the lock file changed, Chromium when a browser is needed.
// Needs nothing but Node, npm and (for Chromium) apt.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import path from 'node:path';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const at = (...parts) => path.join(root, ...parts);
export const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
/** The same browser without its own windows and pages: it starts in a third of the time. */
const HEADLESS = '/usr/bin/chromium-headless-shell';
/** The browser of the tests: the light one where apt has it. */
export const testBrowser = () => process.env.CHROMIUM_PATH ?? (existsSync(HEADLESS) ? HEADLESS : CHROMIUM);

/** The lock file's packages, installed once for each state of it. */
export function installPackages() {
  const wanted = createHash('sha256')
    .update(readFileSync(at('package-lock.json')))
    .digest('hex');
  const stamp = at('node_modules', '.vecino-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Installing npm packages…');
  execFileSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: root, stdio: 'inherit' });
  mkdirSync(at('node_modules'), { recursive: true });
  writeFileSync(stamp, wanted);
}

/** Debian's Chromium, through apt when it is not there; the tests want both of it, and make do with the whole. */
export function installChromium() {
  const there = () => [CHROMIUM, HEADLESS].filter((x) => existsSync(x));
  if (process.env.CHROMIUM_PATH || there().length === 2) return;
  console.log('Installing Chromium with apt…');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const run = (...args) =>
    spawnSync([...sudo, ...args][0], [...sudo, ...args].slice(1), { stdio: 'inherit' }).status;
  const install = (...names) => run('apt-get', 'install', '-y', '-qq', '--no-install-recommends', ...names);
  run('apt-get', 'update', '-qq');
  if (install('chromium', 'chromium-headless-shell') !== 0 && !existsSync(CHROMIUM)) install('chromium');
  if (!existsSync(CHROMIUM)) {
    console.error(
      `The browser tests need Chromium at ${CHROMIUM}, and apt could not install it here.\n` +
        'Install it by hand (apt-get install chromium) or set CHROMIUM_PATH to one you have.'
    );
    process.exit(1);
  }
}

/** Debian's Firefox, for the bench alone. */
export const FIREFOX = process.env.FIREFOX_PATH ?? '/usr/bin/firefox-esr';
export function installFirefox() {
  if (existsSync(FIREFOX)) return;
  console.log('Installing Firefox with apt…');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const run = (...args) =>
    spawnSync([...sudo, ...args][0], [...sudo, ...args].slice(1), { stdio: 'inherit' });
  run('apt-get', 'update', '-qq');
  run('apt-get', 'install', '-y', '-qq', '--no-install-recommends', 'firefox-esr');
  if (!existsSync(FIREFOX))
    throw new Error(`Install Firefox at ${FIREFOX}, or set FIREFOX_PATH to one you have.`);
}

/** Runs a program of node_modules/.bin; returns its exit code. */
export const bin = (name, args, options = {}) =>
  spawnSync(at('node_modules', '.bin', name), args, { cwd: root, stdio: 'inherit', ...options }).status ?? 1;

/** The same without waiting; what it prints comes out whole, when it ends. */
export const binSoon = (name, args) =>
  new Promise((done) => {
    const child = spawn(at('node_modules', '.bin', name), args, { cwd: root });
    const said = [];
    child.stdout.on('data', (d) => said.push(d));
    child.stderr.on('data', (d) => said.push(d));
    child.on('close', (code) => {
      process.stdout.write(Buffer.concat(said));
      done(code ?? 1);
    });
  });

if (process.argv[1] === fileURLToPath(import.meta.url)) installPackages();
