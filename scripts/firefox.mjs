// A short walk through the built app in Debian's Firefox, over WebDriver BiDi: `node scripts/firefox.mjs`, and in the bench.
// Open, plan, begin, a line, a reading, a racking, bottles, out into a file, in again, and without the server.
import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import puppeteer from 'puppeteer-core';
import { installFirefox, FIREFOX, root } from './setup.mjs';

installFirefox();
const port = 4785;
const base = `http://localhost:${port}`;
const files = mkdtempSync(path.join(tmpdir(), 'vecino-firefox-'));
const server = spawn(process.execPath, [path.join(root, 'scripts', 'serve.mjs')], {
  env: { ...process.env, PORT: String(port) },
  stdio: ['ignore', 'ignore', 'inherit']
});
const until = async (what, is, ms = 30_000) => {
  const ends = Date.now() + ms;
  for (;;) {
    const found = await Promise.resolve()
      .then(is)
      .catch(() => false);
    if (found) return found;
    if (Date.now() > ends) throw new Error(`Firefox: ${what} did not come.`);
    await new Promise((r) => setTimeout(r, 100));
  }
};
await until('the server', () => fetch(`${base}/api/health`).then((r) => r.ok));
const browser = await puppeteer.launch({
  browser: 'firefox',
  executablePath: FIREFOX,
  extraPrefsFirefox: {
    'browser.download.folderList': 2,
    'browser.download.dir': files,
    'browser.helperApps.neverAsk.saveToDisk': 'application/json,application/zip'
  }
});
const complaints = [];
let isOffline = false;
const page = await browser.newPage();
await page.setViewport({ width: 1280, height: 800 });
let doing = '';
page.on('pageerror', (e) => {
  // What was still being fetched as its page was left; what was really missing is told by what wanted it.
  if (!/Failed to load .*ServiceWorker intercepted/.test(String(e)))
    complaints.push(`${doing}: ${String(e)}`);
});
page.on('console', (m) => {
  if ((m.type() === 'error' || m.type() === 'warn') && !isOffline) complaints.push(`${doing}: ${m.text()}`);
});

/** What is left while it loads is no fault of the page. */
const IDLE = { waitUntil: 'networkidle0' };

const text = (selector = 'main') => page.$eval(selector, (e) => e.textContent.replace(/\s+/g, ' '));
const shows = (what, selector) => until(`“${what}”`, async () => (await text(selector)).includes(what));
const press = (name) => page.locator(`::-p-aria([name="${name}"][role="button"])`).click();
async function say(line) {
  doing = line;
  await page.evaluate(() => document.activeElement?.blur());
  await page.keyboard.press('/');
  const box = await page.waitForSelector('[aria-label="Say it in one line"]');
  await box.evaluate((e) => (e.value = ''));
  await box.type(line);
  await until(`what “${line}” means`, () => page.$('[data-testid="means"]')).catch(async (e) => {
    throw new Error(`${e.message} ${await page.$eval('dialog', (d) => d.innerText)}`);
  });
  await page.keyboard.press('Enter');
  await until(`“${line}” written`, async () => !(await page.$('[aria-label="Say it in one line"]')));
}

try {
  for (const place of ['', 'harvest', 'plan', 'batches', 'cellar', 'bench', 'almanac', 'settings', 'walk']) {
    doing = `/${place}`;
    await page.goto(`${base}/${place}`, IDLE);
    await until(`/${place}`, async () => (await text()).trim().length > 10);
  }
  await page.goto(`${base}/plan`, IDLE);
  const add = await page.waitForSelector('[aria-label="Add an ingredient"]');
  await add.type('4 kg plums');
  await page.waitForSelector('[role="option"]');
  await page.keyboard.press('Enter');
  await until('a plan', () => page.$('[data-testid="abv"]'));
  // Begun a quarter of a year ago, so that it is ready for its bottles.
  await press('It was begun earlier…');
  const day = await page.waitForSelector('input[type="datetime-local"]');
  await day.evaluate((e) => {
    e.value = new Date(Date.now() - 100 * 86_400_000).toISOString().slice(0, 16);
    e.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await press('Start this batch');
  await shows('Plum, day 10', '[data-testid="batch-sentence"]');
  await say('99 days ago 1.085 at 20');
  await say('98 days ago yeast in');
  await say('90 days ago 1.000, fruit out');
  await say('89 days ago racked to 10 l jar');
  await shows('10 L jar', '[data-testid="batch-sentence"]');
  await say('30 days ago 0.992 at 18');
  await say('20 days ago 0.992 at 18');
  await say('0.992 at 18, clear');
  await shows('0.992', '[data-testid="batch-sentence"]');
  await say('bottled 3 x 750');
  await page.goto(`${base}/cellar`, IDLE);
  await shows('3 bottles', 'h1');
  await page.goto(`${base}/settings`, IDLE);
  await press('Save everything to a file');
  const name = await until('the file', () => readdirSync(files).find((f) => f.endsWith('.vecino.json')));
  const other = await browser.createBrowserContext();
  const second = await other.newPage();
  await second.goto(`${base}/settings`);
  const input = await second.waitForSelector('input[type="file"][accept*=".zip"]');
  await input.uploadFile(path.join(files, name));
  await second.locator('::-p-aria([name="Bring them in"][role="button"])').click();
  await until('the file’s wines', async () =>
    (await second.$$eval('[role="status"]', (all) => all.map((e) => e.textContent).join())).includes(
      'brought in'
    )
  );
  await second.goto(`${base}/batches`);
  await until('the wine in another browser', async () =>
    (await second.$eval('main', (e) => e.textContent)).includes('Plum')
  );
  // Without the server it goes on.
  await page.goto(`${base}/batches`, IDLE);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload(IDLE);
  isOffline = true;
  doing = 'without the server';
  server.kill();
  await page.reload(IDLE);
  await shows('Plum');
  await say('plum: stirred');
  if (complaints.length > 0) throw new Error(`Firefox complained:\n${[...new Set(complaints)].join('\n')}`);
  console.log('firefox: opened, planned, begun, written, bottled, out and in again, and without the server.');
} catch (e) {
  console.error(e.message);
  console.error([...new Set(complaints)].slice(0, 8).join('\n'));
  if (process.env.SHOT) await page.screenshot({ path: process.env.SHOT }).catch(() => undefined);
  process.exitCode = 1;
} finally {
  await browser.close();
  server.kill();
}
