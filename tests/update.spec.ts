import { execFile, spawn, type ChildProcess } from 'node:child_process';
import { createServer, request as ask } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { promisify } from 'node:util';
import { logOf, startRhubarb } from './kitchen';
import { expect, test } from './test';

test.use({ serviceWorkers: 'allow' });

const ROOT = path.resolve(import.meta.dirname, '..');
/** A build of its own beside the one that is tested: other files, another worker, another version. */
const NEXT = { BUILD_DIR: '.tmp/next-build', APP_VERSION: '99.1.0' };

/** Builds the next Vecino and starts its server. */
async function nextServer(port: number): Promise<ChildProcess> {
  const vite = path.join(ROOT, 'node_modules/.bin/vite');
  await promisify(execFile)(vite, ['build', '--logLevel', 'error'], {
    cwd: ROOT,
    env: { ...process.env, ...NEXT }
  });
  const server = spawn(process.execPath, ['scripts/serve.mjs'], {
    cwd: ROOT,
    env: { ...process.env, ...NEXT, PORT: String(port), HOST: '127.0.0.1' },
    stdio: 'ignore'
  });
  await expect
    .poll(() =>
      fetch(`http://127.0.0.1:${port}/api/health`)
        .then(async (r) => ((await r.json()) as { version: string }).version)
        .catch(() => '')
    )
    .toBe(NEXT.APP_VERSION);
  return server;
}

/** One address, behind which first the one server answers and then the other: so a household's own is replaced. */
async function door(first: number) {
  let port = first;
  const server = createServer((req, res) => {
    const inner = ask(
      { host: '127.0.0.1', port, path: req.url, method: req.method, headers: req.headers },
      (answer) => {
        res.writeHead(answer.statusCode ?? 500, answer.headers);
        answer.pipe(res);
      }
    );
    inner.on('error', () => res.destroy());
    req.pipe(inner);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    to: (next: number) => (port = next),
    close: () => server.close()
  };
}

test('a real next build replaces the first under an open tab: it is told, the tab goes on as it was, and taking it loses nothing', async ({
  browser,
  baseURL
}) => {
  // It builds the whole app once more, beside other journeys.
  test.setTimeout(900_000);
  const first = Number(new URL(baseURL!).port);
  const { url, to, close } = await door(first);
  const context = await browser.newContext({ baseURL: url, serviceWorkers: 'allow' });
  const page = await context.newPage();
  let next: ChildProcess | null = null;
  try {
    await startRhubarb(page);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    const log = await logOf(page);
    const kept = () => page.evaluate(() => caches.keys());
    const before = await kept();
    expect(before).toHaveLength(1);
    next = await nextServer(first + 1000);
    to(first + 1000);
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByRole('textbox').first().fill('half a note, and then the');
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update());
    await expect(page.getByRole('status')).toContainText('A newer Vecino is ready.');
    // What the tab was built from is kept until it is taken; the server has none of it any more.
    expect(await kept()).toEqual(expect.arrayContaining(before));
    const old = await page.evaluate(
      async (cache) =>
        (await (await caches.open(cache)).keys())
          .map((r) => new URL(r.url).pathname)
          .filter((p) => p.endsWith('.js')),
      before[0]!
    );
    const gone = await Promise.all(old.map(async (p) => (await fetch(`${url}${p}`)).status === 404));
    expect(gone.filter(Boolean).length).toBeGreaterThan(5);
    // A place that this tab has never been to is of the same build as all the rest of it.
    await page.getByRole('link', { name: 'Settings' }).first().click();
    await expect(page.getByTestId('version')).toHaveText(/^Vecino (?!99)/);
    await page.goBack();
    await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Take it' }).click()]);
    await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb');
    await expect.poll(kept).not.toEqual(expect.arrayContaining(before));
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await expect(page.getByRole('textbox').first()).toHaveValue('half a note, and then the');
    expect(await logOf(page)).toEqual(log);
    await page.goto('/settings');
    await expect(page.getByTestId('version')).toHaveText(`Vecino ${NEXT.APP_VERSION}`);
    // Without any server it is the new one too.
    next.kill();
    await page.goto('/');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  } finally {
    await context.close();
    close();
    next?.kill();
  }
});
