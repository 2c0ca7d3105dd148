// Tries what docs/hosting.md says: a build under a path, behind a proxy that speaks HTTPS, driven by a browser.
import { spawn, execFileSync } from 'node:child_process';
import { createServer } from 'node:https';
import { request } from 'node:http';
import { mkdtempSync, readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { root } from './setup.mjs';

const BASE = '/wine';
const out = mkdtempSync(path.join(os.tmpdir(), 'vecino-hosting-'));
const say = (text) => console.log(text);
const fail = (text) => {
  console.error(text);
  process.exitCode = 1;
};

execFileSync('npx', ['vite', 'build'], {
  cwd: root,
  env: { ...process.env, BASE_PATH: BASE },
  stdio: 'ignore'
});
const port = 4790;
const server = spawn(process.execPath, ['scripts/serve.mjs'], {
  cwd: root,
  env: {
    ...process.env,
    PORT: String(port),
    HOST: '127.0.0.1',
    PROTOCOL_HEADER: 'x-forwarded-proto',
    HOST_HEADER: 'x-forwarded-host',
    PAIRING_CODE: 'try hosting'
  },
  stdio: ['ignore', 'pipe', 'inherit']
});
let log = '';
server.stdout.on('data', (d) => (log += d));
execFileSync(
  'openssl',
  [
    'req',
    '-x509',
    '-newkey',
    'rsa:2048',
    '-nodes',
    '-days',
    '2',
    '-subj',
    '/CN=localhost',
    '-keyout',
    path.join(out, 'key.pem'),
    '-out',
    path.join(out, 'cert.pem')
  ],
  { stdio: 'ignore' }
);
const proxy = createServer(
  { key: readFileSync(path.join(out, 'key.pem')), cert: readFileSync(path.join(out, 'cert.pem')) },
  (req, res) => {
    // What is not under the path is another site's.
    if (!req.url?.startsWith(BASE)) return void res.writeHead(404).end('another site');
    const inner = request(
      {
        port,
        path: req.url,
        method: req.method,
        headers: { ...req.headers, 'x-forwarded-proto': 'https', 'x-forwarded-host': req.headers.host }
      },
      (a) => {
        res.writeHead(a.statusCode ?? 500, a.headers);
        a.pipe(res);
      }
    );
    inner.on('error', () => res.destroy());
    req.pipe(inner);
  }
);
await new Promise((done) => proxy.listen(0, '127.0.0.1', done));
const address = `https://localhost:${proxy.address().port}${BASE}`;
for (let i = 0; i < 100; i++) {
  if (
    await fetch(`http://127.0.0.1:${port}${BASE}/api/health`).then(
      (r) => r.ok,
      () => false
    )
  )
    break;
  await new Promise((r) => setTimeout(r, 100));
}
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--ignore-certificate-errors']
});
try {
  const page = await browser.newPage({ ignoreHTTPSErrors: true });
  const lost = [];
  page.on('response', (r) => r.status() >= 400 && lost.push(`${r.status()} ${r.url()}`));
  page.on('pageerror', (e) => lost.push(e.message));
  await page.goto(`${address}/`);
  await page.getByRole('button', { name: 'Look round with a made-up household' }).click();
  await page.locator('article').first().waitFor();
  for (const place of ['Harvest', 'Plan', 'Batches', 'Cellar', 'Bench', 'Almanac', 'Settings', 'Today']) {
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place }).click();
    await page.locator(`nav a[aria-current="page"]:has-text("${place}")`).first().waitFor();
    await page.getByRole('heading', { level: 1 }).waitFor();
    if (!new URL(page.url()).pathname.startsWith(BASE)) fail(`${place} left the path: ${page.url()}`);
  }
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Batches' }).click();
  await page
    .getByRole('main')
    .getByRole('link', { name: /^Elderberry/ })
    .first()
    .click();
  await page.getByTestId('batch-sentence').waitFor();
  const answered = await page.evaluate(async (base) => {
    const headers = { 'content-type': 'application/json' };
    const paired = await fetch(`${base}/api/devices/x/key`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ code: 'Try-Hosting' })
    });
    const { key } = await paired.json();
    const r = await fetch(`${base}/api/devices/x/readings`, {
      method: 'POST',
      headers: { ...headers, authorization: `Bearer ${key}` },
      body: JSON.stringify({ at: new Date().toISOString(), sg: 1.05 })
    });
    return r.status;
  }, BASE);
  if (answered !== 202) fail(`a device was answered ${answered}`);
  // Without the server it goes on.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await page.getByTestId('batch-sentence').waitFor();
  server.kill();
  await page.reload();
  await page.getByTestId('batch-sentence').waitFor();
  if (lost.length > 0) fail(`lost on the way: ${lost.join(', ')}`);
  if (/Elderberry|\?|seed/.test(log)) fail(`the log tells too much: ${log}`);
  say(
    process.exitCode
      ? 'hosting: FAILED'
      : `hosting: every place under ${BASE}, over HTTPS, and without the server.`
  );
} catch (e) {
  fail(`hosting: ${e.message}`);
} finally {
  await browser.close();
  server.kill();
  proxy.close();
}
process.exit();
